<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** A surface that a link touches when it is poured: `key` names it for good, `with` says it in words. */
final readonly class Touch
{
    public function __construct(public string $key, public string $with, public Surface $surface, public ?int $link = null) {}
}
