<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Series;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/**
 * What was asked for goes onto the bench, with the sheets, the scale, the room and the clock it was planned for: from here on its plan
 * stays.
 */
final readonly class BeginSeries
{
    public function __construct(private Workshop $workshop, private SeriesBook $book) {}

    /**
     * @param  Fields  $in  as for a plan, and `thickness_mm`
     *
     * @throws BadInput
     */
    public function __invoke(Fields $in, CarbonImmutable $now): Series
    {
        $question = Fields::of(array_diff_key($in->toArray(), ['thickness_mm' => 0]));

        return $this->workshop->series()->create([
            'question' => $question->toArray(), 'plan' => $this->book->frozen($question),
            'thickness_mm' => $in->numberOrNull('thickness_mm', 0.05, 200.0), 'begun_at' => $now,
        ]);
    }
}
