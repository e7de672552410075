<?php

declare(strict_types=1);

namespace App\Database;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\WholeText;
use App\Models\HoldsPicture;
use Illuminate\Database\Eloquent\Model;

/** No record takes a text that is none, wherever it came from: half a letter, once written down, would stop every page it stands on. */
final readonly class TextGate
{
    /** @throws BadInput */
    public static function saving(Model $record): void
    {
        foreach ($record->getDirty() as $name => $value) {
            $isStructure = $record->hasCast($name, ['array', 'json', 'object', 'collection']);
            $structure = is_string($value) && $isStructure ? json_decode($value, true, 128) : null;
            $longest = $record instanceof HoldsPicture && $name === $record->pictureIn() ? PHP_INT_MAX : WholeText::LONGEST;
            $wrong = match (true) {
                is_array($structure) => WholeText::wrongIn($structure),
                is_string($value) && ! $isStructure => WholeText::wrong($value, $longest),
                default => null,
            };
            if ($wrong !== null) {
                throw BadInput::at($name, $wrong);
            }
        }
    }
}
