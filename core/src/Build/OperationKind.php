<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** What is done to an impression. */
enum OperationKind: string
{
    case Prepare = 'prepare';
    case Pour = 'pour';
    case Coat = 'coat';
    case Keys = 'keys';
    case Embed = 'embed';
    case Wait = 'wait';
    case Check = 'check';
    case Close = 'close';
    case Open = 'open';
    case Trim = 'trim';

    /** It is weighed up on a sheet of its own. */
    public function mixes(): bool
    {
        return in_array($this, [self::Pour, self::Coat, self::Keys], true);
    }
}
