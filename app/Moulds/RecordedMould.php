<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\MouldFactKind;
use Apalos\Core\Care\MouldState;
use Apalos\Core\Units\Minutes;
use App\Contacts\Dryness;
use App\Facts\Happened;
use App\Lists\Rows;
use App\Models\Mould;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** A mould as recorded: its facts, the state the core reads off them, and what lists need of it and of its castings. */
final readonly class RecordedMould
{
    public const STREAM = 'mould';

    /** @param  list<Happened>  $facts */
    private function __construct(public Mould $mould, public MouldState $state, public array $facts) {}

    public static function of(Mould $mould): self
    {
        return self::from($mould, Happened::in(self::STREAM, [$mould->id])[$mould->id]);
    }

    /** The same with what was told since. */
    public function with(Happened $told): self
    {
        return self::from($this->mould, [...$this->facts, $told]);
    }

    /** @param  list<Happened>  $facts */
    private static function from(Mould $mould, array $facts): self
    {
        return new self($mould, MouldState::of(Happened::read($facts, MouldFactKind::class)), $facts);
    }

    /** Puts what lists need to know of it down in the mould, which is still to be kept ({@see CountMould}). */
    public function write(): void
    {
        Rows::of('mould_care')->where('mould_id', $this->mould->id)->whereNotNull('fact_id')->delete();
        DB::table('mould_care')->insert(
            array_map(
                fn (array $care): array => [
                    'workshop_id' => $this->mould->workshop_id, 'mould_id' => $this->mould->id, 'fact_id' => $care['fact'],
                    'act' => $care['act']->value, 'at' => $this->moment($care['at'])->format('Y-m-d H:i:s.v'),
                ],
                $this->state->care,
            ),
        );
        $this->mould->fill([
            'name' => $this->state->name ?? $this->mould->name, 'place' => $this->state->place, 'photo' => $this->state->photo,
            'cost' => $this->state->cost, 'condition' => $this->state->condition,
            'casts_before' => $this->state->before,
            'marks' => array_map(static fn ($mark): string => $mark->value, $this->state->marks),
            'retired_at' => $this->state->retired === null ? null : $this->moment($this->state->retired['at']),
            'retired_why' => $this->state->retired['why'] ?? null,
        ]);
        $proved = $this->dryness()->provedAt();
        $this->mould->proved_dry_at = $proved === null ? null : $this->moment($proved);
    }

    /** What the scale says of it, held against what was poured of its one part. */
    public function dryness(): Dryness
    {
        $poured = array_values(array_filter(array_column($this->mould->parts, 'pour_id'), is_int(...)));

        return Dryness::of(
            $this->state->weighings,
            $this->state->weighings === [] || count($poured) !== 1 ? null : Pour::query()->with('snapshot')->find($poured[0]),
        );
    }

    private function moment(float $minutes): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMs(Minutes::ms($minutes), 'UTC');
    }
}
