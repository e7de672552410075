<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\Overruling;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Units\Minutes;
use App\Models\Hands;
use App\Models\Impression;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Writes down what is chosen for one contact: release, sealer, the surface as somebody says it is, or an overruling with its reason.
 * “72 hours ago” is written down as a moment, so that it ages.
 */
final readonly class ChooseForContact
{
    private const LONGEST_AGO_H = 87_600.0;

    public function __construct(
        private JobContacts $contacts,
        private ContactBook $book,
        private Phrasebook $words,
        private Hands $hands,
    ) {}

    /**
     * @param  Fields  $in any of `release`, `sealed_with`, `sealed_ms` (since when it is on and dry; null where it is not), `damp`,
     *   `latex_touched`, `post_cured`, `hours_since_cure`, `solvent_min_ago`, `overruled` with `words`; what is not named stays
     *
     * @throws BadInput and then nothing is changed
     * @throws \App\Models\Outdated
     */
    public function __invoke(Impression $impression, string $key, Fields $in, int $edition, CarbonImmutable $now): void
    {
        DB::transaction(fn () => $this->on(Impression::asShown($impression->id, $edition), $key, $in, $now), 3);
    }

    /**
     * For who has taken the turn to write already.
     *
     * @throws BadInput
     */
    public function on(Impression $impression, string $key, Fields $in, CarbonImmutable $now): void
    {
        $in->only(
            'release', 'sealed_with', 'sealed_ms', 'damp', 'latex_touched', 'post_cured', 'hours_since_cure', 'solvent_min_ago',
            'overruled', 'words',
        );
        $knowledge = $this->book->knowledge();
        $chosen = $impression->contacts[$key] ?? [];
        foreach ($in->names() as $name) {
            $chosen = match ($name) {
                'release' => [
                    ...$chosen, 'release' => $in->textOrNull('release') === null ? null : $knowledge->release($in->text('release'))->id,
                ],
                // Another sealer is another operation: it is planned until somebody has done it.
                'sealed_with' => [
                    ...$chosen, 'sealed_with' => $this->sealer($in->textOrNull('sealed_with')),
                    'sealed_at' => $in->textOrNull('sealed_with') === ($chosen['sealed_with'] ?? null)
                        ? ($chosen['sealed_at'] ?? null)
                        : null,
                ],
                'sealed_ms' => [...$chosen, 'sealed_at' => $this->sealedAt($in, $chosen, $now)],
                'damp', 'latex_touched', 'post_cured' => [...$chosen, $name => $in->bool($name)],
                'hours_since_cure' => [...$chosen, 'cured_at' => self::ago($in->numberOrNull($name, 0.0, self::LONGEST_AGO_H), 60.0, $now)],
                'solvent_min_ago' => [
                    ...$chosen, 'solvent_at' => self::ago($in->numberOrNull($name, 0.0, 60.0 * self::LONGEST_AGO_H), 1.0, $now),
                ],
                'overruled' => [...$chosen, 'overruled' => null],
                default => $chosen,
            };
        }
        $impression->contacts = [...($impression->contacts ?? []), $key => $chosen];
        $reason = $in->textOrNull('overruled');
        if ($reason !== null) {
            // Judged with what was chosen just now: it is for that, and for nothing else.
            $judged = $this->contacts->one($impression, $key) ?? throw BadInput::at('overruled', Phrase::of('bench.contact_no_longer'));
            $impression->contacts = [
                ...$impression->contacts,
                $key => [
                    ...$chosen,
                    'overruled' => Overruling::of(
                        $reason, $this->isTypedOut($judged, $in->textOrNull('words')), $judged->request, $judged->result,
                    )->toArray()
                        + ['by' => $this->hands->person?->id, 'witness' => $this->hands->witness?->id],
                ],
            ];
        }
        $impression->save();
    }

    /** Capitals and a full stop make no difference. */
    private function isTypedOut(JudgedContact $judged, ?string $typed): bool
    {
        $asked = $judged->wordsAsked();
        $plain = static fn (string $words): string => rtrim(mb_strtolower(trim($words)), '.');

        return $asked === null || ($typed !== null && $plain($typed) === $plain($this->words->say($asked)));
    }

    /**
     * @param  array<array-key, mixed>  $chosen
     *
     * @throws BadInput for what is still to come, or where nobody said with what
     */
    private function sealedAt(Fields $in, array $chosen, CarbonImmutable $now): ?string
    {
        $ms = $in->numberOrNull('sealed_ms', 0.0, 1e14);
        if ($ms === null) {
            return null;
        }
        if (($chosen['sealed_with'] ?? null) === null) {
            throw BadInput::at('sealed_ms', Phrase::of('bench.say_with_what_sealed'));
        }
        $at = CarbonImmutable::createFromTimestampMs((int) $ms, 'UTC');

        return $at > $now->addSeconds(90)
            ? throw BadInput::at('sealed_ms', Phrase::of('bench.sealing_still_to_come'))
            : $at->min($now)->toIso8601ZuluString('millisecond');
    }

    private function sealer(?string $id): ?string
    {
        return $id === null || isset($this->book->knowledge()->sealers[$id])
            ? $id
            : throw BadInput::at('sealed_with', Phrase::of('bench.no_sealer_choose_one', ['id' => $id]));
    }

    private static function ago(?float $long, float $minutes, CarbonImmutable $now): ?string
    {
        return $long === null ? null : $now->subMilliseconds(Minutes::ms($long * $minutes))->toIso8601ZuluString('millisecond');
    }
}
