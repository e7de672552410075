<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use App\Http\Rules\KnownSurface;
use App\Library\Library;
use App\Models\ImpressionKind;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A piece to be made, with the first links of its chain when it is new. */
final class JobRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'purpose' => ['nullable', 'string', 'max:2000'],
            'for_whom' => ['nullable', 'string', 'max:160'],
            'quantity' => ['required', 'integer', 'between:1,100000'],
            'due_on' => ['nullable', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'skin' => ['sometimes', 'boolean'],
            'uses' => ['sometimes', 'array', 'max:20'],
            'uses.*' => [Rule::in(array_keys(app(Library::class)->uses()))],
            'chain' => ['sometimes', 'array', 'max:20'],
            'chain.*.kind' => ['required', Rule::enum(ImpressionKind::class)],
            'chain.*.name' => ['required', 'string', 'max:120'],
            'chain.*.material' => ['nullable', 'string', 'max:120'],
            'chain.*.surface' => ['nullable', 'string', 'max:60', new KnownSurface],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => Reply::say(Phrase::of('bench.give_piece_name_you')),
            'name.max' => Reply::say(Phrase::of('bench.keep_name_under_120')),
            'quantity.*' => Reply::say(Phrase::of('bench.how_many_give_whole')),
            'due_on.*' => Reply::say(Phrase::of('bench.give_date_as_year')),
            'uses.*' => Reply::say(Phrase::of('bench.choose_what_for_from')),
            'chain.*.name.required' => Reply::say(Phrase::of('bench.give_link_name')),
        ];
    }
}
