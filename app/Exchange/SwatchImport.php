<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tint\Lab;
use App\Actions\KeepFormula;
use App\Actions\ReadSwatch;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\Swatch;
use App\Models\SwatchReading;
use App\Models\Workshop;
use App\Workshop\CardWriter;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Takes in formulas, swatches and colour targets, all of a file or nothing of it. What is here already is not taken twice. */
final class SwatchImport
{
    /** Of each in one file. */
    private const MOST = 20_000;

    private const FORMULA_SECTIONS = ['name', 'kind', 'retired', 'versions'];

    /** @var array<string, FormulaVersion> by the name it had in the file */
    private array $versions = [];

    /** @var array<int, true> swatches that are new or were read anew */
    private array $touched = [];

    /** @var array{formulas: int, swatches: int, readings: int, targets: int} */
    private array $new = ['formulas' => 0, 'swatches' => 0, 'readings' => 0, 'targets' => 0];

    public function __construct(private readonly Workshop $workshop, private readonly KeepFormula $keep, private readonly ReadSwatch $read, private readonly CardWriter $cards) {}

    /**
     * @return array{formulas: int, swatches: int, readings: int, targets: int} how many were new
     *
     * @throws BadInput
     */
    public function __invoke(string $text, CarbonImmutable $now): array
    {
        $in = $this->parsed($text)->only('format', 'version', 'formulas', 'swatches', 'targets');
        if ($in->has('version') && $in->number('version') > SwatchExport::VERSION) {
            throw BadInput::at('version', Phrase::written('This file was written by a newer version. Bring this bench up to date first.'));
        }
        [$this->versions, $this->touched] = [[], []];
        $this->new = ['formulas' => 0, 'swatches' => 0, 'readings' => 0, 'targets' => 0];
        DB::transaction(function () use ($in, $now): void {
            array_map($this->formula(...), $in->objects('formulas', self::MOST));
            foreach ($in->objects('swatches', self::MOST) as $swatch) {
                $this->swatch($swatch, $now);
            }
            array_map($this->target(...), $in->objects('targets', self::MOST));
            $this->cards->take(...array_keys($this->touched));
        });

        return $this->new;
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
            $same = $formula === null ? null : $this->keep->kept($formula, $this->keep->content($version->object('recipe')), $note, anyNote: false);
            $this->versions[$called] = $same ?? ($this->keep)($name, $version->object('recipe'), $kind, ($this->versions[$parent ?? ''] ?? null)?->id, $note);
            $this->new['formulas'] += $same === null && $this->versions[$called]->wasRecentlyCreated ? 1 : 0;
        }
        if ($in->has('retired') && $in->bool('retired')) {
            $this->workshop->formulas()->where('name', $name)->whereNull('retired_at')->update(['retired_at' => CarbonImmutable::now()]);
        }
    }

    private function swatch(Fields $in, CarbonImmutable $now): void
    {
        $in->only('name', 'formula', 'recipe', 'thickness_mm', 'poured_at', 'demoulded_at', 'note', 'readings');
        $formula = $in->text('formula');
        $version = $this->versions[$formula] ?? $this->known($in, $formula);
        $poured = Moment::in($in, 'poured_at') ?? throw BadInput::at($in->at('poured_at'), Phrase::written('Say when it was poured.'));
        $name = mb_substr($in->text('name'), 0, 120);
        $swatch = $this->workshop->swatches()->where('name', $name)->where('formula_version_id', $version->id)->where('poured_at', $poured->format('Y-m-d H:i:s.v'))->with('readings')->first();
        if ($swatch === null) {
            $swatch = $this->workshop->swatches()->create([
                'name' => $name, 'formula_version_id' => $version->id, 'poured_at' => $poured, 'demoulded_at' => Moment::in($in, 'demoulded_at'),
                'thickness_mm' => $in->positiveOrNull('thickness_mm', 200.0), 'note' => $in->textOrNull('note'),
            ])->load('readings');
            $this->touched[$swatch->id] = true;
            $this->new['swatches']++;
        }
        foreach ($in->objects('readings') as $reading) {
            $this->reading($swatch, $reading, $now);
        }
    }

    private function reading(Swatch $swatch, Fields $in, CarbonImmutable $now): void
    {
        $leftOut = $in->has('left_out') && $in->bool('left_out');
        $at = Moment::in($in, 'at');
        $said = Fields::of([...array_diff_key($in->toArray(), ['left_out' => 0, 'at' => 0]), ...($at === null ? [] : ['at' => $at->toIso8601ZuluString('millisecond')])], $in->at(''));
        $known = $swatch->readings->contains(static fn (SwatchReading $r): bool => $at !== null && $r->at->eq($at) && $r->kind === $in->text('kind') && $r->backing === $in->textOrNull('backing'));
        if ($known) {
            return;
        }
        ($this->read)($swatch, $said, $now);
        $made = $swatch->readings()->reorder()->latest('id')->first();
        if ($leftOut) {
            $made?->update(['left_out' => true]);
        }
        $swatch->load('readings');
        $this->touched[$swatch->id] = true;
        $this->new['readings']++;
    }

    private function target(Fields $in): void
    {
        $in->only('name', 'lab');
        $target = $this->workshop->colourTargets()->updateOrCreate(['name' => mb_substr($in->text('name'), 0, 120)], ['lab' => Lab::from($in, 'lab')->toArray()]);
        $this->new['targets'] += $target->wasRecentlyCreated ? 1 : 0;
    }

    /** The version a swatch names: from its own recipe where the file has one, else from what is kept here. */
    private function known(Fields $in, string $called): FormulaVersion
    {
        if ($in->has('recipe')) {
            return $this->versions[$called] = ($this->keep)((string) preg_replace('/ · \d+$/u', '', $called), $in->object('recipe'), FormulaKind::Trial);
        }
        [$name, $number] = preg_match('/^(.*) · (\d+)$/u', $called, $part) === 1 ? [$part[1], (int) $part[2]] : [$called, 0];

        return FormulaVersion::query()->with('formula')->where('number', $number)->whereHas('formula', fn ($formula) => $formula->where('workshop_id', $this->workshop->id)->where('name', $name))->first()
            ?? throw BadInput::at($in->at('formula'), Phrase::written("“{$called}” is neither in the file nor here. Write the formula into the file as well."));
    }
}
