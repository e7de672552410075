<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Typed;
use App\Workshop\RecordedBuild;
use App\Workshop\RecordedRun;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** A record nobody can read leaves the bench: nothing of it is changed but where it stands, and it can be had back. */
final readonly class PutDamagedAway
{
    /** @throws BadInput for one that can be read */
    public function pour(Pour $pour): void
    {
        DB::transaction(static function () use ($pour): void {
            $pour = Pour::query()->lockForUpdate()->findOrFail($pour->id);
            RecordedRun::legible([$pour])[1] !== [] || throw self::whole();
            Typed::query()->updateOrCreate(['screen' => "damaged/{$pour->id}"], ['what' => ['state' => $pour->state->value]]);
            DB::table('pours')->where('id', $pour->id)->update(['state' => PourState::GivenUp->value]);
        });
    }

    public function pourBack(Pour $pour): void
    {
        DB::transaction(static function () use ($pour): void {
            $kept = Typed::query()->where('screen', "damaged/{$pour->id}")->lockForUpdate()->first();
            $state = PourState::tryFrom(is_string($said = $kept?->what['state'] ?? null) ? $said : '');
            if ($state !== null) {
                DB::table('pours')->where('id', $pour->id)->update(['state' => $state->value]);
            }
            $kept?->delete();
        });
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
        return BadInput::at('damaged', Phrase::written('It can be read: go on with it, or give it up on its own page.'));
    }
}
