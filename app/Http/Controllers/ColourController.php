<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Http\Edition;
use App\Http\Reply;
use App\Library\Library;
use App\Models\ColourTarget;
use App\Models\Workshop;
use App\Sheets\Drafts;
use App\Sheets\PlannedBatch;
use App\Swatches\ColourAnswers;
use App\Swatches\ColourBook;
use App\Swatches\ColourView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;

/** The colour screen: pigments for a colour, chips, ladders, and the colours people want again. */
final readonly class ColourController
{
    public function __construct(private Library $library, private ColourBook $colours, private ColourAnswers $tint, private Workshop $workshop, private PlannedBatch $batches, private Drafts $drafts) {}

    public function show(Request $request): Response
    {
        $asked = $request->query('base');
        $base = is_string($asked) && isset($this->library->shelf()->bases[$asked]) ? $asked : $this->library->usual('base');

        return Reply::page('swatches/Colour', ['page' => (new ColourView($this->library, $this->colours, $this->tint, $this->workshop, $this->drafts, $base))->toArray()]);
    }

    public function ask(Request $request): JsonResponse
    {
        return Reply::json($this->tint->answer(Fields::fromJson($request->getContent()))->toArray());
    }

    /** The pigments that were found go into a sheet that is being planned. */
    public function write(Request $request): RedirectResponse
    {
        try {
            $in = Fields::of($request->all())->only('base', 'loads', 'pour_id');
            $base = $this->library->shelf()->base($in->text('base'));
            $pour = $this->batches->write((int) $in->number('pour_id'), $base, $this->tint->lines($base->code, $in->object('loads')));
        } catch (BadInput $wrong) {
            return Reply::back('batch', $wrong);
        }

        return redirect()->to("/pours/{$pour->id}")->with('said', 'The colour is in the sheet.');
    }

    public function keepTarget(Request $request): RedirectResponse
    {
        try {
            $in = Fields::of([...$request->query->all(), ...$request->post()])->only('name', 'lab', 'edition');
            $said = $in->toArray()['lab'] ?? null;
            $lab = ColourAnswers::target(Fields::of(['lab' => is_array($said) ? array_map(static fn (mixed $v): mixed => is_numeric($v) ? (float) $v : $v, array_values($said)) : $said]));
            $name = mb_substr(trim($in->text('name')), 0, 120);
            $this->keep($name === '' ? throw BadInput::at('name', Phrase::written('Give the colour a name.')) : $name, $lab?->toArray() ?? throw BadInput::at('lab', Phrase::written('Say which colour it is.')), $request);
        } catch (BadInput $wrong) {
            return Reply::back('target', $wrong);
        }

        return back()->with('said', "“{$name}” is kept.");
    }

    /**
     * A colour that is kept under that name already gives way only to who has seen it.
     *
     * @param  array{float, float, float}  $lab
     */
    private function keep(string $name, array $lab, Request $request): void
    {
        DB::transaction(function () use ($name, $lab, $request): void {
            $kept = $this->workshop->colourTargets()->where('name', $name)->first();
            if ($kept === null) {
                $this->workshop->colourTargets()->create(['name' => $name, 'lab' => $lab]);
            } elseif ($kept->lab != $lab) {
                if (! $request->query->has('edition')) {
                    throw BadInput::at('name', Phrase::of('bench.colour_is_kept', ['name' => $name, 'lab' => array_map(static fn (float $v): string => (string) round($v, 1), $kept->lab)]));
                }
                ColourTarget::asShown($kept->id, Edition::of($request))->update(['lab' => $lab]);
            }
        }, 3);
    }

    public function forgetTarget(ColourTarget $target): RedirectResponse
    {
        $target->delete();

        return back()->with('said', "“{$target->name}” is gone from the list.")->with('undo', '/swatches/targets?'.http_build_query(['name' => $target->name, 'lab' => $target->lab]));
    }
}
