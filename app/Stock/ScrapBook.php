<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Casting\Heated;
use Apalos\Core\Casting\Scrap;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Fact;
use App\Models\Lot;
use App\Models\Pour;
use App\Models\Workshop;

/** What is left of a hot pour goes back on the shelf as a lot of its own, with the melts behind it; taken back, the lot goes too. */
final readonly class ScrapBook
{
    /** What a pot still holds is worth keeping from here on, in grams. */
    private const LEAST_G = 0.5;

    public function __construct(private Workshop $workshop, private Phrasebook $words) {}

    /** After it was graded, or the grading was taken back. */
    public function settle(RecordedRun $run): void
    {
        $scrap = self::of($run->pour);
        if ($scrap === null) {
            return;
        }
        $left = self::left($run);
        $lot = Lot::query()->with('parts')->where('of_pour_id', $run->pour->id)->lockForUpdate()->first();
        match (true) {
            $lot !== null => $this->rewrite($lot, $left, $this->remelts($run, $scrap)),
            $left >= self::LEAST_G => $this->put($run, $scrap, $left),
            default => null,
        };
    }

    /** As it was frozen when the pour began; null where what is left of it does not melt again. */
    public static function of(Pour $pour): ?Scrap
    {
        $scrap = $pour->plan['scrap'] ?? null;

        return is_array($scrap) ? Scrap::from(Fields::of($scrap)) : null;
    }

    /** @return array{id: int, label: string, grams: float, remelts: int}|null the lot that what was left of it became */
    public static function leftOf(Pour $pour): ?array
    {
        $lot = Lot::query()->with('parts')->where('of_pour_id', $pour->id)->first();
        $grams = $lot?->parts->sum('got_g') ?? 0.0;

        return $lot === null || $grams <= 0.0
            ? null
            : ['id' => $lot->id, 'label' => $lot->label(), 'grams' => (float) $grams, 'remelts' => $lot->remelts ?? 0];
    }

    /** What has scorched is no scrap, unless somebody keeps it. */
    public static function isWorthKeeping(RecordedRun $run): bool
    {
        $heat = $run->plan->heat;

        return $heat === null
            || array_filter($run->state->heated, static fn (array $readings): bool => $heat->stands($readings) === Heated::Over) === [];
    }

    /**
     * What of the lots a pour is to take was melted before, in sentences for its checklist.
     *
     * @param  array<string, list<int>>  $chosen  lots by code, in the order they are drawn from
     * @param  float  $share  of what is weighed, 0–1
     * @return list<Phrase>
     */
    public function expects(Scrap $scrap, array $chosen, float $share): array
    {
        $first = Lot::query()->find($chosen[$scrap->code][0] ?? 0);

        return $first === null || $share <= 0.0 ? [] : [$scrap->says($first->label(), $share, $first->remelts ?? 1)];
    }

    private static function left(RecordedRun $run): float
    {
        $grade = $run->state->grade;
        if ($grade === null || ! ($grade['scrap'] ?? self::isWorthKeeping($run))) {
            return 0.0;
        }
        $used = Fields::of($grade)->number('used_g');

        return max(0.0, round($run->state->weighedGrams() - $used, 3));
    }

    private function remelts(RecordedRun $run, Scrap $scrap): int
    {
        $went = Rows::of('lot_draws')
            ->join('lots', 'lots.id', '=', 'lot_draws.lot_id')
            ->where('lot_draws.pour_id', $run->pour->id)
            ->where('lot_draws.code', $scrap->code)
            ->max('lots.remelts');

        return Scrap::remelts(is_numeric($went) ? (int) $went : 0, $run->state->reheats);
    }

    private function put(RecordedRun $run, Scrap $scrap, float $left): void
    {
        $at = $run->facts[count($run->facts) - 1]->at();
        $day = $at->setTimezone($this->workshop->zone())->format('Y-m-d');
        $lot = Lot::query()->create([
            'workshop_id' => $run->pour->workshop_id, 'code' => $scrap->code, 'got_on' => $day, 'created_at' => $at,
            'of_pour_id' => $run->pour->id, 'remelts' => $this->remelts($run, $scrap),
            'note' => mb_substr(
                $this->words->say(Phrase::of('bench.left_of', [
                    'formula' => $run->frozen->formula, 'job' => $run->pour->impression->job->name, 'link' => $run->pour->impression->name,
                ])),
                0, 2000,
            ),
        ]);
        $lot->parts()->create(['workshop_id' => $lot->workshop_id, 'part' => 'A', 'got_g' => $left, 'left_g' => $left]);
        // It was paid for by the pour it is left of.
        foreach (['opened' => ['on' => $day], 'priced' => ['price' => '0.00']] as $kind => $payload) {
            Fact::query()->create([
                'stream' => RecordedLot::STREAM, 'stream_id' => $lot->id, 'key' => "first-{$kind}", 'kind' => $kind, 'at' => $at,
                'payload' => [...$payload, 'first' => true],
            ]);
        }
        RecordedLot::of($lot->load('parts'))->write();
    }

    /** Told otherwise since: as much as it is now. What was drawn from it meanwhile stays drawn. */
    private function rewrite(Lot $lot, float $left, int $remelts): void
    {
        $lot->parts->firstWhere('part', 'A')?->update(['got_g' => $left >= self::LEAST_G ? $left : 0.0]);
        $lot->update(['remelts' => $remelts]);
        RecordedLot::of($lot->load('parts'))->write();
    }
}
