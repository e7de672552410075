<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Against;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationKind;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Build\Part;
use App\Library\Library;
use App\Models\Pour;
use App\Models\PourState;

/**
 * A build cut open: its layers as they lie on one another.
 *
 * @phpstan-type SectionLayer array{
 *     id: string, kind: string, name: string, thickness_mm: float, colour: string, state: string, jacket: bool, half: bool,
 * }
 */
final readonly class InSection
{
    private const BARE = '#cfc4ae';

    public function __construct(private Layers $layers, private Library $library) {}

    /** @return list<SectionLayer> what lies on what, from the original outwards, as thick as it really was laid */
    public function of(RecordedBuild $recorded): array
    {
        $layers = [];
        foreach ($recorded->state->operations as $stands) {
            $operation = $stands->operation;
            if ($operation->mixing === null || ($operation->mixing->against === Against::Tray && ! $operation->isJacket())) {
                continue;
            }
            $pour = $recorded->pours[$operation->id] ?? null;
            $layers[] = [
                'id' => $operation->id, 'kind' => $operation->kind->value, 'name' => $operation->name,
                'thickness_mm' => (
                    $operation->mixing->thickness ?? ($operation->kind === OperationKind::Pour ? 8.0 : 1.0)
                ) * self::really($operation, $pour),
                'colour' => $this->colour($recorded, $operation),
                'state' => match (true) {
                    $stands->state === OperationState::Done => 'laid', $stands->state === OperationState::UnderWay => 'wet',
                    $stands->state === OperationState::LeftOut => 'left_out', default => 'planned',
                },
                'jacket' => $operation->isJacket(), 'half' => $operation->mixing->part === Part::Half,
            ];
        }

        $there = array_values(array_filter($layers, static fn (array $layer): bool => $layer['state'] !== 'left_out'));
        // A shell stands outside, also where it stood there first.
        usort($there, static fn (array $one, array $other): int => $one['jacket'] <=> $other['jacket']);

        return $there;
    }

    /**
     * How much thicker or thinner than planned it really lies: by what was weighed, without what was left in the cup; where nobody weighed
     * that, as much as the plan allows for it stayed there.
     */
    private static function really(Operation $operation, ?Pour $pour): float
    {
        $sg = is_array($run = $pour->plan['run'] ?? null) && is_numeric($run['sg'] ?? null) ? (float) $run['sg'] : null;
        $planned = $operation->mixing?->volume();
        if (
            $pour === null
            || ! in_array($pour->state, [PourState::Laid, PourState::Graded], true)
            || $pour->weighed_g === null
            || $sg === null
            || $sg <= 0.0
            || $planned === null
            || $planned <= 0.0
        ) {
            return 1.0;
        }
        $weighed = $pour->used_g !== null && $pour->used_g < $pour->weighed_g
            ? $pour->used_g
            : $pour->weighed_g / (1.0 + OperationSheet::COATS_ALLOW_PCT / 100.0);

        return max(0.2, min(3.0, $weighed / $sg / $planned));
    }

    private function colour(RecordedBuild $recorded, Operation $operation): string
    {
        $tint = $this->library->shelf()->additives["pi-{$operation->mixing?->tint}"] ?? null;

        return $tint->colour ?? $this->layers->base($recorded, $operation)->colour ?? self::BARE;
    }
}
