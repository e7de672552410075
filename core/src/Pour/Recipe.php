<?php

declare(strict_types=1);

namespace Apalos\Core\Pour;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveLimit;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mix\Additive;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Mix\Composition;
use Apalos\Core\Mix\Into;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** A formula read against the shelf: the base's sheet, and what goes into it, in order. */
final readonly class Recipe
{
    /** @param  list<array{sheet: AdditiveSheet, additive: Additive}>  $entries */
    private function __construct(public BaseSheet $base, private array $entries) {}

    /** @throws BadInput for a code that is not on the shelf or a side the base does not have */
    public static function from(Fields $in, Shelf $shelf): self
    {
        $in->only('base', 'additives');
        $base = $shelf->base($in->text('base'), $in->at('base'));
        $entries = [];
        foreach ($in->objects('additives') as $line) {
            $line->only('code', 'amount', 'basis', 'into');
            $sheet = $shelf->additive($line->text('code'), $line->at('code'));
            $basis = $line->choice('basis', Basis::class);
            $into = $line->choice('into', Into::class);
            if ($base->ratio->isOnePart() && ($into === Into::B || $basis === Basis::OfB)) {
                throw BadInput::at(
                    $line->at($into === Into::B ? 'into' : 'basis'),
                    Phrase::of('pour.one_part', ['base' => $base->name, 'additive' => $sheet->name]),
                );
            }
            if ($basis === Basis::DropsPer100g && $sheet->drop === null) {
                throw BadInput::at($line->at('basis'), Phrase::of('pour.no_drop', ['name' => $sheet->name]));
            }
            $entries[] = [
                'sheet' => $sheet,
                'additive' => new Additive(
                    $sheet->code, $sheet->name, $line->number('amount', 0.0, 1000.0), $basis, $into, $sheet->sg,
                    self::max($base, $sheet, $basis), $sheet->drop,
                ),
            ];
        }

        return new self($base, $entries);
    }

    /** The base's own limit for this kind of additive, or the additive's, where it is on the basis that is used. */
    private static function max(BaseSheet $base, AdditiveSheet $sheet, Basis $basis): ?float
    {
        $limit = $base->limitFor($sheet->role);
        if ($limit !== null && $limit->basis === $basis) {
            return $limit->max;
        }

        return $limit === null && $sheet->basis === $basis && ! $sheet->leavesOpen('max') ? $sheet->max : null;
    }

    /** @return list<Additive> */
    public function additives(): array
    {
        return array_map(static fn (array $entry): Additive => $entry['additive'], $this->entries);
    }

    /** @throws BadInput where the shares leave no room for A+B */
    public function composition(): Composition
    {
        return Composition::of($this->base->forMixing(), $this->additives());
    }

    /** @return array<string, float> grams in a gram of A+B, by the house code of the additive */
    public function loads(): array
    {
        $parts = $this->composition()->parts;
        $loads = [];
        foreach ($this->entries as ['sheet' => $sheet, 'additive' => $additive]) {
            $loads[$sheet->code] = $parts[$additive->code];
        }

        return $loads;
    }

    /** How many times as long it pours as the bare base: softener keeps it fluid, on top of all that room and mass do. */
    public function poursLonger(): float
    {
        try {
            $loads = $this->loads();
        } catch (BadInput) {
            // Shares that leave no room for A+B are told where the mix is planned.
            return 1.0;
        }
        $times = 1.0;
        foreach ($this->sheets() as $sheet) {
            $times *= $sheet->softening?->leaves(100.0 * $loads[$sheet->code])['pot_life'] ?? 1.0;
        }

        return $times;
    }

    /** @return array<string, string> what each ingredient is called, by its code in a weigh-up */
    public function names(): array
    {
        $names = $this->base->ratio->isOnePart()
            ? ['A' => $this->base->partNames['a']]
            : ['A' => $this->base->partNames['a'], 'B' => $this->base->partNames['b'] ?? 'B'];
        foreach ($this->entries as ['sheet' => $sheet]) {
            $names[$sheet->code] = $sheet->name;
        }

        return $names;
    }

    /** @return list<AdditiveSheet> of everything that really goes in, in order */
    public function sheets(): array
    {
        return array_values(
            array_map(
                static fn (array $entry): AdditiveSheet => $entry['sheet'],
                array_filter($this->entries, static fn (array $entry): bool => $entry['additive']->amount > 0.0),
            ),
        );
    }

    /**
     * @param  bool  $asPaint  brushed on, not poured into a mould
     * @return list<Warning>
     */
    public function warnings(bool $asPaint = false): array
    {
        $warnings = $this->leansOn();
        foreach ($this->entries as ['sheet' => $sheet, 'additive' => $additive]) {
            if ($additive->amount <= 0.0) {
                continue;
            }
            if (! $sheet->suits($this->base)) {
                $warnings[] = new Warning('not_for_this_base', Phrase::of('pour.not_for_this_base', [
                    'additive' => $sheet->name, 'base' => $this->base->name,
                ]));
            }
            if ($sheet->paintOnly && ! $asPaint) {
                $warnings[] = new Warning('paint_only', Phrase::of('pour.paint_only', ['name' => $sheet->name]));
            }
            $limit = $this->base->limitFor($sheet->role);
            if ($limit !== null && $limit->basis !== $additive->basis) {
                $warnings = [...$warnings, ...$this->pastTheLimit($sheet, $additive, $limit)];
            }
        }

        return $warnings;
    }

    /**
     * What the sheets in it leave open and the answers lean on all the same.
     *
     * @return list<Warning>
     */
    private function leansOn(): array
    {
        $warnings = [];
        foreach (array_intersect($this->base->leftOpen, ['sg', 'pot_life_min', 'demould_min', 'ref_c', 'q10', 'alpha']) as $field) {
            $warnings[] = new Warning("unknown_{$field}", Phrase::of("pour.unknown_{$field}", [
                'base' => $this->base->name, 'sg' => Quantity::density($this->base->density()),
                'ref' => Quantity::temperature($this->base->reference),
            ]));
        }
        foreach ($this->sheets() as $sheet) {
            if ($sheet->leavesOpen('sg')) {
                $warnings[] = new Warning('unknown_sg', Phrase::of('pour.unknown_sg_of_additive', ['name' => $sheet->name]));
            }
        }

        return $warnings;
    }

    /**
     * Half the trade counts softener on one part and the sheet on both: the limit is held against what is really in it.
     *
     * @return list<Warning>
     */
    private function pastTheLimit(AdditiveSheet $sheet, Additive $additive, AdditiveLimit $limit): array
    {
        try {
            $amount = $this->composition()->counted($additive->code, $limit->basis, $sheet->drop);
        } catch (BadInput) {
            // Shares that leave no room for A+B are told where the mix is planned.
            return [];
        }
        [$max, $inWords] = [$limit->max, $limit->basis->inWords()];
        if ($amount === null) {
            return [
                new Warning('other_basis', Phrase::of('pour.other_basis', [
                    'name' => $sheet->name, 'of' => $inWords, 'here' => $additive->basis->inWords(), 'max' => $max,
                ])),
            ];
        }

        return $amount <= $limit->max * (1.0 + 1e-9)
            ? []
            : [
                new Warning('over_max', Phrase::of('pour.over_max', [
                    'name' => $sheet->name, 'amount' => $amount, 'of' => $inWords, 'max' => $max,
                ])),
            ];
    }

    /** @return list<string> ids of cautions of everything in the cup, the base's first */
    public function hazards(): array
    {
        $hazards = $this->base->hazards;
        foreach ($this->entries as ['sheet' => $sheet, 'additive' => $additive]) {
            $hazards = $additive->amount > 0.0 ? [...$hazards, ...$sheet->hazards] : $hazards;
        }

        return array_values(array_unique($hazards));
    }

    /** @return array<string, string> colour of each ingredient, by its code in a weigh-up */
    public function colours(): array
    {
        $colours = ['A' => $this->base->colour, 'B' => $this->base->colour];
        foreach ($this->entries as ['sheet' => $sheet]) {
            $colours[$sheet->code] = $sheet->colour;
        }

        return $colours;
    }
}
