<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Input\Fields;

/** The kinds of moulds, what their materials cost, and where schools differ. */
final readonly class MouldLibrary
{
    /**
     * @param  array<string, MouldKind>  $kinds
     * @param  array<string, float>  $prices  per kg
     * @param  list<array{reason: Reason, kinds: list<string>}>  $schools
     */
    private function __construct(public array $kinds, public array $prices, public array $schools) {}

    /** @param  array<array-key, mixed>  $read as written in the library */
    public static function of(array $read): self
    {
        $in = Fields::of($read);
        $kinds = [];
        foreach ($in->object('kinds')->names() as $id) {
            $kinds[$id] = MouldKind::from($id, $in->object('kinds')->object($id));
        }
        $prices = [];
        foreach ($in->object('prices_per_kg')->names() as $id) {
            $prices[$id] = $in->object('prices_per_kg')->positive($id);
        }

        return new self($kinds, $prices, array_map(static fn (Fields $school): array => ['reason' => Reason::from($school), 'kinds' => $school->strings('kinds')], $in->objects('schools')));
    }
}
