<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use App\Contacts\ContactBoardView;
use App\Contacts\ContactBook;
use App\Contacts\OwnRules;
use App\Contacts\PatchClock;
use App\Contacts\PatchStreams;
use App\Contacts\PutPatchOn;
use App\Exchange\ContactExport;
use App\Exchange\ContactImport;
use App\Facts\AppendFact;
use App\Facts\StepHasMoved;
use App\Http\Edition;
use App\Http\Reply;
use App\Http\Rules\Picture;
use App\Models\OwnRule;
use App\Models\TestPatch;
use App\Storage\KeepPhoto;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;

/** The contact board, the test patches, and the shop's own rules. */
final readonly class ContactController
{
    private const LARGEST_FILE = 500_000;

    public function __construct(private ContactBook $contacts) {}

    public function board(): Response
    {
        return Reply::page('contacts/Contacts', ['board' => app()->make(ContactBoardView::class)->toArray()]);
    }

    /** One pair with the surface as somebody says it is. */
    public function judge(Request $request): JsonResponse
    {
        $question = $request->json()->all();
        $base = is_string($question['base'] ?? null) && $question['base'] !== '' ? $question['base'] : null;

        return Reply::json($this->contacts->answer($this->contacts->asked(array_diff_key($question, ['base' => 0]), $base))->toArray());
    }

    public function plan(Request $request, PutPatchOn $put): RedirectResponse
    {
        try {
            $put(Fields::of($request->only('fresh', 'surface', 'base', 'sealed_with', 'release', 'place')), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back('patch', $wrong);
        }

        return back();
    }

    public function read(Request $request, TestPatch $patch, KeepPhoto $keep, AppendFact $append, PatchClock $clock): RedirectResponse
    {
        $said = $request->validate(
            [
                'passed' => ['required', 'boolean'], 'sure' => ['nullable', 'boolean'], 'note' => ['nullable', 'string', 'max:2000'],
                'photo' => ['nullable', new Picture],
            ],
            ['passed.*' => Reply::say(Phrase::of('bench.did_cure_come_away'))],
        );
        $edition = Edition::of($request);
        $now = CarbonImmutable::now();
        if ($request->boolean('passed') && ! $request->boolean('sure') && $now->lt($due = $clock->due($patch->base, $patch->put_on_at))) {
            $whole = Quantity::duration(max(0.0, $patch->put_on_at->diffInMinutes($due)));

            return Reply::back("patch-{$patch->id}", Phrase::of('bench.patch_early', [
                'so_far' => Quantity::duration(max(0.0, $patch->put_on_at->diffInMinutes($now))), 'whole' => $whole,
            ]));
        }
        $photo = $keep($request->file('photo'), 'patches') ?? $patch->photo;
        $reading = ['passed' => $request->boolean('passed'), 'note' => ($said['note'] ?? null) ?: null, 'photo' => $photo];
        $read = $append->tell(PatchStreams::asShown($edition), $patch->id, 'read', $reading, $now);

        return back()->with(
            'said',
            Reply::say(Phrase::of($reading['passed'] ? 'bench.patch_passed_what_tested' : 'bench.patch_failed_what_tested')),
        )->with('undo', "/contacts/patches/{$patch->id}/undo?of={$read->recorded->takeBack()}");
    }

    /** What was read is taken back: the patch is as it was read before, or waits to be read. */
    public function unread(Request $request, TestPatch $patch, AppendFact $append): RedirectResponse
    {
        try {
            $append->tell(new PatchStreams, $patch->id, 'undone', ['of' => (int) $request->query('of', '0')], CarbonImmutable::now());
        } catch (StepHasMoved $moved) {
            return back()->withErrors(["patch-{$patch->id}" => Reply::say($moved->says)]);
        }

        return back()->with('said', Reply::say(
            Phrase::of($patch->refresh()->passed === null ? 'bench.waits_read_again' : 'bench.as_read_before'),
        ));
    }

    public function photo(TestPatch $patch): HttpResponse
    {
        abort_if($patch->photo === null || ! Storage::exists($patch->photo), 404);

        return Storage::response($patch->photo);
    }

    public function export(ContactExport $export, string $format): HttpResponse
    {
        $text = $format === 'yaml'
            ? $export->yaml()
            : json_encode($export->everything(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);

        return response($text, 200, [
            'Content-Type' => $format === 'json' ? 'application/json' : 'application/yaml',
            'Content-Disposition' => "attachment; filename=\"apalos-contacts.{$format}\"",
        ]);
    }

    public function import(Request $request, ContactImport $import): RedirectResponse
    {
        $file = $request->file('file');
        $said = $request->input('text');
        $text = $file instanceof UploadedFile
            ? ($file->isValid() && $file->getSize() <= self::LARGEST_FILE ? (string) file_get_contents($file->getRealPath()) : '')
            : (is_string($said) ? $said : '');
        try {
            if (strlen($text) > self::LARGEST_FILE || trim($text) === '' || ! mb_check_encoding($text, 'UTF-8')) {
                throw BadInput::at('file', Phrase::of('bench.choose_file_rules_and'));
            }
            $new = $import($text);
        } catch (BadInput $wrong) {
            return Reply::back('file', $wrong);
        }

        return back()->with(
            'said',
            sprintf(
                'New: %s and %s.', $new['rules'] === 1 ? '1 rule' : "{$new['rules']} rules",
                $new['tests'] === 1 ? '1 test' : "{$new['tests']} tests",
            ),
        );
    }

    /** A rule as it is being written: what it would change on the board. */
    public function tryRule(Request $request, OwnRules $rules): JsonResponse
    {
        return Reply::json(['changes' => $rules->changes(Fields::fromJson($request->getContent()))]);
    }

    public function keepRule(Request $request, OwnRules $rules): JsonResponse
    {
        return Reply::json(['kept' => $rules->keep(Fields::fromJson($request->getContent()))->name]);
    }

    public function forget(OwnRule $rule): RedirectResponse
    {
        $rule->delete();

        return back()->with('said', Reply::say(Phrase::of('bench.rule_gone_still_in', ['name' => $rule->name])));
    }
}
