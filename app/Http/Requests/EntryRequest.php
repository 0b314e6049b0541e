<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Record\EntryParser;
use App\Record\NewEntry;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\WrongDecision;

/** An entry of a part's record, as a browser sends it. Strict: nothing gets in that could not be read back. */
final class EntryRequest extends FormRequest
{
    /** Notes whose proposals are kept with an entry. */
    private const MOST_PROPOSED = 200;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'kind' => ['required', Rule::enum(EntryKind::class)],
            'decisions' => ['required_if:kind,decide', 'array', 'max:'.EntryParser::MOST_DECISIONS],
            'decisions.*' => ['array'],
            'takes' => ['nullable', 'uuid', 'required_unless:kind,decide'],
            'follows' => ['nullable', 'uuid'],
            'seen' => ['integer', 'min:0', 'max:'.NewEntry::ALL_SEEN],
            'by' => ['integer'],
            'browser' => ['string', 'max:36'],
            'have' => ['nullable', 'string', 'max:64'],
            'proposed' => ['array', 'max:'.self::MOST_PROPOSED],
            'proposed.*' => ['array:note,kind,text'],
            'proposed.*.*' => ['nullable', 'string', 'max:200'],
        ];
    }

    /**
     * @throws WrongDecision
     * @throws AuthenticationException when it was made by somebody else than who is signed in now
     */
    public function entry(): NewEntry
    {
        if ($this->has('by') && $this->integer('by') !== $this->user()?->getAuthIdentifier()) {
            throw new AuthenticationException;
        }

        return EntryParser::entry($this->input());
    }
}
