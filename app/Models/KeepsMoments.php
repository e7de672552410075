<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Carbon;

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

    /**
     * As it stands in the table it needs no guessing at its format: a page reads hundreds of moments.
     *
     * @param  mixed  $value
     * @return Carbon
     */
    protected function asDateTime($value)
    {
        return is_string($value) && preg_match('/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d(\.\d+)?$/', $value) === 1 ? new Carbon($value, 'UTC') : parent::asDateTime($value);
    }
}
