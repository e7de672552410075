<?php

declare(strict_types=1);

namespace App\Shop;

use App\Models\Typed;
use Carbon\CarbonImmutable;

/** What is typed and not handed in yet, by screen: two days later it is other work. Nothing is reckoned from it. */
final readonly class TypedOnScreens
{
    private const MOST = 200;

    private const KEPT_DAYS = 2;

    /** @return array<array-key, mixed>|null */
    public function on(string $screen, CarbonImmutable $now): ?array
    {
        return Typed::query()->where('screen', $screen)->where('updated_at', '>=', self::oldest($now))->first()?->what;
    }

    /** @param  array<array-key, mixed>  $what */
    public function keep(string $screen, array $what, CarbonImmutable $now): void
    {
        Typed::query()->where('updated_at', '<', self::oldest($now))->delete();
        Typed::query()->updateOrCreate(['screen' => $screen], ['what' => $what]);
        $beyond = Typed::query()->orderByDesc('updated_at')->orderByDesc('id')->skip(self::MOST)->take(self::MOST)->pluck('id');
        Typed::query()->whereKey($beyond)->delete();
    }

    public function forget(string $screen): void
    {
        Typed::query()->where('screen', $screen)->delete();
    }

    private static function oldest(CarbonImmutable $now): CarbonImmutable
    {
        return $now->subDays(self::KEPT_DAYS);
    }
}
