<?php

declare(strict_types=1);

namespace Apalos\Core\Paint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Mix\Additive;
use Apalos\Core\Mix\Composition;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixTarget;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/**
 * Extrinsic colour: silicone, pigment and solvent for a painted area. The solvent leaves, so the dry film is what the silicone
 * and the pigment alone make: its volume is area × thickness × coats, and the solvent comes on top.
 */
final readonly class PaintPlanner
{
    /** More pigment than this in the dry film and the silicone no longer binds it: it rubs off. */
    private const STARVED_PCT = 15.0;

    private const LEAST_SOLVENT = 1.0;

    public function __construct(private MixPlanner $mixes = new MixPlanner) {}

    /**
     * @param  float  $areaMm2  painted, $filmMm dry, of one coat
     * @param  float  $wastePct  left in the pot and the brush, 0–300
     *
     * @throws BadInput
     */
    public function plan(
        Recipe $recipe,
        float $areaMm2,
        float $filmMm,
        int $coats,
        float $wastePct,
        Scale $scale,
        Celsius $room,
    ): PaintResult {
        $base = $recipe->base->forMixing();
        $all = self::unlimited($recipe);
        $stays = array_values(
            array_filter($all, static fn (Additive $a): bool => ! in_array($a->code, self::coded($recipe, AdditiveRole::Solvent), true)),
        );
        $dry = Composition::of($base, $stays);
        $wet = Composition::of($base, $all);
        $dryMass = Millilitres::of($areaMm2 * $filmMm * $coats / 1000.0)->massAt($dry->density);
        $ab = $dryMass->g / $dry->massPerAB;
        $mix = $this->mixes->plan(new MixRequest(
            $base, MixTarget::from(Fields::of(['mass_g' => $ab * $wet->massPerAB, 'waste_pct' => $wastePct])), $all, $scale, null, $room,
            Minutes::of(0.0), Minutes::of(0.0), null, null,
        ));
        $of = static fn (AdditiveRole $role): float => array_sum(
            array_map(static fn (string $code): float => $wet->parts[$code] ?? 0.0, self::coded($recipe, $role)),
        );
        $wetMl = $ab * $wet->massPerAB / $wet->density->gPerMl;

        return new PaintResult(
            $mix, $dryMass, $coats, $areaMm2 <= 0.0 ? 0.0 : $wetMl * 1000.0 / $areaMm2 / $coats,
            ['silicone' => 1.0, 'pigment' => $of(AdditiveRole::Pigment), 'solvent' => $of(AdditiveRole::Solvent)],
            self::flash($recipe),
            iterator_to_array(
                self::warnings($recipe, $of(AdditiveRole::Solvent), 100.0 * $of(AdditiveRole::Pigment) / $dry->massPerAB), false,
            ),
        );
    }

    /**
     * The limits of a sheet are for casts; a film bears more pigment.
     *
     * @return list<Additive>
     */
    private static function unlimited(Recipe $recipe): array
    {
        return array_map(
            static fn (Additive $a): Additive => new Additive($a->code, $a->name, $a->amount, $a->basis, $a->into, $a->sg, null, $a->drop),
            $recipe->additives(),
        );
    }

    /** @return list<string> */
    private static function coded(Recipe $recipe, AdditiveRole $role): array
    {
        return array_values(
            array_map(
                static fn ($sheet): string => $sheet->code,
                array_filter($recipe->sheets(), static fn ($sheet): bool => $sheet->role === $role),
            ),
        );
    }

    private static function flash(Recipe $recipe): ?Minutes
    {
        $minutes = array_filter(array_map(static fn ($sheet): ?float => $sheet->flash?->min, $recipe->sheets()));

        return $minutes === [] ? null : Minutes::of(max($minutes));
    }

    /** @return \Generator<Warning> */
    private static function warnings(Recipe $recipe, float $solvent, float $pigmentPct): \Generator
    {
        if ($solvent < self::LEAST_SOLVENT) {
            yield new Warning('stiff_paint', Phrase::of('paint.stiff', ['solvent' => $solvent]));
        }
        if ($pigmentPct > self::STARVED_PCT) {
            yield new Warning('starved', Phrase::of('paint.starved', ['pct' => $pigmentPct, 'most' => self::STARVED_PCT]));
        }
        if ($pigmentPct <= 0.0) {
            yield new Warning('no_pigment', Phrase::of('paint.no_pigment'));
        }
        foreach ($recipe->sheets() as $sheet) {
            if ($sheet->role === AdditiveRole::Softener) {
                yield new Warning('soft_paint', Phrase::of('paint.soft', ['name' => $sheet->name]));
            }
        }
    }
}
