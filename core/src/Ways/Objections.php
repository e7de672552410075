<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Mould\RankedMould;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;

/** Why a kind of mould, or a rubber for it, is out of the question for this piece: said, so that nobody wonders where it went. */
final readonly class Objections
{
    public function __construct(
        private WaysRequest $asked,
        private WaysBook $book,
        private MouldLibrary $moulds,
        private Knowledge $knowledge,
    ) {}

    /** What speaks against a kind of mould, or the work it is. */
    public function toKind(string $kind, Worked $worked, RankedMould $ranked): ?Phrase
    {
        if ($worked->needs !== null && ! ($this->asked->gear[$worked->needs] ?? false)) {
            return Phrase::of("ways.needs_{$worked->needs}");
        }
        // What its chemistry costs it is asked of each rubber: here count the reasons of the kind.
        $score = 50.0 + array_sum($ranked->weights);
        if ($score < $this->book->leastScore) {
            $worst = $ranked->weights;
            asort($worst);

            return Phrase::written((string) array_key_first($worst));
        }
        $lasts = $this->moulds->kinds[$kind]->lasts;

        return $lasts !== null && $lasts * 12 < $this->asked->count ? Phrase::of('ways.lasts_one', ['lasts' => $lasts]) : null;
    }

    /** What speaks against a mould of this kind being of this rubber: heat, hardness, stretch. */
    public function toBase(string $kind, BaseSheet $base): ?Phrase
    {
        $family = $this->knowledge->family($base->family);
        $bears = $base->bearsHeat() ?? ($this->knowledge->surfaces[$family->curesTo] ?? null)?->bears;
        if ($bears !== null && $this->asked->piece->heatC > $bears->degrees) {
            return Phrase::of('mould.bears', [
                'family' => $base->name, 'bears' => Quantity::temperature($bears->degrees),
                'heat' => Quantity::temperature($this->asked->piece->heatC),
            ]);
        }
        $wanted = $this->moulds->hardness->of($this->moulds->kinds[$kind], $base->family, $this->asked->piece);
        $is = self::onA($base);
        if (
            $wanted !== null
            && $is !== null
            && ($is < $wanted['low'] - $this->book->hardnessSlack || $is > $wanted['high'] + $this->book->hardnessSlack)
        ) {
            return Phrase::of($is < $wanted['low'] ? 'ways.too_soft' : 'ways.too_hard', [
                'base' => $base->name, 'is' => $is, 'low' => $wanted['low'], 'high' => $wanted['high'],
            ]);
        }
        $elongation = $base->sheet()->numberOrNull('elongation_pct');
        if (
            $this->asked->stretch !== null
            && $elongation !== null
            && $this->asked->stretch > MouldLibrary::SAFE_STRETCH * $elongation
            && ! $this->moulds->kinds[$kind]->wall->isRigid
        ) {
            return Phrase::of('mould.stretch', [
                'stretch' => $this->asked->stretch, 'rubber' => $base->name, 'bears' => MouldLibrary::SAFE_STRETCH * $elongation,
            ]);
        }

        return null;
    }

    /** @return float|null Shore A */
    private static function onA(BaseSheet $base): ?float
    {
        if ($base->hardness === null || ! in_array($base->hardness['scale'], ['A', '00'], true)) {
            return null;
        }

        return $base->hardness['scale'] === 'A'
            ? $base->hardness['reading']
            : Shore::ofModulusOn(ShoreScale::A, Shore::of(ShoreScale::DoubleO, $base->hardness['reading'])->modulus())->reading;
    }
}
