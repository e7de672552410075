<?php

declare(strict_types=1);

namespace App\Database;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\WholeText;
use Illuminate\Database\Eloquent\Model;

/** No record takes a text that is none, wherever it came from: half a letter, once written down, would stop every page it stands on. */
final readonly class TextGate
{
    /** @throws BadInput */
    public static function saving(Model $record): void
    {
        foreach ($record->getDirty() as $name => $value) {
            $structure = is_string($value) && $record->hasCast($name, ['array', 'json', 'object', 'collection']) ? json_decode($value, true, 128) : null;
            $wrong = is_array($structure) ? WholeText::wrongIn($structure) : (is_string($value) && $structure === null && ! $record->hasCast($name, ['array', 'json', 'object', 'collection']) ? WholeText::wrong($value) : null);
            if ($wrong !== null) {
                throw BadInput::at($name, $wrong);
            }
        }
    }
}
