<?php

declare(strict_types=1);

namespace App\Actions\Contacts;

use App\Models\Contact;
use Sabre\VObject\Component\VCard;

/** A contact as a vCard 4.0 (RFC 6350), with facts, consent and do-not-call as properties that another Ringo reads. */
final class ContactCard
{
    public static function of(Contact $contact): string
    {
        $card = new VCard(['VERSION' => '4.0', 'UID' => $contact->uid(), 'FN' => $contact->name, 'KIND' => $contact->kind === 'organisation' ? 'org' : 'individual', 'LANG' => $contact->language]);
        foreach (['ORG' => $contact->organisation, 'EMAIL' => $contact->email, 'NOTE' => $contact->notes] as $name => $value) {
            if ((string) $value !== '') {
                $card->add($name, $value);
            }
        }
        foreach ($contact->numbers as $number) {
            $card->add('TEL', 'tel:'.$number->e164, ['VALUE' => 'uri']);
        }
        if (($contact->tags ?? []) !== []) {
            $card->add('CATEGORIES', $contact->tags);
        }
        foreach ($contact->facts ?? [] as $fact => $value) {
            $card->add('X-RINGO-FACT', (string) $value, ['NAME' => $fact]);
        }
        if ($contact->do_not_call) {
            $card->add('X-RINGO-DO-NOT-CALL', 'yes');
        }
        if ($contact->consent_on !== null) {
            $card->add('X-RINGO-CONSENT-ON', $contact->consent_on->format('Y-m-d'));
        }

        return $card->serialize();
    }
}
