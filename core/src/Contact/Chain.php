<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** Finds what every link of a chain touches from what precedes it: the shape it takes, earlier halves, jacket, core, walls, bed. */
final readonly class Chain
{
    /** @param  list<ChainLink>  $links in the order of work */
    private function __construct(private array $links) {}

    /**
     * @param  list<ChainLink>  $links
     *
     * @throws BadInput when a link takes its shape from itself, from a later one, or from one that is not there
     */
    public static function of(array $links): self
    {
        $before = [];
        foreach ($links as $link) {
            if ($link->from !== null && ! isset($before[$link->from])) {
                throw BadInput::at("links.{$link->id}.from", Phrase::of($link->from === $link->id ? 'contact.from_itself' : 'contact.in_a_circle', ['name' => $link->name]));
            }
            $before[$link->id] = true;
        }

        return new self($links);
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

    /** The link whose shape this one takes; null for the first. */
    public function source(ChainLink $link): ?ChainLink
    {
        $earlier = $this->before($link);
        if ($link->from !== null) {
            foreach ($earlier as $other) {
                if ($other->id === $link->from) {
                    return $other;
                }
            }
        }
        foreach (array_reverse($earlier) as $other) {
            // A mould takes a positive, a positive takes a mould, a jacket goes over the mould before it.
            if ($link->role === MouldPart::Jacket ? ! $other->positive : ($other->positive !== $link->positive && $other->role !== MouldPart::Jacket)) {
                return $other;
            }
        }

        return null;
    }

    /**
     * @param  Surface|null  $nobodyKnows  what stands for a bed that is there and was not named; null where it is not asked for
     * @return list<Touch>
     */
    public function touches(ChainLink $link, ?Surface $nobodyKnows = null): array
    {
        $source = $this->source($link);
        if ($source === null) {
            return [];
        }
        $touches = [];
        foreach ($this->partners($link, $source) as $other) {
            if ($other->becomes !== null) {
                $touches[] = new Touch("link-{$other->id}", $other->name, $other->becomes, $other->id);
            }
        }
        if ($link->wall !== null) {
            $touches[] = new Touch('wall', 'the box walls', $link->wall);
        }
        if ($link->bed !== null) {
            $touches[] = new Touch('bed', 'the clay bed', $link->bed);
        }

        // The first half lies on something, whether it was said on what or not.
        if ($link->bed === null && $nobodyKnows !== null && ! $link->positive && $link->role === MouldPart::Half && array_filter($this->partners($link, $source), static fn (ChainLink $other): bool => $other->role === MouldPart::Half && ! $other->positive) === []) {
            $touches[] = new Touch('bed', 'what the first half lies on', $nobodyKnows);
        }

        return $touches;
    }

    /** @return list<ChainLink> links that rest on this one: their shape comes from it */
    public function restingOn(ChainLink $link): array
    {
        return array_values(array_filter($this->links, fn (ChainLink $other): bool => $other->from === $link->id));
    }

    /**
     * What it takes its shape from, and what else stands in the way: the halves already there, or all halves of the mould a cast fills.
     *
     * @return list<ChainLink>
     */
    private function partners(ChainLink $link, ChainLink $source): array
    {
        if ($link->role === MouldPart::Jacket) {
            return [$source];
        }
        $partners = [$source];
        foreach ($this->before($link) as $other) {
            if ($other === $source || $other->role === MouldPart::Jacket) {
                continue;
            }
            // Only halves stand together: a second mould of the same original is poured without the first.
            $half = ($link->positive ? $source : $link)->role === MouldPart::Half && $other->role === MouldPart::Half;
            $sibling = $half && ! $other->positive && $this->source($other) === ($link->positive ? $this->source($source) : $source);
            $within = $link->positive && in_array($other->role, [MouldPart::Core, MouldPart::Insert], true);
            if ($sibling || $within) {
                $partners[] = $other;
            }
        }

        return $partners;
    }

    /** @return list<ChainLink> */
    private function before(ChainLink $link): array
    {
        $earlier = [];
        foreach ($this->links as $other) {
            if ($other->id === $link->id) {
                return $earlier;
            }
            $earlier[] = $other;
        }

        return $earlier;
    }
}
