<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/**
 * Somebody knows better, and says why. It holds for the verdict, the rules and the state it was given for; when any of them is
 * another, it has lapsed. A stop that is certain is not overruled at all; what is certain and only asks for something is by whoever types
 * out what is known to happen.
 */
final readonly class Overruling
{
    private const SHORTEST_REASON = 10;

    /** @param  array<string, mixed>  $for  what it was given for */
    private function __construct(public string $reason, private array $for) {}

    /**
     * @param  bool  $typedOut  the words asked for ({@see self::wordsFor}) were typed
     *
     * @throws BadInput for a reason that says nothing, or words that are not those asked for
     */
    public static function of(string $reason, bool $typedOut, ContactRequest $request, ContactResult $result): self
    {
        if (mb_strlen(trim($reason)) < self::SHORTEST_REASON) {
            throw BadInput::at('overruled', Phrase::of('contact.reason_too_short'));
        }
        if (self::isOutOfTheQuestion($result)) {
            throw BadInput::at('overruled', Phrase::of('contact.certain_stays', ['why' => $result->because[0]['text']]));
        }
        $asked = self::wordsFor($request, $result);
        if ($asked !== null && ! $typedOut) {
            throw BadInput::at('words', Phrase::of('contact.type_it_out', ['words' => $asked]));
        }

        return new self(trim($reason), self::fingerprint($request, $result));
    }

    /** What has to be typed out before this is overruled; null where nothing in it is certain. */
    public static function wordsFor(ContactRequest $request, ContactResult $result): ?Phrase
    {
        return self::certainInTheWay($result) && ! self::isOutOfTheQuestion($result)
            ? Phrase::of('contact.words', [
                'fresh' => $request->fresh->name, 'surface' => $request->surface->name, 'short' => $result->inShort,
            ])
            : null;
    }

    /** A stop that is certain: no reason talks it round, however good. */
    public static function isOutOfTheQuestion(ContactResult $result): bool
    {
        return $result->verdict === Verdict::Stop && self::certainInTheWay($result);
    }

    private static function certainInTheWay(ContactResult $result): bool
    {
        foreach ($result->because as $why) {
            if ($why['sure'] === Sure::Certain->value && in_array($why['rule'], $result->standingInTheWay, true)) {
                return true;
            }
        }

        return false;
    }

    public function stillHolds(ContactRequest $request, ContactResult $result): bool
    {
        return ! self::isOutOfTheQuestion($result) && $this->for === self::fingerprint($request, $result);
    }

    /** @return array<string, mixed> */
    private static function fingerprint(ContactRequest $request, ContactResult $result): array
    {
        $rules = $result->standingInTheWay;
        sort($rules);

        return [
            'fresh' => $request->fresh->id, 'surface' => $request->surface->id, 'verdict' => $result->verdict->value, 'rules' => $rules,
            'release' => $request->release?->id, 'sealed_with' => $request->state->sealedWith, 'damp' => $request->state->damp,
            'latex_touched' => $request->state->latexTouched,
        ];
    }

    /** @return array{reason: string, for: array<string, mixed>} */
    public function toArray(): array
    {
        return ['reason' => $this->reason, 'for' => $this->for];
    }

    /** Null where none was written down; one from before it was known what it was for has lapsed. */
    public static function from(mixed $written): ?self
    {
        if (! is_array($written) || ! is_string($written['reason'] ?? null)) {
            return null;
        }

        $for = [];
        foreach (is_array($written['for'] ?? null) ? $written['for'] : [] as $key => $value) {
            $for[(string) $key] = $value;
        }

        return new self($written['reason'], $for);
    }
}
