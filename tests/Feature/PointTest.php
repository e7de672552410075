<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\Workshop;
use App\People\OpenShop;
use App\People\ShopAtHand;
use Tests\KeepsThings;
use Tests\TestCase;

/** A label is pointed at: what it stands on, in this shop and under a name of this bench. */
final class PointTest extends TestCase
{
    use KeepsThings;

    private function at(string $code): \Illuminate\Testing\TestResponse
    {
        return $this->getJson('/point?'.http_build_query(['code' => $code]));
    }

    public function test_every_label_of_a_shop_opens_what_it_stands_on(): void
    {
        ['cast' => $cast] = $this->chained();
        $lot = $this->kit();
        $pour = $this->poured($cast);
        $mould = $this->postJson('/rack', ['name' => 'Old block', 'material' => 'pr-25', 'casting' => 'ur-35', 'casts' => 3])
            ->assertOk()
            ->json('id');
        foreach ([
            "http://localhost/rack/{$mould}" => ['mould', "Old block (M-{$mould})", "/rack/{$mould}"],
            "M-{$mould}" => ['mould', "Old block (M-{$mould})", "/rack/{$mould}"],
            " m{$mould} " => ['mould', "Old block (M-{$mould})", "/rack/{$mould}"],
            "https://127.0.0.1:8443/stores/lots/{$lot->id}" => ['kit', $lot->label(), "/stores/lots/{$lot->id}"],
            "/pours/{$pour->id}" => ['pour', "{$cast->job->name} · {$cast->name}", "/pours/{$pour->id}/run"],
            "http://localhost/jobs/{$cast->job_id}" => ['job', $cast->job->name, "/jobs/{$cast->job_id}"],
        ] as $code => [$kind, $name, $href]) {
            $at = $this->at($code)->assertOk()->json();
            self::assertSame([$kind, $name, $href], [$at['kind'], $at['name'], $at['href']], $code);
        }
    }

    public function test_what_is_no_label_of_this_bench_or_of_this_shop_is_said(): void
    {
        $says = fn (string $code): string => (string) $this->at($code)
            ->assertUnprocessable()
            ->assertJsonPath('error.field', 'code')
            ->json('error.message');
        self::assertStringContainsString('another bench', $says('http://elsewhere.test/rack/1'));
        foreach (['', 'paint', '/nowhere/3', 'javascript:alert(1)', str_repeat('9', 900), 'X-3', 'http://', "/rack/1\n/../2"] as $wrong) {
            self::assertStringContainsString('no label', $says($wrong), $wrong);
        }
        self::assertStringContainsString('not in this shop', $says('M-99'));

        $job = Job::query()->create(['name' => 'Ours', 'quantity' => 1]);
        app(OpenShop::class)('Kiln', 'kiln', $this->now);
        ShopAtHand::enter(Workshop::query()->where('known_as', 'kiln')->firstOrFail());
        $theirs = Job::query()->create(['name' => 'Theirs', 'quantity' => 1]);
        ShopAtHand::enter(Workshop::query()->orderBy('id')->firstOrFail());
        self::assertNotSame($job->id, $theirs->id);
        // Whoever is asked who they are learns nothing of either.
        $this->at("/jobs/{$theirs->id}")->assertUnauthorized();
    }
}
