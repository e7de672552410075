<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\WaitingThing;

/** The small things that wait for what is left of a cup. */
final readonly class WaitingThings
{
    private const MOST = 40;

    private const MOST_ML = 5_000.0;

    /** @return list<array{name: string, ml: float}> the smallest first */
    public function all(): array
    {
        return array_values(
            WaitingThing::query()
                ->orderBy('ml')
                ->orderBy('id')
                ->limit(self::MOST)
                ->get()
                ->map(static fn (WaitingThing $thing): array => ['name' => $thing->name, 'ml' => $thing->ml])
                ->all(),
        );
    }

    /**
     * One that waits, or waits no more.
     *
     * @param  Fields  $in  `name`; `ml`, or `gone`
     *
     * @throws BadInput where enough waits already
     */
    public function told(Fields $in): void
    {
        $in->only('name', 'ml', 'gone');
        $name = mb_substr($in->text('name'), 0, 120);
        $one = WaitingThing::query()->where('name', $name);
        if ($in->has('gone') && $in->bool('gone')) {
            $one->delete();
        } elseif ($one->doesntExist() && WaitingThing::query()->count() >= self::MOST) {
            throw BadInput::at('name', Phrase::of('bench.enough_waits_already'));
        } else {
            WaitingThing::query()->updateOrCreate(['name' => $name], ['ml' => $in->positive('ml', self::MOST_ML)]);
        }
    }
}
