<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\RetiredWhy;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Facts\AppendFact;
use App\Models\Impression;
use App\Models\Mould;
use App\Models\Pour;
use App\PourSheets\PlanPour;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Retires a mould and plans the next from the same original, part for part with what the last took. */
final readonly class RemakeMould
{
    public function __construct(private Rack $rack, private PlanPour $plan, private AppendFact $append, private MouldStreams $moulds) {}

    /**
     * @return Pour the sheet of its first part
     *
     * @throws BadInput where there is nothing to make it from
     * @throws \App\Facts\StepHasMoved
     */
    public function __invoke(Mould $mould, string $why, CarbonImmutable $now): Pour
    {
        $link = $mould->impression;
        $group = $link === null ? null : $this->rack->groups($link->job)->with($link->id);
        if ($link === null || $group === null || $link->trashed() || $link->job->trashed()) {
            throw BadInput::at('remake', Phrase::of('bench.link_is_put_away'));
        }
        if ($group->from?->gone_at !== null) {
            throw BadInput::at('remake', Phrase::of('bench.source_is_gone', ['name' => $group->from->name]));
        }

        return DB::transaction(function () use ($mould, $why, $group, $now): Pour {
            if ($mould->retired_at === null) {
                $this->append->tell(
                    $this->moulds, $mould->id, 'retired',
                    ['why' => (RetiredWhy::tryFrom($why) ?? RetiredWhy::Worn)->value, 'note' => ''], $now,
                );
            }
            $planned = array_map(fn (Impression $link): Pour => ($this->plan)($link), $group->poured());

            return $planned[0];
        }, 3);
    }
}
