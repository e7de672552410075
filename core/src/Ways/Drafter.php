<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Care\MouldLife;
use Apalos\Core\Care\Wear;
use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Phrase\Phrase;

/** Reckons a combination through: how many moulds, step by step in the hours of the shop, its hands, money and chance. */
final class Drafter
{
    /** More moulds than the life wants are tried up to so many more, where the due time wants them. */
    private const MORE = 5;

    private const MOST_MOULDS = 12;

    /** In less than so many minutes at a stretch nothing is made. */
    private const SHORTEST = 10.0;

    /** What a way takes beside its steps, in steps. */
    private const BESIDE = 20;

    public readonly Rubbers $rubbers;

    private MouldMaking $making;

    private CastingRounds $rounds;

    private Bill $bill;

    private StepByStep $chain;

    /** @var array<string, array{asked: array<string, mixed>|null, low: int, likely: int, high: int}> */
    private array $lives = [];

    /** @var array<string, Phrase|false> */
    private array $sets = [];

    /** @var array<string, Making|Phrase> */
    private array $made = [];

    public function __construct(
        private readonly WaysRequest $asked,
        private readonly WaysBook $book,
        private readonly MouldLibrary $moulds,
        private readonly Wear $wear,
        Shelf $shelf,
        CastingWays $casting,
        private readonly Families $families,
    ) {
        $this->rubbers = new Rubbers($asked->room, $casting);
        $this->making = new MouldMaking($asked, $book, $this->rubbers);
        $this->rounds = new CastingRounds($asked, $book, $this->rubbers);
        $this->bill = new Bill($asked, $book, $shelf, $this->rubbers);
        $this->chain = new StepByStep($asked->hours);
    }

    /** Steps laid into hours so far: what a question costs. */
    public int $laid = 0;

    /** The way with as many moulds as the life and the due time want, no more; or why it cannot be. */
    public function draft(Combination $way): Draft|Phrase
    {
        $sets = $this->sets["{$way->cast->code}/".($way->worked->hasSpout ? 'spout' : 'open')] ??= $this->rounds->setsInItsSpout(
            $way->worked, $way->cast,
        ) ?? false;
        if ($sets instanceof Phrase) {
            return $sets;
        }
        $life = $this->life($way);
        $pours = (int) ceil($this->asked->count / $way->gang);
        if ($way->rack !== null) {
            return $life['low'] < $pours
                ? Phrase::of('ways.not_enough_left', ['low' => $life['low'], 'casts' => $pours])
                : $this->with($way, null, 1, $life);
        }
        $mould = $this->made[$way->kind.'/'.$way->code().'/'.$way->gang] ??= $way->ranked === null
            ? Phrase::of('ways.no_rubber')
            : $this->making->of($way->worked, $way->ranked, $way->base, $way->gang);
        if ($mould instanceof Phrase) {
            return $mould;
        }
        $needed = (int) ceil($pours / max(1, $life['low']));
        if ($needed > self::MOST_MOULDS) {
            return Phrase::of('ways.too_many_moulds', ['moulds' => $needed, 'low' => $life['low']]);
        }
        $best = $this->with($way, $mould, $needed, $life);
        for (
            $more = $needed + 1; $this->asked->due !== null
            && $more <= min($needed + self::MORE, self::MOST_MOULDS, $pours)
            && ($best instanceof Phrase || $best->late > 0.0); $more++
        ) {
            $next = $this->with($way, $mould, $more, $life);
            $best = $next instanceof Draft && ($best instanceof Phrase || $next->late < $best->late) ? $next : $best;
        }

        return $best;
    }

    /** @param  array{asked: array<string, mixed>|null, low: int, likely: int, high: int}  $life */
    private function with(Combination $way, ?Making $mould, int $moulds, array $life): Draft|Phrase
    {
        if ($this->asked->longest < self::SHORTEST) {
            return Phrase::of('ways.hours_too_few');
        }
        [$steps, $wait] = $this->before($way, $mould, $moulds);
        $casts = $this->rounds->of($way->worked, $way->cast, $way->release, $moulds, $way->gang, $wait);
        if ($casts instanceof Phrase) {
            return $casts;
        }
        $this->laid += count($steps) + count($casts) + self::BESIDE;
        $starts = $this->chain->earliest([...$steps, ...$casts]);
        if ($starts === null) {
            return Phrase::of('ways.hours_too_few');
        }
        $steps = [...$steps, ...$casts];
        $end = $starts[count($starts) - 1] + $steps[count($steps) - 1]->minutes;
        $odds = Odds::of($way, $this->asked, $this->book, $this->rubbers, $mould, $this->rounds->pouring($way->cast));
        if ($odds->likely() < $this->book->leastChance) {
            return $odds->against[0] ?? Phrase::of('ways.hardly_ever');
        }
        $hands = static fn (bool $casts): float => array_sum(
            array_map(static fn (WayStep $step): float => ($step->stage === 'cast') === $casts ? $step->hands() : 0.0, $steps),
        );
        $bill = $this->bill->of($way, $mould, $moulds, $hands(false), $hands(true), $odds->steady());

        return new Draft(
            $way, $moulds, $mould, $this->rounds->spout($way->worked, $way->cast), $steps, $end,
            $this->asked->due === null ? 0.0 : max(0.0, $end - $this->asked->due), $hands(false) + $hands(true), $odds, $bill, $life,
            Bill::aPiece($bill['asked']),
        );
    }

