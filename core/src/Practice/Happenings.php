<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\StepKind;

/**
 * What goes wrong on a bench that is not there, as its scenario has it: when it comes, what is seen of it, and what somebody does about it.
 *
 * @phpstan-import-type PotsShape from PotBench
 *
 * @phpstan-type SaidShape array{at_min: float, code: string}
 * @phpstan-type HappenedShape array{
 *     come: list<string>, rose: array<string, array<int, float>>,
 *     spans: array<string, list<array{from_min: float, to_min: float|null, by: float, of: string}>>,
 *     lids: list<array{at_min: float, line: int, of: string, poured: bool}>,
 *     calls: list<array{at_min: float, min: float, at: string, went: bool}>, said: list<SaidShape>, lid: string|null,
 *     calling: array{min: float, at: string}|null, changed_from: string|null
 * }
 */
final class Happenings
{
    /** Of what was said, the last. */
    private const SAID = 40;

    /** Under vacuum it stands at the rim after so many minutes, and runs over after so many. */
    private const RISES_MIN = 0.3;

    private const OVER_MIN = 1.2;

    /** Other than these the room is no workshop's. */
    private const HOT_C = 26.0;

    private const COLD_C = 17.0;

    /** @var array<string, array<int, float>> */
    private array $rose = [];

    /** @var array<string, list<array{from_min: float, to_min: float|null, by: float, of: string}>> */
    private array $spans = [];

    /** @var list<array{at_min: float, line: int, of: string, poured: bool}> */
    private array $lids = [];

    /** @var list<array{at_min: float, min: float, at: string, went: bool}> */
    private array $calls = [];

    /** @var list<SaidShape> */
    private array $said = [];

    /** @var array<string, true> what has come already */
    private array $come = [];

    private ?string $lid = null;

    /** @var array{min: float, at: string}|null */
    private ?array $calling = null;

    private ?string $changedFrom = null;

    public function __construct(private readonly Scenario $scenario) {}

    public function comesTo(Situation $at, SimulatedScale $scale, float $seconds): void
    {
        foreach ($this->scenario->wrong as $mishap) {
            $this->due($mishap, $at, $scale, $seconds);
        }
        foreach ($at->sheet === null ? [] : CupWatch::says($this->scenario->clock($at->sheet), $at) as $says) {
            $this->once("{$says}/{$at->of}/{$at->batch}", $at, $says);
        }
        if (! $scale->isSilentAt($seconds) && $this->ends('silent', $at->minute)) {
            $this->say('scale_back', $at);
        }
    }

    private function due(Mishap $mishap, Situation $at, SimulatedScale $scale, float $seconds): void
    {
        $isLine = $at->line > 0 && $at->batch === 1 && $at->line === $mishap->line && ! isset($this->come[$mishap->kind->value]);
        match (true) {
            $mishap->kind === MishapKind::ScaleOut && $isLine && $scale->flow() > 0.0 => $this->goesOut($mishap, $at, $scale, $seconds),
            $mishap->kind === MishapKind::ScaleLeans && $isLine && $scale->flow() > 0.0 => $this->leans($mishap, $at, $scale, $seconds),
            $mishap->kind === MishapKind::WrongTub && $isLine => $this->wrongTub($at),
            $mishap->kind === MishapKind::Called
                && ($at->step?->value === $mishap->at || $at->of === $mishap->at) => $this->calls($mishap, $at),
            $mishap->kind === MishapKind::Ground
                && $at->step === StepKind::Contacts
                && $this->changedFrom === null => $this->once("ground_{$mishap->is}", $at),
            $mishap->kind === MishapKind::Leak && $at->filledAt !== null => $this->leaks($mishap, $at),
            $mishap->kind === MishapKind::Rises && $at->step === StepKind::Degas => $this->rises($mishap, $at),
            $mishap->kind === MishapKind::Room
                && $at->minute >= $mishap->fromMin => $this->once(
                    $mishap->by > self::HOT_C ? 'room_hot' : ($mishap->by < self::COLD_C ? 'room_cold' : 'room_other'), $at,
                ),
            default => null,
        };
    }

