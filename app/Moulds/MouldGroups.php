<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Contact\MouldPart;
use App\Models\Impression;
use App\Models\ImpressionKind;

/** Which links of a chain are a mould together, and which mould a cast comes out of. */
final readonly class MouldGroups
{
    /** @param  list<MouldGroup>  $groups */
    private function __construct(public array $groups) {}

    /** @param  iterable<Impression>  $chain  in its order */
    public static function of(iterable $chain): self
    {
        /** @var list<MouldGroup> $groups */
        $groups = [];
        /** @var list<Impression> $open */
        $open = [];
        $from = null;
        foreach ($chain as $link) {
            $begins = $link->kind !== ImpressionKind::Mould || self::isOfItsOwn($link, $open);
            if ($begins && $open !== []) {
                $groups[] = new MouldGroup($open, $from, $link->kind === ImpressionKind::Mould ? null : $link->material);
                $open = [];
            }
            if ($link->kind === ImpressionKind::Mould) {
                $open[] = $link;
            } else {
                $from = $link->kind === ImpressionKind::Cast ? $from : $link;
            }
        }
        if ($open !== []) {
            $groups[] = new MouldGroup($open, $from, null);
        }

        return new self($groups);
    }

    /**
     * A whole one begins a mould of its own, a half only where no halves stand open; the rest belongs to what is there.
     *
     * @param  list<Impression>  $open
     */
    private static function isOfItsOwn(Impression $link, array $open): bool
    {
        $roles = array_map(static fn (Impression $one): MouldPart => $one->role, $open);

        return match ($link->role) {
            MouldPart::Whole => in_array(MouldPart::Whole, $roles, true) || in_array(MouldPart::Half, $roles, true),
            MouldPart::Half => in_array(MouldPart::Whole, $roles, true),
            default => false,
        };
    }

    public function with(int $link): ?MouldGroup
    {
        foreach ($this->groups as $group) {
            if ($group->holds($link)) {
                return $group;
            }
        }

        return null;
    }

    /** The mould this link is cast in: the one it says it takes its shape from, or the nearest before it. */
    public function before(Impression $cast): ?MouldGroup
    {
        $said = $cast->from_id === null ? null : $this->with($cast->from_id);
        $nearest = null;
        foreach ($this->groups as $group) {
            $nearest = [$group->first()->position, $group->first()->id] < [$cast->position, $cast->id] ? $group : $nearest;
        }

        return $said ?? $nearest;
    }
}
