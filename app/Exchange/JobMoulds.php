<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Care\MouldFactKind;
use App\Facts\Happened;
use App\Library\Library;
use App\Models\Mould;
use App\Moulds\RecordedMould;
use App\People\Names;

/**
 * The moulds of a job as they stand in its file: which link they are of, what they have borne, and how they looked.
 *
 * @phpstan-type LookShape array{at_ms: int, condition: string, marks: list<string>, note: string, person: string|null}
 */
final readonly class JobMoulds
{
    private const MOST = 60;

    /** Of the looks at a mould, the last. */
    private const LOOKS = 8;

    public function __construct(private Library $library, private Names $names) {}

    /**
     * @param  array<int, int>  $places  of the links in their chain, by number
     * @return list<array{
     *     link: int, code: string, name: string, generation: int, of: string, made_ms: int, casts: int, casts_before: int,
     *     condition: string|null, marks: list<string>, retired_ms: int|null, looks: list<LookShape>
     * }>
     */
    public function of(array $places): array
    {
        $moulds = Mould::query()->whereIn('impression_id', array_keys($places))->orderBy('id')->limit(self::MOST)->get()->all();
        $facts = Happened::in(RecordedMould::STREAM, array_map(static fn (Mould $mould): int => $mould->id, array_values($moulds)));

        return array_values(array_map(fn (Mould $mould): array => [
            'link' => $places[$mould->impression_id ?? 0] ?? 0, 'code' => $mould->code(), 'name' => $mould->name,
            'generation' => $mould->generation,
            'of' => $this->library->shelf()->bases[$mould->material ?? '']->name ?? $mould->material ?? '',
            'made_ms' => (int) $mould->made_at->getTimestampMs(), 'casts' => $mould->casts, 'casts_before' => $mould->casts_before,
            'condition' => $mould->condition === null ? null : self::word($mould->condition->value),
            'marks' => array_map(self::word(...), $mould->marks ?? []),
            'retired_ms' => $mould->retired_at === null ? null : (int) $mould->retired_at->getTimestampMs(),
            'looks' => $this->looks($facts[$mould->id] ?? []),
        ], $moulds));
    }

    /**
     * @param  list<Happened>  $facts
     * @return list<LookShape>
     */
    private function looks(array $facts): array
    {
        $looked = array_filter($facts, static fn (Happened $fact): bool => $fact->kind === MouldFactKind::Looked->value);

        return array_map(fn (Happened $fact): array => [
            'at_ms' => $fact->atMs, 'condition' => self::word(self::said($fact, 'condition')),
            'marks' => array_map(
                static fn (mixed $mark): string => self::word(is_string($mark) ? $mark : ''),
                array_values(is_array($fact->payload['marks'] ?? null) ? $fact->payload['marks'] : []),
            ),
            'note' => self::said($fact, 'note'), 'person' => $this->names->by($fact->person, $fact->witness),
        ], array_slice(array_values($looked), -self::LOOKS));
    }

    private static function said(Happened $fact, string $key): string
    {
        return is_string($said = $fact->payload[$key] ?? null) ? $said : '';
    }

    private static function word(string $id): string
    {
        return str_replace('_', ' ', $id);
    }
}
