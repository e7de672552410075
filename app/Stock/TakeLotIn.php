<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Models\Fact;
use App\Models\Lot;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Writes down a kit that has come: its parts and grams, its dates, its numbers, what it cost. */
final readonly class TakeLotIn
{
    public function __construct(private Library $library) {}

    /** @throws BadInput */
    public function __invoke(Fields $in, CarbonImmutable $now): Lot
    {
        $in->only('code', 'got_on', 'opened_on', 'best_before', 'price', 'note', 'parts', 'remelts');
        $code = $in->text('code');
        $base = $this->library->shelf()->bases[$code] ?? null;
        if ($base === null && ! isset($this->library->shelf()->additives[$code])) {
            throw BadInput::at($in->at('code'), Phrase::of('bench.no_such_sheet_in'));
        }
        $scrap = ($this->library->shelf()->additives[$code] ?? null)?->role === AdditiveRole::Scrap;
        $remelts = $in->numberOrNull('remelts', 0.0, 100.0);
        if ($remelts !== null && (! $scrap || $remelts !== floor($remelts))) {
            throw BadInput::at(
                $in->at('remelts'),
                $scrap ? Phrase::of('bench.how_often_melted_whole') : Phrase::of('bench.only_scrap_what_melts'),
            );
        }
        $asked = $base !== null && ! $base->ratio->isOnePart() ? ['A', 'B'] : ['A'];
        $got = DayOnLabel::said($in, 'got_on');
        $opened = DayOnLabel::saidOrNull($in, 'opened_on');
        if ($opened !== null && $opened < $got) {
            throw BadInput::at($in->at('opened_on'), Phrase::of('bench.before_it_came', ['earliest' => $got]));
        }
        $said = ($in->toArray()['price'] ?? '') !== '' && $in->has('price');
        $price = $said ? Money::written($in, 'price')->toString() : null;
        $parts = [];
        foreach ($in->objects('parts', 2) as $part) {
            $part->only('part', 'grams', 'maker_number');
            $parts[$part->text('part')] = [
                'got_g' => $part->positive('grams'), 'maker_number' => mb_substr($part->textOrNull('maker_number') ?? '', 0, 60) ?: null,
            ];
        }
        if ($parts === [] || array_diff(array_keys($parts), $asked) !== []) {
            throw BadInput::at(
                $in->at('parts'),
                $asked === ['A']
                    ? Phrase::of('bench.comes_one_tub_write')
                    : Phrase::of('bench.write_how_much_b'),
            );
        }
        ksort($parts);

        return DB::transaction(static function () use ($code, $got, $opened, $in, $price, $parts, $now, $scrap, $remelts): Lot {
            $lot = Lot::query()->create([
                'code' => $code, 'got_on' => $got, 'opened_on' => null, 'best_before' => DayOnLabel::saidOrNull($in, 'best_before'),
                'price' => $price, 'note' => mb_substr($in->textOrNull('note') ?? '', 0, 2000) ?: null, 'created_at' => $now,
                'remelts' => $scrap ? (int) ($remelts ?? 1.0) : null,
            ]);
            foreach ($parts as $part => $of) {
                $lot->parts()->create(['workshop_id' => $lot->workshop_id, 'part' => $part, ...$of, 'left_g' => $of['got_g']]);
            }
            // What it came with is told as anything is: taken back, a later word leaves this.
            foreach (array_filter([
                'opened' => $opened === null ? null : ['on' => $opened], 'priced' => $price === null ? null : ['price' => $price],
            ]) as $kind => $payload) {
                Fact::query()->create([
                    'stream' => RecordedLot::STREAM, 'stream_id' => $lot->id, 'key' => "first-{$kind}", 'kind' => $kind, 'at' => $now,
                    'payload' => [...$payload, 'first' => true],
                ]);
            }
            RecordedLot::of($lot->load('parts'))->write();

            return $lot;
        }, 3);
    }
}
