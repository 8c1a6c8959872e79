<?php

declare(strict_types=1);

namespace App\Actions\Contacts;

use App\Models\Business;
use App\Models\Call;
use App\Models\Contact;
use App\Models\ContactNumber;
use Ringo\Recognition\Directory;

/** A business's contacts, looked up by number, with what their last call was about. */
final readonly class ContactDirectory implements Directory
{
    public function __construct(private Business $business, private \DateTimeImmutable $now)
    {
    }

    public function at(string $e164): array
    {
        $ids = ContactNumber::query()->where('business_id', $this->business->id)->where('e164', $e164)->pluck('contact_id')->unique();
        $found = [];
        foreach ($ids as $id) {
            $contact = Contact::query()->find($id);
            if ($contact instanceof Contact && $contact->erased_at === null) {
                $found[] = [...$contact->recognitionFacts(), ...$this->last($contact)];
            }
        }

        return $found;
    }

    /** @return array<string, scalar|null> */
    private function last(Contact $contact): array
    {
        $call = Call::query()->where('contact_id', $contact->id)->where('status', 'ended')->where('started_at', '<', $this->now)->orderByDesc('started_at')->first(['id', 'started_at', 'outcome', 'state', 'agent_id', 'script_text_id']);
        if (! $call instanceof Call) {
            return [];
        }
        $topic = $call->state['topic'] ?? null;
        $label = is_string($topic) ? $this->label($call, $topic) : $call->outcome;

        return ['last_hours' => (int) round(($this->now->getTimestamp() - $call->started_at->getTimestamp()) / 3600), 'last_outcome' => $call->outcome, 'last_topic' => is_string($topic) ? $topic : null, 'last_reason' => $label];
    }

    private function label(Call $call, string $topic): string
    {
        $call->loadMissing('scriptText');
        foreach ($call->scriptText->script()->steps as $step) {
            if ($step instanceof \Ringo\Script\Steps\Listen\ListenStep && ($found = $step->topic($topic)) !== null) {
                return $found['label'];
            }
        }

        return str_replace('_', ' ', $topic);
    }
}
