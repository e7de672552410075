<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Material;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Units\Celsius;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** The sheets that ship with the application: valid, complete, and in agreement with themselves. */
final class SheetsTest extends TestCase
{
    private const LIBRARY = __DIR__.'/../../../library';

    /** @return array<string, array{string}> */
    public static function files(): array
    {
        $files = glob(self::LIBRARY.'/materials/*.yaml') ?: [];

        return array_combine(
            array_map(static fn (string $file): string => basename($file, '.yaml'), $files),
            array_map(static fn (string $file): array => [$file], $files),
        );
    }

    private static ?Shelf $read = null;

    public static function shelf(): Shelf
    {
        return self::$read ??= Shelf::of(
            array_map(static fn (array $file): array => Yaml::parseFile($file[0]), array_values(self::files())),
        );
    }

    #[DataProvider('files')]
    public function test_a_sheet_is_valid_and_named_after_its_code(string $file): void
    {
        $sheet = Yaml::parseFile($file);
        $schema = json_decode((string) file_get_contents(self::LIBRARY.'/schema/material.schema.json'));
        $result = (new Validator)->validate(Helper::toJSON($sheet), $schema);

        self::assertTrue(
            $result->isValid(), $result->error() === null ? '' : (string) json_encode((new ErrorFormatter)->format($result->error())),
        );
        self::assertSame(basename($file, '.yaml'), $sheet['code']);
        foreach ([...$sheet['measured'], ...$sheet['typical']] as $field) {
            self::assertArrayHasKey($field, $sheet, "It says how “{$field}” is known, but has no such field.");
        }
        self::assertSame([], array_intersect($sheet['measured'], $sheet['typical']));
        $cautions = Yaml::parseFile(self::LIBRARY.'/cautions.yaml');
        foreach ($sheet['hazards'] as $hazard) {
            self::assertArrayHasKey($hazard, $cautions);
        }
    }

    public function test_a_sheet_with_a_slip_is_caught_by_the_schema(): void
    {
        $schema = json_decode((string) file_get_contents(self::LIBRARY.'/schema/material.schema.json'));
        $sheet = Yaml::parseFile(self::LIBRARY.'/materials/pr-10.yaml');
        $sheet['ref_c'] = 'warm';

        self::assertFalse((new Validator)->validate(Helper::toJSON($sheet), $schema)->isValid());
    }

    public function test_the_shelf_covers_the_field(): void
    {
        $shelf = self::shelf();
        $families = array_unique(array_map(static fn (BaseSheet $base): string => $base->family, $shelf->bases));
        $roles = array_map(static fn ($additive): string => $additive->role->value, $shelf->additives);

        self::assertGreaterThanOrEqual(14, count($shelf->bases));
        foreach ([
            'silicone-platinum', 'silicone-tin', 'urethane-rubber', 'urethane-resin', 'epoxy', 'plastisol', 'plaster', 'latex',
        ] as $family) {
            self::assertContains($family, $families);
        }
        self::assertSame(12, array_count_values($roles)['pigment']);
        self::assertSame(2, array_count_values($roles)['flock']);
        foreach (AdditiveRole::cases() as $role) {
            self::assertTrue($role === AdditiveRole::Retarder || in_array($role->value, $roles, true), $role->value);
        }
    }

    /** Certain: oil of silicone belongs in silicone alone; every other chemistry is coloured with a paste or a powder of its own. */
    public function test_every_chemistry_has_its_own_pigments(): void
    {
        $silicones = ['silicone-platinum', 'silicone-tin', 'silicone-acetoxy'];
        $pigments = array_filter(self::shelf()->additives, static fn (AdditiveSheet $one): bool => $one->role === AdditiveRole::Pigment);
        foreach ($pigments as $code => $pigment) {
            if (str_contains($pigment->sheet()->text('summary'), 'silicone oil')) {
                self::assertSame([], array_values(array_diff($pigment->families, $silicones)), $code);
            }
        }
        foreach ([...$silicones, 'urethane-rubber', 'urethane-resin', 'epoxy', 'plastisol', 'latex'] as $family) {
            self::assertNotSame(
                [], array_filter($pigments, static fn (AdditiveSheet $one): bool => in_array($family, $one->families, true)), $family,
            );
        }
    }

    /** @return iterable<string, array{BaseSheet}> */
    public static function bases(): iterable
    {
        foreach (self::shelf()->bases as $code => $base) {
            yield $code => [$base];
        }
    }

    /** A mass divided by the density must give the yield of the sheet; where it does not, the sheet is wrong. */
    #[DataProvider('bases')]
    public function test_density_and_yield_agree_within_five_per_cent(BaseSheet $base): void
    {
        $wA = $base->ratio->weightFractionOfA($base->sgA, $base->sgB);
        $mlPerKg = 1000.0 * (
            $base->sgMixed !== null
            ? 1.0 / $base->sgMixed->gPerMl
            : $wA / ($base->sgA->gPerMl ?? 1.0) + ($base->sgB === null ? 0.0 : (1.0 - $wA) / $base->sgB->gPerMl)
        );

        self::assertEqualsWithDelta(1.0, $base->sheet()->number('yield_ml_per_kg') / $mlPerKg, 0.05);
    }

    #[DataProvider('bases')]
    public function test_its_times_come_one_after_the_other(BaseSheet $base): void
    {
        $times = array_values(
            array_map(static fn ($minutes): float => $minutes->min, array_diff_key($base->times, [
                'recoat_open_min' => 0, 'recoat_close_min' => 0,
            ])),
        );
        $sorted = $times;
        sort($sorted);

        self::assertSame($sorted, $times);
        self::assertLessThan($base->times['recoat_close_min']->min ?? INF, $base->times['recoat_open_min']->min ?? 0.0);
        self::assertSame([], (new Clock)->read(new CureRequest($base->forCuring(), Celsius::of(23)))->warnings);
    }

    public function test_hardness_is_written_with_its_scale(): void
    {
        $shelf = self::shelf();

        self::assertSame('00-30', $shelf->base('pg-30')->shore());
        self::assertSame('A 25', $shelf->base('tr-25')->shore());
        self::assertNull($shelf->base('cp-70')->shore());
    }

    public function test_a_code_that_is_not_there_is_answered_with_a_sentence(): void
    {
        $this->expectExceptionMessage('material.no_such_base');
        self::shelf()->base('pr-99');
    }

    /** By weight alone where the parts weigh differently; a 10:1 rubber bears its pigment in the large part. */
    public function test_what_differs_in_density_is_weighed_and_pigment_goes_into_the_large_part(): void
    {
        foreach (self::shelf()->bases as $code => $base) {
            if ($base->ratio->isOnePart() || $base->sgA === null || $base->sgB === null) {
                continue;
            }
            if (abs($base->sgA->gPerMl / $base->sgB->gPerMl - 1.0) > 0.03) {
                self::assertFalse($base->measuredByVolumeOk, (string) $code);
            }
            if ($base->ratio->a >= 5.0 * $base->ratio->b) {
                self::assertSame('a', $base->limitFor(\Apalos\Core\Material\AdditiveRole::Pigment)?->into->value, (string) $code);
            }
        }
    }
}
