<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Contact\MouldPart;
use App\Library\Library;
use App\Models\Mould;

/** Of which kind a mould of the rack is: as its link is called, else as its parts are. */
final readonly class KindOfMould
{
    public function __construct(private Library $library) {}

    public function of(Mould $mould): string
    {
        $kinds = $this->library->moulds()->kinds;
        foreach ([$mould->impression->name ?? '', $mould->name] as $name) {
            foreach ($kinds as $id => $kind) {
                if ($name !== '' && str_starts_with(mb_strtolower($name), mb_strtolower($kind->name))) {
                    return $id;
                }
            }
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
