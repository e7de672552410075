<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;

/** A list of ids, @groups and * that says what a rule or a release speaks of. */
final readonly class Scope
{
    /** @param  array<string, int>  $words  as keys: a board asks this thousands of times */
    private function __construct(private array $words) {}

    public static function from(Fields $in, string $key): self
    {
        return new self(array_flip($in->strings($key)));
    }

    /**
     * How exactly this names the thing: 2 by its id, 1 by a group it belongs to, 0 by *, null not at all.
     *
     * @param  list<string>  $groups
     */
    public function names(string $id, array $groups): ?int
    {
        if (isset($this->words[$id])) {
            return 2;
        }
        foreach ($groups as $group) {
            // A surface of the shop’s own may behave like another: then the rules for that one hold for it as well.
            if (isset($this->words["@{$group}"]) || isset($this->words[$group])) {
                return 1;
            }
        }

        return isset($this->words['*']) ? 0 : null;
    }
}
