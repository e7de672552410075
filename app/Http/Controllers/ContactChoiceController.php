<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Impression;
use App\Workshop\ContactBook;
use App\Workshop\JobContacts;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What is chosen for one contact of a chain: release, sealer, state of the surface, or an overruling with its reason. */
final readonly class ContactChoiceController
{
    /** A reason that says nothing is none. */
    private const SHORTEST_REASON = 10;

    public function __construct(private JobContacts $contacts, private ContactBook $shop) {}

    public function __invoke(Request $request, Impression $impression, string $key): RedirectResponse
    {
        $chain = $this->contacts->chain($impression->job->load('impressions'));
        $keys = array_map(static fn ($touch): string => $touch->key, $chain->touches($this->contacts->link($impression)));
        abort_unless(in_array($key, $keys, true), 404);
        try {
            $chosen = $this->read(Fields::of($request->all()));
        } catch (BadInput $wrong) {
            return back()->withErrors(["contact.{$wrong->field}" => $wrong->getMessage()]);
        }
        $impression->update(['contacts' => [...($impression->contacts ?? []), $key => $chosen]]);

        return back();
    }

    /** @return array<string, mixed> */
    private function read(Fields $in): array
    {
        $in->only('release', 'sealed_with', 'damp', 'latex_touched', 'hours_since_cure', 'solvent_min_ago', 'overruled');
        $knowledge = $this->shop->knowledge();
        $release = $in->textOrNull('release');
        $sealer = $in->textOrNull('sealed_with');
        if ($sealer !== null && ! isset($knowledge->sealers[$sealer])) {
            throw BadInput::at('sealed_with', "There is no sealer “{$sealer}”. Choose one from the list.");
        }
        $reason = $in->textOrNull('overruled');
        if ($reason !== null && mb_strlen($reason) < self::SHORTEST_REASON) {
            throw BadInput::at('overruled', 'Write down why, in a sentence you will understand in a year.');
        }

        return [
            'release' => $release === null ? null : $knowledge->release($release)->id,
            'sealed_with' => $sealer,
            'damp' => $in->has('damp') && $in->bool('damp'),
            'latex_touched' => $in->has('latex_touched') && $in->bool('latex_touched'),
            'hours_since_cure' => $in->numberOrNull('hours_since_cure'),
            'solvent_min_ago' => $in->numberOrNull('solvent_min_ago'),
            'overruled' => $reason,
        ];
    }
}
