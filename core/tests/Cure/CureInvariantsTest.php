<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Cure;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Cure\CureResult;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\Fields;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

/** What holds for every clock, whatever the sheet says and whatever was watched. */
final class CureInvariantsTest extends TestCase
{
    use TestTrait;

    private const SHEET = [
        'pot_life_min' => 22, 'recoat_open_min' => 45, 'recoat_close_min' => 120, 'demould_min' => 240, 'service_min' => 1440,
        'ref_c' => 23, 'q10' => 2.1,
    ];

    /** @param  list<array{room_c: float|int, kind: string, minutes: float|int}>  $logs */
    private static function read(float $room, array $logs = [], ?float $mass = null, float $alpha = 0.0): CureResult
    {
        return (new Clock)->read(CureRequest::from(Fields::of([
            'base' => [...self::SHEET, 'alpha' => $alpha], 'room_c' => $room, 'mass_g' => $mass, 'logs' => $logs,
        ])));
    }

    /** @param  callable(float, list<array{room_c: int, kind: string, minutes: int}>): void  $holds */
    private function everyClock(callable $holds): void
    {
        $this->forAll(
            Generators::choose(80, 350),
            Generators::vector(
                4, Generators::tuple(Generators::choose(12, 32), Generators::elements('gel', 'demould'), Generators::choose(70, 140)),
            ),
            Generators::choose(0, 4),
        )->then(static function (int $room, array $watched, int $many) use ($holds): void {
            // Watched minutes are the sheet's at that temperature, give or take.
            $logs = array_map(static fn (array $w): array => [
                'room_c' => $w[0], 'kind' => $w[1],
                'minutes' => (int) ceil(($w[1] === 'gel' ? 22 : 240) * 2.1 ** ((23 - $w[0]) / 10) * $w[2] / 100),
            ], array_slice($watched, 0, $many));
            $holds($room / 10.0, $logs);
        });
    }

    public function test_a_band_holds_what_is_likely_and_the_milestones_keep_their_order(): void
    {
        $this->everyClock(function (float $room, array $logs): void {
            $before = 0.0;
            foreach (Milestone::cases() as $milestone) {
                $band = self::read($room, $logs)->band($milestone);
                // What its sheet does not say is not made up.
                self::assertSame($milestone !== Milestone::FullCure, $band !== null);
                if ($band === null) {
                    continue;
                }
                self::assertLessThan($band->likely->min, $band->low->min);
                self::assertGreaterThan($band->likely->min, $band->high->min);
                self::assertEqualsWithDelta($band->high->min / $band->likely->min, $band->likely->min / $band->low->min, 1e-9);
                self::assertGreaterThan($before, $band->likely->min);
                $before = $band->likely->min;
            }
        });
    }

    public function test_the_order_of_watching_does_not_matter_and_more_of_it_is_never_less_sure(): void
    {
        $this->everyClock(function (float $room, array $logs): void {
            $width = static fn (CureResult $cure): float => log(
                $cure->bands['pot_life_min']->high->min / $cure->bands['pot_life_min']->low->min,
            );
            $cure = self::read($room, $logs);

            $turned = self::read($room, array_reverse($logs));
            self::assertEqualsWithDelta([$cure->offset, $cure->q10, $cure->bands], [$turned->offset, $turned->q10, $turned->bands], 1e-9);
            self::assertSame(count($logs), $cure->restsOn + count($cure->doubted));
            $more = self::read($room, [...$logs, ['room_c' => 23, 'kind' => 'gel', 'minutes' => 22]]);
            // One more may make another look wild: only with the same ones believed is it surer.
            if ($more->doubted === $cure->doubted) {
                self::assertLessThanOrEqual($width($cure) + 1e-9, $width($more));
            }
        });
    }

    public function test_watching_exactly_what_was_expected_changes_nothing_but_the_band(): void
    {
        $this->everyClock(function (float $room, array $logs): void {
            $before = self::read($room, $logs);
            $likely = $before->bands['demould_min']->likely->min;
            $after = self::read($room, [...$logs, ['room_c' => $room, 'kind' => 'demould', 'minutes' => $likely]]);

            // One more witness may bear another out, or make it look wild: then it is another clock.
            if ($after->doubted !== $before->doubted) {
                return;
            }
            self::assertEqualsWithDelta($likely, $after->bands['demould_min']->likely->min, 1e-6);
            self::assertEqualsWithDelta($before->q10, $after->q10, 1e-9);
        });
    }

    public function test_ten_degrees_are_one_q10(): void
    {
        $this->everyClock(function (float $room, array $logs): void {
            if ($room > 29.0) {
                return;
            }
            $cool = self::read($room, $logs);
            $warm = self::read($room + 10.0, $logs);

            self::assertEqualsWithDelta(
                $cool->q10, $cool->bands['pot_life_min']->likely->min / $warm->bands['pot_life_min']->likely->min, 1e-9,
            );
        });
    }

    public function test_mass_hurries_only_what_heats_itself(): void
    {
        $this->everyClock(function (float $room, array $logs): void {
            self::assertEqualsWithDelta(self::read($room, $logs)->factor, self::read($room, $logs, 800.0)->factor, 1e-12);
            self::assertEqualsWithDelta(8.0 ** -0.3 * self::read($room, $logs)->factor, self::read($room, $logs, 800.0, 0.3)->factor, 1e-9);
        });
    }
}
