<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * What judging whole ways rests on beside contacts, moulds, wear and sheets: how kinds are worked, how often they come out, what is usual.
 */
final readonly class WaysBook
{
    /**
     * @param  array<string, Worked>  $kinds
     * @param  list<Missing>  $gear
     * @param  array<string, float>  $pricePerKg  by family
     * @param  array<string, float>  $heat  °C, by family
     * @param  list<array{under: float, min: float, grams: float, pours: float}>  $mixing  minutes a cup and grams a minute, by Pa·s
     */
    private function __construct(
        public array $kinds, public array $gear, private array $pricePerKg, private array $heat, private float $roomWarm,
        public float $leastScore, public float $hardnessSlack, public float $usualCounts, public float $alikeCounts,
        public float $handsSpread,
        public float $testClears, public float $testHands, public float $coatMin, public float $sealMin, public float $cupLossPct,
        public float $leastChance, private float $cupG, private array $mixing, public float $boughtGood, public float $boughtLeadH,
        public float $kitG, private Fields $in,
    ) {}

    /** @param  array<array-key, mixed>  $read as written in the library */
    public static function of(array $read): self
    {
        $in = Fields::of($read, 'ways');
        $by = static fn (string $key): array => array_combine(
            $names = $in->object($key)->names(), array_map(static fn (string $name): float => $in->object($key)->positive($name), $names),
        );
        $kinds = [];
        foreach ($in->object('kinds')->names() as $id) {
            $kinds[$id] = Worked::from($in->object('kinds')->object($id));
        }

        return new self(
            $kinds, array_map(Missing::from(...), $in->objects('gear')), $by('price_per_kg'), $by('heat_c'), $in->number('room_warm_c'),
            $in->number('least_score', 0.0, 100.0), $in->number('hardness_slack', 0.0, 50.0), $in->positive('usual_counts'),
            $in->number('alike_counts', 0.0, 1.0), $in->number('hands_spread', 0.05, 2.0),
            $in->object('test')->number('clears', 0.0, 1.0), $in->object('test')->number('hands_min'), $in->number('coat_min'),
            $in->number('seal_min'), $in->number('cup_loss_pct', 0.0, 100.0),
            $in->number('least_chance', 0.0, 1.0), $in->positive('cup_g'),
            array_map(
                static fn (Fields $one): array => [
                    'under' => $one->positiveOrNull('under') ?? INF, 'min' => $one->number('min'), 'grams' => $one->positive('g_per_min'),
                    'pours' => $one->positive('pours_g_per_min'),
                ],
                $in->objects('mixing'),
            ),
            $in->object('bought_in')->number('good', 0.0, 1.0), $in->object('bought_in')->number('lead_h'), $in->positive('kit_g'), $in,
        );
    }

    /** @throws BadInput where nobody has written down how that kind is worked */
    public function worked(string $kind): Worked
    {
        return $this->kinds[$kind] ?? throw BadInput::at('kind', Phrase::of('ways.unknown_kind', ['kind' => $kind]));
    }

    /** What a kilogram usually costs, in any money; null where nobody knows. */
    public function pricePerKg(string $family): ?float
    {
        return $this->pricePerKg[$family] ?? null;
    }

    /** How warm it goes into the mould, °C. */
    public function heat(string $family): float
    {
        return $this->heat[$family] ?? $this->roomWarm;
    }

    /** The surface of a box, or of a bed. */
    public function surface(string $of): string
    {
        return $this->in->text($of);
    }

    /**
     * Minutes of hands to mix so much, and to pour it.
     *
     * @param  float|null  $viscosity  Pa·s; null where nobody measured it
     * @return array{mix: float, pour: float}
     */
    public function mixing(float $grams, ?float $viscosity): array
    {
        foreach ($this->mixing as $one) {
            if (($viscosity ?? 0.0) < $one['under']) {
                return ['mix' => $one['min'] + $grams / $one['grams'], 'pour' => $grams / $one['pours']];
            }
        }

        return ['mix' => 0.0, 'pour' => 0.0];
    }

    /** Minutes from A meeting B until a cup of it, at most as large as hands mix, is where it belongs; of what is hot from off the heat. */
    public function cup(float $grams, ?float $viscosity, bool $isHot = false): float
    {
        $one = $this->mixing(min($grams, $this->cupG), $viscosity);

        return ($isHot ? 0.0 : $one['mix']) + $one['pour'];
    }

    /** The numbers of a glove, a gang or a sprue. */
    public function numbers(string $of): Fields
    {
        return $this->in->object($of);
    }
}
