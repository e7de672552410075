<?php

declare(strict_types=1);

namespace App\Storage;

use RuntimeException;

/** Why a backup could not be taken or put back, in a sentence. */
final class BackupFailed extends RuntimeException {}
