<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Record\NewEntry;
use Illuminate\Foundation\Http\FormRequest;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\EntryKind;
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
            'parts.*.decisions' => ['required', 'array', 'max:'.EntryRequest::MOST_DECISIONS],
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
        $group = $this->string('key')->lower()->toString();
        $entries = [];
        /** @var array{part: int, seen?: int, decisions: list<array<string, mixed>>} $one */
        foreach ((array) $this->input('parts') as $one) {
            $part = (int) $one['part'];
            $entries[$part] = new NewEntry(
                Uuid::uuid5($group, (string) $part)->toString(),
                EntryKind::Decide,
                EntryRequest::decisions($one['decisions']),
                seen: (int) ($one['seen'] ?? 0),
                browser: $this->string('browser')->toString(),
                group: $group,
            );
        }

        return $entries;
    }
}
