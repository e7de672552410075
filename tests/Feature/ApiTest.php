<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\TestCase;

final class ApiTest extends TestCase
{
    public function test_the_verbs_answer_over_http_as_on_the_console(): void
    {
        $this->postJson('/api/reckon/topup', [
            'planned' => ['A' => 100, 'B' => 10, 'tone' => 2], 'poured' => ['A' => 106], 'vessel' => ['capacity_ml' => 500, 'sg' => 1.1],
            'scale' => ['division_g' => 0.01], 'tolerance_pct' => 1,
        ])
            ->assertOk()->assertJsonPath('lines.0', ['add' => 'B', 'grams' => 10.6, 'running' => 116.6]);
    }

    public function test_nonsense_is_answered_with_its_field(): void
    {
        $this->postJson('/api/reckon/volume', [
            'method' => 'box', 'box' => ['l_mm' => 0],
        ])->assertUnprocessable()->assertJsonPath('error.field', 'box.l_mm');
        $this->call(
            'POST', '/api/reckon/cure', [], [], [], ['CONTENT_TYPE' => 'application/json'], '{"room_c": NaN}',
        )->assertUnprocessable();
        $this->postJson('/api/reckon/bake', [])->assertNotFound();
    }

    public function test_the_types_of_the_browser_are_fresh(): void
    {
        $this->artisan('types:write', ['--check' => true])->assertSuccessful();
    }
}
