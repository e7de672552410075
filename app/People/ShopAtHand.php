<?php

declare(strict_types=1);

namespace App\People;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Workshop;
use Closure;

/**
 * In whose shop somebody stands. One alone on a server is it, and nobody is asked. Of several, whoever comes says which: by who they are,
 * by their tablet, by what a program shows, by an owner's link, or by its name at the door. Where nothing says so it is nobody's: the first
 * stands in, and no door opens.
 */
final class ShopAtHand
{
    private ?Workshop $shop = null;

    private bool $isSaid = true;

    private bool $areSeveral = false;

    /** @param  Closure(): ?Workshop  $said  which of several */
    public function __construct(private readonly Closure $said) {}

    public function shop(): Workshop
    {
        return $this->shop ??= $this->found();
    }

    public function areSeveral(): bool
    {
        $this->shop();

        return $this->areSeveral;
    }

    /** Whether anything says that it is this one. */
    public function isSaid(): bool
    {
        $this->shop();

        return $this->isSaid;
    }

    /** From here on everything is about this shop. */
    public static function enter(Workshop $shop): void
    {
        app()->forgetScopedInstances();
        $at = app(self::class);
        [$at->shop, $at->areSeveral] = [$shop, Workshop::query()->whereKeyNot($shop->id)->exists()];
    }

    /**
     * In every shop, one after the other; then where one was before.
     *
     * @param  callable(Workshop): mixed  $do
     */
    public static function inEach(callable $do): void
    {
        $before = app(self::class)->shop();
        foreach (Workshop::query()->orderBy('id')->get() as $shop) {
            self::enter($shop);
            $do($shop);
        }
        self::enter($before);
    }

    /** @throws BadInput where none is called so */
    public static function named(string $knownAs): Workshop
    {
        return Workshop::query()->where('known_as', mb_strtolower(trim($knownAs)))->first()
            ?? throw BadInput::at('shop', Phrase::of('bench.no_such_shop', ['shop' => $knownAs]));
    }

    private function found(): Workshop
    {
        $first = Workshop::query()->orderBy('id')->limit(2)->get();
        if ($first->count() < 2) {
            return $first->first() ?? Workshop::here();
        }
        $said = ($this->said)();
        [$this->areSeveral, $this->isSaid] = [true, $said !== null];

        return $said ?? $first->firstOrFail();
    }
}
