<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Exception;
use Illuminate\Support\Carbon;

/** Moments are kept in UTC, whatever offset they were said with: ten o’clock five hours east of there is five o’clock here. */
trait KeepsMoments
{
    /** @var array<string, string>|null */
    private ?array $allCasts = null;

    /** @var array<string, array<array-key, mixed>> structures, by how they are written: a plan is asked after many times while a page is put together */
    private array $readOnce = [];

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
     * As it stands in the table it needs no guessing at its format: a page reads hundreds of moments. What cannot be read there is the
     * beginning of time, which every screen shows as unreadable: one bad record stops no page.
     *
     * @param  mixed  $value
     * @return Carbon  or its unchangeable sibling, which all that is cast here becomes anyway
     */
    protected function asDateTime($value)
    {
        if (! is_string($value)) {
            return parent::asDateTime($value);
        }

        // @phpstan-ignore return.type
        return preg_match('/^\d{4}-\d\d-\d\d( \d\d:\d\d:\d\d(\.\d+)?)?$/', $value) === 1 ? new CarbonImmutable($value, 'UTC') : self::guessed($value);
    }

    /**
     * A structure that is broken off, or none at all, is an empty one: whoever reads it says what is missing, and no page dies of it.
     *
     * @param  string  $value
     * @param  bool  $asObject
     * @return mixed
     */
    public function fromJson($value, $asObject = false)
    {
        if ($asObject) {
            return parent::fromJson($value, true);
        }
        if (! isset($this->readOnce[$value])) {
            $read = parent::fromJson($value);
            $this->readOnce[$value] = is_array($read) ? $read : [];
        }

        return $this->readOnce[$value];
    }

    private static function guessed(string $value): CarbonImmutable
    {
        try {
            $read = new CarbonImmutable($value, 'UTC');

            return $read->year >= 1900 && $read->year <= 2200 ? $read : CarbonImmutable::createFromTimestampUTC(0);
        } catch (Exception) {
            return CarbonImmutable::createFromTimestampUTC(0);
        }
    }
}
