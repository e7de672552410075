<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Input\Fields;

/** What a library knows of failures: symptoms, causes, and what may be asked. */
final readonly class FaultBook
{
    /**
     * @param  list<string>  $symptoms
     * @param  array<string, Cause>  $causes
     * @param  float  $unseen  how many times likelier a cause is that does not show this symptom
     * @param  float  $elsewhere  the same for a place
     * @param  array<string, array{ask: string, answers: list<array{value: float|bool|string, text: string}>}>  $questions by fact, or
     *   `where`
     * @param  array<string, float>  $ratioBears  per cent off its ratio that a chemistry bears
     * @param  list<string>  $families  chemistries that are known; none where nobody said
     */
    private function __construct(
        public array $symptoms,
        public array $causes,
        public float $unseen,
        public float $elsewhere,
        public array $questions,
        public array $ratioBears = [],
        public array $families = [],
    ) {}

    /**
     * @param  array<array-key, mixed>  $symptoms
     * @param  array<array-key, mixed>  $causes
     * @param  array<array-key, mixed>  $questions
     * @param  array<array-key, mixed>  $families  of the contact board, by id
     */
    public static function of(array $symptoms, array $causes, array $questions, array $families = []): self
    {
        $in = Fields::of($causes, 'causes')->only('unseen', 'elsewhere', 'causes', 'ratio_bears_pct');
        $known = [];
        foreach ($in->object('causes')->names() as $id) {
            $known[$id] = Cause::from($id, $in->object('causes')->object($id));
        }
        $bears = [];
        foreach ($in->objectOrNull('ratio_bears_pct')?->names() ?? [] as $family) {
            $bears[$family] = $in->object('ratio_bears_pct')->positive($family);
        }
        $asked = [];
        foreach ($questions as $fact => $question) {
            $one = Fields::of(is_array($question) ? $question : [], (string) $fact)->only('ask', 'answers');
            $answers = [];
            foreach ((array) ($one->toArray()['answers'] ?? []) as $answer) {
                [$value, $text] = is_array($answer) && count($answer) === 2 ? array_values($answer) : [null, null];
                if ((is_string($value) || is_bool($value) || is_int($value) || is_float($value)) && is_string($text)) {
                    $answers[] = ['value' => is_int($value) ? (float) $value : $value, 'text' => $text];
                }
            }
            $asked[(string) $fact] = ['ask' => $one->text('ask'), 'answers' => $answers];
        }

        return new self(
            array_map(strval(...), array_keys($symptoms)), $known, $in->positive('unseen'), $in->positive('elsewhere'), $asked, $bears,
            array_map(strval(...), array_keys($families)),
        );
    }
}
