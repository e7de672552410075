<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\StepKind;

/**
 * A bench that is not there: the hand that pours, the scale under it, tubs with lids, a finger, and what goes wrong ({@see Happenings}).
 * What
 * happens on it is drawn by its seed; what time it is, is handed in: seconds of the hand for the scale, minutes of the practice for all
 * else.
 *
 * @phpstan-import-type PanShape from SimulatedScale
 * @phpstan-import-type HappenedShape from Happenings
 * @phpstan-import-type PotsShape from PotBench
 *
 * @phpstan-type BenchShape array{
 *     seed: int, drawn: int, scale: PanShape, in: array<string, array<int, array<string, float>>>, last_pan: float,
 *     happens: HappenedShape, pots?: PotsShape,
 * }
 */
final class PracticeBench
{
    /** Grams a hand that is sure of itself still lets go. */
    private const SURE_G = 0.3;

    private const POURS_G_PER_S = 80.0;

    /** So fast a hand usually pours, grams a second; whoever pours more slowly stops more closely. */
    private const USUAL_G_PER_S = 12.0;

    private const LEAST_LATE = 0.1;

    /** Of a line, what an empty tube still gives. */
    private const TUBE_SHARE = 0.3;

    /** So far below where it scorches, it smells. */
    private const SMELLS_C = 6.0;

    /** Minutes that each act takes beside its own. */
    private const TOUCH_MIN = 0.1;

    /**
     * @param  array<string, array<int, array<string, float>>>  $in  grams in each cup of each run, by code
     * @param  float  $lastPan  grams that stood on the pan at the last look
     */
    private function __construct(
        private readonly Luck $luck,
        private readonly SimulatedScale $scale,
        private readonly Happenings $happens,
        private readonly Scenario $scenario,
        private readonly PotBench $pots,
        private array $in = [],
        private float $lastPan = 0.0,
    ) {}

    public static function begin(Scenario $scenario, int $seed, float $divisionG = 0.1, float $capacityG = 3000.0): self
    {
        $luck = new Luck($seed);

        return new self(
            $luck, new SimulatedScale($luck, $divisionG, $capacityG), new Happenings($scenario), $scenario, new PotBench($scenario),
        );
    }

