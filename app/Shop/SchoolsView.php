<?php

declare(strict_types=1);

namespace App\Shop;

use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Types\View;

/** Where schools differ, for who ticks the shop's own. */
final readonly class SchoolsView implements View
{
    public function __construct(private Library $library) {}

    /** @return array{schools: list<array{id: string, ask: string, options: list<array{id: string, name: Phrase, says: string}>}>} */
    public function toArray(): array
    {
        $schools = $this->library->schools();

        return ['schools' => array_map(static fn (string $id, array $school): array => [
            'id' => $id, 'ask' => $school['ask'],
            'options' => array_map(
                static fn (string $option, array $one): array => [
                    'id' => $option, 'name' => Phrase::written($one['name']), 'says' => $one['says'],
                ],
                array_keys($school['options']), array_values($school['options']),
            ),
        ], array_keys($schools), array_values($schools))];
    }
}
