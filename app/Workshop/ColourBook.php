<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tint\Colourant;
use Illuminate\Contracts\Cache\Repository;

/**
 * Bases and pigments as far as the shop's drawdowns tell: a drawdown is a swatch of a base with one pigment (or none), of known
 * thickness, read over white and over black. Working K and S out takes a moment, so what is known of the same drawdowns is kept.
 */
final class ColourBook
{
    private const COLOURLESS = [AdditiveRole::Softener, AdditiveRole::VinylSoftener, AdditiveRole::Thinner];

    /** The base as it is, among the pigments. */
    private const BARE = '';

    /** @var array<string, array<string, non-empty-list<array<string, mixed>>>>|null drawdowns by base and pigment, as the core's contract has them */
    private ?array $drawdowns = null;

    public function __construct(private readonly SwatchBook $swatches, private readonly Library $library, private readonly Repository $cache) {}

    /** @throws BadInput where nobody made a bare drawdown of it */
    public function base(string $code): Colourant
    {
        $name = $this->library->shelf()->base($code)->name;

        return $this->characterised($name, $this->drawdowns()[$code][self::BARE] ?? [], null, 'base', "{$name} was never read bare. Cast a puck of it without pigment, and read its colour over white and over black: until then no colour in it can be told.");
    }

    /**
     * Every pigment that goes into the base's family, known or not yet.
     *
     * @return list<array{sheet: AdditiveSheet, drawdowns: int, of: string|null}> `of` is the base its drawdowns were made in
     */
    public function pigments(string $base): array
    {
        $sheet = $this->library->shelf()->base($base);
        $pigments = [];
        foreach ($this->library->shelf()->additives as $additive) {
            if ($additive->role === AdditiveRole::Pigment && $additive->suits($sheet)) {
                $in = $this->baseOf($additive->code, $base);
                $pigments[] = ['sheet' => $additive, 'drawdowns' => count($this->drawdowns()[$in ?? ''][$additive->code] ?? []), 'of' => $in];
            }
        }

        return $pigments;
    }

    /** @throws BadInput where there is no drawdown of it */
    public function pigment(string $code, string $base): Colourant
    {
        $name = $this->library->shelf()->additive($code)->name;
        $in = $this->baseOf($code, $base);

        return $this->characterised($name, $this->drawdowns()[$in ?? ''][$code] ?? [], $in === null ? null : $this->base($in), 'pigments', "{$name} was never characterised. Make a drawdown of it and read it over white and over black.");
    }

    /** Its drawdowns in this base where there are some, else in whichever has most: a pigment brings its own colour along. */
    private function baseOf(string $pigment, string $base): ?string
    {
        if (isset($this->drawdowns()[$base][$pigment])) {
            return $base;
        }
        $made = array_map(static fn (array $by): int => isset($by[self::BARE]) ? count($by[$pigment] ?? []) : 0, $this->drawdowns());
        arsort($made);

        return ($made[array_key_first($made)] ?? 0) === 0 ? null : array_key_first($made);
    }

    /** @return array<string, array<string, non-empty-list<array<string, mixed>>>> */
    private function drawdowns(): array
    {
        if ($this->drawdowns === null) {
            $this->drawdowns = [];
            foreach ($this->swatches->all() as $known) {
                $pigments = $known->pigments();
                $drawdown = count($pigments) > 1 ? null : self::drawdown($known, array_values($pigments)[0] ?? null);
                if ($drawdown !== null && $known->recipe !== null) {
                    $this->drawdowns[$known->recipe->base->code][array_key_first($pigments) ?? self::BARE][] = $drawdown;
                }
            }
        }

        return $this->drawdowns;
    }

    /** @return array<string, mixed>|null */
    private static function drawdown(KnownSwatch $known, ?float $load): ?array
    {
        [$white, $black] = [$known->last('colour', 'white'), $known->last('colour', 'black')];
        if ($known->swatch->thickness_mm === null || $white?->lab === null || $black?->lab === null) {
            return null;
        }
        foreach ($known->recipe?->sheets() ?? [] as $sheet) {
            if (! in_array($sheet->role, self::COLOURLESS, true) && $sheet->role !== AdditiveRole::Pigment) {
                return null;
            }
        }

        return array_filter([
            'load_pct' => $load, 'thickness_mm' => $known->swatch->thickness_mm,
            'over_white' => $white->lab, 'over_black' => $black->lab, 'white' => $white->card_lab, 'black' => $black->card_lab,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @param  list<array<string, mixed>>  $drawdowns */
    private function characterised(string $name, array $drawdowns, ?Colourant $base, string $field, string $otherwise): Colourant
    {
        if ($drawdowns === []) {
            throw BadInput::at($field, Phrase::written($otherwise));
        }
        /** @var array{k: list<float>, s: list<float>} $ks */
        $ks = $this->cache->rememberForever('colourant:'.md5((string) json_encode([$drawdowns, $base?->k, $base?->s])), static function () use ($name, $drawdowns, $base): array {
            $colourant = Colourant::from(Fields::of(['drawdowns' => $drawdowns]), $name, $base);

            return ['k' => $colourant->k, 's' => $colourant->s];
        });

        return Colourant::of($name, $ks['k'], $ks['s']);
    }
}
