<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Input\BadInput;
use App\Exchange\ArchiveParts;
use App\Exchange\Everything;
use App\Exchange\TakeEverything;
use App\Http\May;
use App\Http\ShopOfRequest;
use App\Library\Library;
use App\Models\Person;
use App\Models\Role;
use App\Models\Tablet;
use App\Models\Workshop;
use App\People\OpenShop;
use App\People\OwnerLink;
use App\People\ShopAtHand;
use Carbon\CarbonImmutable;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\MakesPeople;
use Tests\TestCase;

/** Several shops on one server: whoever works in one finds nothing of another, whatever address or number they try. */
final class ShopsTest extends TestCase
{
    use MakesPeople;

    /** Parameters that are no number of anything in particular. */
    private const SAID = [
        'base' => 'pr-10', 'release' => 'x', 'format' => 'yaml', 'what' => 'swatches.csv', 'verb' => 'mix', 'part' => 'mesh',
        'key' => 'original', 'operation' => '1', 'code' => 'pr-10', 'id' => 'glove', 'upload' => 'abcdefgh-1',
    ];

    private Workshop $ours;

    private Person $odd;

    /** A second shop, and who answers for it. */
    private function second(): void
    {
        $links = app(OpenShop::class)('Next door', null, CarbonImmutable::now());
        $this->ours = ShopAtHand::named('next-door');
        $this->away()->post($links['next-door'], [
            'name' => 'Runa', 'passphrase' => self::PASSPHRASE, 'pin' => '7391',
        ])->assertRedirect('/');
        $this->odd = Person::query()->where('workshop_id', $this->ours->id)->firstOrFail();
        self::assertSame(Role::Owner, $this->odd->role);
        $this->ours->update(['set_up_at' => $this->now]);
        $this->app['auth']->guard('web')->logout();
        $this->flushSession();
    }

    public function test_whoever_works_in_one_shop_finds_nothing_of_another_at_any_address(): void
    {
        Storage::fake('local');
        $this->travelBack();
        $this->seed(DatabaseSeeder::class);
        $this->second();
        $theirs = Workshop::query()->whereKeyNot($this->ours->id)->sole();
        $numbers = $this->numbers($theirs);
        $words = $this->words($theirs);
        $before = $this->stands($theirs);
        $seen = 0;
        foreach (Routes::getRoutes() as $route) {
            foreach (array_intersect($route->methods(), ['GET', 'POST', 'PUT', 'DELETE']) as $method) {
                if (app(May::class)->asked($method, $route->uri()) === May::DOOR) {
                    continue;
                }
                foreach ($this->addresses($route, $numbers) as $address) {
                    $this->app['auth']->guard('web')->logout();
                    $this->flushHeaders()->flushSession();
                    $answer = $this->asks($method, $address, $route);
                    $says = "{$method} {$address} answered {$answer->getStatusCode()}";
                    self::assertNotSame(500, $answer->getStatusCode(), $says);
                    $isOne = array_diff($route->parameterNames(), array_keys(self::SAID)) !== [];
                    // What was never put off the bench is not had back, whosever it is.
                    $isOne = $isOne && $route->uri() !== 'damaged/pours/{pour}/back';
                    $isOne && self::assertContains($answer->getStatusCode(), $method === 'GET' ? [404] : [404, 422], $says);
                    $text = $answer->baseResponse instanceof StreamedResponse ? $answer->streamedContent() : (string) $answer->getContent();
                    foreach ($words as $word) {
                        self::assertStringNotContainsString($word, $text, "{$says} and says “{$word}”");
                    }
                    $seen++;
                }
            }
        }
        self::assertGreaterThan(280, $seen);
        self::assertSame($before, $this->stands($theirs), 'Nothing of theirs was changed either.');
    }

    private function asks(string $method, string $address, Route $route): TestResponse
    {
        if (str_starts_with($route->uri(), 'api/')) {
            return $this->away()->withToken($this->odd->createToken('a program', ['reckon'])->plainTextToken)->json($method, $address);
        }

        return $this->away()
            ->as($this->odd)
            ->json(
                $method, $address,
                $method === 'GET'
                    ? []
                    : ['key' => 'abcdefgh', 'kind' => 'noted', 'payload' => ['text' => 'x'], 'edition' => 1, 'name' => 'Ours now'],
            );
    }

