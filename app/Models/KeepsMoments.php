<?php

declare(strict_types=1);

namespace App\Models;

/** Moments are kept in UTC, whatever offset they were said with: ten o’clock five hours east of there is five o’clock here. */
trait KeepsMoments
{
    /**
     * @param  mixed  $value
     */
    public function fromDateTime($value): ?string
    {
        return empty($value) ? null : $this->asDateTime($value)->utc()->format($this->getDateFormat());
    }
}
