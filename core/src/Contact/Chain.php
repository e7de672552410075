<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/**
 * Finds what every link of a chain touches: the shape it takes, the other halves, a jacket that stood there first, cores, inserts
 * and plugs, walls, bed. Who touches whom does not hang on the order in which the links were written down; only which of two is the
 * fresh one does.
 */
final readonly class Chain
{
    /** @param  list<ChainLink>  $links in the order of work */
    private function __construct(private array $links) {}

    /**
     * @param  list<ChainLink>  $links
     *
     * @throws BadInput when a link takes its shape from itself, from one that takes its own from it, or from one that is not there
     */
    public static function of(array $links): self
    {
        $chain = new self($links);
        foreach ($links as $link) {
            if ($link->from === $link->id) {
                throw BadInput::at("links.{$link->id}.from", Phrase::of('contact.from_itself', ['name' => $link->name]));
            }
            if ($link->from !== null && ($chain->link($link->from) === null || $chain->goesRound($link))) {
                throw BadInput::at("links.{$link->id}.from", Phrase::of('contact.in_a_circle', ['name' => $link->name]));
            }
        }

        return $chain;
    }

    private function goesRound(ChainLink $link): bool
    {
        $met = [];
        for ($at = $link; $at !== null; $at = $this->source($at)) {
            if (isset($met[$at->id])) {
                return $at === $link;
            }
            $met[$at->id] = true;
        }

        return false;
    }

    /** A link of it by its id. */
    public function link(int $id): ?ChainLink
    {
        foreach ($this->links as $link) {
            if ($link->id === $id) {
                return $link;
            }
        }

        return null;
    }

    /** The link whose shape this one takes: the one it names, or the nearest that can be; null where there is none. */
    public function source(ChainLink $link): ?ChainLink
    {
        if ($link->from !== null || $link->had) {
            return $link->from === null ? null : $this->link($link->from);
        }
        // A mould takes a positive, a positive takes a mould, a jacket goes over a mould; what stands inside gives no shape.
        $fits = static fn (ChainLink $other): bool => ! $other->role->isInside()
            && $other->role !== MouldPart::Jacket
            && ($link->role === MouldPart::Jacket ? ! $other->positive : $other->positive !== $link->positive);
        foreach (array_reverse($this->before($link)) as $other) {
            if ($fits($other)) {
                return $other;
            }
        }
        foreach ($this->after($link) as $other) {
            // What is not poured is there from the first; a shell may stand before the rubber that is poured into it.
            if ($fits($other) && ($other->had || $link->role === MouldPart::Jacket)) {
                return $other;
            }
        }

        return null;
    }

    /**
     * @param  Surface|null  $nobodyKnows  what stands for a surface that is there and was not named; null where it is not asked for
     * @return list<Touch> none where nothing is known of what it touches
     */
    public function touches(ChainLink $link, ?Surface $nobodyKnows = null): array
    {
        $touches = [];
        foreach ($this->partners($link) as $other) {
            $becomes = $other->becomes ?? $nobodyKnows;
            if ($becomes !== null) {
                $touches[] = new Touch("link-{$other->id}", $other->name, $becomes, $other->id);
            }
        }
        if ($link->wall !== null) {
            $touches[] = new Touch('wall', 'the box walls', $link->wall);
        }
        if ($link->bed !== null) {
            $touches[] = new Touch('bed', $this->isLaidFirst($link) ? 'what the shell is laid over' : 'the clay bed', $link->bed);
        } elseif ($nobodyKnows !== null && $this->liesOnSomething($link)) {
            $touches[] = new Touch(
                'bed', $this->isLaidFirst($link) ? 'what the shell is laid over' : 'what the first half lies on', $nobodyKnows,
            );
        }

        return $touches;
    }

    /** Nobody has said what it is poured into or onto: that is no reason to think that it lets go. */
    public function knowsNothing(ChainLink $link): bool
    {
        return ! $link->had && $link->wall === null && $link->bed === null && $this->partners($link) === [];
    }

    /** @return list<ChainLink> links that rest on this one: their shape comes from it */
    public function restingOn(ChainLink $link): array
    {
        return array_values(array_filter($this->links, static fn (ChainLink $other): bool => $other->from === $link->id));
    }

    /** The first half lies on something, and so does a shell that stands before its rubber, whether it was said on what or not. */
    private function liesOnSomething(ChainLink $link): bool
    {
        return $this->isLaidFirst($link)
            || ($link->role === MouldPart::Half && ! $link->positive && $this->earlier($link, $this->together($link)) === []);
    }

    /** A shell that is made before the rubber: it is laid over a blanket, not over the mould. */
    private function isLaidFirst(ChainLink $link): bool
    {
        $over = $link->role === MouldPart::Jacket ? $this->source($link) : null;

        return $over !== null && ! $over->had && ! in_array($over, $this->before($link), true);
    }

    /** @return list<ChainLink> what it touches of the other links */
    private function partners(ChainLink $link): array
    {
        $source = $this->source($link);
        if ($link->role === MouldPart::Jacket) {
            $over = $source === null || $this->isLaidFirst($link) ? [] : [$source, ...$this->together($source)];

            return [
                ...$over,
                ...$this->earlier(
                    $link,
                    array_filter(
                        $this->links,
                        fn (ChainLink $other): bool => $other->role === MouldPart::Jacket
                            && $other !== $link
                            && $source !== null
                            && $this->source($other) === $source,
                    ),
                ),
            ];
        }
        // A shell that stood there first is met by what is poured into it.
        $shells = $this->earlier(
            $link,
            array_filter(
                $this->links,
                fn (ChainLink $other): bool => $other->role === MouldPart::Jacket
                    && in_array($this->source($other), [$link, ...$this->together($link)], true),
            ),
        );
        $shapes = $link->positive
            ? $this->mouldOf($link)
            : [...$source === null ? [] : [$source], ...$this->earlier($link, $this->together($link))];
        if (! $link->positive && ! $link->role->isInside()) {
            return [...$shapes, ...$shells];
        }
        $mould = $this->mouldOf($link);
        $inside = array_filter(
            $this->links,
            fn (ChainLink $other): bool => $other !== $link
                && ! in_array($other, $shapes, true)
                && (
                    $this->standsIn($other, $mould)
                    || ($link->role->isInside() && $other->role->isInside() && $this->standsIn($link, $this->mouldOf($other)))
                ),
        );

        // What stands inside itself meets what was set before it; a cast meets all of it.
        return [...$shapes, ...$shells, ...$link->role->isInside() ? $this->earlier($link, $inside) : array_values($inside)];
    }

    /** @return list<ChainLink> what it is poured in: a mould, with its other halves */
    private function mouldOf(ChainLink $link): array
    {
        $source = $this->source($link);

        return $source === null || $source->positive ? [] : [$source, ...$this->together($source)];
    }

    /**
     * Whether a core, an insert or a plug stands in this mould: the one it names or was poured in, or one of the same original; in every
     * mould where nobody said in which.
     *
     * @param  list<ChainLink>  $mould
     */
    private function standsIn(ChainLink $inside, array $mould): bool
    {
        if (! $inside->role->isInside() || $mould === []) {
            return false;
        }
        $source = $this->source($inside);

        return $inside->from === null
            || $source === null
            || in_array($source, $mould, true)
            || ($source->positive && ($this->source($mould[0]) === $source || in_array($this->source($source), $mould, true)));
    }

    /** @return list<ChainLink> the other halves of the mould this half belongs to */
    private function together(ChainLink $half): array
    {
        if ($half->role !== MouldPart::Half || $half->positive) {
            return [];
        }

        return array_values(
            array_filter(
                $this->links,
                fn (ChainLink $other): bool => $other !== $half
                    && $other->role === MouldPart::Half
                    && ! $other->positive
                    && $this->source($other) === $this->source($half),
            ),
        );
    }

    /**
     * @param  array<int, ChainLink>  $links
     * @return list<ChainLink> those that were there before it
     */
    private function earlier(ChainLink $link, array $links): array
    {
        $before = $this->before($link);

        return array_values(array_filter($links, static fn (ChainLink $other): bool => $other->had || in_array($other, $before, true)));
    }

    /** @return list<ChainLink> */
    private function before(ChainLink $link): array
    {
        return array_slice($this->links, 0, $this->place($link));
    }

    /** @return list<ChainLink> */
    private function after(ChainLink $link): array
    {
        return array_slice($this->links, $this->place($link) + 1);
    }

    private function place(ChainLink $link): int
    {
        foreach ($this->links as $i => $other) {
            if ($other->id === $link->id) {
                return $i;
            }
        }

        return count($this->links);
    }
}
