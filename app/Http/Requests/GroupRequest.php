<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Record\EntryParser;
use App\Record\NewEntry;
use Illuminate\Foundation\Http\FormRequest;
use UprightPencil\Core\Marking\WrongDecision;

/** A figure that is decided for several parts of a piece at once. */
final class GroupRequest extends FormRequest
{
    private const MOST_PARTS = 40;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'browser' => ['string', 'max:36'],
            'parts' => ['required', 'array', 'min:1', 'max:'.self::MOST_PARTS],
            'parts.*.part' => ['required', 'integer', 'distinct'],
            'parts.*.seen' => ['integer', 'min:0', 'max:'.NewEntry::ALL_SEEN],
            'parts.*.decisions' => ['required', 'array', 'max:'.EntryParser::MOST_DECISIONS],
            'parts.*.decisions.*' => ['array'],
        ];
    }

    /**
     * @return array<int, NewEntry> part id => its entry, whose key is made from that of the group
     *
     * @throws WrongDecision
     */
    public function entries(): array
    {
        return EntryParser::group($this->input());
    }
}
