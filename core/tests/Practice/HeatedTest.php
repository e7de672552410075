<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Practice;

use Apalos\Core\Console\Verb;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a pot of hot vinyl came to, by how warm it really was. */
final class HeatedTest extends TestCase
{
    private const HEAT = ['from_c' => 165, 'to_c' => 180, 'over_c' => 190, 'step_s' => 60];

    /**
     * @param  float  $top  °C it came to
     * @param  list<float>  $read  °C that were written down
     * @return array<string, mixed>
     */
    private static function poured(float $top, array $read, float $filled = 6.5): array
    {
        $facts = [
            Told::fact(0.6, 'confirmed', ['step' => '0:gear']), Told::fact(1.8, 'confirmed', ['step' => '1:tare']),
            Told::fact(2.5, 'weighed', ['step' => '1:weigh:0', 'reading_g' => 100.0]),
            ...array_map(
                static fn (float $c, int $i): array => Told::fact(5.0 + 0.1 * $i, 'heated', ['step' => '1:heat', 'c' => $c]), $read,
                array_keys($read),
            ),
            Told::fact(6.0, 'confirmed', ['step' => '1:heat', 'sure' => true]), Told::fact($filled, 'confirmed', ['step' => '1:fill']),
            Told::fact(40.0, 'opened', ['step' => '0:wait']),
        ];

        return Verb::Debrief->answer(Fields::of([
            'scenario' => [
                'id' => 'hot', 'name' => 'Hot', 'about' => 'Hot.', 'level' => 3, 'teaches' => ['heat'],
                'make' => ['base' => 'hv-08', 'volume_ml' => 90], 'room_c' => 20, 'price_per_kg' => '14.00',
            ],
            'truth' => [
                'cups' => ['pour' => ['1' => ['A' => 100.0]]],
                'pots' => ['pour' => ['1' => [
                    ['at_s' => 150.0, 'on' => true, 'c' => 20.0], ['at_s' => 299.0, 'on' => false, 'c' => $top],
                    ['at_s' => 360.0, 'on' => false, 'c' => $top],
                ]]],
            ],
            'runs' => [[
                'of' => 'pour',
                'plan' => [
                    ...Told::plan(), 'batches' => [['A' => 100.0]], 'one_part' => true, 'mix_min' => 0, 'premixes' => false,
                    'heat' => self::HEAT,
                ],
                'clock' => ['pot_life_min' => 6, 'demould_min' => 20, 'ref_c' => 23, 'q10' => 1.0, 'alpha' => 0],
                'family' => 'plastisol', 'began_min' => 0, 'facts' => $facts,
            ]],
            'ended_min' => 60,
        ]), Shipped::shelves());
    }

    /** @return iterable<string, array{float, list<float>, float, list<string>, list<string>, string}> top, read, in at, good, bad, would */
    public static function pots(): iterable
    {
        yield 'as it should be' => [172.0, [171.0], 6.5, ['heat_right', 'heat_read', 'poured_warm'], [], 'good'];
        yield 'scorched' => [198.0, [197.0], 6.5, ['heat_read', 'poured_warm'], ['heat_scorched'], 'spoilt'];
        yield 'milky' => [157.0, [157.0], 6.5, ['heat_read', 'poured_warm'], ['heat_too_cool'], 'spoilt'];
        yield 'nobody read it' => [172.0, [], 6.5, ['heat_right'], ['heat_unread'], 'good'];
        yield 'written down by guess' => [150.0, [171.0], 6.5, [], ['heat_too_cool', 'heat_misread'], 'spoilt'];
        yield 'left standing' => [172.0, [172.0], 10.5, ['heat_right'], ['poured_thick'], 'spoilt'];
    }

    /**
     * @param  list<float>  $read
     * @param  list<string>  $good
     * @param  list<string>  $bad
     */
    #[DataProvider('pots')]
    public function test_it_is_found_by_how_warm_it_was(
        float $top, array $read, float $filled, array $good, array $bad, string $would,
    ): void {
        $came = self::poured($top, $read, $filled);
        $codes = static fn (bool $is): array => array_column(
            array_filter($came['findings'], static fn (array $one): bool => $one['good'] === $is), 'code',
        );
        self::assertSame([], array_diff($good, $codes(true)), implode(', ', $codes(true)));
        self::assertSame([], array_diff($bad, $codes(false)), implode(', ', $codes(false)));
        self::assertSame($would, $came['would']);
    }

    public function test_what_it_comes_of_is_what_the_faults_say_of_real_casts(): void
    {
        self::assertSame('overheated', self::poured(205.0, [200.0])['causes'][0]['id']);
        self::assertSame('under-fused', self::poured(156.0, [156.0])['causes'][0]['id']);
    }

    public function test_what_a_floating_point_leaves_over_is_nothing_that_was_found(): void
    {
        $asked = Told::asked(truth: ['cups' => ['pour' => ['1' => ['A' => 100.00000000000001, 'B' => 99.99999999999999]]]]);
        self::assertSame('good', Verb::Debrief->answer(Fields::of($asked), Shipped::shelves())['would']);
    }
}
