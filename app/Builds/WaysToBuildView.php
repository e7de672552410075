<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\ReadyMade;
use App\Types\View;

/**
 * How a link can be built in several operations, and what each way has to know first.
 *
 * @phpstan-type WayToBuild array{id: string, name: string, what: string, makes: list<string>, asks: list<string>, base: string|null}
 */
final readonly class WaysToBuildView implements View
{
    public function __construct(private BuildBook $builds) {}

    /** @return array{ways: list<WayToBuild>} */
    public function toArray(): array
    {
        return [
            'ways' => array_map(static fn (ReadyMade $made): array => [
                'id' => $made->id, 'name' => $made->name, 'what' => $made->what, 'makes' => $made->makes, 'asks' => $made->asks,
                'base' => $made->base,
            ], $this->builds->all()),
        ];
    }
}