    private function goesOut(Mishap $mishap, Situation $at, SimulatedScale $scale, float $seconds): void
    {
        $this->say('scale_out', $at);
        $scale->isSilent($seconds + ($mishap->by ?? 30.0));
        $this->begins('silent', 0.0, $mishap, $at);
    }

    private function leans(Mishap $mishap, Situation $at, SimulatedScale $scale, float $seconds): void
    {
        $scale->leans($mishap->by ?? 5.0, $seconds);
        $this->begins('leans', $mishap->by ?? 5.0, $mishap, $at);
    }

    private function begins(string $what, float $by, Mishap $mishap, Situation $at): void
    {
        $this->spans[$what][] = ['from_min' => $at->minute, 'to_min' => null, 'by' => $by, 'of' => $at->of];
        $this->come[$mishap->kind->value] = true;
    }

    /** What went on ends; false where nothing does. */
    private function ends(string $what, float $minute): bool
    {
        $last = array_key_last($this->spans[$what] ?? []);
        if ($last === null || $this->spans[$what][$last]['to_min'] !== null) {
            return false;
        }
        $this->spans[$what][$last]['to_min'] = $minute;

        return true;
    }

    private function wrongTub(Situation $at): void
    {
        $others = array_values(array_diff(array_map(strval(...), array_keys($at->planned)), [$at->add]));
        if ($others !== []) {
            $this->lid = in_array('A', $others, true) ? 'A' : $others[0];
            $this->lids[] = ['at_min' => $at->minute, 'line' => $at->line, 'of' => $at->of, 'poured' => false];
            $this->come[MishapKind::WrongTub->value] = true;
        }
    }

    private function calls(Mishap $mishap, Situation $at): void
    {
        if (! isset($this->come['called'])) {
            $this->once('called', $at);
            $this->calling = ['min' => $mishap->by ?? 5.0, 'at' => (string) $mishap->at];
        }
    }

    private function leaks(Mishap $mishap, Situation $at): void
    {
        if (! isset($this->spans['leak'])) {
            $this->spans['leak'] = [
                ['from_min' => $at->filledAt ?? $at->minute, 'to_min' => null, 'by' => $mishap->by ?? 1.0, 'of' => $at->of],
            ];
            $this->say('leaks', $at);
        }
        $gels = $at->sheet === null || $at->metAt === null
            ? null
            : $this->scenario->clock($at->sheet)->after(Milestone::PotLife, $at->metAt);
        if ($gels !== null && $at->minute >= $at->metAt + $gels) {
            $this->ends('leak', $at->metAt + $gels);
        }
    }

    private function rises(Mishap $mishap, Situation $at): void
    {
        [$over, $key, $since] = [CupWatch::over($mishap->by ?? 3.0, $at), "aired/{$at->of}/{$at->batch}", $at->minute - $at->since];
        if ($over <= 0.0 || isset($this->come[$key])) {
            return;
        }
        $since < self::RISES_MIN || $this->once("rises/{$at->of}/{$at->batch}", $at, 'rises');
        if ($since >= self::OVER_MIN) {
            $this->come[$key] = true;
            $this->rose[$at->of][$at->batch] = $over;
            $this->say('rose_over', $at);
        }
    }

    /** It is seen, once, as long as it lasts. */
    public function once(string $key, Situation $at, ?string $code = null): void
    {
        if (! isset($this->come[$key])) {
            $this->come[$key] = true;
            $this->say($code ?? $key, $at);
        }
    }

    public function say(string $code, Situation $at): void
    {
        $this->said = array_slice([...$this->said, ['at_min' => $at->minute, 'code' => $code]], -self::SAID);
    }

    public function takesOtherTub(Situation $at): float
    {
        $this->lid = null;
        $this->ends('tube', $at->minute);
        $this->say('other_tub', $at);

        return 0.3;
    }

    public function clearsPan(Situation $at, SimulatedScale $scale, float $seconds): float
    {
        $scale->leans(0.0, $seconds);
        $this->say($this->ends('leans', $at->minute) ? 'leaned' : 'pan_clear', $at);

        return 0.1;
    }

    public function letsAir(Situation $at): float
    {
        if ($at->step !== StepKind::Degas) {
            throw BadInput::at('act', Phrase::of('practice.no_vacuum'));
        }
        $this->come["aired/{$at->of}/{$at->batch}"] = true;
        $this->say('fell_back', $at);

        return 0.5;
    }

