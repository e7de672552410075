<?php

declare(strict_types=1);

namespace App\Models;

/** A record that keeps a picture as text: that is longer than anybody writes. */
interface HoldsPicture
{
    /** The column it stands in; how large it may be was asked when it came. */
    public function pictureIn(): string;
}
