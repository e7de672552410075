<?php

declare(strict_types=1);

namespace App\Looks;

use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;

/**
 * Answers that take a moment, kept beside what they rest on: as soon as that is another, they are reckoned anew. Each shop has its own,
 * also where another database was begun, or an earlier one put back, on the same computer.
 */
final readonly class Memo
{
    private const KEPT_DAYS = 30;

    public function __construct(private Repository $cache, private Workshop $workshop) {}

    /**
     * @template T
     *
     * @param  string  $what  unlike that of any other question of this shop
     * @param  mixed  $rests  all that the answer follows from, as plain values
     * @param  callable(): T  $reckon
     * @param  (callable(): bool)|null  $holds  whether what was reckoned may be kept; asked afterwards
     * @return T
     */
    public function of(string $what, mixed $rests, callable $reckon, ?callable $holds = null): mixed
    {
        $what = "{$what}:{$this->workshop->id}";
        $mark = hash('xxh128', json_encode([$this->workshop->mark, $rests], JSON_THROW_ON_ERROR));
        $kept = $this->cache->get($what);
        if (is_array($kept) && ($kept['rests'] ?? null) === $mark && array_key_exists('is', $kept)) {
            /** @var T */
            return $kept['is'];
        }
        $is = $reckon();
        if ($holds === null || $holds()) {
            $this->cache->put($what, ['rests' => $mark, 'is' => $is], CarbonImmutable::now()->addDays(self::KEPT_DAYS));
        }

        return $is;
    }
}
