<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Surface;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mould\MouldKind;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Workshop;
use App\Studies\StudiedPiece;
use App\Types\View;

/** What a job already says of its piece, for the question how it is made. */
final readonly class PlanItView implements View
{
    public function __construct(private Job $job, private Library $library, private ContactBook $contacts, private Workshop $workshop) {}

    /**
     * @return array{
     *     job: array{id: int, edition: int, name: string, quantity: int, skin: bool, due_on: string|null},
     *     studied: array{
     *         size_mm: array{float, float, float}, volume_ml: float, area_mm2: float, undercut_depth_mm: float, stretch_pct: float|null,
     *         name: string, model: int,
     *     }|null,
     *     original: string, cast: string|null, family: string, surfaces: array<string, string>, families: array<string, string>,
     *     bases: list<array{code: string, name: string, family: string, mould: bool}>, kinds: array<string, string>, vacuum: bool,
     *     priced: bool,
     * }
     */
    public function toArray(): array
    {
        $this->job->load('impressions');
        $knowledge = $this->contacts->knowledge();
        $cast = $this->library->shelf()->bases[$this->job->impressions->firstWhere('kind', ImpressionKind::Cast)->material ?? ''] ?? null;

        $chemistries = array_merge(
            ...array_map(static fn (MouldKind $kind): array => $kind->chemistry, array_values($this->library->moulds()->kinds)),
        );

        return [
            'job' => [
                'id' => $this->job->id, 'edition' => $this->job->edition, 'name' => $this->job->name, 'quantity' => $this->job->quantity,
                'skin' => $this->job->skin, 'due_on' => $this->job->due_on?->toDateString(),
            ],
            'studied' => StudiedPiece::of($this->job->id)?->toArray(),
            // Of what nobody said it is, the usual is proposed.
            'original' => (
                $this->job->impressions->firstWhere('kind', ImpressionKind::Original)->surface ?? ''
            ) ?: $this->library->usual('original'),
            'cast' => $cast?->code, 'family' => $cast->family ?? $this->library->usual('casting'),
            'surfaces' => array_map(static fn (Surface $surface): string => $surface->name, $knowledge->surfaces),
            'families' => array_map(static fn (Family $family): string => $family->name, $knowledge->families),
            'bases' => array_values(
                array_map(
                    static fn (BaseSheet $base): array => [
                        'code' => $base->code, 'name' => $base->name, 'family' => $base->family,
                        'mould' => in_array($base->family, $chemistries, true),
                    ],
                    $this->library->atHand()->bases,
                ),
            ),
            'kinds' => array_map(
                static fn (MouldKind $kind): string => $kind->name,
                array_intersect_key($this->library->moulds()->kinds, $this->library->ways()->kinds),
            ),
            'vacuum' => $this->workshop->vacuum === true, 'priced' => $this->workshop->hour_rate !== null,
        ];
    }
}
