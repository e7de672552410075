<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Http\Reply;
use App\Library\Library;
use App\Library\OwnShelf;
use App\Library\StockShelf;
use App\Models\Workshop;
use App\Shop\FirstView;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** The first hour: the shop, its shelf, its first job. Every step can be gone back to, and none is needed. */
final readonly class FirstController
{
    public function show(Request $request, Workshop $workshop, Library $library, OwnShelf $own, Phrasebook $words): Response
    {
        $step = $request->query('step');

        return Reply::page('first/First', [
            'first' => (
                new FirstView(
                    $workshop, $library, $own,
                    is_string($step) && in_array($step, FirstView::STEPS, true) ? $step : FirstView::reached($workshop), $words,
                )
            )->toArray(),
        ]);
    }

    public function shelf(Request $request, Workshop $workshop, Library $library, StockShelf $stock): RedirectResponse
    {
        $said = $request->validate(
            [
                'here' => ['present', 'array', 'max:2000'], 'here.*' => ['string', 'max:60'], 'seen' => ['sometimes', 'array', 'max:2000'],
                'seen.*' => ['string', 'max:60'],
            ],
            ['here.*' => Reply::say(Phrase::of('bench.tick_what_your_shelf'))],
        );
        // Surfaces are no stock: they are what there is in the world.
        $known = [
            ...$library->shelf()->bases, ...$library->shelf()->additives, ...$library->knowledge()->releases,
            ...$library->knowledge()->sealers,
        ];
        // What nobody has seen there to tick, a sheet written meanwhile, stays on the shelf.
        $seen = isset($said['seen'])
            ? array_intersect(array_map(strval(...), array_keys($known)), $said['seen'])
            : array_map(strval(...), array_keys($known));
        $stock->leaveOut(array_values(array_diff($seen, $said['here'])));
        $workshop->update(['set_up_at' => $workshop->set_up_at ?? CarbonImmutable::now()]);

        return redirect()->to('/first?step=job');
    }
}
