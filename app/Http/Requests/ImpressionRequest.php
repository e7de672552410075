<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use App\Http\Rules\KnownSurface;
use App\Models\ImpressionKind;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** One link of a chain. */
final class ImpressionRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::enum(ImpressionKind::class)],
            'name' => ['required', 'string', 'max:120'],
            'material' => ['nullable', 'string', 'max:120'],
            'note' => ['nullable', 'string', 'max:2000'],
            'surface' => ['sometimes', 'nullable', 'string', 'max:60', new KnownSurface],
            'wall' => ['sometimes', 'nullable', 'string', 'max:60', new KnownSurface],
            'bed' => ['sometimes', 'nullable', 'string', 'max:60', new KnownSurface],
            'role' => ['sometimes', 'required', Rule::enum(MouldPart::class)],
            'from_id' => ['sometimes', 'nullable', 'integer'],
            'after' => ['sometimes', 'nullable', 'integer'],
            'sure' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'kind.*' => Reply::say(Phrase::of('bench.say_what')),
            'role.*' => Reply::say(Phrase::of('bench.say_what_mould')),
            'name.required' => Reply::say(Phrase::of('bench.give_link_name')),
        ];
    }
}
