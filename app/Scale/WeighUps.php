<?php

declare(strict_types=1);

namespace App\Scale;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** All weigh-ups of the shop, by the stream their facts are told in. */
final readonly class WeighUps
{
    /** @param  array<string, WeighsUp>  $kinds  by stream */
    public function __construct(private array $kinds) {}

    /**
     * @param  string  $named  `run:12` or `series:3`
     *
     * @throws BadInput
     */
    public function named(string $named): WeighUpAtHand
    {
        $known = preg_match('/^([a-z]+):(\d{1,15})$/', $named, $part) === 1 ? $this->find($part[1], (int) $part[2]) : null;

        return $known ?? throw BadInput::at('for', Phrase::of('bench.say_which_weighup_scale'));
    }

    public function find(string $stream, int $id): ?WeighUpAtHand
    {
        return ($this->kinds[$stream] ?? null)?->find($id);
    }
}
