<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * The surface as it is today: hours since it cured, damp or not, its pores, what it was sealed with, when solvent was last on
 * it, whether latex (gloves, or tools that touched latex or tin) came near it, whether the scale has proved it dry, whether a print was
 * washed, lit through and warmed. Null is unknown; what nobody has proved is not so.
 */
final readonly class SurfaceState
{
    public function __construct(
        public ?float $hoursSinceCure = null,
        public bool $damp = false,
        public ?bool $porous = null,
        public ?string $sealedWith = null,
        public ?float $solventMinAgo = null,
        public bool $latexTouched = false,
        private bool $provedDry = false,
        public bool $postCured = false,
    ) {}

    /** Two weighings half a day apart stood still; what has become damp since is dry no longer. */
    public function isProvedDry(): bool
    {
        return $this->provedDry && ! $this->damp;
    }

    public static function from(Fields $in): self
    {
        return new self(
            $in->numberOrNull('hours_since_cure'),
            $in->has('damp') && $in->bool('damp'),
            $in->has('porous') ? $in->bool('porous') : null,
            $in->textOrNull('sealed_with'),
            $in->numberOrNull('solvent_min_ago'),
            $in->has('latex_touched') && $in->bool('latex_touched'),
            $in->has('proved_dry') && $in->bool('proved_dry'),
            $in->has('post_cured') && $in->bool('post_cured'),
        );
    }

    /** The same surface with something changed about it. */
    public function with(
        ?float $hoursSinceCure = null,
        ?bool $damp = null,
        ?string $sealedWith = null,
        ?float $solventMinAgo = null,
        ?bool $provedDry = null,
        ?bool $postCured = null,
    ): self {
        return new self(
            $hoursSinceCure ?? $this->hoursSinceCure, $damp ?? $this->damp, $this->porous, $sealedWith ?? $this->sealedWith,
            $solventMinAgo ?? $this->solventMinAgo, $this->latexTouched, $provedDry ?? $this->provedDry, $postCured ?? $this->postCured,
        );
    }

    public function isSealed(): bool
    {
        return $this->sealedWith !== null;
    }

    /** @param  array<string, bool|float>  $when every condition of a rule */
    public function meets(array $when): bool
    {
        foreach ($when as $what => $wanted) {
            $met = match ($what) {
                'sealed' => $this->isSealed() === $wanted,
                'damp' => $this->damp === $wanted,
                'latex_touched' => $this->latexTouched === $wanted,
                'proved_dry' => $this->isProvedDry() === $wanted,
                'post_cured' => $this->postCured === $wanted,
                // Of what nobody knows the age it may be any.
                'hours_from' => $this->hoursSinceCure === null || $this->hoursSinceCure >= $wanted,
                'hours_below' => $this->hoursSinceCure !== null && $this->hoursSinceCure < $wanted,
                'solvent_below' => $this->solventMinAgo !== null && $this->solventMinAgo < $wanted,
                default => throw BadInput::at('when', Phrase::of('contact.unknown_condition', ['what' => $what])),
            };
            if (! $met) {
                return false;
            }
        }

        return true;
    }
}
