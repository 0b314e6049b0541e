<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Role;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What somebody is to be in an ensemble. */
final class RoleRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'email' => $this->isMethod('POST') ? ['required', 'email', 'max:200'] : ['exclude'],
            'role' => ['required', Rule::enum(Role::class)],
            'decides' => ['required', 'boolean'],
            'parts' => ['array', 'max:500', 'required_if:role,coach'],
            'parts.*' => ['integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email.required' => 'Give the e-mail address of whom you ask.', 'email.email' => 'This is no e-mail address.', 'parts.required_if' => 'Name the parts that the coach is for.'];
    }

    /** @return array{role: Role, decides: bool, parts: list<int>} parts of this ensemble only, and only for a coach */
    public function asked(Ensemble $ensemble): array
    {
        $role = Role::from($this->string('role')->toString());
        $named = $role !== Role::Coach ? [] : Part::query()->whereIn('id', (array) $this->input('parts', []))->whereRelation('piece', 'ensemble_id', $ensemble->id)->pluck('id')->all();

        return ['role' => $role, 'decides' => $role === Role::Director || $this->boolean('decides'), 'parts' => array_values(array_map(intval(...), $named))];
    }
}
