<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\CareRule;
use Apalos\Core\Care\MouldMark;
use Apalos\Core\Care\MouldPast;
use Apalos\Core\Care\ReleaseSchool;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Run\RunPlan;
use App\Library\Library;
use App\Log\FrozenPlan;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\Workshop;
use App\Room\CureClock;
use Carbon\CarbonImmutable;

/**
 * What a mould wants before something is cast in it, as it stands now.
 *
 * @phpstan-import-type Item from RunPlan
 */
final readonly class MouldWants
{
    public function __construct(private Library $library, private Workshop $workshop, private CureClock $clock) {}

    /** @return list<CareRule> */
    public function of(Mould $mould, string $base, CarbonImmutable $now): array
    {
        $families = $this->library->knowledge()->families;
        $rubber = $families[$this->library->shelf()->bases[$mould->material ?? '']->family ?? ''] ?? null;
        $sheet = $this->library->shelf()->bases[$base] ?? null;
        $cast = $families[$sheet->family ?? ''] ?? null;

        return $rubber === null || $sheet === null || $cast === null
            ? []
            : $this->library->beforeCast()->wants(
                $rubber, $cast, $this->past($mould, $now, $sheet),
                ReleaseSchool::tryFrom($this->workshop->release_school) ?? ReleaseSchool::EveryCast,
            );
    }

    /** @param  BaseSheet|null  $cast  what is cast in it next, where that is known */
    public function past(Mould $mould, CarbonImmutable $now, ?BaseSheet $cast = null): MouldPast
    {
        $care = $mould->care ?? [];
        $at = static fn (string $act): int => $care[$act]['at_ms'] ?? 0;
        $bases = array_unique(
            array_filter(
                array_map(
                    static fn (array $part): ?string => in_array($part['role'], ['whole', 'half'], true) ? $part['base'] : null,
                    $mould->parts,
                ),
            ),
        );

        [$out, $isEarly] = $this->youth($mould, $now);

        return new MouldPast(
            $mould->casts, array_map(static fn (array $one): int => max(0, $mould->casts - $one['casts']), $care),
            $at('washed') > $at('dried'), $at('released') === 0 || $at('washed') > $at('released'),
            $mould->hot_at === null ? null : $mould->hot_at->diffInMinutes($now),
            array_filter($mould->parts, static fn (array $part): bool => $part['role'] === 'jacket' || $part['role'] === 'half') !== [],
            count($bases) > 1,
            $out === null ? null : max(0.0, $out->diffInMinutes($now) / 60.0), $isEarly, $mould->condition,
            array_values(array_filter(array_map(static fn (string $mark): ?MouldMark => MouldMark::tryFrom($mark), $mould->marks ?? []))),
            $this->library->bearsHeat($mould->material ?? ''), $cast === null ? null : $this->library->way($cast)->heat?->to,
        );
    }

    /**
     * When its last part came out of its own mould, and whether one was opened before its own clock and is not through with it.
     *
     * @return array{CarbonImmutable|null, bool}
     */
    private function youth(Mould $mould, CarbonImmutable $now): array
    {
        $pours = Pour::query()
            ->whereKey(array_values(array_filter(array_column($mould->parts, 'pour_id'))))
            ->whereNotNull('met_at')
            ->get(['id', 'workshop_id', 'met_at', 'opened_at', 'plan']);
        $isEarly = $pours->contains(function (Pour $pour) use ($now): bool {
            $clock = FrozenPlan::legible($pour)?->clock;
            if ($clock === null || $pour->met_at === null || $pour->opened_at === null) {
                return false;
            }
            $opens = $this->clock->from($pour->met_at, $clock, Milestone::Demould);
            $through = $this->clock->from($pour->met_at, $clock, Milestone::Service) ?? $opens;

            return $opens !== null && $pour->opened_at < $opens->low() && $now < $through?->likely();
        });
        $opened = $pours->map(static fn (Pour $pour): ?CarbonImmutable => $pour->opened_at)->filter()->max();

        // Of one that was taken onto the rack as it is nobody knows how old it is.
        return [$opened instanceof CarbonImmutable ? $opened : null, $isEarly];
    }

    /**
     * As ticks of a run's checklist.
     *
     * @return list<Item>
     */
    public function checklist(Mould $mould, string $base, CarbonImmutable $now): array
    {
        return array_map(static fn (CareRule $rule): array => [
            'id' => sprintf('care-%d-%s-%s', $mould->id, $rule->act->value ?? 'look', $rule->id),
            'text' => "{$mould->name} ({$mould->code()}): {$rule->text} {$rule->why}", 'minutes' => 0.0,
            ...($rule->act === null ? [] : ['care' => $rule->act->value, 'mould' => $mould->id]),
        ], $this->of($mould, $base, $now));
    }
}
