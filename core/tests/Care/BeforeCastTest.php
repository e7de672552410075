<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Care;

use Apalos\Core\Care\BeforeCast;
use Apalos\Core\Care\CareRule;
use Apalos\Core\Care\Condition;
use Apalos\Core\Care\MouldMark;
use Apalos\Core\Care\MouldPast;
use Apalos\Core\Care\ReleaseSchool;
use Apalos\Core\Care\Wear;
use Apalos\Core\Contact\Family;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Units\Temperature;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

final class BeforeCastTest extends TestCase
{
    private static function family(string $id): Family
    {
        return Shipped::knowledge()->families[$id];
    }

    /**
     * @param  array<string, int>  $since
     * @return list<string>
     */
    private static function wants(
        string $mould,
        string $cast,
        array $since = [],
        ReleaseSchool $school = ReleaseSchool::EveryCast,
        bool $wet = false,
        bool $bare = false,
        ?float $hot = null,
        bool $jacket = false,
        bool $mixed = false,
    ): array {
        $care = BeforeCast::of(Yaml::parseFile(__DIR__.'/../../../library/care.yaml'));

        return array_map(
            static fn (CareRule $rule): string => $rule->id,
            $care->wants(self::family($mould), self::family($cast), new MouldPast(9, $since, $wet, $bare, $hot, $jacket, $mixed), $school),
        );
    }

    public function test_silicone_in_silicone_is_released_whatever_a_school_says(): void
    {
        foreach (ReleaseSchool::cases() as $school) {
            self::assertSame(['like-in-like'], self::wants('silicone-platinum', 'silicone-tin', ['released' => 1], $school));
            self::assertSame(
                [], self::wants('silicone-platinum', 'silicone-tin', ['released' => 0], $school), 'It was, since the last cast.',
            );
        }
    }

    public function test_where_it_is_no_must_the_school_decides(): void
    {
        self::assertSame(['release'], self::wants('silicone-platinum', 'plaster', ['released' => 1]));
        self::assertSame([], self::wants('silicone-platinum', 'plaster', ['released' => 1], ReleaseSchool::Harsh), 'Plaster is kind.');
        self::assertContains('release', self::wants('silicone-platinum', 'urethane-resin', ['released' => 1], ReleaseSchool::Harsh));
        self::assertSame([], self::wants('silicone-platinum', 'plaster', ['released' => 6], ReleaseSchool::AfterWash));
        self::assertSame(['release'], self::wants('silicone-platinum', 'plaster', ['released' => 6], ReleaseSchool::AfterWash, bare: true));
    }

    public function test_a_wet_mould_and_a_hot_one_wait(): void
    {
        self::assertSame(['dry-after-wash'], self::wants('silicone-platinum', 'plastisol', ['released' => 0], wet: true));
        self::assertSame(['cool'], self::wants('silicone-platinum', 'plastisol', ['released' => 0], hot: 12.0));
        self::assertSame([], self::wants('silicone-platinum', 'plastisol', ['released' => 0], hot: 45.0));
        self::assertSame([], self::wants('silicone-platinum', 'plaster', ['released' => 0], wet: true), 'Plaster does not mind.');
    }

    /** @return iterable<string, array{string, string, MouldPast, list<string>}> */
    public static function moulds(): iterable
    {
        $past = static fn (
            ?float $hours = null, bool $early = false, ?Condition $condition = null, MouldMark ...$marks
        ): MouldPast => new MouldPast(
            9, ['released' => 0, 'dusted' => 0], false, false, null, false, false, $hours, $early, $condition, array_values($marks),
        );
        yield 'a platinum mould of this morning under hot vinyl' => ['silicone-platinum', 'plastisol', $past(5.0), ['young-heat']];
        yield 'a day old it bears it' => ['silicone-platinum', 'plastisol', $past(24.0), []];
        yield 'tin wants three days' => ['silicone-tin', 'plastisol', $past(48.0), ['young-tin-heat']];
        yield 'nobody knows how old it is' => ['silicone-tin', 'plastisol', $past(), []];
        yield 'young, and a kind cast' => ['silicone-platinum', 'plaster', $past(5.0), []];
        yield 'young, and a harsh one' => ['silicone-platinum', 'polyester', $past(5.0), ['young-harsh']];
        yield 'a young urethane' => ['urethane-rubber', 'cement', $past(30.0), ['young-urethane']];
        yield 'opened early it says so, whatever is cast' => ['silicone-platinum', 'plaster', $past(5.0, true), ['early']];
        yield 'cracked' => ['silicone-platinum', 'plaster', $past(900.0, false, Condition::Cracked), ['cracked']];
        yield 'cracked, and hot' => [
            'silicone-platinum', 'plastisol', $past(900.0, false, Condition::Cracked), ['cracked-heat', 'cracked'],
        ];
        yield 'gloss gone asks nothing' => ['silicone-platinum', 'plastisol', $past(900.0, false, Condition::GlossGone), []];
        yield 'a key torn and warped' => [
            'silicone-platinum', 'plaster', $past(900.0, false, null, MouldMark::TornKey, MouldMark::Warped), ['torn-key', 'warped'],
        ];
        $heat = static fn (?float $bears, ?float $comes): MouldPast => new MouldPast(
            9, ['released' => 0, 'dusted' => 0], false, false, null, false, false, 900.0,
            bears: Temperature::inOrNull(Fields::of(['c' => $bears]), 'c'), comes: Temperature::inOrNull(Fields::of(['c' => $comes]), 'c'),
        );
        yield 'a silicone whose sheet bears less than vinyl comes at' => [
            'silicone-platinum', 'plastisol', $heat(150.0, 180.0), ['heat-limit'],
        ];
        yield 'one that bears it' => ['silicone-platinum', 'plastisol', $heat(180.0, 180.0), []];
        yield 'one nobody knows it of' => ['silicone-platinum', 'plastisol', $heat(null, 180.0), []];
        yield 'wax in a urethane that softens before it melts' => ['urethane-rubber', 'wax', $heat(70.0, 90.0), ['heat-limit']];
        yield 'sticky' => ['silicone-tin', 'silicone-platinum', $past(900.0, false, null, MouldMark::Sticky), ['sticky']];
    }

