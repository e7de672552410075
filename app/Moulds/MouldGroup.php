<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Contact\MouldPart;
use App\Models\Impression;

/** The links of a chain that are one mould together: a block, or its halves, with their jacket, core and inserts. */
final readonly class MouldGroup
{
    /**
     * @param  non-empty-list<Impression>  $links
     * @param  Impression|null  $from  what its shape was taken from
     * @param  string|null  $cast  house code of what is to be cast in it, as the chain has it
     */
    public function __construct(public array $links, public ?Impression $from, public ?string $cast) {}

    /** @return list<Impression> those without which it is no mould */
    public function poured(): array
    {
        return array_values(
            array_filter(
                $this->links, static fn (Impression $link): bool => in_array($link->role, [MouldPart::Whole, MouldPart::Half], true),
            ),
        );
    }

    /** Printed, machined or bought: none of it is poured here. */
    public function isHad(): bool
    {
        return array_filter($this->links, static fn (Impression $link): bool => ! $link->isHad()) === [];
    }

    /** The link it is known by. */
    public function first(): Impression
    {
        return $this->poured()[0] ?? $this->links[0];
    }

    public function name(): string
    {
        return count($this->poured()) > 1 ? $this->first()->job->name.', in '.count($this->poured()).' halves' : $this->first()->name;
    }

    public function holds(int $link): bool
    {
        return array_filter($this->links, static fn (Impression $one): bool => $one->id === $link) !== [];
    }
}
