<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Library\Recipes;
use App\Lists\Rows;
use App\Models\PourState;
use Illuminate\Support\Facades\DB;

/** What is written about a base with about so much softener: on the sheets, on pucks, and in the log of pours. */
final readonly class SofteningNotes
{
    /** Notes on a puck or a pour this near to the load, in per cent of A+B, speak of it. */
    private const NEAR_PCT = 15.0;

    private const MOST = 6;

    private const POURS_LOOKED_AT = 100;

    /** Of those, the newest about which something was said. */
    private const POURS_READ = 40;

    public function __construct(private SwatchDigests $digests, private Recipes $recipes, private Library $library) {}

    /** @return list<array{from: Phrase|string, text: string, href: string}> the sheets' first, then the nearest */
    public function near(BaseSheet $base, AdditiveSheet $softener, float $pctOfAB): array
    {
        $notes = [];
        foreach ([$softener, $base] as $sheet) {
            $text = $sheet->sheet()->textOrNull('notes');
            if ($text !== null) {
                $notes[] = [
                    'from' => Phrase::of('bench.sheet_of', ['sheet' => $sheet->name]), 'text' => $text, 'href' => "/stores/{$sheet->code}",
                ];
            }
        }
        $own = [...$this->onPucks($base, $softener, $pctOfAB), ...$this->inTheLog($base, $softener, $pctOfAB)];
        usort($own, static fn (array $a, array $b): int => $a['off'] <=> $b['off']);

        return array_slice(
            [
                ...$notes,
                ...array_map(
                    static fn (array $note): array => ['from' => $note['from'], 'text' => $note['text'], 'href' => $note['href']], $own,
                ),
            ],
            0, self::MOST,
        );
    }

    /** @return list<array{from: Phrase|string, text: string, href: string, off: float}> */
    private function onPucks(BaseSheet $base, AdditiveSheet $softener, float $pctOfAB): array
    {
        $notes = [];
        $near = $this->digests
            ->all()
            ->where('base_code', $base->code)
            ->where(static fn ($with) => $with->where('softener_code', $softener->code)->orWhereNull('softener_code'))
            ->whereBetween('pct_of_ab', [
                $pctOfAB - self::NEAR_PCT, $pctOfAB + self::NEAR_PCT,
            ])->join('swatches', 'swatches.id', '=', 'swatch_digests.swatch_id')->where('swatches.note', '<>', '')
            ->orderByRaw('abs(pct_of_ab - ?)', [$pctOfAB])->limit(self::MOST)->toBase()->get(['swatch_id', 'pct_of_ab', 'swatches.note']);
        foreach ($near as $digest) {
            $pct = (float) $digest->pct_of_ab;
            $notes[] = [
                'from' => Phrase::of('bench.puck_at', ['pct' => $pct]), 'text' => (string) $digest->note,
                'href' => "/swatches/drawer#swatch-{$digest->swatch_id}", 'off' => abs($pct - $pctOfAB),
            ];
        }

        return $notes;
    }

    /** @return list<array{from: Phrase|string, text: string, href: string, off: float}> */
    private function inTheLog(BaseSheet $base, AdditiveSheet $softener, float $pctOfAB): array
    {
        $faults = $this->library->faults();
        $notes = [];
        $loads = [];
        foreach ($this->told($base) as $row) {
            $recipe = (string) $row->recipe;
            $pct = ($loads[$recipe] ??= $this->loads($recipe))[$softener->code] ?? 0.0;
            $seen = json_decode($row->faults ?? '[]', true);
            $said = [
                ...array_map(static fn (string $id): string => $faults[$id]['name'] ?? $id, array_filter((array) $seen, is_string(...))),
                ...((string) $row->note === '' ? [] : [(string) $row->note]),
            ];
            if ($pct > 0.0 && abs($pct - $pctOfAB) <= self::NEAR_PCT) {
                $notes[] = [
                    'from' => sprintf('%s, %s %%', $row->job, Measures::figure($pct)), 'text' => implode('. ', $said),
                    'href' => "/pours/{$row->id}/run", 'off' => abs($pct - $pctOfAB),
                ];
            }
        }

        return $notes;
    }

    /** @return list<\stdClass> of the newest pours of a base those about which something was said, with what was in them */
    private function told(BaseSheet $base): array
    {
        $newest = Rows::of('pours')
            ->where('state', PourState::Graded->value)
            ->where('base_code', $base->code)
            ->orderByDesc('graded_at')
            ->limit(self::POURS_LOOKED_AT)
            ->pluck('id')
            ->all();
        $rows = DB::table('pours')
            ->join('formula_versions', 'formula_versions.id', '=', 'pours.formula_version_id')
            ->join('impressions', 'impressions.id', '=', 'pours.impression_id')
            ->join('jobs', 'jobs.id', '=', 'impressions.job_id')
            ->whereIn('pours.id', $newest)
            ->where(static fn ($said) => $said->where('pours.note', '<>', '')->orWhereRaw("cast(pours.faults as text) <> '[]'"))
            ->orderByDesc('pours.graded_at')
            ->limit(self::POURS_READ)
            ->get(['pours.id', 'pours.faults', 'pours.note', 'formula_versions.recipe', 'jobs.name as job']);

        return array_values($rows->all());
    }

    /** @return array<string, float> per cent of A+B, by house code; none where a material of it is no longer on the shelf */
    private function loads(string $recipe): array
    {
        $said = json_decode($recipe, true);
        $loads = is_array($said) ? $this->recipes->read($said)?->loads() ?? [] : [];

        return array_map(static fn (float $load): float => 100.0 * $load, $loads);
    }
}
