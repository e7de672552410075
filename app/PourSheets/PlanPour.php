<?php

declare(strict_types=1);

namespace App\PourSheets;

use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Library\Library;
use App\Models\Impression;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use Illuminate\Support\Facades\DB;

/** Opens a sheet for the next pour of an impression: the one begun before, a copy of the last pour's, or a fresh one. */
final readonly class PlanPour
{
    public function __construct(private Workshop $workshop, private Library $library, private Phrasebook $words) {}

    public function __invoke(Impression $impression): Pour
    {
        return DB::transaction(function () use ($impression): Pour {
            $draft = $impression->pours()->plain()->where('state', PourState::Draft)->first();
            if ($draft !== null) {
                return $draft;
            }
            $last = $impression->pours()->plain()->reorder()->orderByDesc('id')->first();
            $half = $last === null ? $this->otherHalf($impression) : null;
            $sheet = match (true) {
                $last !== null => [...$last->sheet, 'carried' => $this->words->say(Phrase::of('bench.last_pour_link'))],
                $half !== null => [...$half->sheet, 'carried' => "“{$half->impression->name}”"],
                default => $this->fresh($impression),
            };

            // Two presses may come at once: the second finds the sheet of the first.
            return $impression->pours()->createOrFirst(['draft_of' => $impression->id], ['sheet' => $sheet, 'state' => PourState::Draft]);
        }, 3);
    }

    /** The newest pour of the other half of the same mould: it usually takes as much. */
    private function otherHalf(Impression $impression): ?Pour
    {
        return $impression->role !== MouldPart::Half ? null : Pour::query()->plain()->where(
            'state', '!=', PourState::Draft,
        )->whereHas('impression', static fn ($other) => $other
            ->where('job_id', $impression->job_id)->where('role', MouldPart::Half)->where(
                'material', $impression->material,
            )->whereKeyNot($impression->id))->with('impression')->orderByDesc('id')->first();
    }

    /** @return array<string, mixed> */
    public function fresh(Impression $impression): array
    {
        $base = $this->library->shelf()->bases[$impression->material ?? ''] ?? null;
        $vacuum = $base?->vacuum === 'recommended' && $this->workshop->vacuum !== false;
        $cup = array_slice($this->workshop->cups ?? [], -1)[0] ?? ['ml' => 1500, 'tare_g' => 45];

        return [
            'volume' => [
                'method' => 'box', 'box' => ['l_mm' => null, 'w_mm' => null, 'h_mm' => null], 'part' => null, 'allowance_pct' => 8,
            ],
            'target' => ['waste_pct' => 0],
            'formula' => ['base' => $base->code ?? '', 'additives' => []],
            'plan' => [
                'scale' => ['division_g' => $this->workshop->scale_division_g, 'capacity_g' => $this->workshop->scale_capacity_g],
                'vessel' => ['capacity_ml' => $cup['ml'], 'tare_g' => $cup['tare_g'] ?? 0, 'degas' => $vacuum, 'rise_factor' => 3],
                'mix_min' => ($base?->times['pot_life_min']->min ?? 20) < 8 ? 1 : 3,
                'degas_min' => $vacuum ? 5 : 0,
                'pour_g_per_min' => 150,
            ],
            'formula_name' => '',
            'cup' => $this->workshop->cups === null ? null : 'fits',
        ];
    }
}
