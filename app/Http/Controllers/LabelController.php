<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Reply;
use App\Library\Recipes;
use App\Models\Swatch;
use App\Models\Workshop;
use App\Swatches\KnownSwatch;
use App\Swatches\LabelsView;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Inertia\Response;

/** Labels of swatches, to print and stick on. */
final readonly class LabelController
{
    private const MOST = 240;

    public function __construct(private Workshop $workshop, private Recipes $recipes) {}

    public function show(Request $request): Response
    {
        $said = $request->query('ids');
        preg_match_all('/\d{1,9}/', is_string($said) ? $said : '', $found);
        $ids = array_slice(array_values(array_unique(array_map(intval(...), $found[0]))), 0, self::MOST);

        return Reply::page('swatches/Labels', ['page' => (new LabelsView(array_values(
            ($ids === [] ? $this->lastPoured() : $this->asked($ids))->map(
                fn (Swatch $swatch): KnownSwatch => new KnownSwatch($swatch, $this->recipes->of($swatch->version)),
            )->all()
        )))->toArray()]);
    }

    /**
     * @param  list<int>  $ids
     * @return Collection<int, Swatch> in the order they were asked for; one that is out of the drawer has no label
     */
    private function asked(array $ids): Collection
    {
        return $this->workshop
            ->swatches()
            ->with('version.formula')
            ->whereKey($ids)
            ->get()
            ->sortBy(static fn (Swatch $swatch): int => (int) array_search($swatch->id, $ids, true))
            ->values();
    }

    /** @return Collection<int, Swatch> the pucks of one pour are as old as each other to the moment */
    private function lastPoured(): Collection
    {
        $last = $this->workshop->swatches()->latest('id')->first();

        return $this->workshop
            ->swatches()
            ->with('version.formula')
            ->where('poured_at', $last?->getRawOriginal('poured_at'))
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();
    }
}
