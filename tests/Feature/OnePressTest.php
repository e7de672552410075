<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\OnePress;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Role;
use App\Models\Trial;
use App\People\OpenShop;
use App\People\ShopAtHand;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Storage;
use Tests\MakesPeople;
use Tests\TestCase;

/** Twenty presses on one button make one thing, and all twenty are told the same. */
final class OnePressTest extends TestCase
{
    use MakesPeople;

    /** Doors that create nothing, or where sent twice counts once for another reason: what each of them is. */
    private const NOT_CREATING = [
        'facts, each with a key of its own' => [
            'rack/{mould}/facts', 'stores/lots/{lot}/facts', 'trials/{trial}/facts', 'builds/{build}/facts', 'pours/{pour}/events', 'pours/{pour}/card/typed',
            'swatches/series/{series}/facts', 'day/put',
        ],
        'questions' => [
            'jobs/{job}/ways', 'pours/{pour}/sheet/ask', 'day/try', 'day/gang', 'mould', 'cost', 'pours/{pour}/causes',
            'pours/{pour}/came-short', 'pours/{pour}/left-over', 'study/{model}/ask', 'contacts/judge', 'swatches/hardness',
            'swatches/colour', 'swatches/series/plan', 'formulas/reckon', 'formulas/paint', 'contacts/rules/try', 'api/reckon/{verb}',
        ],
        'changes, each with its edition' => [
            'pours/{pour}/run', 'pours/{pour}/card', 'pours/{pour}/plan', 'impressions/{impression}/move', 'impressions/{impression}/take-out', 'stores/sheets',
            'swatches/{swatch}',
        ],
        'back to what it was' => [
            'jobs/{job}/plan/{taken}/back', 'jobs/{job}/restore', 'impressions/{impression}/restore', 'builds/{build}/restore',
            'study/{model}/restore', 'pours/{pour}/restore', 'swatches/series/{series}/restore', 'swatches/{swatch}/restore',
            'contacts/patches/{patch}/undo', 'exchange/imports/{import}/undo', 'exchange/imports/{import}/stop', 'studies/{study}/stop',
            'damaged/pours/{pour}', 'damaged/pours/{pour}/back', 'damaged/builds/{build}', 'damaged/builds/{build}/back',
            'impressions/{impression}/gone',
        ],
        'one file, one record: by its content' => [
            'study', 'exchange', 'stores', 'contacts/import', 'contacts/rules', 'everything', 'rack/{mould}/photo',
            'versions/{version}/photo', 'backup',
        ],
        'coming in, and going' => [
            'sign-in', 'sign-in/again', 'sign-out', 'hands', 'hands/rest', 'countersign', 'welcome/{secret}', 'people/{person}/leave',
            'people/{person}/forget', 'people/{person}/end', 'people/tokens', 'tablets',
        ],
        'devices' => [
            'devices/scale/tare', 'devices/scale/take-over', 'devices/scale/accept', 'devices/scale/hand', 'devices/scale/watch',
            'devices/thermometer', 'devices/probe/hand', 'devices/labels/hand', 'labels/again', 'labels/{label}',
        ],
        'a practice, and its end, which comes once' => ['practice/bench', 'practice/tries/{try}/end'],
    ];

    public function test_every_door_that_makes_something_takes_a_key(): void
    {
        $known = array_merge(...array_values(self::NOT_CREATING));
        foreach (Route::getRoutes() as $route) {
            if (in_array('POST', $route->methods(), true) && ! in_array($route->uri(), $known, true)) {
                self::assertContains(OnePress::class, $route->gatherMiddleware(), $route->uri());
            }
        }
    }

    /**
     * @param  array<string, mixed>  $said
     * @return list<string> the answers
     */
    private function pressed(string $door, array $said, int $times = 20, string $key = 'press-0001'): array
    {
        return array_map(function () use ($door, $said, $key): string {
            $answer = $this->postJson($door, $said, ['X-Press' => $key]);
            self::assertLessThan(400, $answer->getStatusCode(), (string) $answer->getContent());

            return $answer->headers->get('Location').$answer->getContent();
        }, range(1, $times));
    }

