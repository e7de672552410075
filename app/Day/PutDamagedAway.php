<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Builds\RecordedBuild;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\PourSheets\PourSheetReckoner;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use TypeError;
use ValueError;

/** A record nobody can read leaves the bench: nothing of it is changed but where it stands, and it can be had back. */
final readonly class PutDamagedAway
{
    /** @throws BadInput for one that can be read */
    public function pour(Pour $pour): void
    {
        DB::transaction(function () use ($pour): void {
            $pour = Pour::query()->lockForUpdate()->findOrFail($pour->id);
            if ($pour->state === PourState::Draft) {
                $this->draft($pour);

                return;
            }
            RecordedRun::legible([$pour])[1] !== [] || throw self::whole();
            // Pressed twice, it still knows where it stood; and what is not on the bench stays where it is.
            if ($pour->state === PourState::GivenUp) {
                return;
            }
            $pour->state !== PourState::Graded || throw BadInput::at('damaged', Phrase::of('bench.not_on_bench_any_more'));
            self::keep($pour, ['state' => $pour->state->value]);
            DB::table('pours')->where('id', $pour->id)->update(['state' => PourState::GivenUp->value]);
        });
    }

    /** A sheet nobody can read was never poured: its row goes, and is kept as it stood until it is had back. */
    private function draft(Pour $pour): void
    {
        try {
            app(PourSheetReckoner::class)->reckon($pour->sheet);
        } catch (BadInput|TypeError|ValueError) {
            self::keep($pour, ['row' => json_encode((array) DB::table('pours')->where('id', $pour->id)->first(), JSON_THROW_ON_ERROR)]);
            DB::table('pours')->where('id', $pour->id)->delete();

            return;
        }
        throw self::whole();
    }

    public function pourBack(int $pour): void
    {
        DB::transaction(static function () use ($pour): void {
            $kept = Rows::of('damaged_pours')->where('pour_id', $pour)->lockForUpdate()->first();
            if ($kept === null) {
                return;
            }
            $row = json_decode((string) $kept->row, true);
            is_array($row) && DB::table('pours')->insertOrIgnore($row);
            $kept->state === null || Rows::of('pours')->where('id', $pour)->update(['state' => $kept->state]);
            Rows::of('damaged_pours')->where('pour_id', $pour)->delete();
        });
    }

    /** @param  array{state?: string, row?: string}  $stood */
    private static function keep(Pour $pour, array $stood): void
    {
        DB::table('damaged_pours')->upsert(
            [['pour_id' => $pour->id, 'workshop_id' => $pour->workshop_id, 'state' => null, 'row' => null, ...$stood]], ['pour_id'],
            ['state', 'row'],
        );
    }

    /** @throws BadInput for one that can be read */
    public function build(Build $build, CarbonImmutable $now): void
    {
        RecordedBuild::legible([$build], $now)[1] !== [] || throw self::whole();
        Build::query()->whereKey($build->id)->whereNull('ended_at')->update(['ended_at' => $now]);
    }

    public function buildBack(Build $build, CarbonImmutable $now): void
    {
        RecordedBuild::legible([$build], $now)[1] !== [] || throw self::whole();
        Build::query()->whereKey($build->id)->update(['ended_at' => null]);
    }

    private static function whole(): BadInput
    {
        return BadInput::at('damaged', Phrase::of('bench.record_can_be_read'));
    }
}
