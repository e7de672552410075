<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\People\Decisions;
use App\People\Names;
use App\Types\View;
use Carbon\CarbonImmutable;

/** What was decided, the newest first: who, what of which thing, and what was said of it. */
final readonly class DecisionsView implements View
{
    private const SHOWN = 20;

    public function __construct(
        private Decisions $decisions,
        private Names $names,
        private Library $library,
        private ?int $before,
        private CarbonImmutable $now,
    ) {}

    /**
     * @return array{
     *     rows: list<array{id: int, at_ms: int, by: string|null, did: Phrase|string, of: string|null, said: string}>, earlier: int|null,
     *     now_ms: int,
     * }
     */
    public function toArray(): array
    {
        $told = $this->decisions->before($this->before, self::SHOWN + 1);
        $shown = array_slice($told, 0, self::SHOWN);

        return [
            'rows' => array_map(fn (array $one): array => [
                'id' => $one['id'], 'at_ms' => $one['at_ms'], 'by' => $this->names->by($one['person'], $one['witness']),
                'did' => $this->library->did((string) ($one['payload']['door'] ?? '')) ?? Phrase::of('bench.did_something_version_no'),
                'of' => $this->of($one['payload']), 'said' => $this->said((array) ($one['payload']['said'] ?? [])),
            ], $shown),
            'earlier' => count($told) > self::SHOWN ? $shown[self::SHOWN - 1]['id'] : null,
            'now_ms' => (int) $this->now->getTimestampMs(),
        ];
    }

    /** @param  array<string, mixed>  $payload */
    private function of(array $payload): ?string
    {
        $of = (array) ($payload['of'] ?? []);
        if (isset($of['person'])) {
            return $this->names->of($of['person']);
        }
        $name = $payload['name'] ?? $of['code'] ?? $of['verb'] ?? null;

        return is_string($name) ? $name : null;
    }

    /** @param  array<array-key, mixed>  $said */
    private function said(array $said): string
    {
        $fields = $this->library->decidedFields();
        $words = [];
        foreach ($said as $field => $value) {
            if (! isset($fields[$field])) {
                continue;
            }
            $words[] = match (true) {
                $value === null => $fields[$field],
                is_bool($value) => $fields[$field].': '.($value ? 'yes' : 'no'),
                default => "{$fields[$field]}: {$value}",
            };
        }

        return implode(', ', $words);
    }
}
