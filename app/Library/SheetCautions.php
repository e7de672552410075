<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Phrase\Phrase;

/** The words of the cautions a sheet carries. */
final readonly class SheetCautions
{
    /**
     * @param  list<string>  $ids
     * @return list<array{title: string, text: Phrase}>
     */
    public static function of(array $ids, Library $library): array
    {
        $all = $library->cautions();
        $known = array_filter($ids, static fn (string $id): bool => isset($all[$id]));

        return array_values(
            array_map(
                static fn (string $id): array => ['title' => $all[$id]['title'], 'text' => Phrase::written($all[$id]['text'])], $known,
            ),
        );
    }
}
