<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Contact\Chain;
use Apalos\Core\Contact\ChainLink;
use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Input\BadInput;
use PHPUnit\Framework\TestCase;

/** What is known is never forgotten because something else is written down, or written down elsewhere. */
final class ChainInvariantsTest extends TestCase
{
    private const FRESH = ['silicone-platinum', 'silicone-tin', 'plaster', 'epoxy', 'urethane-rubber', null];

    /** @return list<ChainLink> of which each knows from which it takes its shape, as far as there is one */
    private static function chain(): array
    {
        $links = [self::some(1, [], true)];
        for ($n = mt_rand(2, 8), $id = 2; $id <= $n; $id++) {
            $links[] = self::some($id, $links);
        }
        mt_rand(0, 3) === 0 && shuffle($links);
        try {
            $chain = Chain::of($links);
        } catch (BadInput) {
            return self::chain();
        }

        return array_map(static fn (ChainLink $link): ChainLink => self::from($link, $link->from ?? $chain->source($link)?->id), $links);
    }

    private static function from(ChainLink $link, ?int $from): ChainLink
    {
        return new ChainLink(
            $link->id, $link->name, $link->positive, $link->role, $link->fresh, $link->becomes, $from, $link->wall, $link->bed, $link->had,
        );
    }

    /** @param  list<ChainLink>  $others */
    private static function some(int $id, array $others, bool $original = false): ChainLink
    {
        $k = Shipped::knowledge();
        $fresh = $original ? null : self::FRESH[array_rand(self::FRESH)];
        $role = $original ? MouldPart::Whole : MouldPart::cases()[array_rand(MouldPart::cases())];
        $positive = $original || ($role !== MouldPart::Jacket && mt_rand(0, 1) === 1);
        $from = $others !== [] && mt_rand(0, 3) === 0 ? $others[array_rand($others)] : null;

        return new ChainLink(
            $id, "link {$id}", $positive, $role, $fresh === null ? null : $k->family($fresh),
            $fresh === null ? $k->surface('wood') : $k->surface($k->family($fresh)->curesTo),
            $from === null || $from->positive === $positive ? null : $from->id, had: $fresh === null,
        );
    }

    /**
     * @param  list<ChainLink>  $links
     * @return list<string> who touches whom, whichever of them is fresh
     */
    private static function meetings(array $links): array
    {
        $chain = Chain::of($links);
        $met = [];
        foreach ($links as $link) {
            foreach ($chain->touches($link, Shipped::knowledge()->surface(Surface::UNKNOWN)) as $touch) {
                $met[] = $touch->link === null
                    ? "{$link->id} {$touch->key}"
                    : min($link->id, $touch->link).'-'.max($link->id, $touch->link);
            }
        }

        return array_values(array_unique(array_filter($met, static fn (string $one): bool => ! str_ends_with($one, ' bed'))));
    }

    public function test_a_link_more_takes_no_contact_away(): void
    {
        mt_srand(21);
        for ($round = 0; $round < 1500; $round++) {
            $links = self::chain();
            $before = self::meetings($links);
            $more = $links;
            array_splice($more, mt_rand(0, count($more)), 0, [self::some(99, $links)]);
            try {
                $after = self::meetings($more);
            } catch (BadInput) {
                continue;
            }
            self::assertSame(
                [], array_diff($before, $after),
                json_encode(
                    [
                        array_map(
                            static fn (ChainLink $l): array => [$l->id, $l->positive, $l->role->value, $l->from, $l->fresh?->id], $more,
                        ),
                        $before, $after,
                    ],
                    JSON_THROW_ON_ERROR,
                ),
            );
        }
    }

    public function test_where_a_link_is_written_down_takes_no_contact_away(): void
    {
        mt_srand(22);
        for ($round = 0; $round < 1500; $round++) {
            $links = self::chain();
            $before = self::meetings($links);
            $taken = array_splice($links, mt_rand(0, count($links) - 1), 1);
            array_splice($links, mt_rand(0, count($links)), 0, $taken);

            try {
                $after = self::meetings($links);
            } catch (BadInput) {
                // It would go round in a circle there: that is refused, in a sentence.
                continue;
            }
            self::assertSame(
                [], array_diff($before, $after),
                json_encode(
                    array_map(static fn (ChainLink $l): array => [$l->id, $l->positive, $l->role->value, $l->from, $l->fresh?->id], $links),
                    JSON_THROW_ON_ERROR,
                ),
            );
        }
    }
}
