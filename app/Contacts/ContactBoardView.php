<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Models\OwnRule;
use App\Models\TestPatch;
use App\Models\Workshop;
use App\Types\View;

/** The contact board: every fresh material on every surface, each with its verdict, and what the shop has tested. */
final readonly class ContactBoardView implements View
{
    /** Those that wait to be read, and the newest of the others. */
    private const PATCHES = 60;

    public function __construct(
        private ContactBook $contacts,
        private Library $library,
        private Workshop $workshop,
        private PatchClock $clock,
    ) {}

    /**
     * @return array{
     *     fresh: list<array{id: string, name: string, groups: list<string>}>,
     *     surfaces: list<array{id: string, name: string, groups: list<string>, bears_c: float|null}>,
     *     cells: array<string, array<string, array{verdict: string, in_short: Phrase, tested: bool|null}>>,
     *     patches: list<array{
     *         id: int, fresh: string, surface: string, base: string|null, sealed_with: string|null, release: string|null, place: string,
     *         put_on_ms: int, due_ms: int, passed: bool|null, note: string, photo: bool, edition: int,
     *     }>,
     *     releases: array<string, string>, sealers: array<string, string>, bases: list<array{code: string, name: string, family: string}>,
     *     own_rules: list<array{id: int, name: string, text: string}>
     * }
     */
    public function toArray(): array
    {
        $knowledge = $this->contacts->knowledge();

        return [
            'fresh' => array_values(
                array_map(static fn ($f): array => ['id' => $f->id, 'name' => $f->name, 'groups' => $f->groups], $knowledge->families),
            ),
            'surfaces' => array_values(
                array_map(
                    static fn ($s): array => ['id' => $s->id, 'name' => $s->name, 'groups' => $s->groups, 'bears_c' => $s->bears?->degrees],
                    $knowledge->surfaces,
                ),
            ),
            'cells' => $this->contacts->board(),
            'patches' => array_values($this->workshop->testPatches()->orderByRaw(
                'case when passed is null then 0 else 1 end',
            )->orderByDesc('id')->limit(self::PATCHES)->get()->map(fn (TestPatch $patch): array => [
                'id' => $patch->id, 'fresh' => $patch->fresh, 'surface' => $patch->surface, 'base' => $patch->base,
                'sealed_with' => $patch->sealed_with, 'release' => $patch->released_with, 'place' => $patch->place ?? '',
                'put_on_ms' => (int) $patch->put_on_at->getTimestampMs(),
                'due_ms' => (int) (
                    $patch->passed === null ? $this->clock->due($patch->base, $patch->put_on_at) : $patch->due_at
                )->getTimestampMs(),
                'passed' => $patch->passed, 'note' => $patch->note ?? '', 'photo' => $patch->photo !== null, 'edition' => $patch->edition,
            ])->all()),
            'releases' => array_map(static fn ($r): string => $r->name, $knowledge->releases),
            'sealers' => array_map(static fn ($s): string => $s->name, $knowledge->sealers),
            'bases' => array_values(
                array_map(
                    static fn ($b): array => ['code' => $b->code, 'name' => $b->name, 'family' => $b->family],
                    $this->library->atHand()->bases,
                ),
            ),
            'own_rules' => array_values($this->workshop->ownRules()->orderBy('id')->get()->map(static fn (OwnRule $own): array => [
                'id' => $own->id, 'name' => $own->name, 'text' => is_string($own->rule['text'] ?? null) ? $own->rule['text'] : '',
            ])->all()),
        ];
    }
}
