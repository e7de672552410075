<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;

/** Something that a fresh material may touch. */
final readonly class Surface
{
    /** The group of what nobody can name. */
    public const UNKNOWN = 'unknown';

    /** @param  list<string>  $groups */
    private function __construct(public string $id, public string $name, public array $groups, public bool $porous, public ?string $before = null) {}

    public static function from(string $id, Fields $in): self
    {
        return new self($id, $in->text('name'), $in->strings('like'), $in->bool('porous'), $in->textOrNull('before'));
    }
}
