<?php

declare(strict_types=1);

namespace Apalos\Core\Casting;

/**
 * How one weigh-up is worked, step by step, in the words of its process.
 *
 * @phpstan-type Said array{title: string, points: list<string>, done: string|null}
 * @phpstan-type WorkedShape array{
 *     id: string, name: string, premix: Said|null, mix: Said, fill: Said, wait: Said, starts: string, since: string, met: string,
 *     turn_s: float|null,
 * }
 */
final readonly class WorkedResult
{
    /**
     * @param  Said|null  $premix  null where nothing is stirred in its own pot before
     * @param  Said  $mix
     * @param  Said  $fill
     * @param  Said  $wait
     * @param  array{starts: string, since: string, met: string}  $clock  what its clock counts from
     * @param  float|null  $turnSeconds  each way, where it is turned
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?array $premix,
        public array $mix,
        public array $fill,
        public array $wait,
        public array $clock,
        public ?float $turnSeconds,
    ) {}

    /** @param  WorkedShape  $said  as {@see self::toArray()} wrote it */
    public static function read(array $said): self
    {
        return new self(
            $said['id'], $said['name'], $said['premix'], $said['mix'], $said['fill'], $said['wait'],
            ['starts' => $said['starts'], 'since' => $said['since'], 'met' => $said['met']], $said['turn_s'],
        );
    }

    /** @return WorkedShape */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name, 'premix' => $this->premix, 'mix' => $this->mix, 'fill' => $this->fill,
            'wait' => $this->wait, ...$this->clock, 'turn_s' => $this->turnSeconds,
        ];
    }
}