    public function test_twenty_presses_make_one_job_mould_kit_trial_and_link(): void
    {
        $same = fn (array $answers): int => count(array_unique($answers));

        self::assertSame(1, $same($this->pressed('/jobs', ['name' => 'Owl', 'quantity' => 2])));
        self::assertSame(1, Job::query()->where('name', 'Owl')->count());
        $job = Job::query()->where('name', 'Owl')->firstOrFail();
        self::assertSame(
            1,
            $same(
                $this->pressed(
                    "/jobs/{$job->id}/impressions", ['kind' => 'cast', 'name' => 'Owl cast', 'material' => 'pr-10'], key: 'press-0002',
                ),
            ),
        );
        self::assertSame(1, Impression::query()->where('name', 'Owl cast')->count());
        self::assertSame(1, $same($this->pressed('/rack', ['name' => 'Block', 'material' => 'pr-25'], key: 'press-0003')));
        self::assertSame(1, Mould::query()->count());
        self::assertSame(
            1,
            $same(
                $this->pressed(
                    '/stores/lots',
                    [
                        'code' => 'pr-10', 'got_on' => '2026-03-01',
                        'parts' => [['part' => 'A', 'grams' => 400], ['part' => 'B', 'grams' => 400]],
                    ],
                    key: 'press-0004',
                ),
            ),
        );
        self::assertSame(1, DB::table('lots')->count());
        self::assertSame(
            1, $same($this->pressed('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'wood'], key: 'press-0005')),
        );
        self::assertSame(1, DB::table('test_patches')->count());
    }

    public function test_without_a_key_nothing_is_made_and_what_to_do_is_said(): void
    {
        $this->postJson(
            '/jobs', ['name' => 'Owl', 'quantity' => 2], ['X-Press' => ''],
        )->assertUnprocessable()->assertJsonPath('error.field', 'press');
        self::assertSame(0, Job::query()->where('name', 'Owl')->count());
    }

    public function test_the_same_key_with_something_else_is_no_repetition(): void
    {
        $this->pressed('/jobs', ['name' => 'Owl', 'quantity' => 2], 1);
        $this->postJson('/jobs', ['name' => 'Fox', 'quantity' => 2], ['X-Press' => 'press-0001'])->assertConflict();
        $this->postJson('/rack', ['name' => 'Owl'], ['X-Press' => 'press-0001'])->assertConflict();
        self::assertSame(['Owl'], Job::query()->pluck('name')->all());
    }

    public function test_what_was_refused_can_be_put_right_and_pressed_again(): void
    {
        $this->from('/jobs')->post('/jobs', ['name' => '', 'quantity' => 2], ['X-Press' => 'press-0001'])->assertSessionHasErrors();
        self::assertSame(0, DB::table('presses')->count());
        $this->pressed('/jobs', ['name' => 'Owl', 'quantity' => 2], 2);
        self::assertSame(1, Job::query()->count());
    }

    public function test_what_is_said_of_it_is_said_again(): void
    {
        $first = $this->post('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'wood'], ['X-Press' => 'press-0001']);
        self::assertSame(302, $first->getStatusCode());
        $patch = DB::table('test_patches')->value('id');
        $said = [];
        foreach ([1, 2] as $turn) {
            $this->post(
                "/contacts/patches/{$patch}?edition=1", ['passed' => false, 'sure' => true], ['X-Press' => 'press-0002'],
            )->assertSessionHas('said');
            $said[] = session('said').session('undo');
        }
        self::assertSame($said[0], $said[1]);
        self::assertSame(1, DB::table('facts')->where('stream', 'patch')->count());
    }

    public function test_a_photo_sent_twice_is_one_swatch_and_one_picture(): void
    {
        Storage::fake('local');
        $this->post('/formulas', ['name' => 'Brow', 'recipe' => ['base' => 'pr-10', 'additives' => []]]);
        $version = DB::table('formula_versions')->value('id');
        foreach ([1, 2, 3] as $turn) {
            $this->post(
                '/swatches', ['version' => $version, 'name' => 'B-1', 'photo' => UploadedFile::fake()->image('b.jpg', 40, 30)],
                ['X-Press' => 'press-0003'],
            )->assertRedirect();
        }
        self::assertSame(1, DB::table('swatches')->count());
        self::assertCount(1, Storage::disk('local')->allFiles('swatches'));
    }

    public function test_a_second_shop_knows_nothing_of_the_keys_of_the_first(): void
    {
        $this->pressed('/jobs', ['name' => 'Owl', 'quantity' => 2], 1);
        app(OpenShop::class)('Other', null, CarbonImmutable::now());
        ShopAtHand::enter(ShopAtHand::named('other'));
        $this->as($this->person('Runa', Role::Owner));
        $this->pressed('/jobs', ['name' => 'Owl', 'quantity' => 2], 1);
        self::assertSame(2, Job::query()->withoutGlobalScopes()->where('name', 'Owl')->count());
    }

    public function test_a_trial_is_planned_once(): void
    {
        $said = [
            'name' => 'Air', 'base' => 'pr-10', 'variants' => ['drawn out', 'left alone'], 'cups' => 2, 'cup_ml' => 20, 'asks' => 'bubbles',
        ];
        $answer = $this->postJson('/trials', $said, ['X-Press' => 'press-0001']);
        $again = $this->postJson('/trials', $said, ['X-Press' => 'press-0001']);
        self::assertSame($answer->getStatusCode(), $again->getStatusCode());
        self::assertSame($answer->json(), $again->json());
        self::assertLessThanOrEqual(1, Trial::query()->count());
    }
}
