<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Harden\HardenRequest;
use Apalos\Core\Harden\SoftenerModel;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Units\Shore;
use App\Library\Softeners;
use App\Looks\Memo;

/** Softener and hardness of the bases on this shop's shelf, with its own pucks. */
final class HardnessBook
{
    /** @var array<string, SoftenerModel> */
    private array $models = [];

    /** How finely the curve is drawn, in per cent of A+B. */
    private const STEP_PCT = 5.0;

    public function __construct(
        private readonly SwatchDigests $digests,
        private readonly Softeners $softeners,
        private readonly Memo $memo,
    ) {}

    /**
     * @param  list<float>|null  $at  per cent of A+B; else a fine grid to somewhat past the sheet's limit
     *
     * @throws BadInput where this base has no softener on the shelf, or no hardness
     */
    public function request(string $base, string $softener, ?Shore $target, ?array $at = null): HardenRequest
    {
        [$sheet, $additive] = $this->softeners->pair($base, $softener);
        $softening = $additive->softening
            ?? throw BadInput::at('softener', Phrase::of('bench.sheet_without_softening', ['name' => $additive->name]));
        $max = $sheet->bears($additive);
        $pucks = array_map(static fn (ReadPuck $read) => $read->puck, $this->digests->pucks($base, $softener));
        $last = max([1.15 * $max, ...array_map(static fn ($puck): float => $puck->pctOfAB, $pucks)]);

        return new HardenRequest(
            Softeners::shore($sheet) ?? throw BadInput::at('base', Phrase::of('bench.sheet_without_hardness', ['name' => $sheet->name])),
            $softening->k, $max, $sheet->ratio->weightFractionOfA($sheet->sgA, $sheet->sgB), $pucks, $target,
            $at ?? array_map(floatval(...), range(0.0, ceil($last / self::STEP_PCT) * self::STEP_PCT, self::STEP_PCT)),
        );
    }

    /** How hard a recipe will be, as it is written, as far as its softener and the pucks tell; null where nobody can say. */
    public function expected(Recipe $recipe): ?string
    {
        $shore = $this->expectedShore($recipe);

        return $shore === null ? null : Shore::of($shore->scale, max(0.0, round($shore->reading)))->written();
    }

    public function expectedShore(Recipe $recipe): ?Shore
    {
        $softeners = $this->softeners->choices()[$recipe->base->code] ?? [];
        $shore = Softeners::shore($recipe->base);
        try {
            $loads = $recipe->loads();
        } catch (BadInput) {
            // It does not add up yet, and is told so elsewhere.
            return null;
        }
        foreach ($softeners as $softener) {
            $pct = 100.0 * ($loads[$softener] ?? 0.0);
            if ($pct > 0.0 || $softener === $softeners[0]) {
                $shore = Shore::ofModulus(exp($this->model($recipe->base->code, $softener)->lnModulus($pct / 100.0)));
            }
        }

        return $shore;
    }

    private function model(string $base, string $softener): SoftenerModel
    {
        return $this->models["{$base} {$softener}"] ??= SoftenerModel::from($this->kept($base, $softener));
    }

    /** @return array{float, float, float, float, float} what was learnt, kept until a puck or the shelf changes */
    private function kept(string $base, string $softener): array
    {
        return $this->memo->of("softening:{$base}:{$softener}", $this->digests->restsOn(), function () use (
            $base, $softener,
        ): array {
            $asked = $this->request($base, $softener, null, []);

            return SoftenerModel::learnt($asked->base, $asked->k, $asked->swatches)->toArray();
        });
    }
}
