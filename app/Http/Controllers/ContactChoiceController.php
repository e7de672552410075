<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Contact\Way;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\ChooseForContact;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Contacts\PutPatchOn;
use App\Contacts\WaysThrough;
use App\Http\Edition;
use App\Http\Reply;
use App\Jobs\TakeWayOut;
use App\Models\Impression;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What is chosen for one contact of a chain, and what would make it safe. */
final readonly class ContactChoiceController
{
    public function __construct(private JobContacts $contacts) {}

    public function choose(Request $request, Impression $impression, string $key, ChooseForContact $choose): RedirectResponse
    {
        $this->contact($impression, $key);
        try {
            $choose($impression, $key, Fields::of($request->post()), Edition::of($request), CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return Reply::back("contact.{$wrong->field}", $wrong);
        }

        return back();
    }

    public function ways(Impression $impression, string $key, WaysThrough $through): JsonResponse
    {
        $found = $through->of($impression->load('job.impressions'), $this->contact($impression, $key));

        return Reply::json([
            'ways' => array_map(static fn (Way $way): array => $way->toArray(), $found['ways']),
            'note' => $found['ways'] !== [] ? null : ($found['left_out'] > 0 ? Phrase::of('bench.ways_break') : $found['answer']->note()),
        ]);
    }

    /** Several test patches from one contact in one go. */
    public function patches(Request $request, Impression $impression, string $key, PutPatchOn $put): RedirectResponse
    {
        try {
            $on = $put->several(
                $impression->load('job'), $this->contact($impression, $key), Fields::of($request->only('patches')), CarbonImmutable::now(),
            );
        } catch (BadInput $wrong) {
            return Reply::back('contact.patches', $wrong);
        }

        return back()->with(
            'said',
            count($on) === 1
                ? Reply::say(Phrase::of('bench.patch_is_on'))
                : Reply::say(Phrase::of('bench.patches_are_on', ['n' => count($on)])),
        );
    }

    public function take(Request $request, Impression $impression, string $key, TakeWayOut $take): RedirectResponse
    {
        try {
            $said = $take(
                $impression, $this->contact($impression, $key), Fields::of($request->post()), Edition::of($request), CarbonImmutable::now(),
            );
        } catch (BadInput $wrong) {
            return Reply::back('contact.way', $wrong);
        }

        return back()->with('said', $said);
    }

    private function contact(Impression $impression, string $key): JudgedContact
    {
        $found = $this->contacts->one($impression, $key);

        return $found ?? abort(404);
    }
}
