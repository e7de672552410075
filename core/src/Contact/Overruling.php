<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/**
 * Somebody knows better, and says why. It holds for the verdict, the rules and the state it was given for; when any of them is
 * another, it has lapsed. What is certain is only overruled by whoever types out what is known to happen.
 */
final readonly class Overruling
{
    private const SHORTEST_REASON = 10;

    /** @param  array<string, mixed>  $for  what it was given for */
    private function __construct(public string $reason, private array $for) {}

    /**
     * @param  string|null  $words  what was typed out, where something is certain
     *
     * @throws BadInput for a reason that says nothing, or words that are not those asked for
     */
    public static function of(string $reason, ?string $words, ContactRequest $request, ContactResult $result): self
    {
        if (mb_strlen(trim($reason)) < self::SHORTEST_REASON) {
            throw BadInput::at('overruled', 'Write down why, in a sentence you will understand in a year.');
        }
        $asked = self::wordsFor($request, $result);
        if ($asked !== null && mb_strtolower(trim($words ?? '')) !== mb_strtolower($asked)) {
            throw BadInput::at('words', "This is certain, not a matter of schools. To overrule it all the same, type out: {$asked}");
        }

        return new self(trim($reason), self::fingerprint($request, $result));
    }

    /** What has to be typed out before this is overruled; null where nothing in it is certain. */
    public static function wordsFor(ContactRequest $request, ContactResult $result): ?string
    {
        foreach ($result->because as $why) {
            if ($why['sure'] === Sure::Certain->value && in_array($why['rule'], $result->standingInTheWay, true)) {
                return "{$request->fresh->name} on {$request->surface->name}: {$result->inShort}";
            }
        }

        return null;
    }

    public function stillHolds(ContactRequest $request, ContactResult $result): bool
    {
        return $this->for === self::fingerprint($request, $result);
    }

    /** @return array<string, mixed> */
    private static function fingerprint(ContactRequest $request, ContactResult $result): array
    {
        $rules = $result->standingInTheWay;
        sort($rules);

        return [
            'fresh' => $request->fresh->id, 'surface' => $request->surface->id, 'verdict' => $result->verdict->value, 'rules' => $rules,
            'release' => $request->release?->id, 'sealed_with' => $request->state->sealedWith, 'damp' => $request->state->damp, 'latex_touched' => $request->state->latexTouched,
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

        return new self($written['reason'], Fields::of(is_array($written['for'] ?? null) ? $written['for'] : [])->toArray());
    }
}
