<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\PhraseData;
use App\Models\Study;
use App\Types\View;

/**
 * A question asked of a model, how far it is, and its answer.
 *
 * @phpstan-type Place array{float, float, float}
 * @phpstan-type StudyWarningShape array{code: string, message: Phrase}
 * @phpstan-type TrapShape array{at: Place, prominence_mm: float, trapped_ml: float, kind: string, vent: bool}
 * @phpstan-type PouredShape array{up: Place, spout_at: Place, traps: list<TrapShape>, trapped_ml: float, vents: int}
 * @phpstan-type WayShape array{at: Place, to: Place, length_mm: float}
 * @phpstan-type MouldBlockShape array{
 *     inner_mm: Place, margin_mm: float, seam_mm: float, stepped: bool, lower_ml: float, upper_ml: float, keys: list<Place>, key_mm: float,
 *     spout: array{at: Place, to: Place, length_mm: float, reservoir_ml: float}, vents: list<WayShape>, fill_mm: float, locks_pct?: float,
 *     warnings: list<StudyWarningShape>
 * }
 * @phpstan-type FloatShape array{
 *     floats: bool, up: Place|null, level_mm: float, wet_ml: float, dry_ml: float, draught_mm: float, freeboard_mm: float, stable: bool,
 * }
 * @phpstan-type StudyAnswerShape array{
 *     triangles: int, unit: string, bbox_mm: Place, least_mm: Place, area_mm2: float, volume_ml: float, centre_mm: Place,
 *     watertight: bool, open_edges: int, shells: int, flipped: int,
 *     pull: array{
 *         axis: Place, undercut_area_pct: float, undercut_depth_mm: float,
 *         parting: array{flat: bool, z_range_mm: array{float, float}, loops: int},
 *     },
 *     pulls: list<array{axis: Place, undercut_area_pct: float}>, pours: list<PouredShape>, halves: array{below_ml: float, above_ml: float},
 *     stretch: array{needed_pct: float, opening_mm: float, passes_mm: float}, mould: MouldBlockShape, float: FloatShape|null,
 *     seam: list<list<float>>, deepest: Place|null,
 *     frame: array{across: Place, other: Place, along: Place, least: Place, most: Place, plane: float},
 *     opening: array{at: float, girth: float}, passing: array{at: float, girth: float}, words: list<Phrase>,
 *     warnings: list<StudyWarningShape>
 * }
 * @phpstan-type StudyAskedShape array{
 *     pull: string|null, pour: string|null, one_part: bool, school: string|null, wall_mm: float|null, shore_a: float|null,
 *     seam_mm: float|null, float: array{mass_g: float, centre_mm: Place|null, water_sg: float}|null,
 * }
 */
final readonly class StudyView implements View
{
    public function __construct(private Study $study) {}

    /**
     * @return array{
     *     id: int, state: 'waiting'|'running'|'done'|'refused'|'cancelled', done: int, doing: string|null, asked: StudyAskedShape,
     *     wrong: Phrase|null, answer: StudyAnswerShape|null,
     * }
     */
    public function toArray(): array
    {
        /** @var 'waiting'|'running'|'done'|'refused'|'cancelled' $state */
        $state = $this->study->state;
        $wrong = PhraseData::back($this->study->wrong);
        /** @var StudyAnswerShape|null $answer */
        $answer = PhraseData::back($this->study->answer);
        /** @var StudyAskedShape $asked */
        $asked = $this->study->asked
            + [
                'pull' => null, 'pour' => null, 'one_part' => false, 'school' => null, 'wall_mm' => null, 'shore_a' => null,
                'seam_mm' => null, 'float' => null,
            ];

        return [
            'id' => $this->study->id, 'state' => $state, 'done' => $this->study->done, 'doing' => $this->study->doing, 'asked' => $asked,
            'wrong' => $wrong instanceof Phrase ? $wrong : null,
            'answer' => $answer === null ? null : [...$answer, 'float' => $answer['float'] ?? null],
        ];
    }
}
