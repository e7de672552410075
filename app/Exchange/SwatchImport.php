<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tint\Depth;
use Apalos\Core\Tint\Lab;
use App\Library\KeepFormula;
use App\Machine\Cancelled;
use App\Models\Formula;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Swatch;
use App\Models\SwatchReading;
use App\Models\Workshop;
use App\Swatches\DigestWriter;
use App\Swatches\ReadSwatch;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Takes in formulas, swatches and colour targets, all of a file or nothing of it. What is here already is not taken twice. */
final class SwatchImport
{
    /** Of each in one file. */
    private const MOST = 20_000;

    /** Entries written in one go: a tenth of a second. */
    private const AT_ONCE = 40;

    private const FORMULA_SECTIONS = ['name', 'kind', 'retired', 'versions'];

    /** @var array<string, FormulaVersion> by the name it had in the file */
    private array $versions = [];

    /** @var array<string, list<mixed>> numbers of what this file brought, by what it is, and what it changed as it was before */
    private array $made = [];

    /** @var array<int, true> readings that some line of this file is */
    private array $found = [];

    /** @var array<int, true> swatches that are new or were read anew */
    private array $touched = [];

    /** @var array{formulas: int, swatches: int, readings: int, targets: int} */
    private array $new = ['formulas' => 0, 'swatches' => 0, 'readings' => 0, 'targets' => 0];

    public function __construct(
        private readonly Workshop $workshop,
        private readonly KeepFormula $keep,
        private readonly ReadSwatch $read,
        private readonly DigestWriter $digests,
    ) {}

    /**
     * All at once: for a file that is read in a moment.
     *
     * @return array{formulas: int, swatches: int, readings: int, targets: int} how many were new
     *
     * @throws BadInput
     */
    public function __invoke(string $text, CarbonImmutable $now): array
    {
        DB::transaction(function () use ($text, $now): void {
            array_map(static fn (Closure $take) => $take(), $this->entries($text, $now));
            $this->told();
        });

        return $this->new;
    }

    /**
     * Some entries at a time, so that whoever writes facts never waits for more than those. Where one is refused, what went in before
     * it goes out again.
     *
     * @param  Closure(int, int): void  $between  told before each step how far it is, of how many; throws {@see Cancelled} to stop
     * @param  Closure(array<string, list<mixed>>): void  $noted told in each step, together with what it wrote, all that was made so far:
     *   whoever dies between two leaves word of what has to go out again
     * @return array{formulas: int, swatches: int, readings: int, targets: int} how many were new
     *
     * @throws BadInput
     * @throws Cancelled
     */
    public function inSteps(string $text, CarbonImmutable $now, Closure $between, Closure $noted): array
    {
        $entries = $this->entries($text, $now);
        try {
            foreach (array_chunk($entries, self::AT_ONCE) as $i => $some) {
                $between($i * self::AT_ONCE, count($entries));
                DB::transaction(function () use ($some, $noted): void {
                    array_map(static fn (Closure $take) => $take(), $some);
                    $noted($this->made);
                });
            }
            $between(count($entries), count($entries));
            DB::transaction($this->told(...));
        } catch (Throwable $stopped) {
            $this->takeOut($this->made);
            throw $stopped;
        }

        return $this->new;
    }

    /** @return list<Closure(): void> what is to be done, in order */
    private function entries(string $text, CarbonImmutable $now): array
    {
        $in = $this->parsed($text)->only('format', 'version', 'formulas', 'swatches', 'targets');
        if ($in->has('version') && $in->number('version') > SwatchExport::VERSION) {
            throw BadInput::at('version', Phrase::of('bench.file_of_newer_version'));
        }
        [$this->versions, $this->touched, $this->made, $this->found] = [[], [], [], []];
        $this->new = ['formulas' => 0, 'swatches' => 0, 'readings' => 0, 'targets' => 0];

        return [
            ...array_map(fn (Fields $formula): Closure => fn () => $this->formula($formula), $in->objects('formulas', self::MOST)),
            ...array_map(fn (Fields $swatch): Closure => fn () => $this->swatch($swatch, $now), $in->objects('swatches', self::MOST)),
            ...array_map(fn (Fields $target): Closure => fn () => $this->target($target), $in->objects('targets', self::MOST)),
        ];
    }

    /** The drawer learns of what is new. */
    private function told(): void
    {
        $this->digests->take(...array_keys($this->touched));
    }

    /** @return array<string, list<mixed>> what this file brought and changed, so that it can be taken out again */
    public function made(): array
    {
        return $this->made;
    }

