<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use App\Library\Library;
use App\Models\Series;
use App\Models\Workshop;

/** Pigments at hand that go into a base, were never drawn down in it, and stand in no ladder of it on the bench. */
final class Undrawn
{
    /** @var array<string, array<string, true>>|null pigments in ladders on the bench, by base; the base bare under '' */
    private ?array $standing = null;

    public function __construct(
        private readonly Library $library,
        private readonly SwatchDigests $digests,
        private readonly Workshop $workshop,
    ) {}

    /** @return list<string> house codes */
    public function in(BaseSheet $base): array
    {
        $known = ($this->digests->drawn()[$base->code] ?? []) + ($this->standing()[$base->code] ?? []);

        return array_values(array_map(
            static fn (AdditiveSheet $sheet): string => $sheet->code,
            array_filter(
                $this->library->atHand()->additives,
                static fn (AdditiveSheet $sheet): bool => $sheet->role === AdditiveRole::Pigment
                    && in_array($base->family, $sheet->families, true)
                    && ! isset($known[$sheet->code]),
            ),
        ));
    }

    /** Whether it was ever drawn down bare, or is about to be. */
    public function isBareKnown(BaseSheet $base): bool
    {
        return isset($this->digests->drawn()[$base->code]['']) || isset($this->standing()[$base->code]['']);
    }

    /** @return array<string, array<string, true>> */
    private function standing(): array
    {
        if ($this->standing === null) {
            $this->standing = [];
            foreach ($this->workshop->series()->whereNull('labelled_at')->orderByDesc('id')->limit(SeriesBook::MOST_LIVE)->get([
                'id', 'workshop_id', 'question',
            ])->map(
                static fn (Series $one): Fields => Fields::of($one->question),
            ) as $asked) {
                $base = $asked->objectOrNull('recipe')?->textOrNull('base') ?? '';
                foreach ([
                    ...$asked->strings('pigments'),
                    ...(
                        in_array(0.0, array_map(floatval(...), array_filter($asked->toArray()['steps'] ?? [], is_numeric(...))), true)
                        ? ['']
                        : []
                    ),
                ] as $code) {
                    $this->standing[$base][$code] = true;
                }
            }
        }

        return $this->standing;
    }
}
