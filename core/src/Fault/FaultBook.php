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
     * @param  array<string, array{ask: string, answers: list<array{value: float|bool|string, text: string}>}>  $questions  by fact, or `where`
     */
    private function __construct(public array $symptoms, public array $causes, public float $unseen, public float $elsewhere, public array $questions) {}

    /**
     * @param  array<array-key, mixed>  $symptoms
     * @param  array<array-key, mixed>  $causes
     * @param  array<array-key, mixed>  $questions
     */
    public static function of(array $symptoms, array $causes, array $questions): self
    {
        $in = Fields::of($causes, 'causes')->only('unseen', 'elsewhere', 'causes');
        $known = [];
        foreach ($in->object('causes')->names() as $id) {
            $known[$id] = Cause::from($id, $in->object('causes')->object($id));
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

        return new self(array_map(strval(...), array_keys($symptoms)), $known, $in->positive('unseen'), $in->positive('elsewhere'), $asked);
    }
}
