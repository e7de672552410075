<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Input\Fields;

/** The kinds of moulds, what their materials weigh and cost and bear, and where schools differ. */
final readonly class MouldLibrary
{
    /** A mould may be stretched by a third of what tears it. */
    public const SAFE_STRETCH = 1.0 / 3.0;

    /**
     * @param  array<string, MouldKind>  $kinds
     * @param  array<string, array{price: float, sg: float}>  $materials  price per kg, g/ml
     * @param  list<array{upTo: float, mm: float}>  $margins  by the longest side of the piece
     * @param  array<string, float>  $elongation  per cent, by hardness, softest first
     * @param  list<array{reason: Reason, kinds: list<string>}>  $schools
     * @param  float  $hotFromC  °C from which any casting ages a silicone mould
     * @param  array{fixed: float, by_size: float, per_mm: float}  $hours  how the hours of a kind grow with the piece
     */
    private function __construct(
        public array $kinds,
        private array $materials,
        private array $margins,
        private array $elongation,
        public array $schools,
        public float $hotFromC,
        public MouldHardness $hardness,
        private array $hours,
    ) {}

    /** @param  array<array-key, mixed>  $read as written in the library */
    public static function of(array $read): self
    {
        $in = Fields::of($read);
        $walls = self::each($in->object('walls'), static fn (string $id, Fields $all): Wall => Wall::from($all->object($id)));

        return new self(
            self::each(
                $in->object('kinds'), static fn (string $id, Fields $kinds): MouldKind => MouldKind::from($id, $kinds->object($id), $walls),
            ),
            self::each(
                $in->object('materials'),
                static fn (string $id, Fields $materials): array => [
                    'price' => $materials->object($id)->positive('price_per_kg'), 'sg' => $materials->object($id)->positive('sg'),
                ],
            ),
            array_map(
                static fn (Fields $margin): array => ['upTo' => $margin->positive('up_to_mm'), 'mm' => $margin->positive('mm')],
                $in->objects('margins'),
            ),
            self::each($in->object('elongation_pct'), static fn (string $hardness, Fields $by): float => $by->positive($hardness)),
            array_map(
                static fn (Fields $school): array => ['reason' => Reason::from($school), 'kinds' => $school->strings('kinds')],
                $in->objects('schools'),
            ),
            $in->positive('hot_from_c', 500.0),
            MouldHardness::from($in),
            [
                'fixed' => $in->object('hours')->number('fixed'), 'by_size' => $in->object('hours')->number('by_size'),
                'per_mm' => $in->object('hours')->positive('per_mm'),
            ],
        );
    }

    /** Hours of hands for a piece so long, of a kind that takes so many for one of a fist. */
    public function hoursOf(MouldKind $kind, float $longestMm): float
    {
        return $kind->hours * ($this->hours['fixed'] + $this->hours['by_size'] * max(1.0, $longestMm / $this->hours['per_mm']));
    }

    /**
     * @template T
     *
     * @param  callable(string, Fields): T  $make
     * @return array<string, T>
     */
    private static function each(Fields $in, callable $make): array
    {
        $made = [];
        foreach ($in->names() as $id) {
            $made[$id] = $make($id, $in);
        }

        return $made;
    }

    /** @param  array<string, float>  $perKilogram  what a shop pays, by chemistry: it counts before what is usual */
    public function withPrices(array $perKilogram): self
    {
        $materials = [];
        foreach ($this->materials as $chemistry => $of) {
            $materials[$chemistry] = ['price' => $perKilogram[$chemistry] ?? $of['price'], 'sg' => $of['sg']];
        }

        return new self(
            $this->kinds, $materials, $this->margins, $this->elongation, $this->schools, $this->hotFromC, $this->hardness, $this->hours,
        );
    }

    /** Rubber round a piece, in mm; the last and heaviest where nothing reaches that far. */
    public function margin(float $longestMm): float
    {
        foreach ($this->margins as $margin) {
            if ($longestMm <= $margin['upTo']) {
                return $margin['mm'];
            }
        }

        return $this->margins[count($this->margins) - 1]['mm'];
    }

    public function grams(string $material, float $ml): float
    {
        return $ml * $this->materials[$material]['sg'];
    }

    public function price(string $material, float $grams): float
    {
        return $grams / 1000.0 * $this->materials[$material]['price'];
    }

    /** @return array<string, float> per cent that a rubber can be stretched again and again, by hardness, softest first */
    public function safeStretch(): array
    {
        return array_map(static fn (float $pct): float => $pct * self::SAFE_STRETCH, $this->elongation);
    }
}
