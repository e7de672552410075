<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Keep;

use Apalos\Core\Contact\Family;
use Apalos\Core\Keep\BeforeCast;
use Apalos\Core\Keep\CareRule;
use Apalos\Core\Keep\MouldPast;
use Apalos\Core\Keep\ReleaseSchool;
use Apalos\Core\Keep\Wear;
use Apalos\Core\Tests\Contact\Shipped;
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
    private static function wants(string $mould, string $cast, array $since = [], ReleaseSchool $school = ReleaseSchool::EveryCast, bool $wet = false, bool $bare = false, ?float $hot = null, bool $jacket = false, bool $mixed = false): array
    {
        $care = BeforeCast::of(Yaml::parseFile(__DIR__.'/../../../library/care.yaml'));

        return array_map(static fn (CareRule $rule): string => $rule->id, $care->wants(self::family($mould), self::family($cast), new MouldPast(9, $since, $wet, $bare, $hot, $jacket, $mixed), $school));
    }

    public function test_silicone_in_silicone_is_released_whatever_a_school_says(): void
    {
        foreach (ReleaseSchool::cases() as $school) {
            self::assertSame(['like-in-like'], self::wants('silicone-platinum', 'silicone-tin', ['released' => 1], $school));
            self::assertSame([], self::wants('silicone-platinum', 'silicone-tin', ['released' => 0], $school), 'It was, since the last cast.');
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

    public function test_jackets_halves_and_plaster(): void
    {
        self::assertSame(['straps', 'mixed-halves'], self::wants('silicone-platinum', 'plaster', ['released' => 0], jacket: true, mixed: true));
        self::assertSame(['dry-plaster'], self::wants('plaster', 'latex', ['released' => 0]), 'Nine casts, and never dried.');
        self::assertSame([], self::wants('plaster', 'latex', ['released' => 0, 'dried' => 2]));
    }

    public function test_usual_lives_by_pairing_and_release(): void
    {
        $wear = Wear::of(Yaml::parseFile(__DIR__.'/../../../library/wear.yaml'));
        $median = static fn (string $mould, string $cast, ?bool $released = null): float => $wear->usual(self::family($mould), self::family($cast), $released)->median;
        self::assertSame(2.0 * $median('silicone-platinum', 'urethane-resin'), $median('silicone-platinum', 'urethane-resin', true));
        self::assertSame($median('silicone-tin', 'silicone-platinum'), $median('silicone-platinum', 'silicone-platinum'));
        self::assertGreaterThan($median('silicone-platinum', 'polyester'), $median('silicone-platinum', 'plaster'));
        self::assertSame(40.0, $wear->usual(null, self::family('plaster'), null)->median);
        self::assertSame(40.0, $median('wax', 'plastisol'), 'Nobody has counted that.');
    }
}
