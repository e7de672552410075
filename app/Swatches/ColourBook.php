<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tint\Colourant;
use App\Library\Library;
use Illuminate\Contracts\Cache\Repository;

/**
 * Bases and pigments as far as the shop's drawdowns tell: a drawdown is a swatch of a base with one pigment (or none), of known
 * thickness, read over white and over black. Working K and S out takes a moment, so what is known of the same drawdowns is kept.
 */
final class ColourBook
{
    /** The base as it is, among the pigments. */
    private const BARE = '';

    /** @var array<string, Colourant> */
    private array $known = [];

    public function __construct(
        private readonly SwatchDigests $digests,
        private readonly Library $library,
        private readonly Repository $cache,
    ) {}

    /** @throws BadInput where nobody made a bare drawdown of it */
    public function base(string $code): Colourant
    {
        $name = $this->library->shelf()->base($code)->name;

        return $this->known[$code] ??= $this->characterised(
            $name, $this->digests->drawdowns($code, null), null, 'base',
            Phrase::of('bench.never_read_bare', ['name' => $name]),
        );
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
                $pigments[] = ['sheet' => $additive, 'drawdowns' => $this->digests->drawn()[$in ?? ''][$additive->code] ?? 0, 'of' => $in];
            }
        }

        return $pigments;
    }

    /** @throws BadInput where there is no drawdown of it */
    public function pigment(string $code, string $base): Colourant
    {
        $name = $this->library->shelf()->additive($code)->name;
        $in = $this->baseOf($code, $base);

        return $this->characterised(
            $name, $in === null ? [] : $this->digests->drawdowns($in, $code), $in === null ? null : $this->base($in), 'pigments',
            Phrase::of('bench.never_characterised', ['name' => $name]),
        );
    }

    /** Its drawdowns in this base where there are some, else in whichever has most: a pigment brings its own colour along. */
    private function baseOf(string $pigment, string $base): ?string
    {
        if (isset($this->digests->drawn()[$base][$pigment])) {
            return $base;
        }
        $made = array_map(static fn (array $by): int => isset($by[self::BARE]) ? $by[$pigment] ?? 0 : 0, $this->digests->drawn());
        arsort($made);

        return ($made[array_key_first($made)] ?? 0) === 0 ? null : array_key_first($made);
    }

    /** @param  list<array<string, mixed>>  $drawdowns */
    private function characterised(string $name, array $drawdowns, ?Colourant $base, string $field, Phrase $otherwise): Colourant
    {
        if ($drawdowns === []) {
            throw BadInput::at($field, $otherwise);
        }
        /** @var array{k: list<float>, s: list<float>} $ks */
        $ks = $this->cache->rememberForever('colourant:'.md5(
            (string) json_encode([$drawdowns, $base?->k, $base?->s]),
        ), static function () use ($name, $drawdowns, $base): array {
            $colourant = Colourant::from(Fields::of(['drawdowns' => $drawdowns]), $name, $base);

            return ['k' => $colourant->k, 's' => $colourant->s];
        });

        return Colourant::of($name, $ks['k'], $ks['s']);
    }
}
