<?php

declare(strict_types=1);

namespace App\PourSheets;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Volume\Method;
use Apalos\Core\Volume\VolumeRequest;

/** How much is wanted, where it is asked for in a line: so many grams, what the mould holds, or so many pieces of so much each. */
final readonly class Amount
{
    /** As a request names it. */
    public const FIELDS = ['mass_g', 'capacity_ml', 'pieces', 'each_ml', 'spout_ml'];

    /** @param  array<string, mixed>  $volume  how it is measured, where it is not weighed */
    private function __construct(private ?float $massG, private array $volume) {}

    /** @throws BadInput where neither, or no sensible one, is said */
    public static function from(Fields $in): self
    {
        if ($in->has('pieces')) {
            $pieces = [
                'method' => Method::Pieces->value, 'pieces' => $in->number('pieces'), 'each_ml' => $in->positive('each_ml'),
                'spout_ml' => $in->numberOrNull('spout_ml') ?? 0.0,
            ];
            VolumeRequest::from(Fields::of($pieces));

            return new self(null, $pieces);
        }
        if ($in->has('capacity_ml')) {
            return new self(null, ['method' => Method::Capacity->value, 'capacity_ml' => $in->positive('capacity_ml')]);
        }
        $mass = $in->number('mass_g');
        if ($mass <= 0.0) {
            throw BadInput::at('mass_g', Phrase::of('bench.say_what_weighs_or'));
        }

        return new self($mass, []);
    }

    /**
     * The sheet for this much of it.
     *
     * @param  array<string, mixed>  $sheet
     * @return array<string, mixed>
     */
    public function into(array $sheet): array
    {
        // The amount is of now; where the one before came from says nothing of it.
        unset($sheet['carried']);
        if ($this->massG !== null) {
            return [...$sheet, 'volume' => null, 'target' => ['mass_g' => $this->massG, 'waste_pct' => 0]];
        }
        $allowance = is_array($sheet['volume'] ?? null) ? ($sheet['volume']['allowance_pct'] ?? 8) : 8;

        return [...$sheet, 'volume' => [...$this->volume, 'allowance_pct' => $allowance], 'target' => ['waste_pct' => 0]];
    }
}