    /**
     * One of every kind of thing they have.
     *
     * @return array<string, list<string>>
     */
    private function numbers(Workshop $theirs): array
    {
        $tables = [
            'pour' => 'pours', 'build' => 'builds', 'job' => 'jobs', 'impression' => 'impressions', 'formula' => 'formulas',
            'version' => 'formula_versions', 'swatch' => 'swatches', 'reading' => 'swatch_readings', 'series' => 'series',
            'target' => 'colour_targets', 'patch' => 'test_patches', 'rule' => 'own_rules', 'mould' => 'moulds', 'lot' => 'lots',
            'trial' => 'trials', 'model' => 'model_files', 'study' => 'studies', 'import' => 'imports', 'person' => 'people',
            'tablet' => 'tablets', 'label' => 'printings', 'taken' => 'taken_ways', 'try' => 'practice_tries',
            'scenario' => 'practice_scenarios',
        ];
        Tablet::query()->create([
            'workshop_id' => $theirs->id, 'name' => 'theirs', 'secret' => str_repeat('a', 64), 'trusted_at' => $this->now,
        ]);
        $token = Person::query()->where('workshop_id', $theirs->id)->firstOrFail()->createToken('theirs', ['day'])->accessToken->getKey();
        $numbers = ['token' => [(string) $token]];
        foreach ($tables as $name => $table) {
            // Of what the demo has none of, they get one.
            DB::table($table)->where('workshop_id', $theirs->id)->exists()
                || DB::table($table)->insert(['workshop_id' => $theirs->id, ...$this->needed($table)]);
            $ids = DB::table($table)->where('workshop_id', $theirs->id)->orderByDesc('id')->limit(2)->pluck('id')->map(strval(...))->all();
            self::assertNotSame([], $ids, "The other shop has no {$name} to be found.");
            $numbers[$name] = $ids;
        }

        return $numbers;
    }

    /** @return array<string, mixed> something for every column that wants it */
    private function needed(string $table): array
    {
        $row = [];
        foreach (Schema::getColumns($table) as $column) {
            $column['nullable']
                || $column['auto_increment']
                || $column['default'] !== null
                || $column['name'] === 'workshop_id'
                || $row[$column['name']] = preg_match('/date|time/', $column['type_name']) === 1
                ? (string) $this->now
                : '1';
        }

        return $row;
    }

    /** @return list<string> what they call their things, as nobody else would */
    private function words(Workshop $theirs): array
    {
        $words = [];
        foreach ([
            'jobs' => 'name', 'formulas' => 'name', 'moulds' => 'place', 'people' => 'name', 'pours' => 'note', 'own_sheets' => 'name',
            'model_files' => 'name',
        ] as $table => $column) {
            foreach (Schema::hasColumn($table, $column) ? DB::table($table)->where(
                'workshop_id', $theirs->id,
            )->whereNotNull($column)->pluck($column) : [] as $word) {
                mb_strlen((string) $word) > 8 && $words[] = (string) $word;
            }
        }
        $ours = json_encode(app(Library::class)->words(), JSON_UNESCAPED_UNICODE) ?: '';

        return array_values(array_filter(array_unique($words), static fn (string $word): bool => ! str_contains($ours, $word)));
    }

    /**
     * @param  array<string, list<string>>  $numbers
     * @return list<string>
     */
    private function addresses(Route $route, array $numbers): array
    {
        $addresses = ['/'.$route->uri()];
        foreach ($route->parameterNames() as $name) {
            $some = $numbers[$name] ?? [self::SAID[$name] ?? self::fail("Nobody has said what {{$name}} in {$route->uri()} may be.")];
            $next = [];
            foreach ($addresses as $address) {
                foreach ($some as $one) {
                    $next[] = (string) preg_replace(
                        "/\\{{$name}\\??\\}/",
                        $name === 'format' && str_contains($address, 'box.')
                            ? 'svg'
                            : ($name === 'format' && str_contains($address, 'paper/') ? 'pdf' : $one),
                        $address,
                    );
                }
            }
            $addresses = $next;
        }

        return $addresses;
    }

