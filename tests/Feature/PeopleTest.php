<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Facts\Seals;
use App\Http\May;
use App\Models\Anchor;
use App\Models\Fact;
use App\Models\Person;
use App\Models\Role;
use App\Models\Tablet;
use App\People\OwnerLink;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Tests\BuildsGloves;
use Tests\KeepsThings;
use Tests\MakesPeople;
use Tests\TestCase;

/** Who may, who did, and who comes in: on one's own computer nobody is asked, over the network everybody is. */
final class PeopleTest extends TestCase
{
    use BuildsGloves, KeepsThings, MakesPeople {
        BuildsGloves::tell insteadof KeepsThings;
    }

    public function test_alone_on_ones_own_computer_nobody_is_asked_and_over_the_network_everybody(): void
    {
        $this->get('/')->assertOk();
        $this->away()->get('/')->assertRedirectContains('/sign-in');
        $this->away()->getJson('/frame')->assertUnauthorized()->assertJsonPath('error.field', 'sign-in');
        $this->away()->get('/sign-in')->assertOk()->assertInertia(static fn ($page) => $page->where('known', false)->where('frame', null));

        $owner = $this->person('Odila', Role::Apprentice);
        self::assertSame(Role::Owner, $owner->role, 'whoever comes first answers for it');
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->get('/')->assertInertia(
            static fn ($page) => $page->where('frame.hands.name', 'Odila'),
        );
        $this->away()->get('/')->assertRedirectContains('/sign-in');
        // Handed on by another machine it is not this one.
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->get('/', [
            'X-Forwarded-For' => '10.0.0.9',
        ])->assertRedirectContains('/sign-in');

        $this->person('Bram', Role::Maker);
        $this->flushHeaders()->get('/')->assertRedirectContains('/sign-in');
    }

    public function test_a_record_that_is_older_than_its_people_asks_who_they_are_and_stops_nobody(): void
    {
        $asks = fn (): array => array_filter(
            $this->get('/')->assertOk()->inertiaProps('bench.small') ?? [],
            static fn (array $one): bool => $one['href'] === '/people',
        );
        self::assertSame([], $asks(), 'a new shop asks nothing');
        Anchor::query()->create([
            'workshop_id' => $this->workshop->id, 'at' => $this->now, 'up_to' => 0, 'facts' => 0, 'seal' => str_repeat('0', 64),
            'note' => Seals::AS_THEY_WERE,
        ]);
        $this->workshop->update(['muted' => true]);
        $this->travel(2)->minutes();
        self::assertCount(1, $asks());
        $this->person('Odila', Role::Owner);
        self::assertSame([], $asks());
    }

    public function test_what_leads_nowhere_shows_a_stranger_nothing_of_the_shop(): void
    {
        $this->person('Odila', Role::Owner);
        foreach (['/nowhere', '/jobs/999999', '/sign-in'] as $url) {
            self::assertStringNotContainsString('strip', (string) $this->away()->followingRedirects()->get($url)->getContent(), $url);
        }
    }

    public function test_a_name_and_a_passphrase_come_in_and_nobody_learns_who_works_here(): void
    {
        $this->person('Odila', Role::Owner, '7391', self::PASSPHRASE);
        $come = fn (string $name, string $passphrase): TestResponse => $this->away()
            ->from('/sign-in')
            ->post('/sign-in', ['name' => $name, 'passphrase' => $passphrase]);
        $says = 'Name and passphrase do not go together. Look at both, and try again.';
        $come('Odila', 'something else altogether')->assertSessionHasErrors(['name' => $says]);
        $come('Nobody', self::PASSPHRASE)->assertSessionHasErrors(['name' => $says]);
        for ($i = 0; $i < 4; $i++) {
            $come('ODILA', 'guess number '.$i);
        }
        $come('Odila', self::PASSPHRASE)->assertSessionHasErrors(['name' => 'Too many tries. Wait 60 seconds, then try again.']);
        $this->later(61);
        $come(' odila ', self::PASSPHRASE)->assertRedirect('/');
        foreach ([
            '/jobs?q=a' => '/jobs?q=a', '//elsewhere.test/' => '/', 'http://elsewhere.test' => '/', '/\\elsewhere.test' => '/',
            "/jobs\nx" => '/',
        ] as $to => $led) {
            $this->away()->post('/sign-in', ['name' => 'Odila', 'passphrase' => self::PASSPHRASE, 'to' => $to])->assertRedirect($led);
        }
        $this->away()->get('/')->assertOk();
    }

