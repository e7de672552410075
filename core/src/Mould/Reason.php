<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Input\Fields;

/** Something that speaks for or against a kind of mould, where its conditions hold. */
final readonly class Reason
{
    /** @param  array<string, list<string>|array{over?: float, under?: float}>  $when */
    private function __construct(public array $when, public float $add, public string $text) {}

    public static function from(Fields $in): self
    {
        $in->only('when', 'add', 'text', 'kinds');

        return new self(
            self::conditions($in->object('when')), $in->has('add') ? $in->number('add', -100.0, 100.0) : 0.0, $in->text('text'),
        );
    }

    /** @return array<string, list<string>|array{over?: float, under?: float}> */
    private static function conditions(Fields $in): array
    {
        $when = [];
        foreach ($in->names() as $name) {
            $value = $in->toArray()[$name] ?? null;
            if (is_array($value) && array_is_list($value)) {
                // YAML reads true and false as such; here they are words like the others.
                $when[$name] = array_map(
                    static fn (mixed $word): string => is_bool($word)
                        ? ($word ? 'true' : 'false')
                        : (is_scalar($word) ? (string) $word : ''),
                    $value,
                );
            } else {
                $bounds = $in->object($name)->only('over', 'under');
                $when[$name] = array_filter(
                    ['over' => $bounds->numberOrNull('over'), 'under' => $bounds->numberOrNull('under')],
                    static fn (?float $bound): bool => $bound !== null,
                );
            }
        }

        return $when;
    }
}
