<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

use Apalos\Core\Casting\Heat;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Batch;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Mix\Vessel;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/**
 * A plan as it was when the pour began. It never changes; what differs in the cup is told by events. An item of its checklist carries,
 * where ticking it says that something was done to a mould, what (`care`), to which and with what.
 *
 * @phpstan-type Item array{id: string, text: string, minutes: float, care?: string, mould?: int, with?: string}
 *
 * @phpstan-import-type HeatShape from Heat
 */
final readonly class RunPlan
{
    /** Above this a second, clean cup is worth its while: what clings to the wall of the first is unmixed. */
    public const SECOND_CUP_G = 500.0;

    /** Of batches, and of what is seen ready before. */
    private const MOST_BATCHES = 300;

    /**
     * @param  list<array<string, float>>  $batches  grams to weigh by code, in order, for each cup
     * @param  list<Item>  $checklist  what must be ready before anything is mixed
     * @param  list<string>  $ticked  of the checklist, from before the plan was changed
     * @param  float  $tolerancePct  how far a weighing may be off before it is questioned
     * @param  bool  $endsLaid  it is over when it is where it belongs: a coat of a build, which is not opened for itself
     * @param  bool  $ahead  every cup is weighed up to the meeting before the first of them meets: several cups are one pour
     * @param  array<int, array<string, float>>  $carried  grams by code that stand in a cup already, from before the plan was changed
     * @param  bool  $premixes  what is weighed is stirred in its own pot first; powder, dough and film are not
     * @param  Heat|null  $heat  how warm it is made: weighed up cold without a clock, which counts from the heat; null where it is mixed
     * @param  Millilitres|null  $takes  what the cup takes with room to rise under vacuum; null where it is only stirred, or nobody said
     */
    public function __construct(
        public array $batches,
        public bool $onePart,
        public Minutes $mixing,
        public Minutes $degassing,
        public Grams $division,
        public ?Millilitres $capacity,
        public Density $density,
        public float $tolerancePct = 1.0,
        public array $checklist = [],
        public ?Millilitres $takes = null,
        public bool $endsLaid = false,
        public bool $ahead = false,
        public array $carried = [],
        public array $ticked = [],
        public bool $premixes = true,
        public ?Heat $heat = null,
    ) {}

    /**
     * Begun once before: with what stands in its cups as far as it still fits, and what was seen ready then.
     *
     * @param  array<int, array<string, float>>  $cups  grams by code
     * @param  list<string>  $ticked
     */
    public function goingOn(array $cups, array $ticked): self
    {
        $fits = array_filter(
            $cups, fn (array $poured, int $batch): bool => MixingCup::carrying($this, $batch, $poured) !== null, ARRAY_FILTER_USE_BOTH,
        );

        return new self(
            $this->batches, $this->onePart, $this->mixing, $this->degassing, $this->division, $this->capacity, $this->density,
            $this->tolerancePct, $this->checklist, $this->takes, $this->endsLaid, $this->ahead,
            $fits, array_values(array_intersect(array_column($this->checklist, 'id'), $ticked)), $this->premixes, $this->heat,
        );
    }

    /** @param  list<Item>  $checklist */
    public static function of(
        MixResult $mix,
        bool $onePart,
        Minutes $mixing,
        Minutes $degassing,
        Grams $division,
        ?Vessel $vessel,
        array $checklist = [],
        bool $endsLaid = false,
        bool $premixes = true,
        ?Heat $heat = null,
    ): self {
        $batches = array_map(static function (Batch $batch): array {
            $amounts = [];
            foreach ($batch->lines as $line) {
                $amounts[$line->code] = $line->grams->g;
            }

            return $amounts;
        }, $mix->batches);

        // Heat does what stirring and a vacuum would: no minute of its clock goes to them.
        [$mixing, $degassing] = $heat === null ? [$mixing, $degassing] : [Minutes::of(0.0), Minutes::of(0.0)];

        return new self(
            $batches, $onePart, $mixing, $degassing, $division, $vessel?->capacity, $mix->density, checklist: $checklist,
            takes: $vessel?->degas === true ? $vessel->takes() : null, endsLaid: $endsLaid, ahead: count($batches) > 1 && ! $onePart,
            premixes: $premixes, heat: $heat,
        );
    }

    public static function from(Fields $in): self
    {
        $batches = [];
        foreach ($in->objects('batches', self::MOST_BATCHES) as $batch) {
            $amounts = [];
            foreach ($batch->names() as $name) {
                $amounts[$name] = $batch->number($name);
            }
            $batches[] = $amounts;
        }
        $capacity = $in->positiveOrNull('capacity_ml');

        return new self(
            $batches,
            $in->bool('one_part'),
            Minutes::of($in->number('mix_min')),
            Minutes::of($in->number('degas_min')),
            Grams::of($in->positive('division_g')),
            $capacity === null ? null : Millilitres::of($capacity),
            Density::of($in->positive('sg')),
            $in->number('tolerance_pct'),
            array_map(self::item(...), $in->objects('checklist', self::MOST_BATCHES)),
            ($takes = $in->positiveOrNull('takes_ml')) === null ? null : Millilitres::of($takes),
            $in->has('ends_laid') && $in->bool('ends_laid'),
            $in->has('ahead') && $in->bool('ahead'),
            self::readCarried($in),
            $in->has('ticked') ? $in->strings('ticked') : [],
            ! $in->has('premixes') || $in->bool('premixes'),
            ($heat = $in->objectOrNull('heat')) === null ? null : Heat::from($heat),
        );
    }

    /** @return Item */
    private static function item(Fields $in): array
    {
        $mould = $in->numberOrNull('mould');
        $more = ['care' => $in->textOrNull('care'), 'mould' => $mould === null ? null : (int) $mould, 'with' => $in->textOrNull('with')];

        return [
            'id' => $in->text('id'), 'text' => $in->text('text'), 'minutes' => $in->numberOrNull('minutes') ?? 0.0,
            ...array_filter($more, static fn (string|int|null $one): bool => $one !== null),
        ];
    }

    /**
     * @return array{
     *     batches: list<array<string, float>>, one_part: bool, mix_min: float, degas_min: float, division_g: float,
     *     capacity_ml: float|null, sg: float, tolerance_pct: float,
     *     checklist: list<Item>, takes_ml: float|null, ends_laid: bool, ahead: bool, carried?: array<int, array<string, float>>,
     *     ticked?: list<string>, premixes?: bool, heat?: HeatShape
     * }
     */
    public function toArray(): array
    {
        return [
            'batches' => $this->batches,
            'one_part' => $this->onePart,
            'mix_min' => $this->mixing->min,
            'degas_min' => $this->degassing->min,
            'division_g' => $this->division->g,
            'capacity_ml' => $this->capacity?->ml,
            'sg' => $this->density->gPerMl,
            'tolerance_pct' => $this->tolerancePct,
            'checklist' => $this->checklist,
            'takes_ml' => $this->takes?->ml,
            'ends_laid' => $this->endsLaid,
            'ahead' => $this->ahead,
            ...($this->carried === [] ? [] : ['carried' => $this->carried]),
            ...($this->ticked === [] ? [] : ['ticked' => $this->ticked]),
            ...($this->premixes ? [] : ['premixes' => false]),
            ...($this->heat === null ? [] : ['heat' => $this->heat->toArray()]),
        ];
    }

    /** @return array<int, array<string, float>> */
    private static function readCarried(Fields $in): array
    {
        $carried = [];
        $cups = $in->objectOrNull('carried');
        foreach ($cups?->names() ?? [] as $batch) {
            $of = $cups?->object($batch);
            foreach ($of?->names() ?? [] as $code) {
                $carried[(int) $batch][$code] = $of?->number($code) ?? 0.0;
            }
        }

        return $carried;
    }

    /** Whether a run of this plan comes by such a step. */
    public function has(StepKind $step): bool
    {
        return match ($step) {
            StepKind::Contacts => $this->checklist !== [],
            StepKind::PreMix => $this->premixes,
            StepKind::Mix => $this->heat === null,
            StepKind::Heat => $this->heat !== null,
            StepKind::Degas => $this->degassing->min > 0.0,
            StepKind::Wait, StepKind::Grade => ! $this->endsLaid,
            default => true,
        };
    }

    /** Where a cup begins: what goes into it is stirred first, or it goes straight onto the scale. */
    public function cupBegins(int $batch): Step
    {
        return new Step($this->premixes ? StepKind::PreMix : StepKind::Tare, $batch);
    }

    /** How far either way a weighing of this much may be off: the tolerance, but never less than one step of the scale. */
    public function slack(float $grams): float
    {
        return max($grams * $this->tolerancePct / 100.0, $this->division->g);
    }
}