    public function test_signed_out_everywhere_is_out_at_the_next_press_and_who_left_comes_in_no_more(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $maker = $this->person('Bram', Role::Maker, '7391', self::PASSPHRASE);
        $this->away()->as($maker)->get('/jobs')->assertOk();
        $this->as($owner)->postJson("/people/{$maker->id}/end")->assertOk();
        $this->actingAs($maker->refresh())->withSession(['sessions' => 'of before'])->get('/jobs')->assertRedirectContains('/sign-in');

        $this->as($owner)->postJson("/people/{$maker->id}/leave")->assertOk();
        $this->as($maker->refresh())->get('/jobs')->assertRedirectContains('/sign-in');
        $this->from('/sign-in')->post('/sign-in', ['name' => 'Bram', 'passphrase' => self::PASSPHRASE])->assertSessionHasErrors('name');
        $this->as($owner)
            ->postJson("/people/{$owner->id}/leave")
            ->assertUnprocessable()
            ->assertJsonPath('error.message', 'Odila is the only owner. Make somebody else an owner first.');
    }

    public function test_whose_hands_it_was_stands_in_every_fact_and_stays_when_the_name_goes(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $maker = $this->person('Bram', Role::Maker);
        $this->as($maker);
        $pour = $this->begun();
        $this->workUntil($pour, 'mix');

        self::assertSame([$maker->id], Fact::query()->where('stream', 'run')->distinct()->pluck('person')->all());
        self::assertContains('Bram', array_column($this->getJson("/pours/{$pour->id}/history")->json('steps'), 'person'));
        $this->artisan('facts:verify')->assertSuccessful();

        $this->as($owner)->postJson("/people/{$maker->id}/forget")->assertUnprocessable();
        $this->postJson("/people/{$maker->id}/leave")->assertOk();
        $this->postJson("/people/{$maker->id}/forget")->assertOk();
        $people = array_column($this->getJson("/pours/{$pour->id}/history")->json('steps'), 'person');
        self::assertNotContains('Bram', $people);
        self::assertStringStartsWith('somebody (', (string) array_values(array_filter($people))[0]);
        self::assertSame(0, DB::table('people')->where('name', 'like', '%Bram%')->orWhere('name_key', 'like', '%bram%')->count());
        $this->artisan('facts:verify')->assertSuccessful();
    }

    public function test_who_did_it_stands_on_every_screen_that_tells_what_was_done(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $bram = $this->person('Bram', Role::Maker);
        $this->as($owner);
        $lot = $this->kit('ur-35');
        ['cast' => $cast] = $this->chained();
        $mould = $this->as($owner)
            ->postJson('/rack', ['name' => 'Old block', 'material' => 'pr-25', 'casting' => 'ur-35', 'casts' => 3])
            ->assertOk()
            ->json('id');
        $this->as($bram)->postJson("/rack/{$mould}/facts", [
            'key' => 'wash-1', 'kind' => 'cared', 'payload' => ['act' => 'washed'],
        ])->assertOk();
        $this->postJson("/stores/lots/{$lot->id}/facts", [
            'key' => 'count-1', 'kind' => 'counted', 'payload' => ['part' => 'A', 'left_g' => 300],
        ])->assertOk();
        $pour = $this->poured($cast);

        self::assertSame('Bram', $this->get("/rack/{$mould}")->inertiaProps('mould.facts.0.by'));
        self::assertSame('Bram', $this->get("/stores/lots/{$lot->id}")->inertiaProps('shown.facts.0.by'));
        self::assertSame([$pour->id, 'Bram'], [
            $this->get('/log')->inertiaProps('log.rows.0.id'), $this->get('/log')->inertiaProps('log.rows.0.by'),
        ]);
        self::assertSame(
            [$pour->id], array_column((array) $this->get('/log?q=bram')->inertiaProps('log.rows'), 'id'), 'and the log is asked for them',
        );
        self::assertSame([], $this->get('/log?q=odila')->inertiaProps('log.rows'));
        self::assertStringContainsString(',Bram', $this->get('/log.csv')->streamedContent());

        $this->as($owner)->postJson("/people/{$bram->id}/leave")->assertOk();
        $this->postJson("/people/{$bram->id}/forget")->assertOk();
        self::assertStringNotContainsString(
            'Bram',
            (string) json_encode([
                $this->get('/log')->inertiaProps(), $this->get("/rack/{$mould}")->inertiaProps(), $this->get('/people')->inertiaProps(),
            ]),
        );
    }

