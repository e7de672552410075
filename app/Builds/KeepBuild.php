<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\ReadyMade;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\OwnBuild;
use Carbon\CarbonImmutable;

/** Keeps a build as one of the shop's own ways, as it stands now; of the same name, the newer one counts. */
final readonly class KeepBuild
{
    private const MOST = 100;

    /** @throws BadInput without a name, or where so many of other names are kept */
    public function __invoke(RecordedBuild $recorded, Fields $in, CarbonImmutable $now): OwnBuild
    {
        $name = mb_substr($in->only('name')->text('name'), 0, 120);
        $impression = $recorded->build->impression;
        $made = [
            'name' => $name, 'makes' => [$impression->kind->value],
            'what' => "As it was built for {$impression->job->name}, {$impression->name}.", 'asks' => [],
            'operations' => $recorded->state->plan->toArray()['operations'],
        ];
        if ($impression->material !== null && $impression->material !== '') {
            $made['base'] = $impression->material;
        }
        // What is kept can be taken: read once as it will be read then.
        ReadyMade::from('own', Fields::of($made));
        if (OwnBuild::query()->where('name', '!=', $name)->count() >= self::MOST) {
            throw BadInput::at('name', Phrase::of('bench.enough_ways_kept'));
        }

        return OwnBuild::query()->updateOrCreate(['name' => $name], ['made' => $made, 'created_at' => $now]);
    }
}
