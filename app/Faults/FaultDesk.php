<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Fault\CommonResult;
use Apalos\Core\Fault\FaultFinder;
use Apalos\Core\Fault\FaultRequest;
use Apalos\Core\Fault\InCommon;
use Apalos\Core\Fault\NextQuestion;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\Grade;
use App\Library\Library;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Lot;
use App\Models\Mould;
use App\Models\PourState;
use App\Models\Workshop;
use App\People\Names;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** What went wrong: the likeliest causes of one bad cast, and what bad casts have in common. */
final readonly class FaultDesk
{
    /** So many questions are asked at most after a bad grade. */
    public const QUESTIONS = 2;

    private const OFFERED = 3;

    /** The newest casts that are compared: what was two years ago was another shop. */
    public const COMPARED = 2_000;

    public function __construct(private Library $library, private Workshop $workshop, private PourFacts $facts, private Names $names) {}

    /**
     * @param  array<string, mixed>  $answers  to what was asked
     * @return array{
     *     causes: list<array{
     *         id: string, name: string, share: float, because: list<Phrase>, against: list<Phrase>, look: Phrase, next: Phrase,
     *     }>,
     *     question: array{fact: string, ask: Phrase, answers: list<array{value: float|bool|string, text: Phrase}>}|null,
     *     warnings: list<array{code: string, message: Phrase}>, asked: int
     * }
     *
     * @throws \Apalos\Core\Input\BadInput
     */
    public function causes(RecordedRun $run, array $answers): array
    {
        $book = $this->library->faultBook();
        $seen = $run->pour->faults ?? [];
        $where = $answers['where'] ?? null;
        unset($answers['where']);
        $finder = new FaultFinder($book);
        $request = FaultRequest::from(
            Fields::of([
                'seen' => $seen, 'where' => $where, 'facts' => [...$this->facts->of($run), ...$answers],
                'confirmed' => $this->confirmed($run->pour->id),
            ]),
            $book,
        );
        $found = $finder->find($request)->toArray();
        $asked = count($answers) + ($where === null ? 0 : 1);
        $question = $asked >= self::QUESTIONS ? null : (new NextQuestion($book, $finder))->after($request);

        return [
            'causes' => array_slice($found['causes'], 0, self::OFFERED),
            'question' => $question === null
                ? null
                : [
                    'fact' => $question['fact'], 'ask' => Phrase::written($question['ask']),
                    'answers' => array_map(
                        static fn (array $answer): array => ['value' => $answer['value'], 'text' => Phrase::written($answer['text'])],
                        $question['answers'],
                    ),
                ],
            'warnings' => $found['warnings'], 'asked' => $asked,
        ];
    }

    /** @return array<string, int> how often this shop found each cause */
    public function confirmed(?int $butFor = null): array
    {
        $found = [];
        foreach (Rows::of('pours')->whereNotNull('cause')->when(
            $butFor !== null, static fn ($q) => $q->where('id', '!=', $butFor),
        )->groupBy('cause')->selectRaw('cause, count(*) as n')->orderByDesc('n')->get() as $row) {
            isset($this->library->faultBook()->causes[(string) $row->cause]) && $found[(string) $row->cause] = (int) $row->n;
        }
        $learnt = Rows::of('trials')->whereNotNull('became')->limit(500)->pluck('became');
        foreach ($learnt as $became) {
            $cause = json_decode((string) $became, true)['cause'] ?? null;
            is_string($cause) && isset($this->library->faultBook()->causes[$cause]) && $found[$cause] = ($found[$cause] ?? 0) + 1;
        }

        return $found;
    }

    /** @param  string|null  $fault  only casts that showed this count as bad; any bad grade where nothing is said */
    public function common(?string $fault): CommonResult
    {
        $rows = Rows::of('pours')
            ->where('state', PourState::Graded->value)
            ->whereNotNull('graded_at')
            ->whereExists(
                static fn ($q) => $q
                    ->selectRaw('1')
                    ->from('impressions')
                    ->whereColumn('impressions.id', 'pours.impression_id')
                    ->where('kind', 'cast'),
            )
            ->orderByDesc('graded_at')->limit(self::COMPARED)->get([
                'id', 'grade', 'base_code', 'room_c', 'poured_at', 'graded_by', ...($fault === null ? [] : ['faults']),
            ]);
        $ids = $rows->pluck('id')->all();
        $of = [];
        foreach (array_chunk($ids, 500) as $some) {
            foreach (Rows::of('pour_moulds')->whereIn('pour_id', $some)->get(['pour_id', 'mould_id']) as $row) {
                $of[(int) $row->pour_id]['mould'][] = Mould::numbered((int) $row->mould_id);
            }
            // Asked by the pour alone, which is this shop’s: asked by the shop as well, SQLite walks through all it ever drew.
            foreach (DB::table('lot_draws')->whereIn('pour_id', $some)->whereNotNull('lot_id')->get(['pour_id', 'lot_id']) as $row) {
                $of[(int) $row->pour_id]['lot'][] = Lot::numbered((int) $row->lot_id);
            }
        }
        [$groups, $bad] = [[], 0];
        foreach ($rows as $row) {
            $isBad = $fault === null
                ? Grade::tryFrom((string) $row->grade)?->counts() === false
                : in_array($fault, (array) json_decode((string) $row->faults, true), true);
            $bad += (int) $isBad;
            foreach ($this->shown($row) + array_map(array_unique(...), $of[(int) $row->id] ?? []) as $what => $values) {
                foreach ($values as $value) {
                    $groups["{$what}/{$value}"] ??= ['what' => $what, 'value' => $value, 'bad' => 0, 'all' => 0];
                    $groups["{$what}/{$value}"]['all']++;
                    $groups["{$what}/{$value}"]['bad'] += (int) $isBad;
                }
            }
        }

        return (new InCommon)->of(array_values($groups), $bad, $rows->count());
    }

    /** @return array<string, list<string>> */
    private function shown(\stdClass $row): array
    {
        $room = $row->room_c === null ? null : (float) $row->room_c;
        $hour = $row->poured_at === null
            ? null
            : (int) CarbonImmutable::parse((string) $row->poured_at, 'UTC')->setTimezone($this->workshop->zone())->format('G');

        return array_filter([
            'person' => ($by = $this->names->of($row->graded_by)) === null ? [] : [$by],
            'base' => $row->base_code === null ? [] : [(string) $row->base_code],
            'room' => $room === null ? [] : [match (true) {
                $room < 18.0 => 'cold',
                $room < 22.0 => 'mild',
                $room < 26.0 => 'warm',
                default => 'hot',
            }],
            'hour' => $hour === null ? [] : [match (true) {
                $hour < 12 => 'morning',
                $hour < 15 => 'noon',
                $hour < 18 => 'afternoon',
                default => 'evening',
            }],
        ]);
    }
}
