<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** The colour a photo gives, and within which ΔE00 of it the true one lies four times out of five. */
final readonly class PhotoPatchResult
{
    /**
     * @param  array<int, float>  $balance  how red, green and blue were scaled, green being 1
     * @param  list<Warning>  $warnings
     */
    public function __construct(public Lab $lab, public float $within, public array $balance, public array $warnings) {}

    /**
     * @return array{
     *     lab: array{float, float, float}, srgb: string, within_delta_e: float, balance: list<float>,
     *     warnings: list<array{code: string, message: Phrase}>,
     * }
     */
    public function toArray(): array
    {
        return [
            'lab' => $this->lab->toArray(), 'srgb' => $this->lab->srgb(), 'within_delta_e' => $this->within,
            'balance' => array_values($this->balance), 'warnings' => Warning::all($this->warnings),
        ];
    }
}