    /**
     * Takes out what a file brought, but for versions that were poured meanwhile, and puts back what it changed.
     *
     * @param  array<string, list<mixed>>  $made
     */
    public function takeOut(array $made): void
    {
        DB::transaction(function () use ($made): void {
            $ids = static fn (string $of): array => array_chunk(array_filter($made[$of] ?? [], is_int(...)), 500);
            $touched = [];
            foreach ($ids('readings') as $some) {
                $touched = [...$touched, ...SwatchReading::query()->whereKey($some)->pluck('swatch_id')->all()];
                SwatchReading::query()->whereKey($some)->delete();
            }
            foreach ($ids('swatches') as $some) {
                // One that was read here meanwhile is no longer the file's alone.
                $touched = [...$touched, ...$some];
                Swatch::query()->whereKey($some)->whereDoesntHave('readings')->forceDelete();
            }
            $formulas = [];
            foreach (array_chunk(array_reverse(array_merge([], ...$ids('versions'))), 500) as $some) {
                $formulas = [...$formulas, ...FormulaVersion::query()->whereKey($some)->pluck('formula_id')->all()];
                FormulaVersion::query()->whereKey($some)->whereDoesntHave('pours')->whereDoesntHave('swatches')->delete();
            }
            foreach ($ids('retired') as $some) {
                $this->workshop
                    ->formulas()
                    ->whereKey($some)
                    ->get()
                    ->each(static fn (Formula $formula): bool => $formula->update(['retired_at' => null]));
            }
            foreach ($ids('targets') as $some) {
                $this->workshop->colourTargets()->whereKey($some)->delete();
            }
            foreach ($made['colours'] ?? [] as $was) {
                is_array($was)
                    && $this->workshop->colourTargets()->whereKey($was['id'] ?? 0)->first()?->update(array_diff_key($was, ['id' => true]));
            }
            $this->workshop->formulas()->whereKey(array_unique($formulas))->whereDoesntHave('versions')->delete();
            $this->digests->take(...array_values(array_unique(array_map(intval(...), $touched))));
        });
    }

    private function parsed(string $text): Fields
    {
        return str_starts_with(ltrim($text, "\xEF\xBB\xBF \t\r\n"), '{') ? Fields::fromJson($text) : SwatchCsv::parsed($text);
    }

    private function formula(Fields $in): void
    {
        $in->only(...self::FORMULA_SECTIONS);
        $name = $in->text('name');
        $kind = $in->choice('kind', FormulaKind::class);
        $formula = null;
        foreach ($in->objects('versions', self::MOST) as $version) {
            $version->only('number', 'recipe', 'parent', 'note');
            $parent = $version->textOrNull('parent');
            $called = sprintf('%s · %d', $name, (int) $version->number('number', 1.0));
            // Its note makes a version of its own the first time only.
            $note = $version->textOrNull('note');
            $formula ??= $this->workshop->formulas()->where('name', $name)->first();
            $same = $formula === null
                ? null
                : $this->keep->kept($formula, $this->keep->content($version->object('recipe')), $note, anyNote: false);
            $this->versions[$called] = $same
                ?? ($this->keep)($name, $version->object('recipe'), $kind, ($this->versions[$parent ?? ''] ?? null)?->id, $note);
            if ($same === null && $this->versions[$called]->wasRecentlyCreated) {
                $this->made['versions'][] = $this->versions[$called]->id;
                $this->new['formulas']++;
            }
        }
        if ($in->has('retired') && $in->bool('retired')) {
            foreach ($this->workshop->formulas()->where('name', $name)->whereNull('retired_at')->get() as $retired) {
                $retired->update(['retired_at' => CarbonImmutable::now()]);
                $this->made['retired'][] = $retired->id;
            }
        }
    }

    private function swatch(Fields $in, CarbonImmutable $now): void
    {
        $in->only('name', 'formula', 'recipe', 'thickness_mm', 'poured_at', 'demoulded_at', 'note', 'readings');
        $formula = $in->text('formula');
        $version = $this->versions[$formula] ?? $this->known($in, $formula);
        $poured = MomentInFile::in($in, 'poured_at') ?? throw BadInput::at($in->at('poured_at'), Phrase::of('bench.say_when_was_poured'));
        $name = mb_substr($in->text('name'), 0, 120);
        $swatch = $this->workshop
            ->swatches()
            ->where('name', $name)
            ->where('formula_version_id', $version->id)
            ->where('poured_at', $poured->format('Y-m-d H:i:s.v'))
            ->with('readings')
            ->first();
        if ($swatch === null) {
            $swatch = $this->workshop->swatches()->create([
                'name' => $name, 'formula_version_id' => $version->id, 'poured_at' => $poured,
                'demoulded_at' => MomentInFile::in($in, 'demoulded_at'),
                'thickness_mm' => $in->positiveOrNull('thickness_mm', 200.0), 'note' => $in->textOrNull('note'),
            ])->load('readings');
            $this->touched[$swatch->id] = true;
            $this->made['swatches'][] = $swatch->id;
            $this->new['swatches']++;
        }
        foreach ($in->objects('readings') as $reading) {
            $this->reading($swatch, $reading, $now);
        }
    }

