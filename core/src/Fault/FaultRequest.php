<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** What was seen on a bad cast, where, and what is known of how it was made. */
final readonly class FaultRequest
{
    /** Facts that are numbers, with their bounds. */
    private const NUMBERS = [
        'ratio_error_pct' => [0.0, 1000.0], 'room_c' => [-30.0, 80.0], 'ref_c' => [-30.0, 80.0], 'poured_at_share' => [0.0, 100.0],
        'batch_g' => [0.0, Fields::HUGE],
        'lot_days_open' => [0.0, 36_500.0], 'release_coats' => [0.0, 50.0], 'opened_at_share' => [0.0, 1000.0],
        'softener_pct_of_ab' => [0.0, 1000.0],
        'softener_max_pct' => [0.0, 1000.0], 'coat_gap_share' => [-100.0, 100.0], 'spout_mm' => [0.0, 1000.0],
        'least_spout_mm' => [0.0, 1000.0],
        'mould_casts_share' => [0.0, 100.0], 'thinnest_mm' => [0.0, 1000.0], 'vinyl_c' => [0.0, 400.0],
        'vacuum_share' => [0.0, 100.0], 'remelts' => [0.0, 1000.0], 'casts_since_wash' => [0.0, 100_000.0],
    ];

    private const FLAGS = [
        'deaired', 'past_best_before', 'moisture_sensitive', 'pigment_weighed', 'second_cup', 'hot_vinyl', 'mould_damp', 'print_coat',
        'undercut',
    ];

    private const WORDS = [
        'contact' => ['sulphur', 'latex', 'tin', 'fresh_resin', 'solvent', 'none'], 'release' => ['none', 'oil', 'wax', 'jelly'],
        'gloves' => ['vinyl', 'nitrile', 'latex', 'none'], 'parts' => ['both', 'one', 'other'],
    ];

    private const MOST_SEEN = 12;

    private const MOST_CONFIRMED = 1_000_000.0;

    /**
     * @param  list<string>  $seen
     * @param  array<string, float|bool|string>  $facts
     * @param  string|null  $family  what was cast, as the contact board names it
     * @param  float|null  $ratioBears  per cent off its ratio that this chemistry bears
     * @param  array<string, float>  $confirmed  how often this shop found each cause
     */
    private function __construct(
        public array $seen,
        public ?Place $where,
        public array $facts,
        public array $confirmed,
        public ?string $family = null,
        private ?float $ratioBears = null,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in, FaultBook $book): self
    {
        $in->only('seen', 'where', 'facts', 'confirmed');
        $seen = array_values(array_unique($in->strings('seen')));
        if ($seen === [] || count($seen) > self::MOST_SEEN) {
            throw BadInput::at($in->at('seen'), Phrase::of('fault.nothing_seen', ['known' => implode(', ', $book->symptoms)]));
        }
        foreach ($seen as $i => $symptom) {
            in_array($symptom, $book->symptoms, true)
                || throw BadInput::at($in->at('seen').".{$i}", Phrase::of('fault.no_symptom', [
                    'symptom' => mb_strimwidth($symptom, 0, 40, '…'), 'known' => implode(', ', $book->symptoms),
                ]));
        }
        $confirmed = [];
        foreach ($in->objectOrNull('confirmed')?->names() ?? [] as $cause) {
            isset($book->causes[$cause])
                || throw BadInput::at($in->object('confirmed')->at($cause), Phrase::of('fault.no_cause', [
                    'cause' => mb_strimwidth($cause, 0, 40, '…'),
                ]));
            $confirmed[$cause] = $in->object('confirmed')->number($cause, 0.0, self::MOST_CONFIRMED);
        }

        $facts = $in->objectOrNull('facts') ?? Fields::of([], 'facts');
        $family = $facts->has('family') ? $facts->text('family') : null;
        if ($family !== null && $book->families !== [] && ! in_array($family, $book->families, true)) {
            throw BadInput::at($facts->at('family'), Phrase::of('fault.no_word', [
                'word' => mb_strimwidth($family, 0, 40, '…'), 'known' => implode(', ', $book->families),
            ]));
        }

        return new self(
            $seen, $in->has('where') ? $in->choice('where', Place::class) : null, self::facts($facts), $confirmed, $family,
            $book->ratioBears[$family ?? ''] ?? null,
        );
    }

    /**
     * @return array<string, float|bool|string>
     *
     * @throws BadInput
     */
    private static function facts(Fields $in): array
    {
        $in->only('family', ...array_keys(self::NUMBERS), ...self::FLAGS, ...array_keys(self::WORDS));
        $facts = [];
        foreach ($in->names() as $name) {
            if ($name === 'family' || ! $in->has($name)) {
                continue;
            }
            if (isset(self::NUMBERS[$name])) {
                $facts[$name] = $in->number($name, ...self::NUMBERS[$name]);
            } elseif (isset(self::WORDS[$name])) {
                $word = $in->text($name);
                $facts[$name] = in_array($word, self::WORDS[$name], true)
                    ? $word
                    : throw BadInput::at($in->at($name), Phrase::of('fault.no_word', [
                        'word' => mb_strimwidth($word, 0, 40, '…'), 'known' => implode(', ', self::WORDS[$name]),
                    ]));
            } else {
                $facts[$name] = $in->bool($name);
            }
        }

        return $facts;
    }

    /**
     * @return array<string, float|bool|string> with what follows from two of them: how much colder, which share of the sprue and of the
     *   softener it bears
     */
    public function told(): array
    {
        $told = $this->facts;
        $number = fn (string $name): ?float => is_float($value = $this->facts[$name] ?? null) ? $value : null;
        [$room, $ref] = [$number('room_c'), $number('ref_c')];
        if ($room !== null && $ref !== null) {
            $told['colder_by_c'] = $ref - $room;
        }
        $off = $number('ratio_error_pct');
        if ($off !== null && $this->ratioBears !== null) {
            // Five per cent are little in a 1:1 platinum and much in a urethane: what counts is what this chemistry bears.
            unset($told['ratio_error_pct']);
            $told['ratio_share'] = $off / $this->ratioBears;
        }
        foreach ([
            'spout_share' => ['spout_mm', 'least_spout_mm'], 'softener_share' => ['softener_pct_of_ab', 'softener_max_pct'],
        ] as $share => [$of, $to]) {
            [$part, $whole] = [$number($of), $number($to)];
            if ($part !== null && $whole !== null) {
                $told[$share] = $whole > 0.0 ? $part / $whole : ($part > 0.0 ? 100.0 : 0.0);
            }
        }

        return $told;
    }
}
