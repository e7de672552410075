<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Facts\AppendFact;
use App\Library\Library;
use App\Models\Mould;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Puts a mould on the rack that no chain of this shop knows: what it is of, what is cast in it, and how often that was done already. */
final readonly class PutOnRack
{
    public function __construct(
        private Library $library,
        private ContactBook $contacts,
        private AppendFact $append,
        private MouldStreams $moulds,
    ) {}

    /** @throws BadInput */
    public function __invoke(Fields $in, CarbonImmutable $now): Mould
    {
        $in->only('name', 'material', 'casting', 'casts', 'place');
        $name = mb_substr($in->text('name'), 0, 160);
        foreach (['material', 'casting'] as $field) {
            $code = $in->textOrNull($field);
            // A mould may be of wood or metal, printed or bought: then it is of one of the surfaces contacts know.
            $known = $code === null
                || isset($this->library->shelf()->bases[$code])
                || ($field === 'material' && isset($this->contacts->knowledge()->surfaces[$code]));
            $known || throw BadInput::at($in->at($field), Phrase::of('bench.no_base_on_shelf', ['base' => $code]));
        }

        return DB::transaction(function () use ($in, $name, $now): Mould {
            $mould = Mould::query()->create([
                'name' => $name, 'material' => $in->textOrNull('material'), 'casting' => $in->textOrNull('casting'), 'made_at' => $now,
                'parts' => [['name' => $name, 'role' => 'whole', 'pour_id' => null, 'base' => $in->textOrNull('material')]],
            ]);
            $facts = [
                'counted' => ['casts' => $in->has('casts') ? $in->number('casts', 0.0, 100_000.0) : 0.0],
                ...($in->textOrNull('place') === null ? [] : ['placed' => ['place' => $in->text('place')]]),
            ];
            foreach ($facts as $kind => $payload) {
                $this->append->tell($this->moulds, $mould->id, $kind, $payload, $now);
            }

            return $mould->refresh();
        }, 3);
    }
}
