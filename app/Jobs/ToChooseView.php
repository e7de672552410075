<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Contact\Release;
use Apalos\Core\Contact\Sealer;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Material\BaseSheet;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Types\View;

/** What a maker chooses from while a chain is written down: materials, what contacts are treated with, uses. */
final readonly class ToChooseView implements View
{
    public function __construct(private Library $library, private ContactBook $contacts) {}

    /**
     * @return array{
     *     materials: list<array{code: string, name: string, shore: string|null, family: string, here: bool}>,
     *     words: array{
     *         surfaces: array<string, string>,
     *         releases: array<string, array{
     *             name: string, how: string, hides: int, paint: string, skin_safe: bool, vapour: bool, coats: int, minutes: float,
     *             every: int, cost: float,
     *         }>,
     *         sealers: array<string, string>,
     *     },
     *     uses: array<string, string>,
     * }
     */
    public function toArray(): array
    {
        $here = $this->library->atHand()->bases;
        $knowledge = $this->contacts->knowledge();

        return [
            'materials' => array_values(
                array_map(
                    static fn (BaseSheet $base): array => [
                        'code' => $base->code, 'name' => $base->name, 'shore' => $base->shore(), 'family' => $base->family,
                        'here' => isset($here[$base->code]),
                    ],
                    $this->library->shelf()->bases,
                ),
            ),
            'words' => [
                'surfaces' => array_map(static fn (Surface $surface): string => $surface->name, $knowledge->surfaces),
                'releases' => array_map(static fn (Release $release): array => [
                    'name' => $release->name, 'how' => $release->how, 'hides' => $release->hides, 'paint' => $release->paint,
                    'skin_safe' => $release->skinSafe, 'vapour' => $release->vapour, 'coats' => $release->coats,
                    'minutes' => $release->minutes(false, $release->coats), 'every' => $release->every, 'cost' => $release->cost,
                ], $knowledge->releases),
                'sealers' => array_map(static fn (Sealer $sealer): string => $sealer->name, $knowledge->sealers),
            ],
            'uses' => array_map(static fn (array $use): string => $use['name'], $this->library->uses()),
        ];
    }
}
