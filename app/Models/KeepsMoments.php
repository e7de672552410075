<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Support\Carbon;

/** Moments are kept in UTC, whatever offset they were said with: ten o’clock five hours east of there is five o’clock here. */
trait KeepsMoments
{
    /** @var array<string, string>|null */
    private ?array $allCasts = null;

    /**
     * @param  mixed  $value
     */
    public function fromDateTime($value): ?string
    {
        return empty($value) ? null : $this->asDateTime($value)->utc()->format($this->getDateFormat());
    }

    /**
     * Put together once, not at each look at an attribute.
     *
     * @return array<string, string>
     */
    public function getCasts(): array
    {
        return $this->allCasts ??= parent::getCasts();
    }

    /**
     * As it stands in the table it needs no guessing at its format: a page reads hundreds of moments.
     *
     * @param  mixed  $value
     * @return Carbon  or its unchangeable sibling, which all that is cast here becomes anyway
     */
    protected function asDateTime($value)
    {
        // @phpstan-ignore return.type
        return is_string($value) && preg_match('/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d(\.\d+)?$/', $value) === 1 ? new CarbonImmutable($value, 'UTC') : parent::asDateTime($value);
    }
}
