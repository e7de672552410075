<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Harden\HardenRequest;
use Apalos\Core\Harden\SofteningPlanner;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;

/** Softener and hardness of the bases on this shop's shelf, with its own pucks. */
final readonly class HardnessBook
{
    /** How finely the curve is drawn, in per cent of A+B. */
    private const STEP_PCT = 5.0;

    public function __construct(private SwatchBook $swatches, private Library $library) {}

    /** @return array<string, list<string>> softeners by base, both by house code: every base whose hardness is read on A or 00 */
    public function choices(): array
    {
        $choices = [];
        foreach ($this->library->shelf()->bases as $base) {
            $softeners = array_filter($this->library->shelf()->additives, static fn (AdditiveSheet $a): bool => $a->role->isSoftener() && $a->softening !== null && $a->suits($base));
            if ($softeners !== [] && self::shore($base) !== null) {
                $choices[$base->code] = array_keys($softeners);
            }
        }

        return $choices;
    }

    /**
     * @param  list<float>|null  $at  per cent of A+B; else a fine grid to somewhat past the sheet's limit
     *
     * @throws BadInput where this base has no softener on the shelf, or no hardness
     */
    public function request(string $base, string $softener, ?Shore $target, ?array $at = null): HardenRequest
    {
        [$sheet, $additive] = $this->pair($base, $softener);
        $softening = $additive->softening ?? throw BadInput::at('softener', Phrase::written("The sheet of {$additive->name} does not say how it softens."));
        $max = $sheet->bears($additive);
        $pucks = array_column($this->swatches->pucks($base, $softener), 'puck');
        $last = max([1.15 * $max, ...array_map(static fn ($puck): float => $puck->pctOfAB, $pucks)]);

        return new HardenRequest(
            self::shore($sheet) ?? throw BadInput::at('base', Phrase::written("The sheet of {$sheet->name} gives no hardness on A or 00.")),
            $softening->k, $max, $sheet->ratio->weightFractionOfA($sheet->sgA, $sheet->sgB), $pucks, $target,
            $at ?? array_map(floatval(...), range(0.0, ceil($last / self::STEP_PCT) * self::STEP_PCT, self::STEP_PCT)),
        );
    }

    /**
     * @return array{BaseSheet, AdditiveSheet}
     *
     * @throws BadInput
     */
    public function pair(string $base, string $softener): array
    {
        $sheet = $this->library->shelf()->base($base);
        $additive = $this->library->shelf()->additive($softener, 'softener');
        if (! in_array($softener, $this->choices()[$base] ?? [], true)) {
            throw BadInput::at('softener', Phrase::written("{$additive->name} does not soften {$sheet->name}. Choose a softener of its own kind."));
        }

        return [$sheet, $additive];
    }

    /** @return array<int, Warning> what to ask about pucks that contradict the others, by the id of their swatch */
    public function contradictions(): array
    {
        $questions = [];
        foreach ($this->choices() as $base => $softeners) {
            foreach ($softeners as $softener) {
                $pucks = $this->swatches->pucks($base, $softener);
                foreach ($pucks === [] ? [] : (new SofteningPlanner)->answer($this->request($base, $softener, null, [0.0]))->pucks as $i => $puck) {
                    $question = $puck->question();
                    if ($question !== null) {
                        $questions[$pucks[$i]['known']->swatch->id] = $question;
                    }
                }
            }
        }

        return $questions;
    }

    /** How hard a recipe will be, as it is written, as far as its softener and the pucks tell; null where nobody can say. */
    public function expected(Recipe $recipe): ?string
    {
        $softeners = $this->choices()[$recipe->base->code] ?? [];
        $shore = self::shore($recipe->base);
        try {
            $loads = $recipe->loads();
        } catch (BadInput) {
            // It does not add up yet, and is told so elsewhere.
            return null;
        }
        foreach ($softeners as $softener) {
            $pct = 100.0 * ($loads[$softener] ?? 0.0);
            if ($pct > 0.0 || $softener === $softeners[0]) {
                $shore = (new SofteningPlanner)->answer($this->request($recipe->base->code, $softener, null, [$pct]))->curve[0]->shore;
            }
        }

        return $shore === null ? null : Shore::of($shore->scale, max(0.0, round($shore->reading)))->written();
    }

    public static function shore(BaseSheet $base): ?Shore
    {
        $scale = ShoreScale::tryFrom($base->hardness['scale'] ?? '');

        return $scale === null || $base->hardness === null ? null : Shore::of($scale, $base->hardness['reading']);
    }
}
