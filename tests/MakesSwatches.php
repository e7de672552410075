<?php

declare(strict_types=1);

namespace Tests;

use Apalos\Core\Input\Fields;
use App\Library\KeepFormula;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Series;
use App\Models\Swatch;
use App\Swatches\DigestWriter;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Formulas and swatches for tests that need some in the drawer. */
trait MakesSwatches
{
    /**
     * @param  list<array{string, int|float, string, string}>  $lines  code, amount, basis, side
     * @return array{base: string, additives: list<array{code: string, amount: int|float, basis: string, into: string}>}
     */
    protected static function recipe(string $base, array $lines = []): array
    {
        return [
            'base' => $base,
            'additives' => array_map(
                static fn (array $l): array => ['code' => $l[0], 'amount' => $l[1], 'basis' => $l[2], 'into' => $l[3]], $lines,
            ),
        ];
    }

    /** @param  list<array{string, int|float, string, string}>  $lines */
    protected function version(
        string $name,
        string $base = 'pr-10',
        array $lines = [],
        FormulaKind $kind = FormulaKind::Mix,
    ): FormulaVersion {
        return app(KeepFormula::class)($name, Fields::of(self::recipe($base, $lines)), $kind);
    }

    /** What was written past the screens is known to the drawer too. */
    protected function inTheDrawer(Swatch $swatch): Swatch
    {
        app(DigestWriter::class)->take($swatch->id);

        return $swatch;
    }

    /** The smallest photo there is: one pixel. */
    protected static function picture(): UploadedFile
    {
        return UploadedFile::fake()->createWithContent(
            'cast.png',
            (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='),
        );
    }

    /** A puck of softened rubber, demoulded two days ago and read once. */
    protected function puck(float $pct, string $scale, float $reading, string $base = 'pr-10', string $softener = 'sf-1'): Swatch
    {
        $version = $this->version("{$base} pucks", $base, $pct > 0.0 ? [[$softener, $pct, 'pct_of_ab', 'after']] : [], FormulaKind::Trial);
        $swatch = $this->workshop->swatches()->create([
            'formula_version_id' => $version->id, 'name' => "Puck {$pct} %", 'thickness_mm' => 8, 'poured_at' => $this->now->subDays(3),
            'demoulded_at' => $this->now->subDays(2),
        ]);
        $swatch->readings()->create([
            'kind' => 'hardness', 'at' => $this->now->subDay(), 'scale' => $scale, 'readings' => [$reading, $reading, $reading],
        ]);

        return $this->inTheDrawer($swatch);
    }

    /**
     * @param  array{float, float, float}  $white
     * @param  array{float, float, float}  $black
     */
    protected function drawdown(?string $pigment, float $load, array $white, array $black, float $mm = 1.5): Swatch
    {
        $version = $this->version(
            'Drawdowns', 'pr-10', $pigment === null ? [] : [[$pigment, $load, 'pct_of_total', 'b']], FormulaKind::Trial,
        );
        $swatch = $this->workshop->swatches()->create([
            'formula_version_id' => $version->id, 'name' => ($pigment ?? 'bare')." {$load}", 'thickness_mm' => $mm,
            'poured_at' => $this->now->subDays(3), 'demoulded_at' => $this->now->subDays(2),
        ]);
        foreach (['white' => $white, 'black' => $black] as $backing => $lab) {
            $swatch->readings()->create([
                'kind' => 'colour', 'at' => $this->now->subDay(), 'backing' => $backing, 'lab' => $lab, 'source' => 'instrument',
            ]);
        }

        return $this->inTheDrawer($swatch);
    }

    /** The bare base, fawn, oxblood and bone, as the demo workshop read them. */
    protected function drawdowns(): void
    {
        $this->drawdown(null, 0, [94.8, -0.3, 0.9], [32.6, -0.8, -3.7]);
        $this->drawdown(null, 0, [94.1, -0.9, 2.0], [46.5, -1.9, -4.1], 4.0);
        $this->drawdown('pi-fawn', 0.3, [79.5, 7.9, 33.7], [60.8, 2.1, 14.6]);
        $this->drawdown('pi-fawn', 1.0, [69.7, 12.2, 29.7], [67.9, 8.5, 26.3]);
        $this->drawdown('pi-oxblood', 0.3, [44.1, 44.5, 24.0], [31.5, 17.8, 8.5]);
        $this->drawdown('pi-oxblood', 1.0, [32.1, 30.0, 14.2], [30.7, 25.2, 12.3]);
        $this->drawdown('pi-bone', 0.3, [93.4, -5.1, 15.7], [76.4, -3.1, 5.9]);
        $this->drawdown('pi-bone', 1.0, [92.3, -5.6, 21.9], [87.9, -5.4, 16.3]);
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    protected static function series(array $more = []): array
    {
        return array_filter(
            [
                ...[
                    'kind' => 'softener', 'recipe' => self::recipe('pr-10'), 'softener' => 'sf-1', 'steps' => [0, 30, 60, 90],
                    'puck_ml' => 25, 'spare_pct' => 10, 'mix_min' => 3,
                ],
                ...$more,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    protected static function ladder(array $more = []): array
    {
        return self::series([
            ...[
                'kind' => 'tint', 'recipe' => self::recipe('pr-10', [['pi-fawn', 1, 'pct_of_total', 'b']]), 'softener' => null,
                'pigments' => ['pi-fawn'], 'steps' => [0, 50, 100], 'puck_ml' => 60,
            ],
            ...$more,
        ]);
    }

    /** @param  array<string, mixed>  $question */
    protected function beginSeries(array $question): Series
    {
        $this->post('/swatches/series', $question)->assertSessionHasNoErrors();

        return Series::query()->latest('id')->firstOrFail();
    }

    /** @param  array<string, mixed>  $payload */
    protected function fact(
        Series $series,
        string $kind,
        array $payload = [],
        ?string $key = null,
        ?CarbonImmutable $at = null,
    ): TestResponse {
        return $this->postJson("/swatches/series/{$series->id}/facts", [
            'key' => $key ?? Str::random(12), 'kind' => $kind, 'payload' => $payload,
            ...($at === null ? [] : ['at_ms' => $at->getTimestampMs()]),
        ]);
    }

    /**
     * From the question to the labels; what is not written down is as planned.
     *
     * @param  array<string, mixed>  $question
     * @param  array<string, list<int|float|null>>  $written  grams by vessel and line
     */
    protected function pourSeries(array $question, string $name = '', array $written = []): TestResponse
    {
        $series = $this->beginSeries($question);
        foreach ($written as $vessel => $grams) {
            foreach (array_filter($grams, static fn (int|float|null $g): bool => $g !== null) as $line => $g) {
                $this->fact($series, 'written', ['vessel' => $vessel, 'line' => $line, 'grams' => $g])->assertOk();
            }
        }

        return $this->post("/swatches/series/{$series->id}/label", ['name' => $name]);
    }
}
