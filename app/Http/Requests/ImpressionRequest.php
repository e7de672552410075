<?php

declare(strict_types=1);

namespace App\Http\Requests;

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
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'kind.*' => 'Say what it is: an original, a mould, a hard copy or casts.',
            'name.required' => 'Give this link a name.',
        ];
    }
}
