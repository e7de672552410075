<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\PhraseData;
use Apalos\Core\Practice\Debrief;
use Apalos\Core\Practice\PracticeBench;
use App\Library\Library;
use App\Models\PracticeTry;
use App\People\AtPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Ends a practice: what it came to is kept, its shop goes. Asked twice, it ends once. */
final readonly class EndPractice
{
    public function __construct(private AtPractice $practice, private PracticeShop $shops, private Library $library) {}

    public function __invoke(PracticeTry $try, CarbonImmutable $now): PracticeTry
    {
        return DB::transaction(function () use ($try, $now): PracticeTry {
            $try = PracticeTry::query()->lockForUpdate()->findOrFail($try->id);
            if ($try->ended_at !== null || $try->shop_id === null) {
                return $try;
            }
            $sim = $try->clock($now);
            [$record, $truth] = $this->practice->during($try, $now, static fn (): array => [
                PracticeRecord::of($try, $sim),
                app(PracticeDesk::class)->at(
                    $try, (float) $now->format('U.u'), $sim, static fn (PracticeBench $bench): array => $bench->truth()->toArray(),
                ),
            ]);
            $asked = [
                'scenario' => $try->scenario, 'truth' => $truth, 'runs' => $record['runs'],
                ...($record['build'] === null ? [] : ['build' => $record['build']]), 'ended_min' => $try->minute($sim),
            ];
            $came = $record['runs'] === [] && ($record['build']['facts'] ?? []) === []
                ? null
                : (new Debrief($this->library->faultBook()))->ask(Fields::of($asked));
            $this->shops->clear($try->shop_id);
            $try->update([
                'record' => [...$record, 'truth' => $truth], 'came_to' => PhraseData::of($came), 'ended_at' => $now, 'sim_at' => $sim,
                'real_at' => $now, 'shop_id' => null, ...self::short($came),
            ]);

            return $try->refresh();
        }, 3);
    }

    /**
     * @param  array<string, mixed>|null  $came
     * @return array<string, mixed>
     */
    private static function short(?array $came): array
    {
        if ($came === null) {
            return [];
        }
        /**
         * @var array{
         *     would: string, findings: list<array{good: bool}>, skills: array<string, array{good: int, bad: int}>,
         *     waste: array{grams: float, money: string},
         * }  $came
         */
        $badly = array_filter($came['findings'], static fn (array $one): bool => ! $one['good']);

        return [
            'would' => $came['would'], 'well' => $came['would'] === 'good' && $badly === [], 'skills' => $came['skills'],
            'lost_g' => $came['waste']['grams'], 'lost' => $came['waste']['money'],
        ];
    }
}
