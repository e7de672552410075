<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mould\MouldKind;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use Illuminate\Support\Facades\DB;

/**
 * Puts a mould of a kind into the chain of a job, in place of one that is only meant so far. The rubber the job has stays where the kind
 * can be made of it; else one of the shelf is taken, or none, and what is still to be said is told.
 */
final readonly class PutMouldIn
{
    public function __construct(private ReviseChain $chain, private Library $library, private Phrasebook $words) {}

    /** @return string what was done and what it still needs, in words */
    public function __invoke(Job $job, MouldKind $kind, string $chemistry): string
    {
        return DB::transaction(function () use ($job, $kind, $chemistry): string {
            $meant = $job
                ->impressions()
                ->reorder()
                ->where('kind', ImpressionKind::Mould)
                ->whereDoesntHave('pours')
                ->whereIn('role', [MouldPart::Whole, MouldPart::Half, MouldPart::Jacket])
                ->orderBy('position')
                ->get();
            // Only the last mould before the casts: others are of earlier shapes.
            $last = $job->impressions()->reorder()->whereNotIn('kind', [ImpressionKind::Cast, ImpressionKind::Mould])->max('position')
                ?? -1;
            $meant = $meant->filter(static fn (Impression $link): bool => $link->position > $last);
            [$base, $isKept] = $this->rubber($kind, $chemistry, $meant->first());
            $replaced = $meant->map(static fn (Impression $link): string => "“{$link->name}”")->implode(', ');
            $meant->each(static fn (Impression $link): ?bool => $link->delete());

            $after = $job->impressions()->reorder()->whereNot('kind', ImpressionKind::Cast)->orderByDesc('position')->first();
            foreach (self::links($kind) as [$name, $role]) {
                $after = $this->chain->insert($job, [
                    'kind' => ImpressionKind::Mould, 'name' => $name, 'role' => $role, 'mould_kind' => $kind->id,
                    'material' => $role === MouldPart::Jacket ? null : $base?->code,
                    'note' => implode(', ', $kind->parts),
                ], $after?->id);
            }

            $all = ['kind' => $kind->name, 'rubber' => self::rubberInWords($base, $isKept), 'parts' => $kind->parts];

            return $this->words->say($replaced === ''
                ? Phrase::of('bench.chain_also_needs', $all)
                : Phrase::of('bench.chain_place_also_needs', [...$all, 'replaced' => $replaced]));
        }, 3);
    }

    /** @return array{BaseSheet|null, bool} what it is made of, and whether that is what the job had */
    private function rubber(MouldKind $kind, string $chemistry, ?Impression $meant): array
    {
        $had = $this->library->shelf()->bases[$meant->material ?? ''] ?? null;
        if ($had !== null && in_array($had->family, $kind->chemistry, true)) {
            return [$had, true];
        }
        foreach ($this->library->atHand()->bases as $base) {
            if ($base->family === $chemistry) {
                return [$base, false];
            }
        }

        return [null, false];
    }

    private static function rubberInWords(?BaseSheet $base, bool $isKept): Phrase
    {
        return match (true) {
            $base === null => Phrase::of('bench.nothing_chemistry_your_shelf'),
            $isKept => Phrase::of('bench.made_as_you_had', ['name' => $base->name]),
            default => Phrase::of('bench.down_as_change_link', ['name' => $base->name]),
        };
    }

    /** @return list<array{string, MouldPart}> the links a mould of a kind is in a chain */
    public static function links(MouldKind $kind): array
    {
        $jacket = $kind->jacketed ? [["Jacket for {$kind->name}", MouldPart::Jacket]] : [];

        return $kind->rubber === 'split'
            ? [["{$kind->name}, first half", MouldPart::Half], ["{$kind->name}, second half", MouldPart::Half]]
            : [[$kind->name, MouldPart::Whole], ...$jacket];
    }
}
