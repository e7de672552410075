<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Exception;
use Illuminate\Support\Carbon;

/**
 * How a record is read and written. Moments are kept in UTC, whatever offset they were said with: ten o’clock five hours east of there
 * is five o’clock here. What cannot be read stops no page. And what a page does hundreds of times is done without looking anew how.
 */
trait PlainRecord
{
    /** @var array<string, string>|null */
    private ?array $allCasts = null;

    /**
     * @var array<string, array<array-key, mixed>> structures, by how they are written: a plan is asked after many times while a page is put
     *   together
     */
    private array $readOnce = [];

    /** @var array<string, CarbonImmutable> moments, by how they are written: they do not change, and one is looked at many times */
    private array $moments = [];

    private const READ_AS_IT_STANDS = 0;

    private const READ_AS_CAST = 1;

    private const READ_AS_ASKED = 2;

    /** @var array<string, self::READ_AS_IT_STANDS|self::READ_AS_CAST|self::READ_AS_ASKED> how each column of this model is read, by name */
    private static array $readBy = [];

    /** @var array<string, array{mixed, mixed}> what a column was read as, beside how it was written then */
    private array $readAs = [];

    /**
     * Boots what a record’s traits boot and initialize by their names. The framework looks through all methods of a record for
     * attributes that say so as well, of which there are none here: half a millisecond for every kind of record a page reads.
     */
    protected static function bootTraits(): void
    {
        $initializers = [];
        foreach (class_uses_recursive(static::class) as $trait) {
            $name = class_basename($trait);
            method_exists(static::class, "boot{$name}") && static::{"boot{$name}"}();
            method_exists(static::class, "initialize{$name}") && $initializers[] = "initialize{$name}";
        }
        static::$traitInitializers[static::class] = array_values(array_unique($initializers));
    }

    /**
     * A page looks at hundreds of columns: asking anew of each how it is read takes longer than the reading.
     *
     * @param  string  $key
     * @return mixed
     */
    public function getAttribute($key)
    {
        $written = $this->attributes[$key] ?? null;
        if ($written === null) {
            return parent::getAttribute($key);
        }
        $by = self::$readBy[$key] ??= match (true) {
            $this->hasAnyGetMutator($key), $this->isDateAttribute($key) && ! $this->hasCast($key) => self::READ_AS_ASKED,
            $this->hasCast($key) && ! $this->isClassCastable($key) => self::READ_AS_CAST,
            $this->hasCast($key) => self::READ_AS_ASKED,
            default => self::READ_AS_IT_STANDS,
        };
        if ($by !== self::READ_AS_CAST) {
            return $by === self::READ_AS_IT_STANDS ? $written : parent::getAttribute($key);
        }
        if (! isset($this->readAs[$key]) || $this->readAs[$key][0] !== $written) {
            $this->readAs[$key] = [$written, $this->castAttribute($key, $written)];
        }

        return $this->readAs[$key][1];
    }

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
        return $this->moments[$value] ??= preg_match('/^\d{4}-\d\d-\d\d( \d\d:\d\d:\d\d(\.\d+)?)?$/', $value) === 1
            ? new CarbonImmutable($value, 'UTC')
            : self::guessed($value);
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
