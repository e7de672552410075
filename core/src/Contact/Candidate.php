<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Material\Shelf;

/** A base on the shelf, as far as another contact could be made of it. */
final readonly class Candidate
{
    /** @param  float|null  $demouldMin  as long as a pour of it keeps one waiting */
    public function __construct(
        public string $code,
        public string $name,
        public Family $family,
        public bool $skinSafe,
        public ?float $demouldMin,
    ) {}

    /**
     * Every base on a shelf that the knowledge knows the family of.
     *
     * @return list<self>
     */
    public static function on(Shelf $shelf, Knowledge $knowledge): array
    {
        $candidates = [];
        foreach ($shelf->bases as $base) {
            $family = $knowledge->families[$base->family] ?? null;
            if ($family !== null) {
                $candidates[] = new self(
                    $base->code, $base->name, $family, $base->isForSkin(), ($base->times['demould_min'] ?? null)?->min,
                );
            }
        }

        return $candidates;
    }
}
