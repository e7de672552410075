<?php

declare(strict_types=1);

namespace Apalos\Core\Facts;

/** A fact with all that is sealed of it: what, the how many-th of its stream, when, by whose hands, and where it was told. */
final readonly class SealedFact
{
    /**
     * @param  int  $nth  from 1
     * @param  int  $atMs  milliseconds of the epoch, as `clockMs`
     * @param  int|null  $clockMs  what the clock of the bench showed where it had gone back
     * @param  array<array-key, mixed>  $payload
     * @param  string|null  $person  number of whoever told it; null before people signed in
     * @param  string|null  $witness  number of whoever countersigned it
     * @param  string|null  $door  screen, console, program or file; null before it was written down
     * @param  string|null  $device  what it came from: a tablet, a token
     */
    public function __construct(
        public string $stream, public int $streamId, public int $nth, public string $key, public string $kind, public int $atMs,
        public ?int $clockMs,
        public array $payload, public ?string $person = null, public ?string $witness = null, public ?string $door = null,
        public ?string $device = null,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'stream' => $this->stream, 'stream_id' => $this->streamId, 'nth' => $this->nth, 'key' => $this->key, 'kind' => $this->kind,
            'at' => $this->atMs, 'clock' => $this->clockMs,
            'payload' => $this->payload, 'person' => $this->person, 'witness' => $this->witness, 'door' => $this->door,
            'device' => $this->device,
        ];
    }
}
