<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Actions\ChooseForContact;
use App\Actions\TakeWayOut;
use App\Http\Edition;
use App\Http\Reply;
use App\Models\Impression;
use App\Workshop\ContactBook;
use App\Workshop\JobContacts;
use App\Workshop\JudgedContact;
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

    public function ways(Impression $impression, string $key, ContactBook $book): JsonResponse
    {
        $answer = $book->answer($this->contact($impression, $key)->request)->toArray();

        return Reply::json(['ways' => $answer['ways_out'], 'note' => $answer['ways_out_note']]);
    }

    public function take(Request $request, Impression $impression, string $key, TakeWayOut $take): RedirectResponse
    {
        try {
            $said = $take($impression, $this->contact($impression, $key), Fields::of($request->post()), Edition::of($request), CarbonImmutable::now());
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
