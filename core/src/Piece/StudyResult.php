<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\ReadMesh;
use Apalos\Core\Mesh\Survey;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Water\FloatResult;

/** All that a mesh told, with the mesh it was read from. */
final readonly class StudyResult
{
    /**
     * @param  list<Undercuts>  $pulls  the one that counts first
     * @param  array{mm: float, at: array{float, float, float}|null}  $depth
     * @param  list<Poured>  $pours  the one that counts first
     * @param  array{float, float}  $halves  ml below and above the parting
     * @param  array{pct: float, opening_mm: float, passes_mm: float, opening_at_mm: float, passes_at_mm: float}  $stretch
     * @param  list<Phrase>  $words
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public ReadMesh $read,
        public Survey $survey,
        public array $pulls,
        public array $depth,
        public Parting $parting,
        public array $pours,
        public array $halves,
        public array $stretch,
        public MouldBlock $block,
        public ?FloatResult $rests,
        public array $words,
        public array $warnings,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $pull = $this->pulls[0];

        return [
            'triangles' => $this->read->triangles,
            'unit' => $this->read->unit->value,
            'bbox_mm' => $this->survey->bounds->size(),
            'least_mm' => $this->survey->bounds->least,
            'area_mm2' => $this->survey->area,
            'volume_ml' => $this->survey->volume,
            'centre_mm' => $this->survey->centre,
            'watertight' => $this->survey->watertight(),
            'open_edges' => $this->survey->open,
            'shells' => $this->survey->shells,
            'united' => $this->survey->united,
            'flipped' => $this->survey->flipped,
            'pull' => [
                'axis' => $pull->facing->along->toArray(),
                'undercut_area_pct' => $pull->pct(),
                'undercut_depth_mm' => $this->depth['mm'],
                'parting' => $this->parting->toArray(),
            ],
            'pulls' => array_map(
                static fn (Undercuts $seen): array => ['axis' => $seen->facing->along->toArray(), 'undercut_area_pct' => $seen->pct()],
                $this->pulls,
            ),
            'pours' => array_map(static fn (Poured $poured): array => $poured->toArray(), $this->pours),
            'halves' => ['below_ml' => $this->halves[0], 'above_ml' => $this->halves[1]],
            'stretch' => [
                'needed_pct' => $this->stretch['pct'], 'opening_mm' => $this->stretch['opening_mm'],
                'passes_mm' => $this->stretch['passes_mm'],
            ],
            'box' => ['inner_mm' => $this->block->inner, 'margin_mm' => $this->block->margin, 'rubber_ml' => $this->block->rubber()],
            'mould' => $this->block->toArray(),
            ...($this->rests === null ? [] : ['float' => $this->rests->toArray()]),
            'words' => $this->words,
            'warnings' => Warning::all($this->warnings),
        ];
    }
}
