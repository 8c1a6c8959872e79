<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactNumber;
use Illuminate\Validation\ValidationException;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\CallerFacts;

/** As whom a rehearsal rings: a contact, an unknown number, or a withheld one. It is chosen, never guessed. */
final readonly class CallerChoice
{
    /** @param array<string, scalar|null> $facts */
    private function __construct(public ?string $number, public ?Contact $contact, public array $facts, public string $name)
    {
    }

    /** @throws ValidationException in words fit to show */
    public static function of(Business $business, string $kind, ?string $contactId, ?string $number, NumberingPlan $plan): self
    {
        return match ($kind) {
            'withheld' => new self(null, null, CallerFacts::of([]), 'Withheld number'),
            'contact' => self::contact($business, (string) $contactId),
            'unknown' => self::unknown($business, (string) $number, $plan),
            default => throw ValidationException::withMessages(['caller' => 'Choose as whom you ring.']),
        };
    }

    private static function contact(Business $business, string $id): self
    {
        $contact = ctype_digit($id) ? $business->contacts()->with('numbers')->find((int) $id) : null;
        if (! $contact instanceof Contact) {
            throw ValidationException::withMessages(['contact' => 'That contact is no longer there. Choose another.']);
        }

        return new self($contact->numbers->first()?->e164, $contact, CallerFacts::of([$contact->callerFacts()]), $contact->name);
    }

    private static function unknown(Business $business, string $number, NumberingPlan $plan): self
    {
        $parsed = $plan->parse($number, $business->country);
        if ($parsed === null || ! $parsed->valid) {
            throw ValidationException::withMessages(['number' => "“{$number}” is no telephone number. Write it in national form, such as 07700 900199, or with + and the country code."]);
        }
        $owner = ContactNumber::query()->where('business_id', $business->id)->where('e164', $parsed->e164)->first();
        if ($owner !== null) {
            $name = Contact::query()->whereKey($owner->contact_id)->value('name');

            throw ValidationException::withMessages(['number' => "{$parsed->inNationalFormat()} belongs to {$name}. Choose that contact, or a number that is in nobody's record."]);
        }

        return new self($parsed->e164, null, CallerFacts::of([]), 'Unknown caller');
    }
}
