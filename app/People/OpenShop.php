<?php

declare(strict_types=1);

namespace App\People;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Person;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * One more shop on this server, with a link that makes its owner. From the second on everybody is asked who they are: whichever shop has
 * nobody who could come in gets a link as well.
 */
final readonly class OpenShop
{
    /**
     * @param  string|null  $as  its name at the door; else made of its name
     * @return array<string, string> links that let an owner in, by the name of the shop at the door
     *
     * @throws BadInput
     */
    public function __invoke(string $name, ?string $as, CarbonImmutable $now): array
    {
        $name = trim($name);
        $name !== '' && mb_strlen($name) <= 80 || throw BadInput::at('name', Phrase::of('bench.name_too_long', ['most' => 80.0]));
        $as ??= self::word($name);
        preg_match('/^[a-z0-9][a-z0-9-]{1,39}$/', $as) === 1 || throw BadInput::at('as', Phrase::of('bench.shop_word', ['shop' => $as]));

        return DB::transaction(static function () use ($name, $as, $now): array {
            // An empty server has its first shop already.
            $first = app(ShopAtHand::class)->shop();
            Workshop::query()->where('known_as', $as)->doesntExist()
                || throw BadInput::at('as', Phrase::of('bench.shop_is_called_so', ['shop' => $as]));
            foreach (Workshop::query()->whereNull('known_as')->orderBy('id')->get() as $shop) {
                $word = self::word($shop->name);
                $shop->update([
                    'known_as' => strlen($word) < 2 || $word === $as || Workshop::query()->where('known_as', $word)->exists()
                        ? "shop-{$shop->id}"
                        : $word,
                ]);
            }
            Workshop::query()->create(['name' => $name, 'known_as' => $as, 'cables' => false]);
            $links = [];
            ShopAtHand::inEach(static function (Workshop $shop) use (&$links, $now): void {
                if (! Person::here($shop)->whereNotNull('passphrase')->exists()) {
                    $links[(string) $shop->known_as] = app(OwnerLink::class)->give($now);
                }
            });
            ShopAtHand::enter($first->refresh());

            return $links;
        });
    }

    private static function word(string $name): string
    {
        return trim(substr(Str::slug($name), 0, 40), '-');
    }
}
