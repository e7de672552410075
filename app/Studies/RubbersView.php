<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use App\Builds\BuildBook;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\PourState;
use App\PourSheets\PourSheetReckoner;
use App\Types\View;

/**
 * What a study asks of materials: how they flow, how long they pour in this room, how far they stretch; and the mix the job has planned.
 */
final readonly class RubbersView implements View
{
    public function __construct(
        private Library $library,
        private BuildBook $book,
        private PourSheetReckoner $reckoner,
        private ?Job $job,
    ) {}

    /**
     * @return array{
     *     bases: list<array{
     *         code: string, name: string, sg: float, viscosity_pas: float|null, pot_life_min: float|null, elongation_pct: float|null,
     *         tear_n_mm: float|null, shore: string|null, soft: bool, vacuum: string,
     *     }>,
     *     fillers: list<array{code: string, name: string, sg: float}>, cast: string|null, mould: string|null,
     *     planned: array{name: string, base: string, sg: float, pot_life_min: float, viscosity_pas: float|null, start_min: float}|null
     * }
     */
    public function toArray(): array
    {
        return [
            'bases' => array_map($this->base(...), array_values($this->library->atHand()->bases)), 'fillers' => $this->fillers(),
            'cast' => $this->link(ImpressionKind::Cast)?->material, 'mould' => $this->link(ImpressionKind::Mould)?->material,
            'planned' => $this->planned(),
        ];
    }

    /**
     * @return array{
     *     code: string, name: string, sg: float, viscosity_pas: float|null, pot_life_min: float|null, elongation_pct: float|null,
     *     tear_n_mm: float|null, shore: string|null, soft: bool, vacuum: string,
     * }
     */
    private function base(BaseSheet $base): array
    {
        $sheet = $base->sheet();

        return [
            'code' => $base->code, 'name' => $base->name, 'sg' => $base->density()->gPerMl,
            'viscosity_pas' => $sheet->numberOrNull('viscosity_pas'),
            'pot_life_min' => ($this->book->times($base)[Milestone::PotLife->value] ?? null)?->min,
            'elongation_pct' => $sheet->numberOrNull('elongation_pct'), 'tear_n_mm' => $sheet->numberOrNull('tear_n_mm'),
            'shore' => $base->shore(), 'vacuum' => $base->vacuum,
            'soft' => ($sheet->numberOrNull('elongation_pct') ?? 0.0) >= 100.0,
        ];
    }

    /** @return list<array{code: string, name: string, sg: float}> what makes a cast lighter or heavier */
    private function fillers(): array
    {
        $fillers = array_filter(
            $this->library->atHand()->additives, static fn (AdditiveSheet $one): bool => $one->role === AdditiveRole::Filler,
        );

        return array_values(
            array_map(
                static fn (AdditiveSheet $one): array => [
                    'code' => $one->code, 'name' => $one->name, 'sg' => $one->sheet()->number('sg', 0.01, 25.0),
                ],
                $fillers,
            ),
        );
    }

    /**
     * The mix of the next casts, as its sheet has it: one figure, one source.
     *
     * @return array{name: string, base: string, sg: float, pot_life_min: float, viscosity_pas: float|null, start_min: float}|null
     */
    private function planned(): ?array
    {
        $cast = $this->link(ImpressionKind::Cast);
        $pour = $cast?->pours()->plain()->where('state', PourState::Draft)->first()
            ?? $cast?->pours()->plain()->reorder()->orderByDesc('id')->first();
        if ($cast === null || $pour === null) {
            return null;
        }
        $mix = $this->reckoner->reckon($pour->sheet)->mix;
        $code = is_array($formula = $pour->sheet['formula'] ?? null) && is_string($formula['base'] ?? null) ? $formula['base'] : '';
        $base = $this->library->shelf()->bases[$code] ?? null;
        $told = $mix?->toArray();
        if ($told === null || $base === null || $told['pot_life_min'] === null) {
            return null;
        }

        return [
            'name' => $cast->name, 'base' => $base->name, 'sg' => $told['sg'], 'pot_life_min' => $told['pot_life_min'],
            'viscosity_pas' => $base->sheet()->numberOrNull('viscosity_pas'),
            'start_min' => max(0.0, $told['pot_life_min'] - ($told['usable_min'] ?? 0.0)),
        ];
    }

    private function link(ImpressionKind $kind): ?Impression
    {
        return $this->job?->impressions()->where('kind', $kind)->first();
    }
}
