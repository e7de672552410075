<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Ways;

use Apalos\Core\Console\Verb;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tests\Console\CountsTime;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Ways\Draft;
use Apalos\Core\Ways\Front;
use Apalos\Core\Ways\Ground;
use Apalos\Core\Ways\LeftOut;
use Apalos\Core\Ways\WayAnswer;
use Apalos\Core\Ways\WaysFinder;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** Beside trying everything: on a shelf of six nothing is missed, and on a large one the answer comes in time. */
final class EverythingTriedTest extends TestCase
{
    use CountsTime;

    public function test_on_a_shelf_of_six_everything_that_could_be_asked_for_is_beaten_or_answered(): void
    {
        $asked = Thirty::asked([
            'casts' => ['code' => 'ur-35', 'count' => 12, 'ready_by_h' => null], 'hands' => ['days' => Thirty::days(60)],
        ]);
        $answer = Thirty::told($asked);
        $measures = static fn (array $way): array => [
            (float) $way['per_piece'], (float) $way['done_min'], (float) $way['hands_min'], (float) $way['chance'],
        ];
        $front = array_map($measures, $answer['ways']);
        self::assertFalse($answer['stopped_early']);
        self::assertLessThan(8, count($front), 'Else some were left out to spread the rest.');
        $shelves = Shipped::shelves();
        $finder = new WaysFinder(Thirty::ground());
        $request = $finder->otherwise(Fields::of($asked));
        [$combiner, $drafter, $tried] = [$finder->combiner($request, new LeftOut), $finder->drafter($request), 0];
        foreach ($shelves->ways->kinds as $kind => $worked) {
            foreach ($asked['shelf'] as $base) {
                foreach ([null, ...array_keys($shelves->contacts->releases)] as $release) {
                    $ways = $combiner->just(
                        $kind, $worked, $worked->isPrinted() ? null : $shelves->materials->base($base), $shelves->materials->base('ur-35'),
                        $release,
                    );
                    foreach ($ways instanceof Phrase ? [] : $ways as $way) {
                        $draft = $drafter->draft($way);
                        if (! $draft instanceof Draft) {
                            continue;
                        }
                        $its = WayAnswer::of($draft, $request)->measures();
                        $tried++;
                        $isCovered = array_filter(
                            $front, static fn (array $one): bool => Front::beats($one, $its) || self::isAsGood($one, $its),
                        ) !== [];
                        // A release only some hold to part is no way while a sure one is there.
                        self::assertTrue(
                            $isCovered || in_array($release, ['cooking-oil', 'detergent-film'], true),
                            $draft->id().' '.json_encode($its, JSON_THROW_ON_ERROR),
                        );
                    }
                }
            }
        }
        self::assertGreaterThan(35, $tried);
    }

    /**
     * @param  array{float, float, float, float}  $one
     * @param  array{float, float, float, float}  $other
     */
    private static function isAsGood(array $one, array $other): bool
    {
        foreach ($one as $i => $value) {
            $ahead = max(abs($value), abs($other[$i])) <= 0.0
                ? 0.0
                : ($i === 3 ? $value - $other[$i] : $other[$i] - $value) / max(abs($value), abs($other[$i]));
            // What is the same as something that is the same as another may be a little more apart.
            if ($ahead < -2.5 * Front::SAME) {
                return false;
            }
        }

        return true;
    }

    public function test_a_large_shelf_is_answered_in_time_and_says_when_it_stopped(): void
    {
        $sheets = array_map(Yaml::parseFile(...), glob(__DIR__.'/../../../library/materials/*.yaml') ?: []);
        $more = [];
        foreach ($sheets as $sheet) {
            foreach ($sheet['kind'] === 'base' ? ['x', 'y'] : [] as $twin) {
                $more[] = [...$sheet, 'code' => $sheet['code'].$twin];
            }
        }
        $shipped = Thirty::ground();
        $ground = new Ground(
            $shipped->contacts, $shipped->moulds, Shelf::of([...$sheets, ...$more]), $shipped->wear, $shipped->ways, $shipped->casting,
        );
        $days = array_merge(
            ...array_map(
                static fn (int $day): array => [[1440 * $day + 480, 1440 * $day + 720], [1440 * $day + 780, 1440 * $day + 1080]],
                range(0, 89),
            ),
        );
        $asked = [
            ...Thirty::asked([
                'casts' => ['code' => null, 'family' => 'silicone-platinum', 'count' => 200, 'ready_by_h' => 2000],
                'piece' => ['undercuts' => 'none', 'flat_back' => true, 'original' => ['surface' => 'plaster']],
                'gear' => ['printer' => true],
            ]),
            'shelf' => array_keys($ground->materials->bases), 'hands' => ['pairs' => 2, 'days' => $days],
        ];
        self::assertGreaterThanOrEqual(40, count($asked['shelf']));
        self::assertGreaterThanOrEqual(17, count($ground->ways->kinds));
        $answer = [];
        $least = INF;
        for ($try = 0; $try < 3 && $least >= 2.0 * self::slowness(); $try++) {
            $before = self::processor();
            $answer = Thirty::told($asked, new WaysFinder($ground));
            $least = min($least, self::processor() - $before);
        }
        self::assertLessThan(2.0 * self::slowness(), $least);
        self::assertLessThan(200e6, memory_get_peak_usage());
        self::assertNotSame([], $answer['ways']);
        self::assertSame($answer['stopped_early'], in_array('stopped_early', array_column($answer['warnings'], 'code'), true));
        // Cut off early it has at least what could be best, and says so.
        $cut = Thirty::told($asked, new WaysFinder($ground, 8000));
        self::assertTrue($cut['stopped_early']);
        self::assertNotSame([], $cut['ways']);
        self::assertLessThan(1.5, (float) $cut['ways'][0]['per_piece'] / (float) $answer['ways'][0]['per_piece']);
    }

    public function test_every_kind_of_the_library_is_worked_and_priced(): void
    {
        $shelves = Shipped::shelves();
        self::assertSame(
            [], array_diff(array_keys($shelves->moulds->kinds), array_keys($shelves->ways->kinds)), 'A kind nobody wrote down how to work.',
        );
        self::assertSame([], array_diff(array_keys($shelves->ways->kinds), array_keys($shelves->moulds->kinds)));
        foreach ($shelves->ways->kinds as $id => $kind) {
            self::assertEqualsWithDelta($kind->isBrushed ? 0.0 : 1.0, array_sum(array_column($kind->stages, 'share')), 1e-9, $id);
            self::assertTrue($kind->build === null || is_file(__DIR__."/../../../library/builds/{$kind->build}.yaml"), $id);
        }
        foreach ($shelves->materials->bases as $base) {
            self::assertNotNull($shelves->ways->pricePerKg($base->family), $base->code);
        }
        self::assertSame('ways', Verb::Ways->value);
        self::assertInstanceOf(Knowledge::class, $shelves->contacts);
        self::assertNotSame([], Verb::Ways->answer(Fields::of(Thirty::asked()), $shelves)['ways']);
    }
}
