<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Who may come in, and what a page of ours may do. */
final class DoorsTest extends TestCase
{
    /** Where the bench stands, as a browser names it. */
    private static function own(): string
    {
        return rtrim(config()->string('app.url'), '/');
    }

    public function test_every_answer_closes_the_doors_it_does_not_need(): void
    {
        foreach (['/', '/frame', '/log.csv', '/nothing-here', '/up', '/exchange/swatches.json'] as $address) {
            $headers = $this->get($address)->headers;
            self::assertStringContainsString("script-src 'self';", (string) $headers->get('Content-Security-Policy'), $address);
            self::assertStringContainsString("frame-ancestors 'none'", (string) $headers->get('Content-Security-Policy'), $address);
            self::assertSame(
                ['nosniff', 'DENY', 'same-origin'],
                [$headers->get('X-Content-Type-Options'), $headers->get('X-Frame-Options'), $headers->get('Referrer-Policy')], $address,
            );
            self::assertStringContainsString('camera=(self), display-capture=()', (string) $headers->get('Permissions-Policy'), $address);
            self::assertNull($headers->get('Access-Control-Allow-Origin'), $address);
        }
    }

    public function test_no_page_carries_a_script_of_its_own(): void
    {
        $page = (string) $this->get('/')->getContent();
        preg_match_all('/<script\b(?![^>]*type="application\/json")(?![^>]*\bsrc=)[^>]*>/', $page, $inline);

        self::assertSame([], $inline[0]);
        self::assertDoesNotMatchRegularExpression('/\son[a-z]+="/', $page);
    }

    /** @return iterable<string, array{string, int}> */
    public static function names(): iterable
    {
        yield 'this machine' => ['localhost', 200];
        yield 'this machine by number' => ['127.0.0.1:8000', 200];
        yield 'a name it was given' => ['bench.workshop.test:8080', 200];
        yield 'the same in capitals' => ['BENCH.workshop.TEST', 200];
        yield 'a name somebody else points here' => ['elsewhere.example', 421];
        yield 'one that ends alike' => ['not-bench.workshop.test', 421];
    }

    #[DataProvider('names')]
    public function test_it_answers_only_to_names_it_was_given(string $name, int $status): void
    {
        config(['apalos.hosts' => 'bench.workshop.test, 192.168.0.7']);

        $answer = $this->get("http://{$name}/frame");
        self::assertSame($status, $answer->getStatusCode());
        $status === 200 || self::assertStringContainsString('not called that', (string) $answer->getContent());
    }

    public function test_another_page_cannot_write_even_where_no_session_is_asked_for(): void
    {
        $this->postJson('/devices/thermometer', [], ['Origin' => 'http://elsewhere.example'])->assertForbidden();
        $this->postJson('/devices/thermometer', [], ['Origin' => 'null'])->assertForbidden();
        $this->post('/jobs', ['name' => 'Theirs', 'quantity' => 1], ['Origin' => self::own().'.elsewhere.example'])->assertForbidden();
        self::assertSame(0, $this->workshop->jobs()->count());
        $this->postJson('/devices/thermometer', [], ['Origin' => self::own()])->assertOk();
    }

    public function test_behind_a_proxy_that_speaks_tls_its_own_address_is_its_own(): void
    {
        config(['app.url' => 'https://bench.example']);

        $this->postJson('http://bench.example/devices/thermometer', [], ['Origin' => 'https://bench.example'])->assertOk();
        $this->postJson('http://bench.example/devices/thermometer', [], ['Origin' => 'https://bench.example.elsewhere'])->assertForbidden();
    }

    public function test_nobody_is_sent_away_to_another_page(): void
    {
        $pour = $this->draft();
        foreach (['http://elsewhere.example/', self::own().'.elsewhere.example/x', '//elsewhere.example'] as $from) {
            $this->post("/pours/{$pour->id}/again", ['mass_g' => 'x'], ['Referer' => $from])->assertRedirect(self::own());
        }
        $this->post("/pours/{$pour->id}/again", ['mass_g' => 'x'], ['Referer' => self::own().'/log'])->assertRedirect(self::own().'/log');
    }

    public function test_a_page_whose_session_has_ended_takes_a_new_token(): void
    {
        $this->get('/token')->assertNoContent()->assertCookie('XSRF-TOKEN');
        self::assertGreaterThanOrEqual(7 * 24 * 60, config('session.lifetime'), 'A bench stands open over the week-end.');
    }

    public function test_whether_it_is_up_is_said_in_plain_text_with_nothing_from_elsewhere(): void
    {
        $this->get('/up')
            ->assertOk()
            ->assertSee('Apalos is up.')
            ->assertSee('clock: ')
            ->assertSee('queue: the oldest waits 0 s')
            ->assertSee('backup: ')
            ->assertSee(' MB free')
            ->assertHeader('Content-Type', 'text/plain; charset=UTF-8');
    }

    public function test_what_leaves_the_factory_is_no_workbench_for_developers(): void
    {
        $example = File::get(base_path('.env.example'));

        self::assertStringContainsString('APP_ENV=production', $example);
        self::assertStringContainsString('APP_DEBUG=false', $example);
        $this->get('/_inertia/devtools/entries')->assertNotFound();
    }

    public function test_a_look_writes_nothing(): void
    {
        $this->begun();
        $this->get('/')->assertOk();
        \Illuminate\Support\Facades\DB::enableQueryLog();
        foreach ([
            '/', '/frame', '/jobs', '/formulas', '/swatches', '/swatches/drawer', '/log', '/stores', '/contacts', '/find?q=owl',
            '/devices/scale', '/exchange/swatches.json',
        ] as $address) {
            $this->get($address)->assertOk();
        }
        foreach (\Illuminate\Support\Facades\DB::getQueryLog() as $asked) {
            self::assertDoesNotMatchRegularExpression('/^\s*(insert|update|delete|replace)\b/i', $asked['query']);
        }
    }

    public function test_models_take_no_field_that_was_not_named(): void
    {
        foreach (File::files(app_path('Models')) as $file) {
            self::assertStringNotContainsString('$guarded', $file->getContents(), $file->getFilename());
        }
    }

    public function test_programs_that_ask_too_often_are_told_to_wait(): void
    {
        $question = ['base' => ['shore' => 10, 'scale' => 'A', 'max_pct' => 100], 'at_pct_of_ab' => [0]];
        $last = 200;
        for ($i = 0; $i < 400 && $last === 200; $i++) {
            $last = $this->postJson('/api/reckon/harden', $question)->getStatusCode();
        }

        self::assertSame(429, $last);
        $this->postJson('/api/reckon/harden', $question)->assertJsonPath(
            'error.message', 'That is more than a workshop asks. Wait a moment, then go on.',
        );
        $this->get('/frame')->assertOk();
    }
}
