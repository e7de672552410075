<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Swatch;
use App\Models\TestPatch;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Yaml\Yaml;
use Tests\MakesSwatches;
use Tests\TestCase;

/** Moments are kept in UTC and read on the workshop's clock. */
final class TimeTest extends TestCase
{
    use MakesSwatches;

    public function test_the_workshop_says_where_it_stands_and_a_day_may_run_past_midnight(): void
    {
        self::assertNull($this->getJson('/frame')->json('workshop.time_zone'));
        $this->putJson('/workshop', ['time_zone' => 'Asia/Kolkata', 'day_starts_min' => 1080, 'day_ends_min' => 120])->assertOk()
            ->assertJsonPath('workshop.time_zone', 'Asia/Kolkata')->assertJsonPath('workshop.day_ends_min', 120);
    }

    public function test_ten_o_clock_five_hours_east_is_five_o_clock_here(): void
    {
        $file = [
            'tests' => [['fresh' => 'silicone-platinum', 'surface' => 'wood', 'passed' => true, 'read_at' => '2026-03-04T10:00:00+05:00']],
        ];
        $this->post('/contacts/import', ['text' => Yaml::dump($file, 4)])->assertSessionHasNoErrors();

        self::assertSame('2026-03-04T05:00:00+00:00', TestPatch::query()->firstOrFail()->read_at?->toIso8601String());
    }

    public function test_a_reading_typed_without_an_offset_is_on_the_workshop_s_clock(): void
    {
        $swatch = $this->puck(30.0, '00', 43.0);
        $this->putJson('/workshop', ['time_zone' => 'Asia/Kolkata'])->assertOk();
        $this->post("/swatches/{$swatch->id}/readings", [
            'kind' => 'hardness', 'scale' => '00', 'readings' => [40], 'at' => '2026-03-04 10:15',
        ])->assertSessionHasNoErrors();

        self::assertSame(
            '2026-03-04T04:45:00+00:00',
            Swatch::query()->firstOrFail()->readings()->reorder('id', 'desc')->firstOrFail()->at->toIso8601String(),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function noMoments(): iterable
    {
        foreach ([
            '+8000 years', '05/01/2026', 'tomorrow', '12026-01-05', '2026-01-05', '2026-01-05T10:00:00', '2026-02-30T10:00:00Z',
            '2026-01-05T25:00:00Z', '2026-01-05T10:00:00+99:00', '1026-01-05T10:00:00Z', '9999-01-05T10:00:00Z', '0', 'null',
        ] as $said) {
            yield $said => [$said];
        }
    }

    #[DataProvider('noMoments')]
    public function test_what_is_no_moment_is_refused_by_name_and_the_bench_stands(string $said): void
    {
        $file = ['tests' => [['fresh' => 'silicone-platinum', 'surface' => 'wood', 'passed' => true, 'read_at' => $said]]];
        $why = $this->post('/contacts/import', ['text' => Yaml::dump($file, 4)])
            ->assertSessionHasErrors('file')
            ->getSession()
            ->get('errors')
            ->first('file');
        self::assertStringContainsString("“{$said}”", $why);
        self::assertSame(0, TestPatch::query()->count());

        $this->get('/')->assertOk();
        $this->get('/contacts')->assertOk();
    }

    #[DataProvider('noMoments')]
    public function test_a_swatch_poured_at_no_moment_is_refused(string $said): void
    {
        $this->puck(30.0, '00', 43.0);
        $out = json_decode((string) $this->get('/exchange/swatches.json')->assertOk()->getContent(), true);
        $out['swatches'][0]['poured_at'] = $said;
        $out['swatches'][0]['name'] = 'Another';
        $this->post('/exchange', ['text' => json_encode($out)])->assertSessionHasErrors();

        self::assertSame(1, Swatch::query()->count());
        $this->get('/swatches/drawer')->assertOk();
    }
}
