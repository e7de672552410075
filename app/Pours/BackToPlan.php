<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Fact;
use App\Models\Pour;
use App\Models\PourState;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Until A meets B a run can become a plan again. What was weighed stays told: the next beginning goes on with it where it still fits. */
final readonly class BackToPlan
{
    /** @throws BadInput where something has met, or the pour has ended */
    public function __invoke(Pour $pour, CarbonImmutable $now): Pour
    {
        return DB::transaction(static function () use ($pour, $now): Pour {
            $fresh = Pour::query()->with('impression.job', 'build')->lockForUpdate()->findOrFail($pour->id);
            if ($fresh->state === PourState::Draft) {
                return $fresh;
            }
            $run = RecordedRun::of($fresh);
            if (
                $run->state->lastMetAt() !== null
                || in_array($run->state->step->kind, [StepKind::Done, StepKind::GivenUp, StepKind::Wait, StepKind::Grade], true)
            ) {
                throw BadInput::at('plan', Phrase::of('bench.a_has_met_b'));
            }
            $cups = array_filter(array_map(static fn ($cup): array => $cup->poured, $run->state->cups));
            Fact::query()->create([
                'stream' => RecordedRun::STREAM, 'stream_id' => $fresh->id, 'key' => 'replanned-'.Str::ulid(),
                'kind' => RunFactKind::Replanned->value,
                'at' => $now->max($run->facts === [] ? $now : $run->facts[count($run->facts) - 1]->at()),
                'payload' => [
                    'base' => $run->frozen->code, 'cups' => $cups, 'names' => array_map($run->frozen->called(...), self::codes($cups)),
                    'ticked' => $run->state->checked,
                ],
            ]);
            Rows::of('pour_moulds')->where('pour_id', $fresh->id)->delete();
            $isPlain = $fresh->build->plain;
            $another = $isPlain && Pour::query()->where('draft_of', $fresh->impression_id)->exists();
            $fresh->update([
                'state' => PourState::Draft, 'started_at' => null, 'plan' => null, 'snapshot_id' => null, 'formula_version_id' => null,
                'base_code' => null, 'room_c' => null, 'weighed_g' => null, 'note' => null,
                'draft_of' => $isPlain && ! $another ? $fresh->impression_id : null,
            ]);
            $isPlain && $fresh->build->update(['begun_at' => null]);

            return $fresh;
        }, 3);
    }

    /**
     * @param  array<int, array<string, float>>  $cups
     * @return array<string, string>
     */
    private static function codes(array $cups): array
    {
        $codes = array_unique(
            array_merge(
                ...array_map(static fn (array $cup): array => array_map(strval(...), array_keys($cup)), array_values($cups)), ...[[]],
            ),
        );

        return array_combine($codes, $codes);
    }
}