    /**
     * @return array{list<WayStep>, float} all that comes before the first cast: tests, what makes the original ready, one mould after the
     *   other; and the wait after it
     */
    private function before(Combination $way, ?Making $mould, int $moulds): array
    {
        $steps = [];
        foreach ($way->tests() as $i => $test) {
            $steps[] = new WayStep('test-'.($i + 1), $this->book->testHands, 0.0, null, 'test', $test);
        }
        $once = array_map(static fn (PutBetween $one): float => $one->waitsOnce, [...$way->others, $way->release]);
        // A patch stands as long as what is tested takes to open.
        $others = array_filter($way->others, static fn (PutBetween $one): bool => $one->test !== null) !== [];
        $wait = $steps === []
            ? 0.0
            : max([...$once, $others ? $this->demould($way->base) : 0.0, $way->release->test === null ? 0.0 : $this->demould($way->cast)]);
        $original = $way->original();
        for ($i = 1; $i <= ($mould === null ? 0 : $moulds); $i++) {
            if ($original !== null && $original->hands + $original->handsOnce + $original->waits + $original->waitsOnce > 0.0) {
                $isTest = $original->test !== null;
                $steps[] = new WayStep(
                    "prepare-{$i}", max(1.0, $original->hands + ($i === 1 && ! $isTest ? $original->handsOnce : 0.0)), $wait, null,
                    'prepare', $original->what ?? Phrase::of('ways.step_prepare'),
                );
                $wait = $original->waits + ($i === 1 && ! $isTest ? $original->waitsOnce : 0.0);
            }
            foreach ($mould->stages ?? [] as $k => $stage) {
                $parts = (int) max(1, ceil($stage['minutes'] / max(1.0, $this->asked->longest) - 1e-9));
                for ($part = 1; $part <= $parts; $part++) {
                    $steps[] = new WayStep(
                        "mould-{$i}-".($k + 1).($parts > 1 ? "-{$part}" : ''), $stage['minutes'] / $parts,
                        $part > 1 ? 0.0 : max($stage['from'], $k === 0 ? $wait : 0.0),
                        $part > 1 || $stage['until'] === null ? null : $stage['until'], 'mould',
                        Phrase::of('ways.step_mould', ['mould' => $i, 'of' => $moulds, 'stage' => $k + 1]),
                    );
                }
            }
            $wait = $mould->wait ?? 0.0;
        }
        if ($way->release->waitsOnce + $way->release->handsOnce > 0.0 && $way->release->test === null) {
            $steps[] = new WayStep(
                'ready', max(1.0, $way->release->handsOnce), $wait, null, 'prepare', $way->release->what ?? Phrase::of('ways.step_prepare'),
            );
            $wait = $way->release->waitsOnce;
        }

        return [$steps, $wait];
    }

    private function demould(?BaseSheet $base): float
    {
        return $base === null ? 0.0 : ($this->rubbers->of($base)->time(Milestone::Demould) ?? 0.0);
    }

    /** @return array{asked: array<string, mixed>|null, low: int, likely: int, high: int} casts of one mould */
    private function life(Combination $way): array
    {
        if ($way->rack !== null) {
            return ['asked' => null, ...$way->rack['left']];
        }
        $lasts = ($this->moulds->kinds[$way->kind] ?? null)?->lasts;
        if ($lasts !== null) {
            return ['asked' => null, 'low' => $lasts, 'likely' => $lasts, 'high' => $lasts];
        }
        $pairing = $this->wear->here(
            $this->families->ofMould($way), $this->families->of($way->cast), $way->release->release !== null,
            $way->base?->sheet()->numberOrNull('tear_n_mm'), $way->base?->shoreA(), $this->asked->piece->undercuts(),
        );
        $asked = [
            'pairing' => ['median' => $pairing->median, 'spread' => $pairing->spread], 'others' => [], 'casts' => 0,
            'ahead' => (int) ceil($this->asked->count / $way->gang),
        ];

        return $this->lives["{$pairing->median}/{$pairing->spread}/{$asked['ahead']}"] ??= (static function () use ($asked): array {
            $life = (new MouldLife)->ask(Fields::of($asked));

            return ['asked' => $asked, 'low' => $life->low, 'likely' => $life->likely, 'high' => $life->high];
        })();
    }
}
