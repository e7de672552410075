<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;

/** A list of ids, @groups and * that says what a rule or a release speaks of. */
final readonly class Scope
{
    /** @param  list<string>  $words */
    private function __construct(public array $words) {}

    public static function from(Fields $in, string $key): self
    {
        return new self($in->strings($key));
    }

    /**
     * How exactly this names the thing: 2 by its id, 1 by a group it belongs to, 0 by *, null not at all.
     *
     * @param  list<string>  $groups
     */
    public function names(string $id, array $groups): ?int
    {
        if (in_array($id, $this->words, true)) {
            return 2;
        }
        foreach ($groups as $group) {
            if (in_array("@{$group}", $this->words, true)) {
                return 1;
            }
        }

        return in_array('*', $this->words, true) ? 0 : null;
    }
}