    public function test_a_build_says_whose_hands_laid_what(): void
    {
        $this->person('Odila', Role::Owner);
        $tove = $this->person('Tove', Role::Maker);
        $build = $this->as($tove)->glove();
        $this->tell($build, 'begun', ['op' => $build->planned()->operations[0]->id]);

        self::assertSame(
            ['Tove', null],
            array_slice(array_column((array) $this->get("/builds/{$build->id}")->inertiaProps('build.operations'), 'by'), 0, 2),
        );
    }

    public function test_a_pin_is_throttled_and_locked_after_ten(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $lis = $this->person('Lis', Role::Apprentice, '4046');
        $this->as($owner);
        $said = [];
        for ($i = 0; $i < 10; $i++) {
            $said[] = $this->postJson('/hands', ['person' => $lis->id, 'pin' => '1111'])->assertUnprocessable()->json('error.message');
            ($i + 1) % 5 === 0 && $this->later(61);
        }
        self::assertSame(
            [
                'That is not the PIN. 9 tries are left.', 'That is not the PIN. 1 try is left.',
                'The PIN of Lis is locked after ten wrong ones. An owner gives a new one under People.',
            ],
            [$said[0], $said[8], $said[9]],
        );
        $this->postJson('/hands', ['person' => $lis->id, 'pin' => '4046'])->assertUnprocessable();
        $this->putJson("/people/{$lis->id}", ['pin' => '5057'])->assertOk();
        $this->postJson('/hands', ['person' => $lis->id, 'pin' => '5057'])->assertOk()->assertJsonPath('name', 'Lis');
        for ($i = 0; $i < 5; $i++) {
            $this->postJson('/hands', ['person' => $owner->id, 'pin' => '0000']);
        }
        self::assertStringStartsWith(
            'Too many tries', (string) $this->postJson('/hands', ['person' => $owner->id, 'pin' => '7391'])->json('error.message'),
        );
    }

    public function test_nobody_locks_the_shop_behind_themselves(): void
    {
        $this->postJson('/people', ['name' => 'Odila', 'role' => 'owner', 'pin' => '7391'])->assertOk();
        $this->postJson('/people', [
            'name' => 'Lis', 'role' => 'apprentice',
        ])->assertUnprocessable()->assertJsonPath('error.field', 'passphrase');
        $this->putJson('/people/'.Person::query()->sole()->id, ['passphrase' => self::PASSPHRASE])->assertOk();
        $this->postJson('/people', ['name' => 'Lis', 'role' => 'apprentice'])->assertOk();
        // Who wrote the second one down is still in.
        $this->get('/people')->assertOk();
    }

    public function test_a_stranger_of_the_network_sees_no_names_and_tries_no_pins(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $this->away()->getJson('/hands')->assertUnprocessable();
        $this->away()
            ->postJson('/hands', ['person' => $owner->id, 'pin' => '7391'])
            ->assertUnprocessable()
            ->assertJsonPath('error.field', 'person');
        $this->away()->postJson('/countersign', [
            'person' => $owner->id, 'pin' => '7391', 'door' => 'PUT /workshop',
        ])->assertUnprocessable();
        self::assertSame(0, $owner->refresh()->pin_tries);
        $this->away()->get('/')->assertRedirectContains('/sign-in');
    }

    public function test_a_new_passphrase_ends_every_session_but_this_one(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $before = $owner->sessions;
        $this->away()->as($owner)->putJson("/people/{$owner->id}", ['passphrase' => 'four other wet words'])->assertOk();
        self::assertNotSame($before, $owner->refresh()->sessions);
        $this->get('/people')->assertOk();
        $this->withSession(['sessions' => $before])->get('/people')->assertRedirectContains('/sign-in');
    }

    public function test_pins_and_passphrases_that_anybody_guesses_are_refused(): void
    {
        $this->person('Odila', Role::Owner);
        foreach ([
            ['pin' => '1234'], ['pin' => '9999'], ['pin' => '12'], ['pin' => '123456789'], ['pin' => '12a4'], ['passphrase' => 'short'],
            ['name' => ''], ['name' => 'ODILA'], ['name' => str_repeat('n', 41)], ['role' => 'king'],
        ] as $wrong) {
            $this->postJson('/people', ['name' => 'Lis', 'role' => 'apprentice', ...$wrong])->assertUnprocessable();
        }
        self::assertSame(1, Person::query()->count());
    }

