<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Cure\Milestone;
use App\Models\Workshop;
use App\Workshop\ContactBook;
use App\Workshop\CureClock;
use App\Workshop\DrawerCards;
use App\Workshop\KnownSwatch;
use App\Workshop\Recipes;
use App\Workshop\RoomTemperature;
use Carbon\CarbonImmutable;

/** What waits to be read beside the pours: test patches whose time has come, pucks that can come out of their forms, pucks that have settled. */
final readonly class SmallThings
{
    /** Silicones go on hardening for about a day after they can be opened. */
    private const SETTLED_H = 24;

    /** A swatch nobody read for so long is kept for its looks. */
    private const FORGOTTEN_DAYS = 30;

    /** As many as a bench holds unread. */
    private const MOST = 120;

    public function __construct(private Workshop $workshop, private DrawerCards $cards, private Recipes $recipes, private ContactBook $contacts, private CureClock $clock, private RoomTemperature $room) {}

    /** @return list<array{what: string, href: string, count: int}> */
    public function due(CarbonImmutable $now): array
    {
        $knowledge = $this->contacts->knowledge();
        $due = [];
        foreach ($this->workshop->testPatches()->whereNull('passed')->where('due_at', '<=', $now->format('Y-m-d H:i:s.v'))->orderBy('due_at')->get() as $patch) {
            $due[] = ['what' => sprintf('Read the test patch of %s on %s', $knowledge->families[$patch->fresh]->name ?? $patch->fresh, $knowledge->surfaces[$patch->surface]->name ?? $patch->surface), 'href' => '/contacts#patches', 'count' => 1];
        }
        $pucks = [];
        $unread = $this->cards->all()->where('unread', true)->where('poured_at', '>=', $now->subDays(self::FORGOTTEN_DAYS)->format('Y-m-d H:i:s.v'))
            ->with('swatch.version.formula')->orderBy('swatch_id')->limit(self::MOST)->get();
        foreach ($unread as $card) {
            $known = new KnownSwatch($card->swatch, $this->recipes->of($card->swatch->version));
            $does = $this->does($known, $now);
            if ($does !== null) {
                $pucks[$known->swatch->version->formula->name][$does][] = $known->swatch->id;
            }
        }
        foreach ($pucks as $formula => $by) {
            foreach ($by as $does => $ids) {
                $due[] = ['what' => sprintf($does, count($ids) === 1 ? 'A swatch' : count($ids).' swatches', $formula), 'href' => "/swatches/drawer#swatch-{$ids[0]}", 'count' => count($ids)];
            }
        }

        return $due;
    }

    private function does(KnownSwatch $known, CarbonImmutable $now): ?string
    {
        $swatch = $known->swatch;
        if ($known->recipe === null) {
            return null;
        }
        if ($swatch->demoulded_at !== null) {
            return $swatch->demoulded_at->addHours(self::SETTLED_H)->lte($now) ? '%s of %s can be read' : null;
        }
        $opens = $this->room->since($swatch->poured_at)->reaches(Milestone::Demould, $this->clock->model($known->recipe->base));

        return $opens !== null && $swatch->poured_at->addMinutes((int) ceil($opens->likely->min))->lte($now) ? '%s of %s can come out of the form' : null;
    }
}
