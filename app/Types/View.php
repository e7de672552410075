<?php

declare(strict_types=1);

namespace App\Types;

/** Something that is sent to the browser. The return type of `toArray` is the type on the other side. */
interface View
{
    /** @return array<string, mixed> */
    public function toArray(): array;
}