    private function reading(Swatch $swatch, Fields $in, CarbonImmutable $now): void
    {
        $leftOut = $in->has('left_out') && $in->bool('left_out');
        $at = MomentInFile::in($in, 'at');
        // What a file brings was read long ago: nobody stands here to be asked.
        $said = Fields::of(
            [
                ...array_diff_key($in->toArray(), ['left_out' => 0, 'at' => 0]), 'sure' => true,
                ...($at === null ? [] : ['at' => $at->toIso8601ZuluString('millisecond')]),
            ],
            $in->at(''),
        );
        // Two at once both stay; each of the file is one of those that are here, as long as there are any that say the same.
        $same = $swatch->readings->first(
            fn (SwatchReading $r): bool => ! isset($this->found[$r->id]) && ($at === null || $r->at->eq($at)) && $this->says($r, $in),
        );
        if ($same !== null) {
            $this->found[$same->id] = true;

            return;
        }
        ($this->read)($swatch, $said, $now);
        $made = $swatch->readings()->reorder()->latest('id')->first();
        if ($made !== null) {
            $this->made['readings'][] = $made->id;
            $this->found[$made->id] = true;
            $leftOut && $made->update(['left_out' => true]);
        }
        $swatch->load('readings');
        $this->touched[$swatch->id] = true;
        $this->new['readings']++;
    }

    private function says(SwatchReading $reading, Fields $in): bool
    {
        $near = static fn (mixed $one, mixed $other): bool => (
            is_array($one)
            && is_array($other)
            && count($one) === count($other)
            && array_filter(
                array_map(
                    static fn (mixed $a, mixed $b): float => is_numeric($a) && is_numeric($b) ? abs((float) $a - (float) $b) : INF, $one,
                    $other,
                ),
                static fn (float $off): bool => $off > 1e-6,
            ) === []
        )
            || ($one === null && $other === null);
        $said = $in->toArray();

        return $reading->kind === $in->text('kind') && ($reading->kind === 'hardness'
            ? $reading->scale === $in->textOrNull('scale') && $near($reading->readings, $said['readings'] ?? null)
            : $reading->backing === $in->textOrNull('backing') && $near($reading->lab, $said['lab'] ?? null));
    }

    private function target(Fields $in): void
    {
        $in->only('name', 'lab', 'shows_pct', 'at_mm');
        [$name, $lab] = [mb_substr($in->text('name'), 0, 120), Lab::from($in, 'lab')->toArray()];
        $there = $this->workshop->colourTargets()->where('name', $name)->first();
        $depth = Depth::kept($in);
        if ($there !== null && ($there->lab != $lab || $there->depth() != $depth)) {
            $this->made['colours'][] = ['id' => $there->id, 'lab' => $there->lab, ...$there->depth()];
        }
        $target = $this->workshop->colourTargets()->updateOrCreate(['name' => $name], ['lab' => $lab, ...$depth]);
        if ($target->wasRecentlyCreated) {
            $this->made['targets'][] = $target->id;
            $this->new['targets']++;
        }
    }

    /** The version a swatch names: from its own recipe where the file has one, else from what is kept here. */
    private function known(Fields $in, string $called): FormulaVersion
    {
        if ($in->has('recipe')) {
            $kept = $this->versions[$called] = ($this->keep)(
                (string) preg_replace('/ · \d+$/u', '', $called), $in->object('recipe'), FormulaKind::Trial,
            );
            $kept->wasRecentlyCreated && $this->made['versions'][] = $kept->id;

            return $kept;
        }
        [$name, $number] = preg_match('/^(.*) · (\d+)$/u', $called, $part) === 1 ? [$part[1], (int) $part[2]] : [$called, 0];

        return FormulaVersion::query()
            ->with('formula')
            ->where('number', $number)
            ->whereHas('formula', fn ($formula) => $formula->where('workshop_id', $this->workshop->id)->where('name', $name))
            ->first()
            ?? throw BadInput::at($in->at('formula'), Phrase::of('bench.formula_nowhere', ['called' => $called]));
    }
}
