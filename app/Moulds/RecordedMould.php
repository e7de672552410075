<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Keep\Act;
use Apalos\Core\Keep\MouldFactKind;
use Apalos\Core\Keep\MouldState;
use App\Contacts\Dryness;
use App\Facts\Happened;
use App\Library\Library;
use App\Lists\Rows;
use App\Models\Mould;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** A mould as recorded: its facts, the state the core reads off them, and what lists need of it and of its castings. */
final readonly class RecordedMould
{
    public const STREAM = 'mould';

    /** From this wear on a casting heats its mould. */
    private const HOT_WEAR = 2;

    /** @param  list<Happened>  $facts */
    private function __construct(public Mould $mould, public MouldState $state, public array $facts) {}

    public static function of(Mould $mould): self
    {
        $facts = Happened::in(self::STREAM, [$mould->id])[$mould->id];
        $read = array_map(static fn (Happened $fact): CoreFact => new CoreFact($fact->id, MouldFactKind::from($fact->kind), $fact->atMs / 60_000.0, $fact->payload), $facts);

        return new self($mould, MouldState::of($read), $facts);
    }

    /** Writes down what lists need to know of it. */
    public function write(): void
    {
        Rows::of('mould_care')->where('mould_id', $this->mould->id)->whereNotNull('fact_id')->delete();
        DB::table('mould_care')->insert(array_map(fn (array $care): array => ['workshop_id' => $this->mould->workshop_id, 'mould_id' => $this->mould->id, 'fact_id' => $care['fact'], 'act' => $care['act']->value, 'at' => $this->moment($care['at'])->format('Y-m-d H:i:s.v')], $this->state->care));
        $this->mould->fill([
            'name' => $this->state->name ?? $this->mould->name, 'place' => $this->state->place, 'photo' => $this->state->photo, 'cost' => $this->state->cost, 'condition' => $this->state->condition,
            'casts_before' => $this->state->before,
            'marks' => array_map(static fn ($mark): string => $mark->value, $this->state->marks),
            'retired_at' => $this->state->retired === null ? null : $this->moment($this->state->retired['at']), 'retired_why' => $this->state->retired['why'] ?? null,
        ]);
        $proved = $this->dryness()->provedAt();
        $this->mould->proved_dry_at = $proved === null ? null : $this->moment($proved);
        self::counted($this->mould);
    }

    /** What the scale says of it, held against what was poured of its one part. */
    public function dryness(): Dryness
    {
        $poured = array_values(array_filter(array_column($this->mould->parts, 'pour_id'), is_int(...)));

        return Dryness::of($this->state->weighings, $this->state->weighings === [] || count($poured) !== 1 ? null : Pour::query()->with('snapshot')->find($poured[0]));
    }

    /**
     * What its castings and its care come to.
     *
     * @param  bool  $roughly  only how it stands among the others is asked for, of thousands at once
     */
    public static function counted(Mould $mould, bool $roughly = false): void
    {
        $casts = Rows::of('pour_moulds')->where('mould_id', $mould->id)->whereNotNull('cast_at');
        $last = (clone $casts)->join('pours', 'pours.id', '=', 'pour_moulds.pour_id')->orderByDesc('cast_at')->limit(1)->first(['cast_at', 'base_code', 'poured_at']);
        $families = app(Library::class)->knowledge()->families;
        $family = $families[app(Library::class)->shelf()->bases[$last->base_code ?? '']->family ?? ''] ?? null;
        $isHot = $family !== null && ($family->wear >= self::HOT_WEAR || in_array('hot', $family->groups, true));
        $care = [];
        foreach (Rows::of('mould_care')->where('mould_id', $mould->id)->groupBy('act')->get(['act', DB::raw('max(at) as at')]) as $row) {
            $at = CarbonImmutable::parse((string) $row->at, 'UTC');
            $care[(string) $row->act] = ['at_ms' => (int) $at->getTimestampMs(), 'casts' => $mould->casts_before + (clone $casts)->where('cast_at', '<=', $at->format('Y-m-d H:i:s.v'))->count()];
        }
        $mould->fill([
            'casts' => $mould->casts_before + $casts->count(), 'casting' => $last->base_code ?? $mould->casting, 'cast_at' => $last->cast_at ?? null, 'care' => $care,
            'hot_at' => $isHot ? ($last->poured_at ?? $last->cast_at ?? null) : null,
            'releases' => Rows::of('mould_care')->where('mould_id', $mould->id)->where('act', Act::Released->value)->count(),
        ]);
        $lives = app(Lives::class);
        $mould->left_likely = match (true) {
            $mould->retired_at !== null => null,
            $roughly => (int) max(0.0, $lives->pairing($mould)->median - $mould->casts),
            default => $lives->of([$mould])[$mould->id]->likely,
        };
        $mould->save();
    }

    private function moment(float $minutes): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMs((int) round($minutes * 60_000.0), 'UTC');
    }
}
