<?php

declare(strict_types=1);

namespace App\Labels;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Devices\DeviceLost;
use App\Devices\LabelPort;
use App\Devices\PrinterUnsure;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Cache;

/**
 * Labels wait here for the printer, in the order they were asked for, and outlive one that has no paper or is switched off. What was handed
 * over and never heard of again is asked about, not printed twice by itself.
 */
final readonly class PrintQueue
{
    private const MOST = 400;

    /** Longer than any printer takes for a label. */
    private const PRINTS_S = 60;

    private const REMEMBERS = 20;

    public function __construct(private Workshop $workshop, private LabelPort $printer, private Roll $roll, private Phrasebook $words) {}

    /** @throws BadInput and then none of them waits */
    public function add(Fields $in, CarbonImmutable $now): void
    {
        $labels = array_map(
            fn (Fields $label): array => [
                mb_substr($label->only('what', 'pbm')->text('what'), 0, 160), $this->roll->takes($label->text('pbm', Roll::LONGEST)),
            ],
            $in->only('labels')->objects('labels', $this->roll->atAPress()),
        );
        $labels !== [] || throw BadInput::at('labels', Phrase::of('bench.no_label_to_print'));
        if ($this->unprinted()->count() + count($labels) > self::MOST) {
            throw BadInput::at('labels', Phrase::of('bench.too_many_labels_wait', ['most' => self::MOST]));
        }
        foreach ($labels as [$what, $bits]) {
            Printing::query()->create(['what' => $what, 'bits' => $bits, 'asked_at' => $now]);
        }
    }

    /** Hands over what waits, until the printer takes no more. One at a time: where somebody does it already, they go on. */
    public function drain(): void
    {
        $lock = Cache::lock("labels-{$this->workshop->mark}", self::PRINTS_S);
        if (! $lock->get()) {
            return;
        }
        try {
            // Whoever handed these over is no more.
            Printing::query()->where('state', Printing::PRINTING)->update([
                'state' => Printing::UNSURE, 'why' => $this->words->say(Phrase::of('bench.bench_computer_cut_off')),
            ]);
            while (
                ($next = Printing::query()->where('state', Printing::WAITING)->orderBy('id')->first()) !== null && $this->handsOver($next)
            ) {
                continue;
            }
            $old = Printing::query()->where('state', Printing::PRINTED)->orderByDesc('id')->offset(self::REMEMBERS)->limit(1)->value('id');
            $old === null || Printing::query()->where('state', Printing::PRINTED)->where('id', '<=', $old)->delete();
        } finally {
            $lock->release();
        }
    }

    /** Whether it can go on. */
    private function handsOver(Printing $label): bool
    {
        // Taken off meanwhile it is not printed.
        if (
            Printing::query()
                ->whereKey($label->id)
                ->where('state', Printing::WAITING)
                ->update(['state' => Printing::PRINTING, 'sent_at' => CarbonImmutable::now('UTC')->format('Y-m-d H:i:s.v')]) === 0
        ) {
            return true;
        }
        try {
            $this->printer->print((string) base64_decode((string) $label->bits, true));
            Printing::query()->whereKey($label->id)->update(['state' => Printing::PRINTED, 'bits' => null, 'why' => null]);

            return true;
        } catch (PrinterUnsure $unsure) {
            Printing::query()->whereKey($label->id)->update(['state' => Printing::UNSURE, 'why' => $this->words->say($unsure->says)]);
        } catch (DeviceLost $lost) {
            Printing::query()->whereKey($label->id)->update(['state' => Printing::WAITING, 'why' => $this->words->say($lost->says)]);
        }

        return false;
    }

    /** It is not wanted any more, or came out after all. */
    public function takeOff(int $id): void
    {
        Printing::query()->findOrFail($id);
        $this->unprinted()->whereIn('state', [Printing::WAITING, Printing::UNSURE])->whereKey($id)->delete();
    }

    /** It did not come out: it waits again, where it stood. */
    public function again(int $id): void
    {
        Printing::query()->findOrFail($id);
        Printing::query()->whereKey($id)->where('state', Printing::UNSURE)->update(['state' => Printing::WAITING, 'why' => null]);
    }

    /** @return Builder<Printing> */
    public function unprinted(): Builder
    {
        return Printing::query()->where('state', '!=', Printing::PRINTED);
    }

    public function isWaitedFor(): bool
    {
        return Printing::query()->whereIn('state', [Printing::WAITING, Printing::PRINTING])->exists();
    }
}
