<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Volume;

use Apalos\Core\Input\Fields;
use Apalos\Core\Volume\VolumeEstimator;
use Apalos\Core\Volume\VolumeRequest;
use Apalos\Core\Volume\VolumeResult;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

/** What holds for every mould, whatever its size. */
final class VolumeInvariantsTest extends TestCase
{
    use TestTrait;

    private const FORMS = ['box', 'cylinder', 'ellipsoid', 'sculpted'];

    /** @param  array<string, mixed>  $in */
    private static function estimate(array $in): VolumeResult
    {
        return (new VolumeEstimator)->estimate(VolumeRequest::from(Fields::of($in)));
    }

    /** @param  callable(array<string, mixed>): void  $holds */
    private function everyMould(callable $holds): void
    {
        $this->forAll(Generators::tuple(
            Generators::choose(40, 600), Generators::choose(40, 400), Generators::choose(20, 300), Generators::choose(30, 85),
            Generators::choose(0, 3), Generators::choose(0, 6), Generators::choose(0, 30),
        ))->then(static function (array $n) use ($holds): void {
            [$l, $w, $h, $fills, $form, $method, $allowance] = $n;
            $box = ['l_mm' => $l, 'w_mm' => $w, 'h_mm' => $h];
            $part = static fn (string $form): array => [
                'l_mm' => $l * $fills / 100, 'w_mm' => $w * $fills / 100, 'h_mm' => $h * $fills / 100, 'form' => $form,
            ];
            $holds([...match ($method) {
                0 => ['method' => 'box', 'box' => $box, 'part' => $part(self::FORMS[$form])],
                1 => ['method' => 'box', 'box' => $box, 'part' => ['volume_ml' => $l * $w * $h / 1000 * $fills / 100]],
                2 => ['method' => 'cylinder', 'diameter_mm' => $w, 'height_mm' => $h],
                3 => ['method' => 'displacement', 'poured_back_ml' => $l],
                4 => ['method' => 'blanket', 'area_mm2' => $l * $w, 'thickness_mm' => $fills / 10],
                5 => ['method' => 'coats', 'area_mm2' => $l * $w, 'coats' => [['thickness_mm' => 0.8], ['thickness_mm' => $fills / 20]]],
                default => ['method' => 'mesh', 'volume_ml' => $h],
            }, 'allowance_pct' => $allowance]);
        });
    }

    public function test_what_is_likely_lies_in_its_band_and_nothing_is_less_than_nothing(): void
    {
        $this->everyMould(function (array $in): void {
            $rubber = self::estimate($in)->rubber;

            self::assertGreaterThanOrEqual(0.0, $rubber->low);
            self::assertGreaterThanOrEqual($rubber->low, $rubber->likely);
            self::assertGreaterThanOrEqual($rubber->likely, $rubber->high);
            self::assertNotSame([], self::estimate($in)->working);
        });
    }

    public function test_allowance_and_learnt_correction_multiply_every_figure(): void
    {
        $this->everyMould(function (array $in): void {
            $plain = self::estimate([...$in, 'allowance_pct' => 0])->rubber;
            $both = self::estimate([...$in, 'allowance_pct' => 12, 'correction_pct' => -4])->rubber;
            foreach (['low', 'likely', 'high'] as $figure) {
                self::assertEqualsWithDelta(1.12 * 0.96 * $plain->{$figure}, $both->{$figure}, 1e-9 * max(1.0, $plain->{$figure}));
            }
        });
    }

    public function test_a_mould_twice_as_long_wide_and_high_takes_eight_times_the_rubber(): void
    {
        $this->everyMould(function (array $in): void {
            if (! in_array($in['method'], ['box', 'cylinder'], true) || isset($in['part']['volume_ml'])) {
                return;
            }
            $double = static function (array $sizes) use (&$double): array {
                return array_map(static fn (mixed $v): mixed => is_array($v) ? $double($v) : (is_numeric($v) ? 2 * $v : $v), $sizes);
            };
            $twice = self::estimate([...$double($in), 'allowance_pct' => $in['allowance_pct']])->rubber;

            self::assertEqualsWithDelta(8.0 * self::estimate($in)->rubber->likely, $twice->likely, 1e-6 * max(1.0, $twice->likely));
        });
    }

    public function test_what_was_really_used_teaches_the_correction_that_would_have_been_right(): void
    {
        $this->everyMould(function (array $in): void {
            $likely = self::estimate($in)->needMl;
            if ($likely < 1.0) {
                return;
            }
            $used = 0.93 * $likely;
            $after = self::estimate([...$in, 'used' => ['mass_g' => $used * 1.07, 'sg' => 1.07]])->reconciliation;

            self::assertNotNull($after);
            self::assertEqualsWithDelta($used, self::estimate([...$in, 'correction_pct' => $after->correctionPct])->needMl, 1e-6 * $used);
        });
    }
}
