<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** Where schools differ, and which of them this shop holds: its own comes first, and nothing is safe for being held. */
final readonly class Schools
{
    /**
     * @param  array<string, string>  $held  option by school
     * @param  list<string>  $preferred  ids of releases, sealers and waits
     * @param  array<string, string>  $castings  way that is taken instead of another
     * @param  list<array{fresh: Scope, surface: Scope, text: string}>  $before
     */
    private function __construct(public array $held, public array $preferred, public array $castings, private array $before) {}

    public static function none(): self
    {
        return new self([], [], [], []);
    }

    /**
     * @param  array<array-key, mixed>  $read  as written in the library
     * @param  array<array-key, mixed>  $held  what the shop has ticked; what is no longer known counts as not ticked
     */
    public static function of(array $read, array $held): self
    {
        [$known, $preferred, $castings, $before] = [[], [], [], []];
        foreach ($held as $school => $option) {
            $options = is_array($read[$school] ?? null) ? ($read[$school]['options'] ?? null) : null;
            $of = is_string($option) && is_array($options) && is_array($options[$option] ?? null)
                ? Fields::of($options[$option], (string) $school)
                : null;
            if ($of === null) {
                continue;
            }
            $known[(string) $school] = (string) $option;
            $preferred = [...$preferred, ...($of->has('prefer') ? $of->strings('prefer') : [])];
            foreach ($of->objectOrNull('casting')?->names() ?? [] as $from) {
                $castings[$from] = $of->object('casting')->text($from);
            }
            if ($of->has('before')) {
                $before[] = [
                    'fresh' => Scope::from($of->object('before'), 'fresh'), 'surface' => Scope::from($of->object('before'), 'surface'),
                    'text' => $of->object('before')->text('text'),
                ];
            }
        }

        return new self($known, array_values(array_unique($preferred)), $castings, $before);
    }

    /**
     * @param  array<array-key, mixed>  $read
     *
     * @throws BadInput for a school or an option nobody knows
     */
    public static function check(array $read, Fields $in): void
    {
        foreach ($in->names() as $school) {
            $options = is_array($read[$school] ?? null) && is_array($read[$school]['options'] ?? null)
                ? array_map(strval(...), array_keys($read[$school]['options']))
                : [];
            $option = $in->textOrNull($school);
            if ($options === [] || ($option !== null && ! in_array($option, $options, true))) {
                throw BadInput::at($in->at($school), Phrase::of('contact.unknown_school', [
                    'id' => mb_strimwidth($option ?? $school, 0, 40, '…'),
                    'known' => implode(', ', $options === [] ? array_map(strval(...), array_keys($read)) : $options),
                ]));
            }
        }
    }

    public function prefers(string $id): bool
    {
        return in_array($id, $this->preferred, true);
    }

    /** @return list<string> what this shop sees to before such a pair meets */
    public function before(Family $fresh, Surface $surface): array
    {
        return array_values(
            array_map(
                static fn (array $one): string => $one['text'],
                array_filter(
                    $this->before,
                    static fn (array $one): bool => $one['fresh']->names($fresh->id, $fresh->groups) !== null
                        && $one['surface']->names($surface->id, $surface->groups) !== null,
                ),
            ),
        );
    }
}
