<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Temperature;

/** Something that a fresh material may touch. */
final readonly class Surface
{
    /** The group of what nobody can name. */
    public const UNKNOWN = 'unknown';

    private const HOLDS_WATER = 'holds-water';

    /**
     * @param  list<string>  $groups
     * @param  Temperature|null  $bears  for the minutes of a cast; null where it cannot be said
     */
    private function __construct(
        public string $id,
        public string $name,
        public array $groups,
        public bool $porous,
        public ?string $before = null,
        public ?Temperature $bears = null,
    ) {}

    /** It has drunk water, or may have: dry is what the scale has proved. */
    public function holdsWater(): bool
    {
        return in_array(self::HOLDS_WATER, $this->groups, true);
    }

    public static function from(string $id, Fields $in): self
    {
        return new self(
            $id, $in->text('name'), $in->strings('like'), $in->bool('porous'), $in->textOrNull('before'),
            Temperature::inOrNull($in, 'bears_c'),
        );
    }
}
