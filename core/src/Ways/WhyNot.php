<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/**
 * Why not just so: the first thing that forbids it, or what it would come to.
 *
 * @phpstan-import-type WholeWayShape from WayAnswer
 */
final readonly class WhyNot
{
    public function __construct(private WaysRequest $asked, private Ground $ground, private Combiner $combiner, private Drafter $drafter) {}

    /**
     * @return array{forbidden: bool, why: Phrase|null, way: WholeWayShape|null}
     *
     * @throws BadInput
     */
    public function toArray(): array
    {
        $said = $this->asked->whyNot ?? throw BadInput::missing('why_not');
        $worked = $this->ground->ways->kinds[$said['kind']]
            ?? throw BadInput::at('why_not.kind', Phrase::of('ways.unknown_kind', ['kind' => $said['kind']]));
        $base = $said['base'] === null || $worked->isPrinted() ? null : $this->ground->materials->base($said['base'], 'why_not.base');
        $cast = $said['cast'] === null ? $this->asked->casts[0] : $this->ground->materials->base($said['cast'], 'why_not.cast');
        $found = $this->combiner->just($said['kind'], $worked, $base, $cast, $said['release']);
        if ($found instanceof Phrase) {
            return ['forbidden' => true, 'why' => $found, 'way' => null];
        }
        $best = null;
        foreach ($found as $way) {
            $draft = $this->drafter->draft($way);
            if ($draft instanceof Draft && (! $best instanceof Draft || $draft->perPiece < $best->perPiece)) {
                $best = $draft;
            }
            $best ??= $draft;
        }

        return $best instanceof Draft
            ? ['forbidden' => false, 'why' => null, 'way' => WayAnswer::of($best, $this->asked)->toArray()]
            : ['forbidden' => true, 'why' => $best ?? Phrase::of('ways.no_way'), 'way' => null];
    }
}