    public function stopsLeak(Situation $at): float
    {
        $this->say($this->ends('leak', $at->minute) ? 'leak_shut' : 'seam_dry', $at);

        return 0.3;
    }

    public function laysOther(Situation $at): float
    {
        if ($at->step !== StepKind::Contacts) {
            throw BadInput::at('act', Phrase::of('practice.ground_under_rubber'));
        }
        $this->changedFrom = $this->scenario->wrong(MishapKind::Ground)->is ?? '';
        $this->say('ground_changed', $at);

        return 8.0;
    }

    public function answers(bool $goes, Situation $at): float
    {
        if ($this->calling === null) {
            throw BadInput::at('act', Phrase::of('practice.nobody_calls'));
        }
        ['min' => $minutes, 'at' => $where] = $this->calling;
        $this->calls[] = ['at_min' => $at->minute, 'min' => $minutes, 'at' => $where, 'went' => $goes];
        $this->calling = null;
        $this->say($goes ? 'went' : 'stayed', $at);

        return $goes ? $minutes : 0.0;
    }

    /** What it lies against, as the faults name it. */
    public function ground(): string
    {
        return $this->changedFrom === null ? ($this->scenario->wrong(MishapKind::Ground)->is ?? 'none') : 'none';
    }

    /**
     * @param  array<string, array<int, array<string, float>>>  $in  grams in each cup of each run
     * @param  PotsShape  $pots
     */
    public function truth(array $in, array $pots = []): Truth
    {
        return new Truth(
            $this->scenario->trueTimes(), $this->scenario->room(), $this->ground(), $this->changedFrom === '' ? null : $this->changedFrom,
            $in, $this->rose, $this->spans, $this->lids, $this->calls, $pots,
        );
    }

    /** A wrong tub is in the hand: what it holds. */
    public function lid(): ?string
    {
        return $this->lid;
    }

    public function poured(): void
    {
        if ($this->lid !== null) {
            $this->lids[array_key_last($this->lids) ?? 0]['poured'] = true;
        }
    }

    /** Whether the tube of the line at hand gives no more than it gave. */
    public function isTubeEmpty(Situation $at): bool
    {
        return $at->add !== null
            && $at->batch === 1
            && $this->scenario->wrong(MishapKind::EmptyTube)?->line === $at->line
            && ($this->spans['tube'][0]['to_min'] ?? null) === null;
    }

    public function tubeIsEmpty(Situation $at): void
    {
        $this->spans['tube'][0] ??= [
            'from_min' => $at->minute, 'to_min' => null, 'by' => $at->planned[$at->add ?? ''] ?? 0.0, 'of' => $at->of,
        ];
        $this->say('tube_empty', $at);
    }

    /** @return array{said: list<array{at_min: float, code: string, text: Phrase}>, calling: float|null} */
    public function looks(): array
    {
        return [
            'said' => array_map(
                static fn (array $one): array => [...$one, 'text' => Phrase::of("practice.said_{$one['code']}")], $this->said,
            ),
            'calling' => $this->calling['min'] ?? null,
        ];
    }

    /** @return HappenedShape */
    public function toArray(): array
    {
        return [
            'come' => array_keys($this->come), 'rose' => $this->rose, 'spans' => $this->spans, 'lids' => $this->lids,
            'calls' => $this->calls, 'said' => $this->said, 'lid' => $this->lid, 'calling' => $this->calling,
            'changed_from' => $this->changedFrom,
        ];
    }

    /** @param  HappenedShape  $was  as {@see self::toArray} wrote it */
    public static function goesOn(Scenario $scenario, array $was): self
    {
        $on = new self($scenario);
        [$on->rose, $on->spans, $on->lids, $on->calls, $on->said] = [
            $was['rose'], $was['spans'], $was['lids'], $was['calls'], $was['said'],
        ];
        [$on->lid, $on->calling, $on->changedFrom, $on->come] = [
            $was['lid'], $was['calling'], $was['changed_from'], array_fill_keys($was['come'], true),
        ];

        return $on;
    }
}
