<?php

declare(strict_types=1);

namespace App\Costs;

use Apalos\Core\Cost\Costing;
use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Job;

/** Another job as the other way to make a piece: so much before the first one, so much for each. */
final readonly class OtherWay
{
    public function __construct(private CostBook $costs) {}

    /**
     * @return array{name: string, fixed: string, each: mixed, complete: bool} complete where every price of it is written
     *
     * @throws BadInput
     */
    public function of(Job $job): array
    {
        $asked = $this->costs->ofJob($job);
        $known = [
            ...$asked,
            'materials' => array_values(array_filter($asked['materials'], static fn (array $line): bool => $line['kit']['price'] !== '')),
            'moulds' => array_values(array_filter($asked['moulds'], static fn (array $line): bool => $line['cost'] !== '')),
            'labour' => array_values(array_filter($asked['labour'], static fn (array $line): bool => $line['hour_rate'] !== '')),
        ];
        $whole = (new Costing)->ask(Fields::of(CostBook::question([...$known, 'moulds' => []])));
        $fixed = Money::none();
        foreach ($known['moulds'] as $mould) {
            $fixed = $fixed->plus(Money::written(Fields::of($mould), 'cost'));
        }

        return [
            'name' => $job->name, 'fixed' => $fixed->toString(), 'each' => $whole['per_piece'],
            'complete' => count($known['materials']) === count($asked['materials']) && count($known['moulds']) === count($asked['moulds']),
        ];
    }
}
