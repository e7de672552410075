<?php

declare(strict_types=1);

namespace App\Costs;

use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Workshop;

/** What an hour of hands costs here; nothing where nobody reckons with it. */
final readonly class SetHourRate
{
    public function __construct(private Workshop $workshop) {}

    /**
     * @param  Fields  $in  `hour_rate`, as money is written; empty for none
     *
     * @throws BadInput
     */
    public function __invoke(Fields $in): ?string
    {
        $rate = ($in->only('hour_rate')->toArray()['hour_rate'] ?? '') === '' ? null : Money::written($in, 'hour_rate')->toString();
        $this->workshop->update(['hour_rate' => $rate]);

        return $rate;
    }
}
