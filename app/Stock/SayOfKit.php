<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Facts\AppendFact;
use App\Models\Kit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** What a kit of a sheet costs, what it weighs, and at how much left the next is ordered: what differs from what was said last is told. */
final readonly class SayOfKit
{
    public function __construct(private AppendFact $append, private KitStreams $kits) {}

    /**
     * @param  Fields  $in  `price`, `mass_g`, `reorder_g`; or `of`, the word that is taken back
     *
     * @throws BadInput
     * @throws \App\Facts\StepHasMoved
     */
    public function __invoke(string $code, Fields $in, CarbonImmutable $now): Kit
    {
        $in->only('price', 'mass_g', 'reorder_g', 'of');

        return DB::transaction(function () use ($code, $in, $now): Kit {
            // The first word makes it.
            $id = Kit::query()->createOrFirst(['code' => $code])->id;
            $kit = $this->kits->open($id, $now)->recorded;
            foreach ($in->has('of') ? ['undone' => ['of' => $in->number('of')]] : self::told($kit, $in) as $kind => $payload) {
                $kit = $this->append->tell($this->kits, $id, $kind, $payload, $now)->recorded;
            }

            return $kit->kit->refresh();
        }, 3);
    }

    /** @return array<string, array<string, mixed>> */
    private static function told(RecordedKit $kit, Fields $in): array
    {
        $said = $in->toArray();
        $price = ($said['price'] ?? '') === '' ? null : Money::written($in, 'price')->toString();
        $told = [];
        if ($price !== $kit->state->price || $in->numberOrNull('mass_g') !== $kit->state->massG) {
            $told['priced'] = ['price' => $price, 'mass_g' => $said['mass_g'] ?? null];
        }
        if ($in->numberOrNull('reorder_g') !== $kit->state->reorderG) {
            $told['reordered'] = ['reorder_g' => $in->numberOrNull('reorder_g')];
        }

        return $told;
    }
}
