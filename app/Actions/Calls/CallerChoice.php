<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Actions\Contacts\ContactDirectory;
use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactNumber;
use Illuminate\Validation\ValidationException;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\CallerFacts;
use Ringo\Recognition\Recogniser;

/** As whom a rehearsal rings: a contact, an unknown number, or a withheld one. It is chosen, never guessed. */
final readonly class CallerChoice
{
    /**
     * @param array<string, scalar|null> $facts
     * @param list<array<string, scalar|null>> $people who share the number
     */
    private function __construct(public ?string $number, public ?Contact $contact, public array $facts, public string $name, public array $people = [])
    {
    }

    /** @throws ValidationException in words fit to show */
    public static function of(Business $business, string $kind, ?string $contactId, ?string $number, NumberingPlan $plan, \DateTimeImmutable $at): self
    {
        return match ($kind) {
            'withheld' => new self(null, null, ['known' => false, 'kind' => 'withheld'], 'Withheld number'),
            'contact' => self::contact($business, (string) $contactId, $plan, $at),
            'unknown' => self::unknown($business, (string) $number, $plan),
            default => throw ValidationException::withMessages(['caller' => 'Choose as whom you ring.']),
        };
    }

    /** Somebody on a web page: no number tells who it is. */
    public static function visitor(string $called = 'Visitor of the page'): self
    {
        return new self(null, null, ['known' => false, 'kind' => 'withheld'], $called);
    }

    /**
     * Somebody on a list, with what the list tells.
     *
     * @param array<string, string> $facts
     */
    public static function listed(string $name, ?string $e164, array $facts): self
    {
        return new self($e164, null, ['known' => false, 'kind' => 'unknown'] + $facts, $name === '' ? 'A test person' : $name);
    }

    /** Whoever rings from a number: recognised by it, as on any line. */
    public static function ringing(Business $business, ?string $e164, NumberingPlan $plan, \DateTimeImmutable $at): self
    {
        if ($e164 === null) {
            return new self(null, null, ['known' => false, 'kind' => 'withheld'], 'Withheld number');
        }
        $recognised = (new Recogniser($plan, new ContactDirectory($business, $at), $business->country))->of($e164);
        $owner = ContactNumber::query()->where('business_id', $business->id)->where('e164', $e164)->value('contact_id');
        $contact = $owner === null ? null : $business->contacts()->find($owner);

        return new self($e164, $contact instanceof Contact ? $contact : null, $recognised->facts, $contact->name ?? 'Unknown caller', $recognised->people);
    }

    private static function contact(Business $business, string $id, NumberingPlan $plan, \DateTimeImmutable $at): self
    {
        $contact = ctype_digit($id) ? $business->contacts()->with('numbers')->find((int) $id) : null;
        if (! $contact instanceof Contact) {
            throw ValidationException::withMessages(['contact' => 'That contact is no longer there. Choose another.']);
        }

        $number = $contact->numbers->first()?->e164;
        $recognised = (new Recogniser($plan, new ContactDirectory($business, $at), $business->country))->of($number);
        if ($recognised->kind === 'shared') {
            // Whom one rings as is chosen, and the number does not tell it: the agent has to ask.
            return new self($number, $contact, $recognised->facts, $contact->name, $recognised->people);
        }

        return new self($number, $contact, $number === null ? CallerFacts::of([$contact->callerFacts()]) : $recognised->facts, $contact->name);
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

        return new self($parsed->e164, null, ['known' => false, 'kind' => 'unknown'], 'Unknown caller');
    }
}
