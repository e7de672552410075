<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Library\Library;
use App\Library\LibraryFiles;
use App\Library\OwnShelf;
use App\Library\Prepared;
use App\Models\Series;
use Illuminate\Filesystem\Filesystem;
use Symfony\Component\Yaml\Yaml;
use Tests\MakesSwatches;
use Tests\TestCase;

/** Begun means frozen: no later edit of a sheet, a rule, a caution or a name moves what is under way, or what was poured. */
final class FrozenTest extends TestCase
{
    use MakesSwatches;

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/apalos-library-'.getmypid();
        (new Filesystem)->copyDirectory(base_path('library'), $this->folder);
        $this->app->scoped(
            Library::class,
            fn (): Library => new Library(
                new LibraryFiles($this->folder, new Prepared("{$this->folder}/kept", 'as it is')),
                static fn (): OwnShelf => app(OwnShelf::class),
            ),
        );
    }

    protected function tearDown(): void
    {
        (new Filesystem)->deleteDirectory($this->folder);
        parent::tearDown();
    }

    /** Renames, doubles and halves whatever stands in a sheet. */
    private function editEverything(): void
    {
        foreach (glob("{$this->folder}/materials/*.yaml") ?: [] as $file) {
            $sheet = Yaml::parseFile($file);
            $sheet['name'] = "Renamed {$sheet['name']}";
            $sheet['colour'] = '#123456';
            array_walk_recursive($sheet, static function (mixed &$value, int|string $key): void {
                $value = match (true) {
                    in_array(
                        $key, ['pot_life_min', 'recoat_open_min', 'recoat_close_min', 'demould_min', 'service_min'], true,
                    ) => $value * 3,
                    in_array($key, ['a', 'b', 'mixed', 'sg'], true) && is_numeric($value) => $value * 1.4,
                    in_array($key, ['max', 'alpha', 'drop_g'], true) => $value / 2 + 0.01,
                    $key === 'ref_c' => $value + 5,
                    default => $value,
                };
            });
            $sheet['ratio'] = ['by' => 'weight', 'a' => 9, 'b' => 1];
            $sheet['pour_first'] = ($sheet['pour_first'] ?? 'b') === 'b' ? 'a' : 'b';
            $sheet['hazards'] = ['dust'];
            file_put_contents($file, Yaml::dump($sheet, 6));
        }
        foreach ([
            'cautions', 'faults/symptoms', 'faults/causes', 'care', 'contacts/rules', 'contacts/releases', 'contacts/sealers',
            'contacts/surfaces', 'contacts/families',
        ] as $name) {
            $file = "{$this->folder}/{$name}.yaml";
            file_put_contents(
                $file, preg_replace("/(text|name|title|how|cause): '/", "\$1: 'Changed: ", (string) file_get_contents($file)),
            );
            touch($file, time() + 60);
        }
        foreach (glob("{$this->folder}/casting/*.yaml") ?: [] as $file) {
            $way = Yaml::parseFile($file);
            foreach (['premix', 'mix', 'fill', 'wait'] as $step) {
                isset($way[$step]) && $way[$step]['title'] = "Changed: {$way[$step]['title']}";
            }
            file_put_contents($file, Yaml::dump($way, 6));
            touch($file, time() + 60);
        }
    }

    public function test_after_every_sheet_was_edited_nothing_begun_or_poured_has_changed_by_a_byte(): void
    {
        $poured = $this->begun([
            'formula.additives' => [
                ['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after'],
                ['code' => 'pi-fawn', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b'],
            ],
        ]);
        $this->workUntil($poured, 'grade');
        $this->record($poured, 'graded', [
            'step' => '0:grade', 'grade' => 'poor', 'faults' => ['flash'], 'used_g' => 90, 'note' => 'x',
        ])->assertOk();
        $waiting = $this->begun();
        $this->workUntil($waiting, 'wait');
        $running = $this->begun(['plan.vessel.degas' => true, 'plan.degas_min' => 2, 'plan.vessel.capacity_ml' => 900]);
        $this->workUntil($running, 'weigh');
        $softened = $this->beginSeries(self::series());
        $ladder = $this->beginSeries(self::ladder());
        $this->fact($softened, 'put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 34.6])->assertOk();
        $this->fact($softened, 'met')->assertOk();

        $all = fn (): array => [
            ...array_map(
                fn ($pour): string => $this->getJson("/pours/{$pour->id}/state")->assertOk()->getContent() ?: '',
                [$poured, $waiting, $running],
            ),
            ...array_map(
                fn (Series $series): string => $this->getJson("/swatches/series/{$series->id}/state")->assertOk()->getContent() ?: '',
                [$softened, $ladder],
            ),
            $this->getJson('/frame')->assertOk()->getContent() ?: '',
        ];
        $before = $all();
        $this->editEverything();
        $sheet = $this->get('/stores/pr-10')->assertOk()->inertiaProps('base');
        self::assertStringStartsWith('Renamed', $sheet['name'], 'The shelf has changed,');
        self::assertSame($before, $all(), 'and what was begun has not.');

        // And it can be finished as it was begun.
        $this->workUntil($running, 'grade');
        self::assertStringStartsNotWith('Renamed', $this->getJson("/pours/{$running->id}/state")->json('base'));
    }

    public function test_a_late_autosave_does_not_reach_a_pour_that_has_begun(): void
    {
        $pour = $this->draft();
        $stale = $pour->replicate();
        $this->post("/pours/{$pour->id}/run")->assertRedirect();
        $sheet = $pour->refresh()->sheet;
        $this->putJson("/pours/{$pour->id}/sheet", [
            ...$stale->sheet, 'formula_name' => 'Too late',
        ])->assertConflict()->assertJsonPath('begun', true);

        self::assertSame($sheet, $pour->refresh()->sheet);
    }

    public function test_a_pigment_that_is_renamed_half_way_is_still_weighed(): void
    {
        $pour = $this->begun(['formula.additives' => [['code' => 'pi-fawn', 'amount' => 2, 'basis' => 'pct_of_ab', 'into' => 'b']]]);
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json('line');
        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $line['running']])->assertOk();
        $this->editEverything();

        $line = $this->getJson("/pours/{$pour->id}/state")->json('line');
        self::assertSame(['pi-fawn', 'Fawn pigment'], [$line['add'], $line['label']]);
        $fills = $this->record($pour, 'weighed', ['step' => '1:weigh:1', 'reading_g' => $line['running']])->assertOk()->json('cup.fills');
        self::assertEqualsWithDelta(0.02 * 2 * $fills[0]['poured_g'], $fills[1]['poured_g'], 0.06);
    }
}