    /** @return string|null what the scale answers to a line ({@see SimulatedScale}); null while it is silent */
    public function scale(string $line, float $seconds, Situation $at): ?string
    {
        $this->comesTo($at, $seconds);
        $line = strtoupper(trim($line));
        if (preg_match('/^([+=>])(\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            $grams = $part[1] === '=' ? $this->scale->shortOf((float) $part[2], $seconds) : (float) $part[2];
            $part[1] === '>'
                ? $this->pours($grams, null, $seconds, $at)
                : $this->pours(self::POURS_G_PER_S, $grams + $this->lateBy(self::POURS_G_PER_S), $seconds, $at);
            $this->comesTo($at, $seconds);

            return 'OK';
        }
        if ($line === '|') {
            $this->scale->flow() > 0.0 && $this->scale->pour(self::POURS_G_PER_S, $seconds, $this->lateBy($this->scale->flow()));

            return 'OK';
        }
        $answer = $this->scale->hears($line, $seconds);
        $this->lastPan = $line === 'CLR' ? 0.0 : $this->lastPan;

        return $answer;
    }

    /** @return string what the probe in the pot, or the plate under it, answers to a line */
    public function pot(string $line, Situation $at): string
    {
        $answer = $this->pots->hears($line, $at);
        $c = $this->pots->celsius($at);
        foreach ($at->heat === null || $at->step !== StepKind::Heat ? [] : [
            'pot_clear' => $c >= $at->heat->from->degrees, 'pot_smells' => $c >= $at->heat->over->degrees - self::SMELLS_C,
            'pot_browns' => $c > $at->heat->over->degrees,
        ] as $seen => $is) {
            $is && $this->happens->once("{$seen}/{$at->of}/{$at->batch}", $at, $seen);
        }

        return $answer;
    }

    /** So warm it was read when it was walked before. */
    public function potStandsAt(float $celsius, Situation $at): void
    {
        $this->pots->standsAt($celsius, $at);
    }

    /** So much stood in the cup when it was walked before: it stands there again. */
    public function standsAgain(float $grams, Situation $at, float $seconds): void
    {
        $this->scale->add(max(0.0, $grams), $seconds);
        $this->comesTo($at, $seconds);
    }

    private function pours(float $gramsPerSecond, ?float $grams, float $seconds, Situation $at): void
    {
        if ($this->happens->isTubeEmpty($at)) {
            $has = max(0.0, self::TUBE_SHARE * ($at->planned[$at->add] ?? 0.0) - ($this->in[$at->of][$at->batch][$at->add] ?? 0.0));
            $grams = min($has, $grams ?? INF);
            $this->happens->tubeIsEmpty($at);
        }
        $this->scale->pour($gramsPerSecond, $seconds, $grams);
        $this->happens->poured();
    }

    /** What still runs in after the hand has let go: less where it ran slowly. */
    private function lateBy(float $gramsPerSecond): float
    {
        $share = max(self::LEAST_LATE, min(1.0, $gramsPerSecond / self::USUAL_G_PER_S));
        $late = $this->scenario->wrong(MishapKind::HeavyHand)?->by;

        return $share * ($late === null ? self::SURE_G * $this->luck->draw() : $late * (0.7 + 0.6 * $this->luck->draw()));
    }

    /** What has run in since the last look is in the cup: of that tub which was in the hand. What is due happens. */
    public function comesTo(Situation $at, float $seconds): void
    {
        $pan = $this->scale->onPan($seconds);
        if ($at->add !== null && $pan > $this->lastPan + 1e-9) {
            $code = $this->happens->lid() ?? $at->add;
            $this->in[$at->of][$at->batch][$code] = ($this->in[$at->of][$at->batch][$code] ?? 0.0) + $pan - $this->lastPan;
        }
        $this->lastPan = $pan;
        $this->happens->comesTo($at, $this->scale, $seconds);
        $this->pots->comesTo($at);
    }

    /**
     * What somebody does at it beside weighing.
     *
     * @return float minutes that pass with it
     *
     * @throws BadInput for what is no act, or nothing to do now
     */
    public function does(string $act, Situation $at, float $seconds): float
    {
        $this->comesTo($at, $seconds);

        return match ($act) {
            'touch' => $this->touches($at),
            'other_tub' => $this->happens->takesOtherTub($at),
            'clear_pan' => $this->happens->clearsPan($at, $this->scale, $seconds),
            'let_air' => $this->happens->letsAir($at),
            'clay' => $this->happens->stopsLeak($at),
            'other_ground' => $this->happens->laysOther($at),
            'go', 'stay' => $this->happens->answers($act === 'go', $at),
            default => throw BadInput::at('act', Phrase::of('practice.no_act', ['act' => mb_strimwidth($act, 0, 30, '…')])),
        };
    }

    private function touches(Situation $at): float
    {
        if ($at->sheet === null || ($at->laidAt ?? $at->metAt) === null) {
            throw BadInput::at('act', Phrase::of('practice.nothing_to_touch'));
        }
        $clock = $this->scenario->clock($at->sheet);
        $this->happens->say(
            $at->laidAt !== null
                ? $this->finger($clock, $at->minute - $at->laidAt, $at->laidAt, $at)
                : $this->stick($clock, $at->minute - (float) $at->metAt, (float) $at->metAt),
            $at,
        );

        return self::TOUCH_MIN;
    }

    private function finger(TrueClock $clock, float $since, float $laid, Situation $at): string
    {
        [$opens, $shuts] = [$clock->after(Milestone::RecoatOpen, $laid), $clock->after(Milestone::RecoatClose, $laid)];
        $through = $at->metAt === null ? null : $clock->after(Milestone::Demould, $at->metAt);

        return match (true) {
            // What has cured through is felt as well: nobody opens by a clock alone.
            $through !== null && $at->minute - (float) $at->metAt >= $through => $this->cured(),
            $opens !== null && $since < $opens => 'finger_comes_off',
            $shuts === null || $since <= $shuts => 'finger_tacky',
            default => 'finger_dry',
        };
    }

    private function stick(TrueClock $clock, float $since, float $met): string
    {
        [$gels, $opens] = [$clock->after(Milestone::PotLife, $met) ?? 1.0, $clock->after(Milestone::Demould, $met)];

        return match (true) {
            $since < CupWatch::STRINGS * $gels => 'touch_runs',
            $since < $gels => 'touch_strings',
            $opens !== null && $since < $opens => 'touch_gelled',
            default => $this->cured(),
        };
    }

    private function cured(): string
    {
        return $this->happens->ground() !== 'none' ? 'touch_sticky' : 'touch_firm';
    }

    public function truth(): Truth
    {
        return $this->happens->truth($this->in, $this->pots->toArray());
    }

    /**
     * @return array{lid: string|null, said: list<array{at_min: float, code: string, text: Phrase}>, calling: float|null} what one sees of
     *   it
     */
    public function looks(Situation $at): array
    {
        return ['lid' => $at->add === null ? null : ($this->happens->lid() ?? $at->add), ...$this->happens->looks()];
    }

    /** @return BenchShape */
    public function toArray(): array
    {
        return [
            'seed' => $this->luck->seed, 'drawn' => $this->luck->drawn(), 'scale' => $this->scale->toArray(), 'in' => $this->in,
            'last_pan' => $this->lastPan, 'happens' => $this->happens->toArray(), 'pots' => $this->pots->toArray(),
        ];
    }

    /** @param  BenchShape  $was  as {@see self::toArray} wrote it */
    public static function goesOn(Scenario $scenario, array $was, float $divisionG = 0.1, float $capacityG = 3000.0): self
    {
        $luck = new Luck($was['seed'], $was['drawn']);

        return new self(
            $luck, SimulatedScale::from($was['scale'], $luck, $divisionG, $capacityG), Happenings::goesOn($scenario, $was['happens']),
            $scenario, new PotBench($scenario, $was['pots'] ?? []), $was['in'], $was['last_pan'] * 1.0,
        );
    }
}