    public function test_an_apprentice_asks_a_maker_who_countersigns_once_for_one_press(): void
    {
        $maker = $this->person('Odila', Role::Owner);
        $lis = $this->person('Lis', Role::Apprentice, '4046');
        $this->as($lis);
        $asked = $this->putJson('/cost/rate', ['hour_rate' => '24.00'])
            ->assertForbidden()
            ->assertJsonPath('error.field', 'countersign')
            ->json('error');
        self::assertSame([['PUT /cost/rate'], [$maker->id]], [[$asked['door']], array_column($asked['makers'], 'id')]);

        $this->postJson('/countersign', [
            'person' => $lis->id, 'pin' => '4046', 'door' => $asked['door'],
        ])->assertUnprocessable()->assertJsonPath('error.field', 'person');
        $this->postJson('/countersign', [
            'person' => $maker->id, 'pin' => '4046', 'door' => $asked['door'],
        ])->assertUnprocessable()->assertJsonPath('error.field', 'pin');
        $this->postJson('/countersign', ['person' => $maker->id, 'pin' => '7391', 'door' => $asked['door']])->assertOk();
        // A yes to one thing is none to another, and is gone with it.
        $this->putJson('/workshop', ['hands' => 3])->assertForbidden();
        $this->putJson('/cost/rate', ['hour_rate' => '24.00'])->assertForbidden();

        $this->postJson('/countersign', ['person' => $maker->id, 'pin' => '7391', 'door' => $asked['door']])->assertOk();
        self::assertNotSame(403, $this->putJson('/cost/rate', ['hour_rate' => '24.00'])->status());
        $this->putJson('/cost/rate', ['hour_rate' => '25.00'])->assertForbidden();
        $this->postJson('/countersign', ['person' => $maker->id, 'pin' => '7391', 'door' => $asked['door']])->assertOk();
        $this->later(61);
        $this->putJson('/cost/rate', ['hour_rate' => '25.00'])->assertForbidden();
    }

    public function test_what_is_overruled_by_an_apprentice_is_countersigned_and_both_stand_in_the_record(): void
    {
        $maker = $this->person('Odila', Role::Owner);
        $lis = $this->person('Lis', Role::Apprentice, '4046');
        ['cast' => $link] = $this->chained();
        $this->as($lis);
        $key = (string) collect(
            (array) $this->get("/jobs/{$link->job_id}")->inertiaProps('job.chain'),
        )->firstWhere('id', $link->id)['contacts'][0]['key'];
        $overrule = fn (): TestResponse => $this->putJson(
            "/impressions/{$link->id}/contacts/{$key}?edition={$link->refresh()->edition}",
            ['overruled' => 'It was tried on a scrap, and let go.'],
        );
        $asked = $overrule()->assertForbidden()->json('error');
        self::assertSame('countersign', $asked['field']);
        $this->postJson('/countersign', ['person' => $maker->id, 'pin' => '7391', 'door' => $asked['door']])->assertOk();
        self::assertNotSame(403, $overrule()->status());
        self::assertSame(
            'Lis, countersigned by Odila',
            collect(
                (array) $this->get("/jobs/{$link->job_id}")->inertiaProps('job.chain'),
            )->firstWhere('id', $link->id)['contacts'][0]['overruled_by'],
        );
    }

    public function test_a_trusted_tablet_shows_what_a_guest_sees_until_somebody_takes_it_up(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $maker = $this->person('Bram', Role::Maker, '4046');
        $cookie = $this->as($owner)->postJson('/tablets', ['name' => 'By the window'])->assertOk()->getCookie(Tablet::COOKIE);
        self::assertNotNull($cookie);
        $this->app['auth']->guard('web')->logout();
        $this->flushSession();
        $this->away()->withCredentials()->withCookie(Tablet::COOKIE, (string) $cookie->getValue());

        $this->get('/')->assertOk()->assertInertia(
            static fn ($page) => $page->where('frame.tablet', 'By the window')->where('frame.hands', null),
        );
        $this->putJson('/waiting', ['things' => []])->assertUnauthorized()->assertJsonPath('error.field', 'hands');
        $this->postJson('/hands', ['person' => $maker->id, 'pin' => '4046'])->assertOk();
        $this->getJson('/frame')->assertOk()->assertJsonPath('hands.name', 'Bram');
    }

