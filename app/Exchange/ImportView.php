<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Phrase\Phrase;
use App\Models\Import;
use App\Types\View;

/** How far a file has been taken in. */
final readonly class ImportView implements View
{
    public function __construct(private Import $import) {}

    /**
     * @return array{
     *     id: int, state: 'waiting'|'running'|'done'|'refused'|'cancelled', done: int, total: int, says: Phrase|string, undo: string|null,
     * }
     */
    public function toArray(): array
    {
        /** @var 'waiting'|'running'|'done'|'refused'|'cancelled' $state */
        $state = $this->import->state;

        return [
            'id' => $this->import->id, 'state' => $state, 'done' => $this->import->done, 'total' => $this->import->total,
            'undo' => $state === Import::DONE && ($this->import->made ?? []) !== [] ? "/exchange/imports/{$this->import->id}/undo" : null,
            'says' => match ($state) {
                Import::WAITING => Phrase::of('bench.file_waits_for_turn'),
                Import::RUNNING => Phrase::of('bench.file_being_taken'),
                Import::DONE => self::said($this->import->new ?? ['formulas' => 0, 'swatches' => 0, 'readings' => 0, 'targets' => 0]),
                Import::REFUSED => $this->import->wrong ?? '',
                Import::CANCELLED => Phrase::of('bench.stopped_nothing_file_taken'),
            },
        ];
    }

    /** @param  array{formulas: int, swatches: int, readings: int, targets: int}  $new */
    public static function said(array $new): Phrase
    {
        return Phrase::of('bench.new_formula_versions_swatches', [
            'formulas' => $new['formulas'], 'swatches' => $new['swatches'], 'readings' => $new['readings'], 'colours' => $new['targets'],
        ]);
    }
}
