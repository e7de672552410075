<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** A question about one contact: what is fresh, what it touches and in which state, what is meant, what is between them. */
final readonly class ContactRequest
{
    /** What the shop's own test of just this said: passed, failed, or null where there is none. */
    public ?bool $tested;

    /**
     * @param  OwnTests  $tests  what the shop has tested
     * @param  string|null  $base  house code of what is fresh, whose own tests count
     * @param  bool|null  $supposing  as if just this had been tested
     * @param  bool  $worn  the piece that comes of it in the end is worn on skin: what is left on a mould comes off on it
     */
    public function __construct(
        public Family $fresh,
        public bool $skinSafe,
        public Surface $surface,
        public SurfaceState $state,
        public Intent $intent = Intent::Separate,
        public ?Release $release = null,
        public bool $onSkin = false,
        public bool $paintAfter = false,
        public bool $fineDetail = false,
        public OwnTests $tests = new OwnTests,
        public ?string $base = null,
        private ?bool $supposing = null,
        public bool $worn = false,
    ) {
        $this->tested = $supposing ?? $tests->said($fresh->id, $surface->id, $base, $state->sealedWith, $release?->id);
    }

    /** @throws BadInput for an id nobody knows */
    public static function from(Fields $in, Knowledge $knowledge): self
    {
        $in->only('fresh', 'surface', 'intent', 'release', 'use', 'tests');
        $fresh = $in->object('fresh')->only('family', 'skin_safe');
        $surface = $in->object('surface')->only(
            'id', 'hours_since_cure', 'damp', 'porous', 'sealed_with', 'solvent_min_ago', 'latex_touched', 'proved_dry', 'post_cured',
        );
        $state = SurfaceState::from($surface);
        if ($state->sealedWith !== null && ! isset($knowledge->sealers[$state->sealedWith])) {
            throw BadInput::at('surface.sealed_with', Phrase::of('contact.unknown_sealer', [
                'id' => $state->sealedWith, 'known' => implode(', ', array_keys($knowledge->sealers)),
            ]));
        }
        $family = $knowledge->family($fresh->text('family'));
        $touched = $knowledge->surface($surface->text('id'));
        $use = $in->objectOrNull('use')?->only('skin', 'worn', 'paint_after', 'fine_detail');
        $is = static fn (?Fields $of, string $key): bool => $of !== null && $of->has($key) && $of->bool($key);
        $release = $in->textOrNull('release');

        return new self(
            $family, $is($fresh, 'skin_safe'), $touched, $state,
            $in->has('intent') ? $in->choice('intent', Intent::class) : Intent::Separate,
            $release === null ? null : $knowledge->release($release),
            $is($use, 'skin'), $is($use, 'paint_after'), $is($use, 'fine_detail'), OwnTests::from($in, $knowledge), worn: $is($use, 'worn'),
        );
    }

    /** The same question with something changed; what was tested is asked anew, for that is of one combination. */
    public function with(
        ?Family $fresh = null, ?bool $skinSafe = null, ?SurfaceState $state = null, ?Release $release = null, bool $clearRelease = false,
        ?bool $supposing = null, ?OwnTests $tests = null, ?string $base = null,
    ): self {
        return new self(
            $fresh ?? $this->fresh, $skinSafe ?? $this->skinSafe, $this->surface, $state ?? $this->state, $this->intent,
            $clearRelease ? null : ($release ?? $this->release),
            $this->onSkin, $this->paintAfter, $this->fineDetail, $tests ?? $this->tests,
            $base ?? ($fresh === null || $fresh === $this->fresh ? $this->base : null), $supposing, $this->worn,
        );
    }

    /** Skin as a surface says so by itself. */
    public function touchesSkin(): bool
    {
        return $this->onSkin || $this->surface->id === 'skin';
    }

    public function isPorous(): bool
    {
        return ! $this->state->isSealed() && ($this->state->porous ?? $this->surface->porous);
    }
}
