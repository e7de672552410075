<?php

declare(strict_types=1);

namespace App\Keeping;

use Apalos\Core\Keep\CareRule;
use Apalos\Core\Keep\MouldPast;
use Apalos\Core\Keep\ReleaseSchool;
use App\Models\Mould;
use App\Models\Workshop;
use App\Workshop\Library;
use Carbon\CarbonImmutable;

/** What a mould wants before something is cast in it, as it stands now. */
final readonly class MouldWants
{
    public function __construct(private Library $library, private Workshop $workshop) {}

    /** @return list<CareRule> */
    public function of(Mould $mould, string $base, CarbonImmutable $now): array
    {
        $families = $this->library->knowledge()->families;
        $rubber = $families[$this->library->shelf()->bases[$mould->material ?? '']->family ?? ''] ?? null;
        $cast = $families[$this->library->shelf()->bases[$base]->family ?? ''] ?? null;

        return $rubber === null || $cast === null ? [] : $this->library->beforeCast()->wants($rubber, $cast, self::past($mould, $now), ReleaseSchool::tryFrom($this->workshop->release_school) ?? ReleaseSchool::EveryCast);
    }

    public static function past(Mould $mould, CarbonImmutable $now): MouldPast
    {
        $care = $mould->care ?? [];
        $at = static fn (string $act): int => $care[$act]['at_ms'] ?? 0;
        $bases = array_unique(array_filter(array_map(static fn (array $part): ?string => in_array($part['role'], ['whole', 'half'], true) ? $part['base'] : null, $mould->parts)));

        return new MouldPast(
            $mould->casts, array_map(static fn (array $one): int => max(0, $mould->casts - $one['casts']), $care),
            $at('washed') > $at('dried'), $at('released') === 0 || $at('washed') > $at('released'),
            $mould->hot_at === null ? null : $mould->hot_at->diffInMinutes($now),
            array_filter($mould->parts, static fn (array $part): bool => $part['role'] === 'jacket' || $part['role'] === 'half') !== [], count($bases) > 1,
        );
    }

    /**
     * As ticks of a run's checklist.
     *
     * @return list<array{id: string, text: string, minutes: float}>
     */
    public function checklist(Mould $mould, string $base, CarbonImmutable $now): array
    {
        return array_map(static fn (CareRule $rule): array => [
            'id' => sprintf('care-%d-%s-%s', $mould->id, $rule->act->value ?? 'look', $rule->id), 'text' => "{$mould->name} ({$mould->code()}): {$rule->text} {$rule->why}", 'minutes' => 0.0,
        ], $this->of($mould, $base, $now));
    }
}
