<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Models\Series;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The first drawdowns of a base in one press: a ladder of each pigment that was never drawn down in it, and the base bare, once. */
final readonly class FirstDrawdowns
{
    public function __construct(private BeginSeries $begin, private SeriesBook $book, private Library $library, private Undrawn $undrawn) {}

    /**
     * @param  Fields  $in `base`, `load` (of each pigment, as its base counts it), `steps` (% of the load), `puck_ml`, `spare_pct`,
     *   `mix_min`, `thickness_mm`
     * @return list<Series>
     *
     * @throws BadInput where there is nothing to draw down, or more than a bench holds
     */
    public function __invoke(Fields $in, CarbonImmutable $now): array
    {
        $in->only('base', 'load', 'steps', 'puck_ml', 'spare_pct', 'mix_min', 'thickness_mm');
        $base = $this->library->shelf()->base($in->text('base'));
        $pigments = $this->undrawn->in($base);
        $steps = array_values(array_filter($in->numbers('steps', 0.0, 100.0), static fn (float $step): bool => $step > 0.0));
        if ($pigments === [] || $steps === []) {
            throw BadInput::at(
                'pigments',
                $steps === []
                    ? Phrase::of('bench.say_shares_full_load')
                    : Phrase::of('bench.every_pigment_your_shelf', ['base' => $base->name]),
            );
        }
        $limit = $base->limitFor(AdditiveRole::Pigment);

        return DB::transaction(function () use ($in, $base, $pigments, $steps, $limit, $now): array {
            $room = SeriesBook::MOST_LIVE - count($this->book->live());
            if (count($pigments) > $room) {
                throw BadInput::at(
                    'pigments',
                    Phrase::of('bench.ladders_would_stand_bench', ['n' => count($pigments), 'most' => SeriesBook::MOST_LIVE]),
                );
            }
            $bare = ! $this->undrawn->isBareKnown($base);
            $made = [];
            foreach ($pigments as $i => $code) {
                $made[] = ($this->begin)(Fields::of([
                    'kind' => 'tint', 'pigments' => [$code], 'steps' => $i === 0 && $bare ? [0.0, ...$steps] : $steps,
                    'recipe' => [
                        'base' => $base->code,
                        'additives' => [
                            [
                                'code' => $code, 'amount' => $in->positive('load', 100.0),
                                'basis' => $limit->basis->value ?? 'pct_of_total', 'into' => $limit->into->value ?? 'a',
                            ],
                        ],
                    ],
                    ...array_intersect_key($in->toArray(), array_flip(['puck_ml', 'spare_pct', 'mix_min', 'thickness_mm'])),
                ]), $now);
            }

            return $made;
        }, 3);
    }
}
