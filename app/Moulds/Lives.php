<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\LifeResult;
use Apalos\Core\Care\MouldLife;
use Apalos\Core\Care\Pairing;
use Apalos\Core\Care\RetiredWhy;
use Apalos\Core\Input\Fields;
use App\Costs\CastsLeft;
use App\Library\Library;
use App\Lists\Rows;
use App\Models\Mould;
use Illuminate\Contracts\Cache\Repository;

/** How many casts moulds have left, from what is usual and from the shop's other moulds: the one place this is asked. */
final class Lives implements CastsLeft
{
    private const MOST_OTHERS = 60;

    /** Raised where the reckoning changes. */
    private const EDITION = 3;

    private const HELD_S = 30 * 86_400;

    public function __construct(
        private readonly Library $library,
        private readonly Repository $cache,
        private readonly MouldLife $life = new MouldLife,
    ) {}

    /** What is usual for it, as it is released. */
    public function pairing(Mould $mould): Pairing
    {
        $families = $this->library->knowledge()->families;
        $bases = $this->library->shelf()->bases;
        $family = static fn (?string $code) => $families[$bases[$code ?? '']->family ?? ''] ?? null;
        $rubber = $bases[$mould->material ?? ''] ?? null;

        return $this->library->wear()->here(
            $family($mould->material), $family($mould->casting), $mould->casts === 0 ? null : 2 * $mould->releases >= $mould->casts,
            $rubber?->sheet()->numberOrNull('tear_n_mm'), $rubber?->shoreA(),
        );
    }

    /**
     * @param  array<array-key, Mould>  $moulds
     * @param  array<int, int>  $ahead  casts still to be made, by mould
     * @return array<int, LifeResult> by mould
     */
    public function of(array $moulds, array $ahead = []): array
    {
        $others = $this->others($moulds);
        $lives = [];
        foreach ($moulds as $mould) {
            $pairing = $this->pairing($mould);
            $beside = array_values(
                array_filter(
                    $others["{$mould->material}/{$mould->casting}"] ?? [], static fn (array $other): bool => $other['id'] !== $mould->id,
                ),
            );
            $asked = [
                'pairing' => ['median' => $pairing->median, 'spread' => $pairing->spread],
                'others' => array_map(
                    static fn (array $other): array => ['casts' => $other['casts'], 'ended' => $other['ended']],
                    array_slice($beside, 0, self::MOST_OTHERS),
                ),
                'casts' => $mould->casts, 'condition' => $mould->condition?->value, 'ahead' => $ahead[$mould->id] ?? null,
            ];
            $key = 'life:'.self::EDITION.':'.sha1((string) json_encode($asked));
            $kept = $this->cache->get($key);
            if (! $kept instanceof LifeResult) {
                $kept = $this->life->ask(Fields::of($asked));
                $this->cache->put($key, $kept, self::HELD_S);
            }
            $lives[$mould->id] = $kept;
        }

        return $lives;
    }

    /**
     * @param  array<array-key, Mould>  $moulds
     * @return array<int, float>
     */
    public function left(array $moulds): array
    {
        return array_map(static fn (LifeResult $life): float => $life->likely, $this->of($moulds));
    }

    /**
     * The shop's moulds of the same rubber and the same cast, asked for together: those that wore out, and those that live or were laid
     * aside.
     *
     * @param  array<array-key, Mould>  $moulds
     * @return array<string, list<array{id: int, casts: int, ended: bool}>>
     */
    private function others(array $moulds): array
    {
        $pairs = array_unique(
            array_map(
                static fn (Mould $mould): string => "{$mould->material}/{$mould->casting}",
                array_filter($moulds, static fn (Mould $mould): bool => $mould->material !== null && $mould->casting !== null),
            ),
        );
        $others = [];
        foreach ($pairs as $pair) {
            [$material, $casting] = explode('/', $pair);
            foreach (Rows::of('moulds')->where(
                'material', $material,
            )->where('casting', $casting)->where('casts', '>', 0)->orderByDesc('id')->limit(self::MOST_OTHERS + 1)->get([
                'id', 'casts', 'retired_why',
            ]) as $row) {
                $others[$pair][] = [
                    'id' => (int) $row->id, 'casts' => (int) $row->casts,
                    'ended' => RetiredWhy::tryFrom((string) $row->retired_why)?->endsItsLife() === true,
                ];
            }
        }

        return $others;
    }
}
