<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Practice\PracticeScenario;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Yaml\Yaml;
use Tests\TestCase;
use Tests\WalksPractice;

/** Every ready-made build can be practised: it is planned, its mixes can be begun on what it lies on, and it is walked to its end. */
final class PracticedBuildsTest extends TestCase
{
    use WalksPractice;

    private const ASKED = [
        'ml' => ['ml' => 140], 'area' => ['area_mm2' => 42000], 'flange' => ['flange_mm2' => 9000],
        'fill' => ['fill_ml' => 20], 'wall' => ['wall_mm' => ['least' => 8, 'most' => 10]],
    ];

    /** @return iterable<string, array{string}> */
    public static function builds(): iterable
    {
        foreach (glob(dirname(__DIR__, 2).'/library/builds/*.yaml') ?: [] as $file) {
            yield basename($file, '.yaml') => [basename($file, '.yaml')];
        }
    }

    #[DataProvider('builds')]
    public function test_a_ready_made_build_is_practised_to_its_end(string $kind): void
    {
        /** @var array{asks?: list<string>} $ready */
        $ready = Yaml::parseFile(base_path("library/builds/{$kind}.yaml"));
        $asks = $ready['asks'] ?? [];
        $measured = array_merge(...array_values(array_intersect_key(self::ASKED, array_flip($asks))));
        $this->post('/practice/scenarios', [
            'name' => "Ours, {$kind}", 'room_c' => 21,
            'make' => [
                'build' => $kind, 'measured' => $measured, ...in_array('box', $asks, true) ? ['box' => 'acrylic'] : [],
                ...in_array('bed', $asks, true) ? ['bed' => 'clay-water'] : [],
            ],
        ], ['X-Press' => "ours-{$kind}"])->assertSessionHasNoErrors();
        $try = $this->begin('own-'.PracticeScenario::query()->max('id'));
        $this->build($try->place);
        $came = $this->ends();
        self::assertContains(
            $came['would'], ['good', 'usable'],
            json_encode(array_values(array_filter($came['findings'], static fn (array $one): bool => ! $one['good']))) ?: '',
        );
    }
}
