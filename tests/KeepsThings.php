<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Impression;
use App\Models\Lot;
use App\Models\Mould;
use App\Models\Pour;

/** A job whose mould lies on the rack, and kits on the shelf. */
trait KeepsThings
{
    private int $told = 0;

    /** @return array{mould: Impression, cast: Impression} links of one job */
    protected function chained(string $cast = 'ur-35'): array
    {
        $original = $this->impression('original', '');
        $original->update(['material' => null, 'surface' => 'acrylic']);

        return ['mould' => $this->impression('mould', 'pr-25'), 'cast' => $this->impression('cast', $cast)];
    }

    /**
     * Poured, opened and graded.
     *
     * @param  array<string, mixed>  $grade
     * @param  array<string, mixed>  $sheet
     */
    protected function poured(Impression $link, array $grade = [], array $sheet = []): Pour
    {
        $pour = $this->begun(
            ['formula' => ['base' => $link->material, 'additives' => []], 'formula_name' => "Of {$link->material}", ...$sheet], $link,
        );
        $this->workUntil($pour, 'wait');
        $this->record($pour, 'opened', ['step' => '0:wait'])->assertOk();
        $this->graded($pour, $grade);

        return $pour->refresh();
    }

    /** @param  array<string, mixed>  $grade */
    protected function graded(Pour $pour, array $grade = []): void
    {
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'good', 'faults' => [], 'used_g' => 90, 'left_g' => 5, 'pieces' => 1, 'note' => '', ...$grade,
        ])->assertOk();
    }

    protected function mould(Impression $link): Mould
    {
        $this->poured($link);

        return Mould::query()->where('impression_id', $link->id)->orderByDesc('generation')->firstOrFail();
    }

    /** @param  array<string, mixed>  $with */
    protected function kit(string $code = 'ur-35', array $with = []): Lot
    {
        $answer = $this->postJson('/stores/lots', [
            'code' => $code, 'got_on' => '2026-02-01', 'opened_on' => '2026-02-10', 'best_before' => '2026-09-01', 'price' => '58.40',
            'parts' => [
                ['part' => 'A', 'grams' => 450, 'maker_number' => 'UR-A-7'], ['part' => 'B', 'grams' => 450, 'maker_number' => 'UR-B-7'],
            ],
            ...$with,
        ])->assertOk();

        return Lot::query()->findOrFail($answer->json('id'));
    }

    /** @param  array<string, mixed>  $payload */
    protected function tell(string $url, string $kind, array $payload = []): \Illuminate\Testing\TestResponse
    {
        return $this->postJson($url, ['key' => 'told-'.(++$this->told), 'kind' => $kind, 'payload' => $payload]);
    }
}