    /** @param  list<string>  $wants */
    #[DataProvider('moulds')]
    public function test_is_it_ready_for_this(string $mould, string $cast, MouldPast $past, array $wants): void
    {
        $care = BeforeCast::of(Yaml::parseFile(__DIR__.'/../../../library/care.yaml'));
        self::assertSame(
            $wants,
            array_map(
                static fn (CareRule $rule): string => $rule->id,
                $care->wants(self::family($mould), self::family($cast), $past, ReleaseSchool::Harsh),
            ),
        );
    }

    public function test_jackets_halves_and_plaster(): void
    {
        self::assertSame(
            ['straps', 'mixed-halves'], self::wants('silicone-platinum', 'plaster', ['released' => 0], jacket: true, mixed: true),
        );
        self::assertSame(['dry-plaster'], self::wants('plaster', 'latex', ['released' => 0]), 'Nine casts, and never dried.');
        self::assertSame([], self::wants('plaster', 'latex', ['released' => 0, 'dried' => 2]));
    }

    /** @return iterable<string, array{string, string, float|null, float|null, string|null, float}> factors reckoned by hand */
    public static function strains(): iterable
    {
        yield 'nothing known moves nothing' => ['silicone-platinum', 'plaster', null, null, null, 1.0];
        yield 'a usual rubber in a usual piece' => ['silicone-platinum', 'urethane-resin', 20.0, 25.0, 'slight', 1.0];
        yield 'deep undercuts' => ['silicone-platinum', 'urethane-resin', 20.0, 25.0, 'deep', 0.6];
        yield 'none at all' => ['silicone-platinum', 'urethane-resin', 20.0, 25.0, 'none', 1.2];
        yield 'twice as hard to tear: held at the most' => ['silicone-tin', 'plaster', 40.0, 25.0, null, 1.4];
        yield 'half: the root of a half' => ['silicone-tin', 'plaster', 10.0, 25.0, null, M_SQRT1_2];
        yield 'paper: held at the least' => ['silicone-tin', 'plaster', 1.0, 10.0, null, 0.5];
        yield 'a hard one in deep undercuts' => ['silicone-platinum', 'wax', 20.0, 40.0, 'deep', 0.42];
        yield 'a hard one under grit' => ['urethane-rubber', 'cement', 20.0, 40.0, 'slight', 1.25];
        yield 'plaster tears nowhere' => ['plaster', 'latex', 1.0, null, 'deep', 1.0];
    }

    #[DataProvider('strains')]
    public function test_what_the_rubber_bears_and_the_piece_asks_of_it(
        string $mould,
        string $cast,
        ?float $tear,
        ?float $shore,
        ?string $undercuts,
        float $factor,
    ): void {
        $wear = Wear::of(Yaml::parseFile(__DIR__.'/../../../library/wear.yaml'));
        $usual = $wear->usual(self::family($mould), self::family($cast), true);
        self::assertEqualsWithDelta(
            $usual->median * $factor, $wear->here(self::family($mould), self::family($cast), true, $tear, $shore, $undercuts)->median, 1e-9,
        );
    }

    public function test_no_rubber_bears_hot_vinyl_where_none_of_its_kind_does(): void
    {
        $wear = Wear::of(Yaml::parseFile(__DIR__.'/../../../library/wear.yaml'));
        self::assertSame(1.0, $wear->here(self::family('urethane-rubber'), self::family('plastisol'), true, 80.0, 40.0, 'none')->median);
    }

    public function test_usual_lives_by_pairing_and_release(): void
    {
        $wear = Wear::of(Yaml::parseFile(__DIR__.'/../../../library/wear.yaml'));
        $median = static fn (string $mould, string $cast, ?bool $released = null): float => $wear->usual(
            self::family($mould), self::family($cast), $released,
        )->median;
        self::assertSame(2.0 * $median('silicone-platinum', 'urethane-resin'), $median('silicone-platinum', 'urethane-resin', true));
        self::assertSame($median('silicone-tin', 'silicone-platinum'), $median('silicone-platinum', 'silicone-platinum'));
        self::assertGreaterThan($median('silicone-platinum', 'polyester'), $median('silicone-platinum', 'plaster'));
        self::assertSame(40.0, $wear->usual(null, self::family('plaster'), null)->median);
        self::assertSame(40.0, $median('wax', 'plastisol'), 'Nobody has counted that.');
    }
}
