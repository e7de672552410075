<?php

declare(strict_types=1);

namespace App\Storage;

use ErrorException;
use Illuminate\Cache\FileStore;

/** A cache that is only a convenience: where nothing can be written, everything is worked out again each time. */
final class ForgivingFileStore extends FileStore
{
    /**
     * @param  string  $key
     * @param  mixed  $value
     * @param  int  $seconds
     */
    public function put($key, $value, $seconds): bool
    {
        try {
            return parent::put($key, $value, $seconds);
        } catch (ErrorException) {
            return false;
        }
    }
}
