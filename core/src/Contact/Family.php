<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;

/** Something poured, brushed or pressed while fresh. `wear` is what one cast does to a silicone mould, 0–3. */
final readonly class Family
{
    /**
     * @param  list<string>  $groups
     * @param  list<string>  $hazards
     * @param  list<string>  $before  seen to before any pour of it
     * @param  list<string>  $serves  `mould`, `copy`: what is made of it on the way to something else
     * @param  string  $makes  what a thing of it is: one can stand in for another that makes the same
     */
    private function __construct(
        public string $id, public string $name, public array $groups, public string $curesTo,
        public int $wear, public string $wearText, public array $hazards, public array $before, public string $makes, public array $serves,
    ) {}

    public static function from(string $id, Fields $in): self
    {
        return new self(
            $id, $in->text('name'), $in->strings('like'), $in->text('cures_to'), (int) $in->number('wear', 0.0, 3.0),
            $in->text('wear_text'), $in->strings('hazards'), $in->strings('before'), $in->text('makes'), $in->strings('serves'),
        );
    }

    /** @param  list<string>  $names  of families or of their groups */
    public function isAnyOf(array $names): bool
    {
        return array_intersect([$this->id, ...$this->groups], $names) !== [];
    }
}
