<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Contact\Intent;
use Apalos\Core\Day\After;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Day\WorkingHours;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** The operations of one impression in order, each with what it waits for. */
final readonly class BuildPlan
{
    public const MOST_OPERATIONS = 60;

    /**
     * @param  list<Operation>  $operations
     * @param  Measured  $measured  of the piece, when it was planned: what the operations come to is held against it
     */
    private function __construct(public array $operations, public Measured $measured = new Measured) {}

    /** @throws BadInput for a ring, an unknown name, or nothing at all */
    public static function from(Fields $in): self
    {
        $operations = array_map(Operation::from(...), $in->objects('operations', self::MOST_OPERATIONS));
        if ($operations === []) {
            throw BadInput::at($in->at('operations'), Phrase::of('build.no_operations'));
        }
        // The day knows rings and strangers when it sees them.
        $day = array_map(
            static fn (Operation $one): DayOperation => new DayOperation(
                $one->id, 0.0, [], array_map(static fn (Wait $wait): After => new After($wait->operation, 0.0), $one->after),
            ),
            $operations,
        );
        (new DayRequest(0.0, WorkingHours::of([]), [], $day))->check($in->at('operations'));

        return new self($operations, Measured::from($in->objectOrNull('measured') ?? Fields::of([], $in->at('measured'))));
    }

    /** The same piece, built otherwise. */
    public function ofWhat(self $other): self
    {
        return new self($this->operations, $other->measured);
    }

    /** One pour and nothing else. */
    public static function plain(): self
    {
        return new self([
            new Operation(
                'pour', OperationKind::Pour, 'Pour', 0.0, [DayOperation::HANDS], [], new Mixing(null, Against::Original, Intent::Separate),
                '', [],
            ),
        ]);
    }

    public function operation(string $id): ?Operation
    {
        foreach ($this->operations as $operation) {
            if ($operation->id === $id) {
                return $operation;
            }
        }

        return null;
    }

    /** What was laid on before this one, nearest first: coats and pours, not what is cast in a tray. */
    public function layerBefore(Operation $of): ?Operation
    {
        $before = null;
        foreach ($this->operations as $operation) {
            if ($operation->id === $of->id) {
                return $before;
            }
            if ($operation->kind->mixes() && $operation->mixing?->against !== Against::Tray) {
                $before = $operation;
            }
        }

        return null;
    }

    /**
     * The mixing operation that makes the piece, or the mould: the last layer of its own material; a film, a jacket or what is cast in a
     * tray only where there is nothing else.
     */
    public function main(): ?Operation
    {
        return $this->mains()[0] ?? null;
    }

    /** @return list<Operation> the same, and what stands in for it where it was left out, the last layer first */
    public function mains(): array
    {
        $layers = array_values(
            array_filter(
                $this->operations,
                static fn (Operation $one): bool => $one->mixing !== null && $one->mixing->against !== Against::Tray && ! $one->isJacket(),
            ),
        );
        $own = array_values(array_filter($layers, static fn (Operation $one): bool => $one->mixing?->base === null));

        return array_reverse($own === [] ? $layers : $own);
    }

    /** @return array{operations: list<array<string, mixed>>, measured?: array<string, mixed>} */
    public function toArray(): array
    {
        return [
            'operations' => array_map(static fn (Operation $one): array => $one->toArray(), $this->operations),
            ...(($measured = $this->measured->toArray()) === [] ? [] : ['measured' => $measured]),
        ];
    }
}
