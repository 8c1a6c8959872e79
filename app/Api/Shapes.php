<?php

declare(strict_types=1);

namespace App\Api;

use App\Models\Booking;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\CampaignPerson;
use App\Models\Contact;

/** How things look on our interface; what each part is stands in Description. */
final class Shapes
{
    /** @return array<string, mixed> */
    public static function call(Call $call): array
    {
        return ['ref' => $call->ref, 'started_at' => $call->placedAt()->format('c'), 'tz' => $call->tz, 'kind' => $call->kind, 'direction' => $call->direction, 'agent' => $call->agent->key, 'from' => $call->from, 'to' => $call->to, 'caller' => $call->caller_name, 'contact' => $call->contact_id, 'status' => $call->status, 'outcome' => $call->outcome, 'seconds' => round($call->seconds, 1)];
    }

    /** @return array<string, mixed> */
    public static function record(CallRecord $record): array
    {
        return [
            'call' => $record->call->ref, 'agent' => $record->call->agent->key, 'started_at' => $record->call->placedAt()->format('c'), 'outcome' => $record->outcome, 'summary' => $record->summary, 'doubtful' => $record->doubtful,
            'values' => (object) array_map(static fn (array $cell): array => ['value' => $cell['value'], 'display' => $cell['display'], 'confidence' => $cell['confidence'], 'origin' => $cell['origin'], 'turn' => $cell['turn'], 'confirmed' => $cell['confirmed']], $record->cells),
            'missing' => $record->missing, 'next_actions' => $record->next_actions ?? [],
        ];
    }

    /** @return array<string, mixed> */
    public static function contact(Contact $contact): array
    {
        return ['id' => $contact->id, 'uid' => $contact->uid(), 'kind' => $contact->kind, 'name' => $contact->name, 'organisation' => $contact->organisation, 'email' => $contact->email, 'numbers' => $contact->numbers->pluck('e164')->all(), 'tags' => $contact->tags ?? [], 'notes' => (string) $contact->notes, 'language' => $contact->language, 'consent_on' => $contact->consent_on?->format('Y-m-d'), 'do_not_call' => $contact->do_not_call, 'blocked' => $contact->blocked, 'facts' => (object) $contact->facts];
    }

    /** @return array<string, mixed> */
    public static function booking(Booking $booking, string $tz): array
    {
        $at = static fn (int $moment): string => (new \DateTimeImmutable('@'.$moment))->setTimezone(new \DateTimeZone($tz))->format('c');

        return ['reference' => $booking->reference, 'service' => $booking->service, 'label' => $booking->label, 'diary' => $booking->diary->key, 'starts_at' => $at($booking->starts_at), 'ends_at' => $at($booking->ends_at), 'state' => $booking->state, 'name' => $booking->name, 'number' => $booking->number, 'note' => $booking->note, 'call' => $booking->call?->ref];
    }

    /** @return array<string, mixed> */
    public static function person(CampaignPerson $person): array
    {
        return ['id' => $person->id, 'campaign' => $person->campaign->key, 'phone' => $person->e164 ?? $person->phone, 'name' => $person->name, 'state' => $person->state, 'why' => $person->why === '' ? null : $person->why, 'attempts' => $person->attempts, 'next_at' => $person->next_at === null ? null : gmdate('Y-m-d\TH:i:s\Z', $person->next_at), 'outcome' => $person->outcome === '' ? null : $person->outcome];
    }
}
