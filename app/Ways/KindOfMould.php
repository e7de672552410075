<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Contact\MouldPart;
use App\Library\Library;
use App\Models\Mould;

/** Of which kind a mould of the rack is: as its link was put in, else as its parts are. */
final readonly class KindOfMould
{
    public function __construct(private Library $library) {}

    public function of(Mould $mould): string
    {
        $kind = $mould->impression?->mould_kind;
        if ($kind !== null && isset($this->library->moulds()->kinds[$kind])) {
            return $kind;
        }
        $roles = array_column($mould->parts, 'role');

        return match (true) {
            $mould->material !== null && ! isset($this->library->shelf()->bases[$mould->material]) => 'printed-rigid',
            in_array(MouldPart::Jacket->value, $roles, true) => 'brushed-glove',
            in_array(MouldPart::Half->value, $roles, true) => 'two-part-block',
            default => 'open-block',
        };
    }
}
