<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;

/** How a mould stands, as its facts tell it. */
final readonly class MouldState
{
    /**
     * @param  list<MouldMark>  $marks
     * @param  list<array{act: Act, at: float, fact: int}>  $care  in order
     * @param  array{why: RetiredWhy, at: float}|null  $retired
     * @param  int  $before  casts made in it before they were written down
     * @param  list<array{at: float, mass_g: float, step_g?: float}>  $weighings  since it was washed last
     * @param  int|null  $takeBack  the fact that may be taken back: the last
     */
    private function __construct(
        public ?string $name, public ?string $place, public ?string $photo, public ?string $cost, public ?Condition $condition,
        public array $marks,
        public array $care, public ?array $retired, public int $before, public ?int $takeBack, public array $weighings = [],
    ) {}

    /** @param  list<Fact<MouldFactKind>>  $facts in the order in which they were told */
    public static function of(array $facts): self
    {
        [
            $name, $place, $photo, $cost, $condition, $marks, $care, $retired, $before, $last, $weighings,
        ] = [null, null, null, null, null, [], [], null, 0, null, []];
        foreach (Standing::of($facts) as $fact) {
            $last = $fact->isFirst() ? $last : $fact->id;
            match ($fact->kind) {
                MouldFactKind::Named => $name = $fact->text('name'),
                MouldFactKind::Placed => $place = $fact->text('place'),
                MouldFactKind::Photographed => $photo = $fact->text('photo'),
                MouldFactKind::Priced => $cost = $fact->text('cost'),
                MouldFactKind::Looked => [$condition, $marks] = [
                    Condition::tryFrom($fact->text('condition') ?? ''), self::marks($fact->payload['marks'] ?? []),
                ],
                MouldFactKind::Weighed => $weighings[] = Drying::weighing($fact->at, $fact),
                MouldFactKind::Cared => $care[] = ['act' => Act::from($fact->text('act') ?? ''), 'at' => $fact->at, 'fact' => $fact->id],
                MouldFactKind::Retired => $retired = ['why' => RetiredWhy::from($fact->text('why') ?? ''), 'at' => $fact->at],
                MouldFactKind::Returned => $retired = null,
                MouldFactKind::Counted => $before = (int) $fact->number('casts'),
                MouldFactKind::Noted, MouldFactKind::Undone => null,
            };
            // What was washed is wet again, whatever it weighed before.
            $weighings = $fact->kind === MouldFactKind::Cared && $fact->text('act') === Act::Washed->value ? [] : $weighings;
        }

        return new self($name, $place, $photo, $cost, $condition, $marks, $care, $retired, $before, $last, $weighings);
    }

    /** @return list<MouldMark> */
    private static function marks(mixed $said): array
    {
        return array_values(
            array_filter(
                array_map(
                    static fn (mixed $mark): ?MouldMark => is_string($mark) ? MouldMark::tryFrom($mark) : null,
                    is_array($said) ? $said : [],
                ),
            ),
        );
    }
}
