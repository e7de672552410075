<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Apalos\Core\Contact\MouldPart;
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
            'kind.*' => 'Say what it is: an original, a mould, a hard copy or casts.',
            'role.*' => 'Say what it is to the mould: whole, half, jacket, core or insert.',
            'name.required' => 'Give this link a name.',
        ];
    }
}