    public function test_the_link_of_the_machine_makes_the_owner_once_and_lets_one_back_in(): void
    {
        $this->artisan('people:owner-link')->expectsOutputToContain('/welcome/')->assertSuccessful();
        $link = app(OwnerLink::class)->give($this->now);
        $this->away()->post($link, ['name' => 'Odila', 'passphrase' => 'short', 'pin' => ''])->assertSessionHasErrors('passphrase');
        self::assertSame(0, Person::query()->count());
        $this->away()->post($link, ['name' => 'Odila', 'passphrase' => self::PASSPHRASE, 'pin' => '7391'])->assertRedirect('/');
        self::assertSame(Role::Owner, Person::query()->sole()->role);
        $this->away()->get('/people')->assertOk();
        $this->away()->post($link, ['name' => 'Thief', 'passphrase' => self::PASSPHRASE, 'pin' => '7391'])->assertSessionHasErrors('name');

        $again = app(OwnerLink::class)->give($this->now);
        $this->travel(25)->hours();
        $this->away()->get($again)->assertInertia(static fn ($page) => $page->where('good', false));
        $again = app(OwnerLink::class)->give(CarbonImmutable::now());
        $this->away()->post($again, ['name' => 'Odila', 'passphrase' => 'another three words', 'pin' => ''])->assertRedirect('/');
        self::assertSame(1, Person::query()->count());
    }

    public function test_a_program_comes_in_with_a_token_and_a_calendar_with_an_address_of_its_own(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $this->person('Bram', Role::Maker);
        $ask = ['fresh' => ['family' => 'silicone-platinum'], 'surface' => ['id' => 'plaster']];
        $this->away()->postJson('/api/reckon/contact', $ask)->assertUnauthorized();
        $this->away()->get('/day.ics')->assertUnauthorized();
        $make = fn (string $for): string => (string) $this->as($owner)
            ->postJson('/people/tokens', ['name' => "For {$for}", 'for' => $for])
            ->assertOk()
            ->json('token');
        [$token, $calendar] = [$make('reckon'), $make('day')];
        self::assertStringNotContainsString($token, (string) json_encode($this->get('/people')->inertiaProps('people')), 'told once');
        $this->app['auth']->guard('web')->logout();
        $this->flushSession();
        $this->away()->withToken($token)->postJson('/api/reckon/contact', $ask)->assertOk();
        $this->flushHeaders();
        $this->away()->get("/day.ics?key={$token}")->assertUnauthorized();
        $this->away()->get("/day.ics?key={$calendar}")->assertOk();
        foreach ((array) $this->as($owner)->get('/people')->inertiaProps('people.programs') as $one) {
            $this->deleteJson("/people/tokens/{$one['id']}")->assertOk();
        }
        $this->app['auth']->guard('web')->logout();
        $this->flushSession();
        $this->away()->get("/day.ics?key={$calendar}")->assertUnauthorized();
    }

    /** Every door with every role: what the table says is what happens. */
    public function test_every_door_opens_to_whom_the_table_says_and_to_nobody_else(): void
    {
        $this->person('Odila', Role::Owner, '7391', self::PASSPHRASE);
        $people = array_map(fn (Role $role): Person => $this->person(ucfirst($role->value), $role), Role::cases());
        $may = app(May::class);
        $seen = [];
        foreach (Route::getRoutes() as $route) {
            foreach (array_intersect($route->methods(), ['GET', 'POST', 'PUT', 'DELETE']) as $method) {
                $ability = $may->asked($method, $route->uri());
                $seen["{$method} {$route->uri()}"] = true;
                if ($ability === May::DOOR || str_starts_with($route->uri(), 'storage')) {
                    continue;
                }
                $url = '/'.preg_replace(
                    ['/\{person\}/', '/^(paper.*)\{format\}/', '/box\.\{format\}/', '/\{format\}/', '/\{part\}/', '/\{\w+\??\}/'],
                    [str_repeat('0', 26), '$1pdf', 'box.svg', 'yaml', 'mesh', '99999999'], $route->uri(),
                );
                foreach ([null, ...$people] as $person) {
                    $this->app['auth']->guard('web')->logout();
                    $this->flushSession();
                    $person === null || $this->as($person);
                    $this->flushHeaders();
                    $person === null
                        || ! str_starts_with($route->uri(), 'api/')
                        || $this->withToken($person->createToken('a program', ['reckon'])->plainTextToken);
                    $status = $this->away()->json($method, $url)->getStatusCode();
                    $isAllowed = $person !== null && $may->has($person->role, $ability);
                    $says = "{$method} {$route->uri()} ({$ability}) as ".($person->role->value ?? 'a stranger')." answered {$status}";
                    $isAllowed ? self::assertNotContains($status, [401, 403], $says) : self::assertContains($status, [401, 403], $says);
                }
            }
        }
        foreach ([May::LOOK, May::WORK, May::DECIDE, May::OWN, May::DOOR] as $ability) {
            foreach ($may->doors($ability) as $door) {
                self::assertArrayHasKey(
                    implode(' ', array_slice(explode(' ', $door), 0, 2)), $seen, "library/roles.yaml knows a door that is none: {$door}",
                );
            }
        }
    }
}
