<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Sheet\SheetKind;
use App\Builds\BuildBook;
use App\Builds\PlanBuild;
use App\Library\KeepFormula;
use App\Library\KeepSheet;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\PourState;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Takes the file of a job in: its chain with what was chosen for its contacts, its formulas, sheets that are not known here, a planned
 * build or a sheet for every link that was poured. What was poured elsewhere stays in the file. All of it, or nothing.
 */
final readonly class TakeJobIn
{
    private const MOST_LINKS = 20;

    private const MOST = 200;

    public function __construct(
        private Workshop $shop,
        private Library $library,
        private KeepSheet $sheets,
        private KeepFormula $formulas,
        private PlanBuild $build,
        private BuildBook $builds,
        private Phrasebook $words,
    ) {}

    /** @throws BadInput that says what is wrong with the file */
    public function __invoke(string $text, CarbonImmutable $now): Job
    {
        $file = Fields::fromJson($text);
        if ($file->textOrNull('format') !== JobFile::FORMAT) {
            throw BadInput::at('file', Phrase::of('bench.no_job_file'));
        }
        if ((int) $file->number('version', 0.0, 1e6) > JobFile::VERSION) {
            throw BadInput::at('file', Phrase::of('bench.job_file_is_newer'));
        }

        return DB::transaction(function () use ($file, $now): Job {
            $this->unknownSheets($file);
            $said = $file->object('job');
            $job = $this->shop->jobs()->create([
                'name' => mb_substr($said->text('name', 120), 0, 120),
                'purpose' => mb_substr(
                    trim(($said->textOrNull('purpose') ?? '')."\n".$this->words->say(Phrase::of('bench.from_the_file_of', [
                        'shop' => $file->textOrNull('shop') ?? Phrase::of('bench.another_shop'),
                        'day' => mb_substr($file->textOrNull('made_at') ?? '', 0, 10),
                    ]))),
                    0, 2000,
                ),
                'quantity' => (int) $said->number('quantity', 1.0, 100_000.0), 'skin' => $said->has('skin') && $said->bool('skin'),
                'uses' => array_values(
                    array_intersect($said->has('uses') ? $said->strings('uses') : [], array_keys($this->library->uses())),
                ),
            ]);
            $links = $this->links($job, $file->objects('chain', self::MOST_LINKS));
            $this->contacts($links, $file->objects('chain', self::MOST_LINKS));
            foreach ($file->has('formulas') ? $file->objects('formulas', self::MOST) : [] as $formula) {
                ($this->formulas)(
                    $formula->text('name', 120),
                    Fields::of(
                        [
                            'base' => $formula->text('base'),
                            'additives' => array_map(
                                static fn (Fields $one): array => array_intersect_key(
                                    $one->toArray(), array_flip(['code', 'amount', 'basis', 'into']),
                                ),
                                $formula->has('additives') ? $formula->objects('additives') : [],
                            ),
                        ],
                        $formula->path,
                    ),
                );
            }
            $this->planned($links, $file, $now);

            return $job;
        });
    }

    private function unknownSheets(Fields $file): void
    {
        foreach ($file->has('sheets') ? $file->objects('sheets', self::MOST) : [] as $one) {
            $kind = $one->choice('kind', SheetKind::class);
            $this->library->written($kind, $one->text('code')) !== null
                || $this->sheets->keep($this->sheets->read($kind, $one->object('sheet')), null);
        }
    }

    /**
     * @param  list<Fields>  $chain
     * @return list<Impression>
     */
    private function links(Job $job, array $chain): array
    {
        $links = [];
        foreach ($chain as $position => $link) {
            [$role, $kind] = [$link->textOrNull('role'), $link->textOrNull('mould_kind')];
            $links[] = $job->impressions()->create([
                'position' => $position, 'kind' => $link->choice('kind', ImpressionKind::class), 'name' => $link->text('name', 120),
                'material' => $link->textOrNull('material') === null ? null : mb_substr($link->text('material'), 0, 120),
                'note' => mb_substr($link->textOrNull('note') ?? '', 0, 2000),
                'surface' => $this->surface($link, 'surface'), 'wall' => $this->surface($link, 'wall'),
                'bed' => $this->surface($link, 'bed'),
                'mould_kind' => isset($this->library->moulds()->kinds[$kind ?? '']) ? $kind : null,
                'role' => $role === null ? MouldPart::Whole : (MouldPart::tryFrom($role) ?? MouldPart::Whole),
                'from_id' => ($from = $link->numberOrNull('from', 0.0, (float) max(0, $position - 1))) === null || $position === 0
                    ? null
                    : ($links[(int) $from]->id ?? null),
            ]);
        }

        return $links;
    }

    private function surface(Fields $link, string $what): ?string
    {
        $id = $link->textOrNull($what);

        return $id === null ? null : $this->library->knowledge()->surface($id, $link->at($what))->id;
    }

    /**
     * @param  list<Impression>  $links
     * @param  list<Fields>  $chain
     */
    private function contacts(array $links, array $chain): void
    {
        foreach ($chain as $i => $link) {
            $contacts = [];
            $chosen = $link->objectOrNull('chosen');
            foreach ($chosen?->names() ?? [] as $key) {
                $place = preg_match('/^link#(\d{1,3})$/', $key, $part) === 1 ? ($links[(int) $part[1]]->id ?? null) : null;
                $contacts[$place === null ? $key : "link-{$place}"] = array_intersect_key(
                    $chosen?->object($key)->toArray() ?? [], array_flip(JobFile::CHOSEN),
                );
            }
            $contacts === [] || $links[$i]->update(['contacts' => $contacts]);
        }
    }

    /**
     * As it was built, or weighed up, last: planned here, with nothing begun.
     *
     * @param  list<Impression>  $links
     */
    private function planned(array $links, Fields $file, CarbonImmutable $now): void
    {
        $built = [];
        foreach ($file->has('builds') ? $file->objects('builds', self::MOST) : [] as $build) {
            $link = $links[(int) $build->number('link', 0.0, (float) self::MOST_LINKS)] ?? null;
            $kinds = array_map(static fn ($made): string => $made->id, $this->builds->all());
            if ($link !== null && ! isset($built[$link->id]) && in_array($build->text('kind'), $kinds, true)) {
                ($this->build)(
                    $link->refresh()->load('job'),
                    Fields::of(['kind' => $build->text('kind'), 'measured' => $build->objectOrNull('measured')?->toArray() ?? []]), $now,
                );
                $built[$link->id] = true;
            }
        }
        $last = [];
        foreach ($file->has('pours') ? $file->objects('pours', self::MOST) : [] as $pour) {
            $link = $links[(int) $pour->number('link', 0.0, (float) self::MOST_LINKS)] ?? null;
            $sheet = $pour->objectOrNull('sheet')?->toArray();
            if ($link !== null && $sheet !== null && $pour->textOrNull('operation') === 'pour' && ! isset($built[$link->id])) {
                $last[$link->id] = [$link, $sheet];
            }
        }
        foreach ($last as [$link, $sheet]) {
            $link->pours()->createOrFirst(['draft_of' => $link->id], [
                'sheet' => [...$sheet, 'carried' => 'the file'], 'state' => PourState::Draft,
            ]);
        }
    }
}
