<?php

declare(strict_types=1);

namespace App\Http\Requests;

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
            'name.required' => 'Give the piece a name you will know it by.',
            'name.max' => 'Keep the name under 120 letters.',
            'quantity.*' => 'How many? Give a whole number from 1 to 100 000.',
            'due_on.*' => 'Give the date as year-month-day, or leave it empty.',
            'uses.*' => 'Choose what it is for from the list.',
            'chain.*.name.required' => 'Give this link a name.',
        ];
    }
}
