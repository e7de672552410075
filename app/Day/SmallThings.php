<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Contacts\PatchClock;
use App\Facts\Seals;
use App\Library\Library;
use App\Lists\Rows;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Swatches\SwatchDigests;
use Carbon\CarbonImmutable;

/**
 * What waits to be read beside the pours: test patches whose time has come, pucks that can come out of their forms, pucks that have
 * settled.
 */
final readonly class SmallThings
{
    /** Silicones go on hardening for about a day after they can be opened. */
    private const SETTLED_H = 24;

    /** A swatch nobody read for so long is kept for its looks. */
    private const FORGOTTEN_DAYS = 30;

    /** As many as a bench holds unread. */
    private const MOST = 120;

    /** What a swatch waits for, of one and of several. */
    private const DOES = [
        'read' => ['bench.swatch_can_be_read', 'bench.swatches_can_be_read'],
        'demould' => ['bench.swatch_can_come_out', 'bench.swatches_can_come_out'],
    ];

    public function __construct(
        private SwatchDigests $digests,
        private Library $library,
        private ContactBook $contacts,
        private CureClock $clock,
        private RoomTemperature $room,
        private PatchClock $patchClock,
    ) {}

    /** @return list<array{what: Phrase, href: string, count: int}> */
    public function due(CarbonImmutable $now): array
    {
        return [...$this->patches($now), ...$this->pucks($now), ...self::nobody()];
    }

    /** @return list<array{what: Phrase, href: string, count: int}> asked where a record is older than its people, and stops no one */
    private static function nobody(): array
    {
        $isOlder = ! Rows::of('people')->exists() && Rows::of('anchors')->where('note', Seals::AS_THEY_WERE)->exists();

        return $isOlder ? [['what' => Phrase::of('bench.nobody_known_here_name'), 'href' => '/people', 'count' => 1]] : [];
    }

    /** @return list<array{what: Phrase, href: string, count: int}> */
    private function patches(CarbonImmutable $now): array
    {
        $due = [];
        foreach (Rows::of('test_patches')->whereNull('passed')->orderBy('due_at')->limit(self::MOST)->get([
            'fresh', 'surface', 'base', 'put_on_at',
        ]) as $patch) {
            if (
                $this->patchClock->due(
                    $patch->base === null ? null : (string) $patch->base, CarbonImmutable::parse((string) $patch->put_on_at, 'UTC'),
                ) > $now
            ) {
                continue;
            }
            $knowledge = $this->contacts->knowledge();
            $due[] = [
                'what' => Phrase::of('bench.read_test_patch', [
                    'fresh' => $knowledge->families[$patch->fresh]->name ?? (string) $patch->fresh,
                    'surface' => $knowledge->surfaces[$patch->surface]->name ?? (string) $patch->surface,
                ]),
                'href' => '/contacts#patches', 'count' => 1,
            ];
        }

        return $due;
    }

    /** @return list<array{what: Phrase, href: string, count: int}> those of a formula together */
    private function pucks(CarbonImmutable $now): array
    {
        $unread = $this->digests
            ->all()
            ->join('swatches', 'swatches.id', '=', 'swatch_digests.swatch_id')
            ->join('formula_versions', 'formula_versions.id', '=', 'swatches.formula_version_id')
            ->join('formulas', 'formulas.id', '=', 'formula_versions.formula_id')
            ->where('swatch_digests.unread', true)->whereNotNull('swatch_digests.base_code')->where(
                'swatch_digests.poured_at', '>=', $now->subDays(self::FORGOTTEN_DAYS)->format('Y-m-d H:i:s.v'),
            )
            ->orderBy('swatch_digests.swatch_id')
            ->limit(self::MOST)
            ->toBase()
            ->get(['swatch_digests.swatch_id', 'swatch_digests.base_code', 'swatches.poured_at', 'swatches.demoulded_at', 'formulas.name']);
        $pucks = [];
        foreach ($unread as $puck) {
            $does = $this->does(
                (string) $puck->base_code, CarbonImmutable::parse((string) $puck->poured_at, 'UTC'),
                $puck->demoulded_at === null ? null : CarbonImmutable::parse((string) $puck->demoulded_at, 'UTC'), $now,
            );
            if ($does !== null) {
                $pucks[(string) $puck->name][$does][] = (int) $puck->swatch_id;
            }
        }
        $due = [];
        foreach ($pucks as $formula => $by) {
            foreach ($by as $does => $ids) {
                $due[] = [
                    'what' => Phrase::of(self::DOES[$does][count($ids) === 1 ? 0 : 1], ['n' => count($ids), 'formula' => $formula]),
                    'href' => "/swatches/drawer#swatch-{$ids[0]}", 'count' => count($ids),
                ];
            }
        }

        return $due;
    }

    /** @return key-of<self::DOES>|null */
    private function does(string $code, CarbonImmutable $poured, ?CarbonImmutable $demoulded, CarbonImmutable $now): ?string
    {
        if ($demoulded !== null) {
            return $demoulded->addHours(self::SETTLED_H)->lte($now) ? 'read' : null;
        }
        $base = $this->library->shelf()->bases[$code] ?? null;
        $opens = $base === null ? null : $this->room->since($poured)->reaches(Milestone::Demould, $this->clock->model($base));

        return $opens !== null && $poured->addMinutes((int) ceil($opens->likely->min))->lte($now)
            ? 'demould'
            : null;
    }
}
