<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;
use App\Http\Edition;
use App\Http\Reply;
use App\Http\Rules\Picture;
use App\Library\Library;
use App\Lists\Rows;
use App\Lists\Slice;
use App\Models\Swatch;
use App\Models\SwatchReading;
use App\Swatches\ChangeSwatch;
use App\Swatches\DrawerQuery;
use App\Swatches\DrawerView;
use App\Swatches\MakeSwatch;
use App\Swatches\PutSwatchAway;
use App\Swatches\TakeReading;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;

/** The swatch drawer: what lies in it, what was read of each, and putting one in. */
final readonly class SwatchController
{
    private const ON_A_PAGE = 30;

    public function __construct(private Library $library) {}

    public function drawer(Request $request, DrawerQuery $query): Response
    {
        $word = static fn (string $key): string => is_string($said = $request->query($key)) ? trim($said) : '';
        $filter = ['q' => $word('q'), 'base' => $word('base'), 'hardness' => $word('hardness'), 'colour' => $word('colour')];
        [$wrong, $slice] = [null, Slice::asked($request, self::ON_A_PAGE)];
        try {
            $answer = $query(
                $filter['q'], $filter['base'], self::shore($filter['hardness']), self::lab($filter['colour']), $slice,
                preg_match('/^\d{1,9}$/', $word('swatch')) === 1 ? (int) $word('swatch') : null,
            );
        } catch (BadInput $e) {
            [$answer, $wrong] = [$query($filter['q'], $filter['base'], null, null, $slice), $e->says];
        }

        return Reply::page('swatches/Drawer', [
            'drawer' => (
                new DrawerView($answer, Rows::of('swatches')->whereNull('deleted_at')->count(), $filter, $wrong, $this->library)
            )->toArray(),
        ]);
    }

    public function store(Request $request, MakeSwatch $make): RedirectResponse
    {
        $said = $request->validate(
            [
                'version' => ['required', 'integer'], 'name' => ['required', 'string', 'max:120'],
                'thickness_mm' => ['nullable', 'numeric', 'gt:0', 'max:200'], 'note' => ['nullable', 'string', 'max:2000'],
                'photo' => ['nullable', new Picture],
            ],
            [
                'version.*' => Reply::say(Phrase::of('bench.say_version_formula')),
                'name.*' => Reply::say(Phrase::of('bench.write_label_120_letters')),
                'thickness_mm.*' => Reply::say(Phrase::of('bench.thickness_millimetres_more_than')),
            ],
        );
        $swatch = $make([
            'version' => (int) $said['version'], 'name' => $said['name'],
            'thickness_mm' => is_numeric($said['thickness_mm'] ?? null) ? (float) $said['thickness_mm'] : null,
            'note' => ($said['note'] ?? null) ?: null,
        ], $request->file('photo'), CarbonImmutable::now());

        return redirect()->to("/swatches/drawer#swatch-{$swatch->id}")->with(
            'said', Reply::say(Phrase::of('bench.in_drawer_read_when', ['name' => $swatch->name])),
        );
    }

    /** Label, thickness, note, photo, and when it came out of its mould; what was read stays as it is. */
    public function update(Request $request, Swatch $swatch, ChangeSwatch $change): RedirectResponse
    {
        $said = $request->validate(
            [
                'name' => ['sometimes', 'required', 'string', 'max:120'],
                'thickness_mm' => ['sometimes', 'nullable', 'numeric', 'gt:0', 'max:200'],
                'note' => ['sometimes', 'nullable', 'string', 'max:2000'], 'demoulded' => ['sometimes', 'boolean'],
                'photo' => ['sometimes', 'nullable', new Picture],
            ],
            [
                'name.*' => Reply::say(Phrase::of('bench.write_label_120_letters')),
                'thickness_mm.*' => Reply::say(Phrase::of('bench.thickness_millimetres_more_than')),
                'note.*' => Reply::say(Phrase::of('bench.keep_note_under_2000')),
            ],
        );
        $changes = array_intersect_key($said, ['name' => 0, 'thickness_mm' => 0, 'note' => 0]);
        if (array_key_exists('demoulded', $said)) {
            $changes['demoulded_at'] = $request->boolean('demoulded') ? CarbonImmutable::now() : null;
        }
        $change($swatch, Edition::of($request), $changes, $request->file('photo'));

        return back();
    }

    public function read(Request $request, Swatch $swatch, TakeReading $take): RedirectResponse
    {
        try {
            $doubts = $take($swatch, Fields::of($request->except('_method')), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back($wrong->field === 'sure' ? "early-{$swatch->id}" : "swatch-{$swatch->id}", $wrong);
        }

        return back()->with(
            'said',
            trim(
                implode(' ', array_map(Reply::say(...), [
                    Phrase::of('bench.it_is_written_down'), ...array_map(static fn (Warning $doubt): Phrase => $doubt->message, $doubts),
                ])),
            ),
        );
    }

    /** Leaves a reading out of every reckoning, or takes it in again. */
    public function leaveOut(Request $request, SwatchReading $reading, TakeReading $take): RedirectResponse
    {
        $take->leaveOut($reading, $request->boolean('left_out'));

        return back()->with('said', Reply::say(Phrase::of($reading->left_out ? 'bench.no_longer_counts_stays' : 'bench.counts_again')));
    }

    public function destroy(Swatch $swatch, PutSwatchAway $away): RedirectResponse
    {
        $away($swatch);

        return back()->with('said', Reply::say(Phrase::of('bench.out_drawer', [
            'name' => $swatch->name,
        ])))->with('undo', "/swatches/{$swatch->id}/restore");
    }

    public function restore(int $swatch, PutSwatchAway $away): RedirectResponse
    {
        $away->back($swatch);

        return back();
    }

    public function photo(Swatch $swatch): HttpResponse
    {
        abort_if($swatch->photo === null || ! Storage::exists($swatch->photo), 404);

        return Storage::response($swatch->photo);
    }

    /** @throws BadInput */
    private static function shore(string $text): ?Shore
    {
        if ($text === '') {
            return null;
        }
        if (preg_match('/^(00|A)[\s-]*(\d{1,2}(?:[.,]\d+)?)$/i', $text, $part) !== 1) {
            throw BadInput::at('hardness', Phrase::of('bench.write_hardness_so'));
        }

        return Shore::of(ShoreScale::from(strtoupper($part[1])), (float) str_replace(',', '.', $part[2]));
    }

    /** @throws BadInput */
    private static function lab(string $text): ?Lab
    {
        if ($text === '') {
            return null;
        }
        if (preg_match('/^#?[0-9a-f]{6}$/i', $text) === 1) {
            return Lab::ofHex($text);
        }
        $parts = preg_split('/[\s,;]+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (count($parts) !== 3 || array_filter($parts, is_numeric(...)) !== $parts) {
            throw BadInput::at('colour', Phrase::of('bench.write_colour_so'));
        }

        return Lab::of((float) $parts[0], (float) $parts[1], (float) $parts[2]);
    }
}
