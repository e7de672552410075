<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Build;
use App\Models\Pour;
use Illuminate\Testing\TestResponse;

/** Plans a glove on a last of acrylic, and brushes it as far as a test wants it. */
trait BuildsGloves
{
    protected const MEASURED = ['area_mm2' => 60_000, 'flange_mm2' => 10_000, 'fill_ml' => 20, 'wall_mm' => ['least' => 4, 'most' => 5]];

    private int $told = 0;

    protected function glove(string $kind = 'glove-silicone', string $material = 'br-28'): Build
    {
        $impression = $this->impression('original', '');
        $impression->update(['surface' => 'acrylic']);
        $mould = $this->impression('mould', $material);
        $mould->update(['contacts' => ["link-{$impression->id}" => ['release' => 'paste-wax']]]);
        $this->post("/impressions/{$mould->id}/builds", ['kind' => $kind, 'measured' => self::MEASURED])->assertSessionHasNoErrors();

        return Build::query()->where('impression_id', $mould->id)->firstOrFail();
    }

    /** @return array<string, mixed> */
    protected function look(Build $build): array
    {
        return $this->getJson("/builds/{$build->id}/state")->assertOk()->json();
    }

    /** @return array<string, mixed> */
    protected function operation(Build $build, string $id): array
    {
        return array_column($this->look($build)['operations'], null, 'id')[$id];
    }

    /**
     * @param  array<string, mixed>  $payload
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function tell(Build $build, string $kind, array $payload = [], ?string $key = null): TestResponse
    {
        return $this->postJson("/builds/{$build->id}/facts", [
            'key' => $key ?? 'told-'.(++$this->told), 'kind' => $kind, 'payload' => $payload,
        ]);
    }

    protected function sheetOf(Build $build, string $operation): Pour
    {
        $this->post("/builds/{$build->id}/operations/{$operation}/pour")->assertRedirect();

        return Pour::query()->where('build_id', $build->id)->where('operation', $operation)->orderByDesc('id')->firstOrFail();
    }

    protected function mixed(Build $build, string $operation): Pour
    {
        $pour = $this->sheetOf($build, $operation);
        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run")->assertSessionHasNoErrors();
        $this->workUntil($pour, 'done');

        return $pour->refresh();
    }

    protected function prepared(Build $build): void
    {
        $this->tell($build, 'done', ['op' => 'release'])->assertOk();
        $this->tell($build, 'done', ['op' => 'flange'])->assertOk();
        $this->mixed($build, 'keys');
    }
}
