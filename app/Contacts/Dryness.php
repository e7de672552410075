<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Care\Drying;
use Apalos\Core\Care\DryResult;
use Apalos\Core\Care\DryState;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Pour;

/**
 * What the scale says of a plaster: held against what was poured, where that is known. Only this proves it dry.
 *
 * @phpstan-type Weighing array{at: float, mass_g: float, step_g?: float}
 */
final readonly class Dryness
{
    private const PLASTER = 'plaster';

    /** @param  list<Weighing>  $weighings  minutes on a clock of its own, in order */
    private function __construct(private array $weighings, private ?DryResult $result, public ?BadInput $wrong) {}

    /**
     * @param  list<Weighing>  $weighings
     * @param  Pour|null  $pour  of what it is made
     */
    public static function of(array $weighings, ?Pour $pour): self
    {
        try {
            return new self($weighings, $weighings === [] ? null : (new Drying)->watched($weighings, self::poured($pour)), null);
        } catch (BadInput $wrong) {
            return new self($weighings, null, $wrong);
        }
    }

    public function result(): ?DryResult
    {
        return $this->result;
    }

    /** Minutes, on the clock of its weighings, from which it is proved dry; null while it is not. */
    public function provedAt(): ?float
    {
        return $this->weighings !== [] && $this->result?->state === DryState::Dry ? max(array_column($this->weighings, 'at')) : null;
    }

    /** The same clock: when it is dry, or was, as far as that can be told. */
    public function dryAt(): ?float
    {
        return $this->weighings === [] || $this->result?->dryAt === null
            ? null
            : min(array_column($this->weighings, 'at')) + 60.0 * $this->result->dryAt;
    }

    /** @return array{plaster_g?: float, water_g?: float, poured_g?: float} */
    private static function poured(?Pour $pour): array
    {
        if ($pour === null || $pour->plan === null) {
            return [];
        }
        $sheet = Fields::of($pour->snapshot->content['materials'][$pour->base_code ?? ''] ?? []);
        if ($sheet->textOrNull('family') !== self::PLASTER || ! $sheet->has('ratio')) {
            return [];
        }
        $ratio = $sheet->object('ratio');
        [$a, $b] = [$ratio->number('a'), $ratio->number('b')];
        $in = $pour->used_g ?? $pour->weighed_g;

        return $a > 0.0 && $in !== null && $in > 0.0
            ? ['plaster_g' => $in * $a / ($a + $b), 'water_g' => $in * $b / ($a + $b), 'poured_g' => $in]
            : [];
    }
}
