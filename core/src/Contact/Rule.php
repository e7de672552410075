<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** One piece of knowledge about a fresh material on a surface, with its reason and how sure it is. */
final readonly class Rule
{
    /** @param  array<string, bool|float>  $when */
    private function __construct(
        public string $id, public RuleKind $kind, private Scope $fresh, private Scope $surface, public array $when,
        public string $gives, public Sure $sure, public string $text, public bool $asksSeal, public bool $asksTwice,
        private ?Intent $intent = null,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('id', 'kind', 'fresh', 'surface', 'when', 'gives', 'sure', 'text', 'seal', 'twice', 'intent');
        $kind = $in->choice('kind', RuleKind::class);
        $gives = match ($kind) {
            RuleKind::Adhesion => $in->choice('gives', Adhesion::class)->value,
            RuleKind::Inhibition => $in->choice('gives', Inhibition::class)->value,
            RuleKind::Doubt, RuleKind::Forbid => $in->text('gives'),
        };
        $when = [];
        foreach ($in->objectOrNull('when')?->names() ?? [] as $name) {
            $condition = $in->object('when');
            $when[$name] = str_ends_with($name, '_below') || str_ends_with($name, '_from')
                ? $condition->number($name)
                : $condition->bool($name);
        }
        (new SurfaceState)->meets($when);

        return new self(
            $in->text('id'), $kind, Scope::from($in, 'fresh'), Scope::from($in, 'surface'), $when, $gives,
            $in->choice('sure', Sure::class), $in->text('text'), $in->has('seal') && $in->bool('seal'),
            $in->has('twice') && $in->bool('twice'),
            $in->has('intent') ? $in->choice('intent', Intent::class) : null,
        );
    }

    /** Whether it speaks of what is meant: most speak of both. */
    public function isFor(Intent $intent): bool
    {
        return $this->intent === null || $this->intent === $intent;
    }

    /** How exactly it speaks of this pair in the states it is for; null where it speaks of it in none. Conditions outweigh names. */
    public function exactlyAbout(Family $fresh, Surface $surface): ?int
    {
        $ofFresh = $this->fresh->names($fresh->id, $fresh->groups);
        $ofSurface = $ofFresh === null ? null : $this->surface->names($surface->id, $surface->groups);

        return $ofFresh === null || $ofSurface === null ? null : 10 * count($this->when) + $ofFresh + $ofSurface;
    }

    /** How exactly it speaks of this pair in this state; null where it does not. */
    public function speaksOf(Family $fresh, Surface $surface, SurfaceState $state): ?int
    {
        $exactly = $this->exactlyAbout($fresh, $surface);

        return $exactly === null || ! $state->meets($this->when) ? null : $exactly;
    }

    /** @return array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'} */
    public function because(): array
    {
        return ['rule' => $this->id, 'text' => Phrase::written($this->text), 'sure' => $this->sure->value];
    }
}
