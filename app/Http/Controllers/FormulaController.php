<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Pour\ComparisonResult;
use App\Formulas\ChangeFormula;
use App\Formulas\FormulaBook;
use App\Formulas\FormulaQuery;
use App\Formulas\FormulaReckoner;
use App\Formulas\FormulasView;
use App\Formulas\FormulaView;
use App\Formulas\PaintPot;
use App\Formulas\WriteFormula;
use App\Http\Edition;
use App\Http\Reply;
use App\Http\Rules\Picture;
use App\Library\Library;
use App\Library\Recipes;
use App\Lists\Slice;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Pours\PourAgain;
use App\PourSheets\Amount;
use App\Storage\KeepPhoto;
use App\Swatches\HardnessBook;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;

/** Formulas and their versions: keeping, comparing, naming, retiring, pouring. */
final readonly class FormulaController
{
    private const USUAL_G = 100.0;

    private const ON_A_PAGE = 30;

    private const KINDS = ['mix', 'paint', 'trial', 'retired'];

    public function __construct(private Library $library, private Recipes $recipes) {}

    public function index(Request $request, FormulaQuery $query, HardnessBook $hardness): Response
    {
        $word = static fn (string $key): string => is_string($said = $request->query($key)) ? trim($said) : '';
        $filter = ['kind' => in_array($word('kind'), self::KINDS, true) ? $word('kind') : self::KINDS[0], 'q' => $word('q')];
        $found = $query($filter['kind'], $filter['q']);
        $total = $found->count();
        $slice = Slice::asked($request, self::ON_A_PAGE)->within($total);
        $formulas = $found->with('newest')->withCount('versions')->orderBy('name')->offset($slice->offset())->limit($slice->size)->get();

        return Reply::page('formulas/Formulas', [
            'page' => (new FormulasView($formulas, $slice, $total, $filter, $this->library, $hardness, $this->recipes))->toArray(),
        ]);
    }

    public function show(Request $request, Formula $formula, FormulaBook $book): Response
    {
        $asked = (int) $request->query('version', '0');
        $book->open($formula, $asked);
        $chosen = $formula->versions->firstWhere('id', $asked) ?? $formula->versions->last() ?? abort(404);
        $with = (int) $request->query('with', '0');
        $other = $with === 0 ? null : FormulaVersion::query()->with('formula')->find($with);
        [$left, $right] = [$other === null ? null : $this->recipes->of($other), $this->recipes->of($chosen)];
        $comparison = $left === null || $right === null ? null : ComparisonResult::of($left, $right);

        return Reply::page('formulas/Formula', [
            'page' => (new FormulaView($formula, $chosen, $other, $comparison, $book, $this->library))->toArray(),
            'others' => $book->others($formula),
        ]);
    }

    /** Grams, both bases, hardness and what to mind, of a recipe as it is typed. */
    public function reckon(Request $request, FormulaReckoner $reckoner): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('recipe', 'mass_g', 'paint');

        return Reply::json(
            $reckoner->reckon(
                $in->object('recipe'), $in->positiveOrNull('mass_g', 1e6) ?? self::USUAL_G, $in->has('paint') && $in->bool('paint'),
            )->toArray(),
        );
    }

    /** A pot of paint: for so much area, so thick, so many coats. */
    public function paint(Request $request, PaintPot $pot): JsonResponse
    {
        return Reply::json($pot->mix(Fields::fromJson($request->getContent()))->toArray());
    }

    /** A new formula, or a new version of one: what is posted under a name that is there becomes its next version. */
    public function store(Request $request, WriteFormula $write): RedirectResponse
    {
        $request->validate(
            ['note' => ['nullable', 'string', 'max:4000'], 'photo' => ['nullable', new Picture]],
            ['note.*' => Reply::say(Phrase::of('bench.keep_note_under_4000'))],
        );
        try {
            $said = $request->input('recipe');
            $note = is_string($wrote = $request->input('note')) ? trim($wrote) : '';
            $version = $write(
                Fields::of([
                    'name' => $request->input('name'), 'kind' => $request->input('kind', 'mix'), 'new' => $request->boolean('new'),
                    'note' => $note, ...(is_numeric($request->input('parent')) ? ['parent' => (int) $request->input('parent')] : []),
                ]),
                is_string($said) ? Fields::fromJson($said) : Fields::of(is_array($said) ? $said : [], 'recipe'), $request->file('photo'),
            );
        } catch (BadInput $wrong) {
            return back()->withErrors([
                'keep' => Reply::say($wrong->isMissing ? Phrase::of('bench.something_no_amount_yet') : $wrong),
            ]);
        }

        return redirect()->to("/formulas/{$version->formula_id}?version={$version->id}")->with(
            'said', Reply::say(Phrase::of('bench.kept_as', ['called' => $version->called()])),
        );
    }

    /** Another name, or retired and back again. */
    public function update(Request $request, Formula $formula, ChangeFormula $change): RedirectResponse
    {
        $name = $request->has('name') ? (is_string($said = $request->input('name')) ? $said : '') : null;
        try {
            $changed = $change(
                $formula->id, Edition::of($request), $name, $request->has('retired') ? $request->boolean('retired') : null,
                CarbonImmutable::now(),
            );
        } catch (BadInput $wrong) {
            return Reply::back('name', $wrong);
        }

        return back()->with(
            'said',
            Reply::say(
                Phrase::of(
                    $changed->retired_at !== null ? 'bench.formula_is_retired' : 'bench.formula_is_called', ['name' => $changed->name],
                ),
            ),
        );
    }

    /** Into a sheet of a link: what was measured there stays, the formula becomes this one. */
    public function pour(Request $request, FormulaVersion $version, PourAgain $again): RedirectResponse
    {
        try {
            $in = Fields::of($request->all())->only('impression_id', ...Amount::FIELDS);
            $link = Impression::query()->find((int) $in->number('impression_id'))
                ?? throw BadInput::at('impression_id', Phrase::of('bench.choose_link_to_pour_into'));
            $pour = $again->into(
                $version->load('formula'), $link,
                $in->has('mass_g') || $in->has('capacity_ml') || $in->has('pieces') ? Amount::from($in) : null,
            );
        } catch (BadInput $wrong) {
            return back()->withErrors([
                'pour' => $wrong->isMissing ? Reply::say(Phrase::of('bench.choose_link_to_pour_into')) : Reply::say($wrong),
            ]);
        }

        return redirect()->to("/pours/{$pour->id}");
    }

    public function photo(FormulaVersion $version): HttpResponse
    {
        abort_if($version->photo === null || ! Storage::exists($version->photo), 404);

        return Storage::response($version->photo);
    }

    /** What came of it, photographed after it was kept; only where there is no photo yet. */
    public function addPhoto(Request $request, FormulaVersion $version, KeepPhoto $keep): RedirectResponse
    {
        $request->validate(['photo' => ['required', new Picture]], ['photo.required' => Reply::say(Phrase::of(KeepPhoto::NOT_ONE))]);
        if ($version->photo !== null) {
            return back()->withErrors(['photo' => Reply::say(Phrase::of('bench.version_has_photo_keep'))]);
        }
        $version->update(['photo' => $keep($request->file('photo'), 'formulas')]);

        return back()->with('said', Reply::say(Phrase::of('bench.photo_with', ['called' => $version->called()])));
    }
}
