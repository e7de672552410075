<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Care\ReleaseSchool;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Exchange\Csv;
use App\Facts\AppendFact;
use App\Facts\FactDiffers;
use App\Facts\StepHasMoved;
use App\Http\Reply;
use App\Http\Rules\Picture;
use App\Lists\Slice;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Mould;
use App\Models\Workshop;
use App\Moulds\CastKeeper;
use App\Moulds\MouldPageView;
use App\Moulds\MouldStreams;
use App\Moulds\PutOnRack;
use App\Moulds\Rack;
use App\Moulds\RackShelf;
use App\Moulds\RackView;
use App\Moulds\RecordedMould;
use App\Moulds\RemakeMould;
use App\Storage\KeepPhoto;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The rack: its moulds, and what is told of them. */
final readonly class RackController
{
    private const ON_A_PAGE = 24;

    /** Casts in no mould are asked about for so long. */
    private const HOMELESS_DAYS = 60;

    private const LONGEST_WORDS = 100;

    public function __construct(private Rack $rack, private RackShelf $shelf) {}

    public function index(Request $request): Response
    {
        $word = static fn (string $key): string => is_string($said = $request->query($key))
            ? mb_substr(trim($said), 0, self::LONGEST_WORDS)
            : '';
        $filter = ['q' => $word('q'), 'show' => $word('show') === 'retired' ? 'retired' : 'use'];
        $seen = $this->shelf->look($filter['q'], $filter['show'] === 'retired', Slice::asked($request, self::ON_A_PAGE));

        return Reply::page('rack/Rack', [
            'rack' => app()->make(RackView::class, [
                ...$seen, 'filter' => $filter, 'homeless' => CastKeeper::homeless(CarbonImmutable::now()->subDays(self::HOMELESS_DAYS)),
            ])->toArray(),
        ]);
    }

    /** Every mould there ever was, in metric units, as RFC 4180 CSV in UTF-8. */
    public function csv(): StreamedResponse
    {
        return Csv::download('apalos-rack.csv', RackShelf::COLUMNS, $this->shelf->rows());
    }

    /** Puts a mould on the rack that was made elsewhere, or before there was a log. */
    public function store(Request $request, PutOnRack $put): JsonResponse
    {
        return Reply::json(['id' => $put(Fields::fromJson($request->getContent()), CarbonImmutable::now())->id]);
    }

    public function show(Mould $mould): Response
    {
        return Reply::page('rack/OneMould', ['mould' => $this->view($mould)]);
    }

    public function record(Request $request, Mould $mould, AppendFact $append, MouldStreams $moulds): JsonResponse
    {
        try {
            $append($moulds, $mould->id, Fields::fromJson($request->getContent()), CarbonImmutable::now());
        } catch (StepHasMoved|FactDiffers $moved) {
            return Reply::json(
                ['error' => ['field' => 'kind', 'message' => $moved->says], 'mould' => $this->view($mould->refresh())], 409,
            );
        }

        return Reply::json($this->view($mould->refresh()));
    }

    /** A photo is a fact too: the picture as it looked then stays. */
    public function photo(Request $request, Mould $mould, KeepPhoto $keep, AppendFact $append, MouldStreams $moulds): RedirectResponse
    {
        $request->validate(['photo' => ['required', new Picture]]);
        $path = $keep($request->file('photo'), 'moulds');
        $append->tell($moulds, $mould->id, 'photographed', ['photo' => $path], CarbonImmutable::now());

        return back();
    }

    public function picture(Mould $mould): HttpResponse
    {
        abort_if($mould->photo === null || ! Storage::exists($mould->photo), 404);

        return Storage::response($mould->photo);
    }

    /** Retires it and plans the next from the same original. */
    public function remake(Request $request, Mould $mould, RemakeMould $remake): RedirectResponse
    {
        try {
            $pour = $remake($mould, self::word($request, 'why'), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('remake', $wrong);
        } catch (StepHasMoved $moved) {
            return back()->withErrors(['remake' => Reply::say($moved->says)]);
        }

        return redirect()->to("/pours/{$pour->id}")->with(
            'said', Reply::say(Phrase::of('bench.retired_sheet_next', ['name' => $mould->name])),
        );
    }

    /** Puts a mould on the rack that is there in truth, and that the log knows nothing of. */
    public function adopt(Impression $impression): RedirectResponse
    {
        $impression->load('job');
        $groups = $this->rack->groups($impression->job);
        $group = $impression->kind === ImpressionKind::Mould ? $groups->with($impression->id) : $groups->before($impression);
        if ($group === null) {
            return Reply::back('mould', Phrase::of('bench.no_mould_before_it', [
                'name' => $impression->job->name, 'name2' => $impression->name,
            ]));
        }
        $mould = $this->rack->adopt($group, CarbonImmutable::now());

        return redirect()->to("/rack/{$mould->id}")->with('said', Reply::say(Phrase::of('bench.on_rack_as', [
            'name' => $mould->name, 'code' => $mould->code(),
        ])));
    }

    /** Whether an original still exists: what is gone is re-made from no more. */
    public function gone(Request $request, Impression $impression): RedirectResponse
    {
        $was = $impression->gone_at;
        // Gone a second time it went when it went first; taken back, it is as it was.
        $back = is_string($moment = $request->query('went'))
            ? rescue(static fn (): CarbonImmutable => CarbonImmutable::parse($moment), null, false)
            : null;
        $impression->update(['gone_at' => $request->boolean('gone') ? ($back ?? $was ?? CarbonImmutable::now()) : null]);

        return back()->with(
            'undo',
            "/impressions/{$impression->id}/gone?".http_build_query(
                $was === null ? ['gone' => 0] : ['gone' => 1, 'went' => $was->toIso8601ZuluString('millisecond')],
            ),
        )->with(
            'said',
            $impression->gone_at === null
                ? Reply::say(Phrase::of('bench.is_there', ['name' => $impression->name]))
                : Reply::say(Phrase::of('bench.gone_no_mould_re', ['name' => $impression->name])),
        );
    }

    public function school(Request $request, Workshop $workshop): RedirectResponse
    {
        $school = ReleaseSchool::tryFrom(self::word($request, 'school'));
        if ($school === null) {
            return Reply::back('school', Phrase::of('bench.release_goes_on_before'));
        }
        $workshop->update(['release_school' => $school->value]);

        return back();
    }

    private static function word(Request $request, string $key): string
    {
        return is_string($said = $request->input($key)) ? $said : '';
    }

    /** @return array<string, mixed> */
    private function view(Mould $mould): array
    {
        return app()->make(MouldPageView::class, ['recorded' => RecordedMould::of($mould->load('job', 'impression.job'))])->toArray();
    }
}
