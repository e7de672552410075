<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** The open formats a model comes in. */
enum MeshFormat: string
{
    case Stl = 'stl';
    case Obj = 'obj';
    case Ply = 'ply';
    case ThreeMf = '3mf';

    /**
     * By the name it was given.
     *
     * @throws BadInput
     */
    public static function ofName(string $name): self
    {
        $ending = strtolower(pathinfo($name, PATHINFO_EXTENSION));

        return self::tryFrom($ending) ?? throw BadInput::at('format', Phrase::of('mesh.unknown_format', [
            'known' => array_map(static fn (self $format): string => strtoupper($format->value), self::cases()),
        ]));
    }
}