    /** @return array<string, string> all that stands in the record of a shop, in short */
    private function stands(Workshop $shop): array
    {
        $stands = [];
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            if (Schema::hasColumn($table, 'workshop_id') && $table !== 'presses') {
                $hash = hash_init('xxh128');
                foreach (DB::table($table)->where('workshop_id', $shop->id)->orderByRaw('1')->get() as $row) {
                    hash_update($hash, (string) json_encode($row));
                }
                $stands[$table] = hash_final($hash);
            }
        }
        self::assertGreaterThan(count(ArchiveParts::ALL) - 3, count($stands));

        return $stands;
    }

    public function test_a_second_shop_puts_a_door_before_the_first_as_well(): void
    {
        $this->get('/')->assertOk();
        $links = app(OpenShop::class)('Kiln & Co', 'kiln', $this->now);
        self::assertSame(['our-workshop', 'kiln'], array_keys($links));
        $this->get('/')->assertRedirectContains('/sign-in');
        $this->getJson('/hands')->assertUnprocessable();
        $this->get('/sign-in')->assertInertia(static fn ($page) => $page->where('shop', '')->where('known', true)->where('frame', null));
        $this->get('/sign-in?shop=Kiln')->assertInertia(static fn ($page) => $page->where('shop', 'kiln')->where('known', false));
        foreach ($links as $shop => $link) {
            $this->away()
                ->post($link, ['name' => 'Odila', 'passphrase' => self::PASSPHRASE.$shop, 'pin' => ''])
                ->assertRedirect('/')
                ->assertCookie(ShopOfRequest::COOKIE, $shop);
            $this->post('/sign-out');
        }
        self::assertSame(
            [1, 1],
            array_map(static fn (Workshop $shop): int => Person::here($shop)->count(), Workshop::query()->orderBy('id')->get()->all()),
        );
    }

    public function test_the_same_name_in_two_shops_is_two_people_and_no_shop_is_given_away(): void
    {
        $this->person('Odila', Role::Owner);
        $this->second();
        $come = fn (string $shop, string $name = 'Runa'): TestResponse => $this->away()
            ->from('/sign-in')
            ->post('/sign-in', ['shop' => $shop, 'name' => $name, 'passphrase' => self::PASSPHRASE]);
        $says = 'Shop, name and passphrase do not go together. Look at all three, and try again.';
        foreach (['our-workshop', 'nowhere', '', 'next-door'] as $shop) {
            $shop === 'next-door'
                ? $come($shop, 'Odila')->assertSessionHasErrors(['name' => $says])
                : $come($shop)->assertSessionHasErrors(['name' => $says]);
        }
        $come(' NEXT-DOOR ')->assertSessionHasNoErrors()->assertRedirect('/');
        $this->away()->get('/')->assertInertia(
            static fn ($page) => $page->where('frame.workshop.name', 'Next door')->where('frame.hands.name', 'Runa'),
        );
        // Another name at the door does not carry a session over.
        $this->away()->get('/sign-in?shop=our-workshop')->assertInertia(static fn ($page) => $page->where('frame', null));
        $this->away()->get('/')->assertInertia(static fn ($page) => $page->where('frame.hands.name', 'Runa'));
        // A tablet trusted next door is none at the other bench.
        $this->away()->as($this->odd)->postJson('/tablets', ['name' => 'by the oven'])->assertOk();
        $secret = Tablet::query()->sole();
        $secret->update(['secret' => hash('sha256', $shown = str_repeat('x', 48))]);
        $this->flushSession();
        $this->app['auth']->guard('web')->logout();
        $this->away()
            ->withCookie(Tablet::COOKIE, $shown)
            ->get('/')
            ->assertInertia(static fn ($page) => $page->where('frame.workshop.name', 'Next door')->where('frame.tablet', 'by the oven'));
        $this->away()
            ->as(Person::query()->where('name', 'Odila')->firstOrFail())
            ->get('/')
            ->assertInertia(static fn ($page) => $page->where('frame.workshop.name', Workshop::UNNAMED)->where('frame.tablet', null));
        // A link leads into its own shop, whatever tablet it is opened at.
        ShopAtHand::enter(Workshop::query()->orderBy('id')->firstOrFail());
        $link = app(OwnerLink::class)->give(CarbonImmutable::now());
        $this->away()->withCookie(Tablet::COOKIE, $shown)->get($link)->assertInertia(static fn ($page) => $page->where('good', true));
    }

    public function test_the_scale_of_the_server_stands_in_one_shop_and_no_owner_takes_the_backup_of_all(): void
    {
        $this->person('Odila', Role::Owner);
        config(['devices.scale.address' => '127.0.0.1:1', 'devices.simulated' => true]);
        $this->second();
        $this->away()->as($this->odd)->getJson('/frame')->assertJsonPath('scale', false)->assertJsonPath('simulated', false);
        $this->away()->as($this->odd)->postJson('/devices/scale/hand', ['line' => 'CLR'])->assertNotFound();
        $this->away()->as($this->odd)->postJson('/backup')->assertUnprocessable()->assertJsonPath('error.field', 'backup');
        $this->away()->as($this->odd)->getJson('/backup')->assertJsonPath('possible', false)->assertJsonPath('folder', '');
        $this->away()->as(Person::query()->where('name', 'Odila')->firstOrFail())->getJson('/frame')->assertJsonPath('scale', true);
    }

    public function test_a_shop_is_taken_into_another_on_the_server_while_none_of_its_numbers_is_taken(): void
    {
        Storage::fake('local');
        $pour = $this->begun();
        $this->record($pour, 'noted', ['text' => 'theirs'])->assertOk();
        app(Everything::class)->give($file = sys_get_temp_dir().'/between-'.getmypid().'.zip', $this->now);
        $this->second();
        ShopAtHand::enter($this->ours);
        try {
            app(TakeEverything::class)($file);
            self::fail('It was taken in over what is there.');
        } catch (BadInput $taken) {
            self::assertSame('bench.numbers_are_taken', $taken->says->code);
            self::assertSame(0, DB::table('jobs')->where('workshop_id', $this->ours->id)->count());
        }
        DB::statement(DB::getDriverName() === 'pgsql' ? "set session_replication_role = 'replica'" : 'pragma foreign_keys = off');
        foreach (array_reverse(ArchiveParts::ALL) as [$table]) {
            $table === 'workshops' || DB::table($table)->where('workshop_id', $this->workshop->id)->delete();
        }
        DB::table('swatch_digests')->where('workshop_id', $this->workshop->id)->delete();
        DB::statement(DB::getDriverName() === 'pgsql' ? 'set session_replication_role = default' : 'pragma foreign_keys = on');
        self::assertGreaterThan(0, app(TakeEverything::class)($file)['facts']);
        unlink($file);
        $this->away()->as($this->odd)->getJson("/pours/{$pour->id}/state")->assertOk()->assertJsonPath('pour_id', $pour->id);
        foreach (['/', '/jobs', '/log', '/people'] as $page) {
            $this->away()->as($this->odd)->get($page)->assertOk();
        }
        self::assertSame(0, Artisan::call('facts:verify'), Artisan::output());
    }

    public function test_the_console_opens_lists_and_enters(): void
    {
        $says = static function (string $command, array $with = []): array {
            $code = Artisan::call($command, $with);

            return [$code, trim(Artisan::output())];
        };
        self::assertSame([0, 'alone: Our workshop, 0 people'], $says('shops'));
        [$code, $text] = $says('shops', ['new' => 'Kiln']);
        self::assertSame(0, $code);
        self::assertMatchesRegularExpression(
            '#owner of our-workshop comes in.*/welcome/[0-9a-f]{40}\n.*owner of kiln.*/welcome/[0-9a-f]{40}$#', $text,
        );
        self::assertSame(
            [1, 'There is a shop called “kiln” on this server already. Call it otherwise with --as.'], $says('shops', ['new' => 'Kiln']),
        );
        self::assertStringContainsString('is one word', $says('shops', ['new' => 'Öfen', '--as' => 'Ö'])[1]);
        self::assertSame(
            [1, 'There is no shop called “kilm” on this server. bin/workshop shops lists them.'],
            $says('people:owner-link', ['--shop' => 'kilm']),
        );
        self::assertStringContainsString('/welcome/', $says('people:owner-link', ['--shop' => 'kiln'])[1]);
        self::assertSame(1, DB::table('one_time_links')->where('workshop_id', ShopAtHand::named('kiln')->id)->count());
    }
}
