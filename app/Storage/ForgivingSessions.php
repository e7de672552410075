<?php

declare(strict_types=1);

namespace App\Storage;

use ErrorException;
use Illuminate\Session\FileSessionHandler;

/** Sessions in files. On a full disk a page is still read; what it would have remembered for the next one is lost. */
final class ForgivingSessions extends FileSessionHandler
{
    public function write($sessionId, $data): bool
    {
        try {
            return parent::write($sessionId, $data);
        } catch (ErrorException) {
            return true;
        }
    }
}
