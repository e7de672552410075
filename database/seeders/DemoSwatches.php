<?php

declare(strict_types=1);

namespace Database\Seeders;

use Apalos\Core\Input\Fields;
use App\Library\KeepFormula;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Pour;
use App\Models\Swatch;
use App\Models\Workshop;
use App\Swatches\ReadSwatch;
use Carbon\CarbonImmutable;

/** Fills the swatch drawer and the formula book of the demo workshop, through the same actions the screens use. */
final class DemoSwatches
{
    private const PUCK_MM = 8.0;

    public function __construct(private readonly KeepFormula $keep, private readonly ReadSwatch $read) {}

    public function formulas(Workshop $workshop, CarbonImmutable $now): void
    {
        foreach ((require __DIR__.'/demo/swatches.php')['formulas'] as [$name, $kind, $days, $note, $base, $lines]) {
            $this->dated(($this->keep)($name, $this->recipe($base, $lines), FormulaKind::from($kind), note: $note), $now->subDays($days));
        }
    }

    public function swatches(Workshop $workshop, CarbonImmutable $now): void
    {
        $demo = require __DIR__.'/demo/swatches.php';
        foreach ($demo['series'] as [$name, $base, $softener, $days, $pucks]) {
            foreach ($pucks as [$pct, $scale, $readings, $note]) {
                $version = ($this->keep)(
                    "{$name}, pucks",
                    $this->recipe($base, $pct === 0 ? [] : [[$softener, $pct, 'pct_of_ab', $base === 'hv-08' ? 'a' : 'after']]),
                    FormulaKind::Trial,
                );
                $swatch = $this->swatch($workshop, $version, "{$name} {$pct} %", self::PUCK_MM, $now->subDays($days), $note);
                if ($readings !== []) {
                    $this->said($swatch, ['kind' => 'hardness', 'scale' => $scale, 'readings' => $readings], $now->subDays($days - 2));
                }
            }
        }
        foreach ($demo['drawdowns'] as $i => [$base, $pigment, $load, $mm, $white, $black]) {
            $house = strtoupper($base);
            $version = ($this->keep)(
                "Drawdowns in {$house}", $this->recipe($base, $pigment === null ? [] : [[$pigment, $load, 'pct_of_total', 'b']]),
                FormulaKind::Trial,
            );
            $swatch = $this->swatch(
                $workshop, $version, $pigment === null ? "{$house} bare, {$mm} mm" : ucfirst(substr($pigment, 3))." {$load} %", $mm,
                $now->subDays(60 - $i), '',
            );
            $this->said(
                $swatch, ['kind' => 'colour', 'lab' => $white, 'backing' => 'white', 'source' => 'instrument'], $now->subDays(58 - $i),
            );
            $this->said(
                $swatch, ['kind' => 'colour', 'lab' => $black, 'backing' => 'black', 'source' => 'instrument'],
                $now->subDays(58 - $i)->addMinutes(2),
            );
        }
        foreach ($demo['targets'] as $name => $lab) {
            $workshop->colourTargets()->create(['name' => $name, 'lab' => $lab]);
        }
        // A version is as old as the first pour of it.
        foreach (FormulaVersion::query()->get() as $version) {
            $first = Pour::query()->where('formula_version_id', $version->id)->min('started_at');
            if (is_string($first) && CarbonImmutable::parse($first)->lt($version->created_at)) {
                $this->dated($version, CarbonImmutable::parse($first));
            }
        }
    }

    private function swatch(
        Workshop $workshop,
        FormulaVersion $version,
        string $name,
        float $mm,
        CarbonImmutable $poured,
        string $note,
    ): Swatch {
        return $workshop->swatches()->create([
            'formula_version_id' => $version->id, 'name' => $name, 'thickness_mm' => $mm, 'poured_at' => $poured,
            'demoulded_at' => $poured->addHours(7), 'note' => $note === '' ? null : $note,
        ]);
    }

    /** @param  array<string, mixed>  $reading */
    private function said(Swatch $swatch, array $reading, CarbonImmutable $at): void
    {
        ($this->read)($swatch, Fields::of([...$reading, 'at' => $at->toIso8601String()]), $at);
    }

    /** @param  list<array{string, int|float, string, string}>  $lines */
    private function recipe(string $base, array $lines): Fields
    {
        return Fields::of([
            'base' => $base,
            'additives' => array_map(
                static fn (array $l): array => ['code' => $l[0], 'amount' => $l[1], 'basis' => $l[2], 'into' => $l[3]], $lines,
            ),
        ]);
    }

    private function dated(FormulaVersion $version, CarbonImmutable $at): void
    {
        FormulaVersion::query()->whereKey($version->id)->toBase()->update(['created_at' => $at->format('Y-m-d H:i:s')]);
    }
}
