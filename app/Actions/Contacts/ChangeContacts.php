<?php

declare(strict_types=1);

namespace App\Actions\Contacts;

use App\Actions\Outreach\ForgetPerson;
use App\Models\Advice;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\Contact;
use App\Models\ContactChange;
use App\Models\ContactNumber;
use App\Models\Delivery;
use App\Models\FileRow;
use App\Models\GatewayReceipt;
use App\Models\KnowledgeQuestion;
use App\Models\RecordCheck;
use App\Models\User;
use App\Support\Search\CallSearch;
use App\Support\Search\RecordSearch;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;
use Ringo\Numbering\NumberingPlan;

/** What is done to contacts: written, merged, erased, and what a call found out about them taken over. */
final readonly class ChangeContacts
{
    public function __construct(private NumberingPlan $plan, private ForgetPerson $forget)
    {
    }

    /**
     * @param array<string, mixed> $form
     *
     * @throws ValidationException
     */
    public function write(Business $business, ?Contact $contact, array $form, User $user): Contact
    {
        $numbers = [];
        foreach (array_filter(array_map(trim(...), preg_split('/[\n;]/', (string) ($form['numbers'] ?? '')) ?: [])) as $written) {
            $parsed = $this->plan->parse($written, $business->country);
            if ($parsed === null || ! $parsed->valid) {
                throw ValidationException::withMessages(['numbers' => "“{$written}” is no telephone number. Write it in national form, or with + and the country code."]);
            }
            $numbers[] = $parsed->e164;
        }
        $facts = array_filter(array_map(static fn (mixed $value): string => trim((string) $value), is_array($form['facts'] ?? null) ? $form['facts'] : []), static fn (string $value): bool => $value !== '');

        return DB::transaction(function () use ($business, $contact, $form, $numbers, $facts, $user): Contact {
            $old = $contact === null ? [] : [...$contact->facts, 'name' => $contact->name, 'organisation' => $contact->organisation, 'email' => $contact->email];
            $data = [
                'business_id' => $business->id, 'name' => trim((string) $form['name']), 'organisation' => trim((string) ($form['organisation'] ?? '')), 'email' => mb_strtolower(trim((string) ($form['email'] ?? ''))), 'kind' => ($form['kind'] ?? '') === 'organisation' ? 'organisation' : 'person',
                'tags' => array_values(array_filter(array_map(trim(...), explode(',', (string) ($form['tags'] ?? ''))))), 'notes' => trim((string) ($form['notes'] ?? '')), 'language' => (string) ($form['language'] ?? 'en') ?: 'en', 'consent_on' => ($form['consent_on'] ?? '') ?: null,
                'do_not_call' => (bool) ($form['do_not_call'] ?? false), 'blocked' => (bool) ($form['blocked'] ?? false), 'facts' => $facts,
            ];
            if (trim((string) ($form['pin'] ?? '')) !== '') {
                $data['pin_hash'] = Hash::make(trim((string) $form['pin']));
            }
            if (($form['unlock'] ?? false) && $contact !== null) {
                $data += ['verify_failures' => 0, 'locked_until' => null];
            }
            $contact === null ? $contact = Contact::query()->create($data) : $contact->update($data);
            ContactNumber::query()->where('contact_id', $contact->id)->delete();
            foreach (array_values(array_unique($numbers)) as $i => $number) {
                ContactNumber::query()->create(['contact_id' => $contact->id, 'business_id' => $business->id, 'e164' => $number, 'label' => $i === 0 ? 'main' : 'other']);
            }
            foreach ([...$facts, 'name' => $data['name'], 'organisation' => $data['organisation'], 'email' => $data['email']] as $field => $value) {
                if ($old !== [] && ($old[$field] ?? '') !== $value) {
                    ContactChange::query()->create(['contact_id' => $contact->id, 'user_id' => $user->id, 'field' => $field, 'from' => $old[$field] ?? null, 'to' => $value, 'state' => 'written']);
                }
            }

            return $contact;
        });
    }

    /**
     * Another contact of the business by its id, its name or one of its numbers.
     *
     * @throws ValidationException where none or several are meant
     */
    public function named(Business $business, Contact $not, string $what): Contact
    {
        $others = Contact::query()->where('business_id', $business->id)->where('id', '!=', $not->id);
        $number = $this->plan->parse($what, $business->country);
        $found = match (true) {
            $what === '' => throw ValidationException::withMessages(['from' => 'Write whom to merge: a name or a number.']),
            ctype_digit($what) && strlen($what) < 7 => $others->whereKey((int) $what)->get(),
            $number !== null && $number->valid => $others->whereHas('numbers', static fn ($q) => $q->where('e164', $number->e164))->get(),
            default => $others->where('name', $what)->get(),
        };
        if ($found->count() !== 1) {
            throw ValidationException::withMessages(['from' => $found->isEmpty() ? "Nobody else here is called “{$what}” or has that number." : "{$found->count()} callers go by “{$what}”. Write the number of the one you mean."]);
        }

        return $found->firstOrFail();
    }

    /** Two contacts become one: the first keeps what it has and takes what it lacks; calls, numbers and history follow. */
    public function merge(Contact $into, Contact $from, User $user): void
    {
        DB::transaction(function () use ($into, $from, $user): void {
            $fill = ['facts' => $into->facts + $from->facts, 'tags' => array_values(array_unique([...($into->tags ?? []), ...($from->tags ?? [])])), 'notes' => trim($into->notes."\n".$from->notes), 'do_not_call' => $into->do_not_call || $from->do_not_call, 'blocked' => $into->blocked || $from->blocked];
            foreach (['organisation', 'email', 'pin_hash', 'consent_on'] as $field) {
                if (($into->{$field} ?? '') === '' || $into->{$field} === null) {
                    $fill[$field] = $from->{$field};
                }
            }
            $into->update($fill);
            $known = $into->numbers()->pluck('e164')->all();
            foreach ($from->numbers as $number) {
                in_array($number->e164, $known, true) ? $number->delete() : $number->update(['contact_id' => $into->id]);
            }
            Call::withTrashed()->where('contact_id', $from->id)->update(['contact_id' => $into->id]);
            ContactChange::query()->where('contact_id', $from->id)->update(['contact_id' => $into->id]);
            $from->delete();
            AuditEntry::note($into->business_id, $user, 'contacts merged', "{$from->name} into {$into->name}");
        });
    }

    /** Erases somebody: their calls stay for the figures, without words, numbers or names. */
    public function erase(Contact $contact, User $user): int
    {
        return DB::transaction(function () use ($contact, $user): int {
            $calls = Call::withTrashed()->where('contact_id', $contact->id)->get();
            $this->forget->of($contact, $calls);
            foreach ($calls as $call) {
                CallTurn::query()->where('call_id', $call->id)->where('by', '!=', 'agent')->update(['text' => 'erased']);
                CallTurn::query()->where('call_id', $call->id)->where('by', 'agent')->update(['text' => 'erased']);
                foreach (CallStep::query()->where('call_id', $call->id)->get() as $step) {
                    $step->update(['event' => [...$step->event, 'text' => ''], 'trace' => [...$step->trace, 'heard' => '', 'cleaned' => '', 'acts' => [], 'readings' => [], 'unanswered' => [], 'changes' => []]]);
                }
                CallRecord::query()->where('call_id', $call->id)->update(['cells' => json_encode([]), 'summary' => 'Erased on request.', 'doubtful' => false, 'next_actions' => json_encode([]), 'doubts' => json_encode([])]);
                $sent = Delivery::query()->where('call_id', $call->id);
                GatewayReceipt::query()->whereIn('key', (clone $sent)->select('key'))->delete();
                $sent->delete();
                FileRow::query()->where('key', 'like', $call->ref.'-row-%')->delete();
                KnowledgeQuestion::query()->where('call_id', $call->id)->delete();
                Advice::forget($call);
                RecordCheck::query()->whereIn('record_id', CallRecord::query()->where('call_id', $call->id)->select('id'))->delete();
                CallSearch::drop([$call->id]);
                RecordSearch::drop([$call->id]);
                $call->update(['caller_name' => 'Erased', 'from' => null, 'contact_id' => null, 'staff_note' => null, 'marks' => null, 'state' => array_intersect_key($call->state, array_flip(['id', 'startedAt', 'seed', 'outcome', 'ended', 'step', 'clock', 'heard', 'topic', 'connected'])) + ['from' => null, 'to' => null, 'caller' => []]]);
                $call->offers()->update(['announcement' => json_encode([])]);
            }
            $contact->numbers()->delete();
            $contact->changes()->delete();
            $contact->update(['name' => 'Erased', 'organisation' => '', 'email' => '', 'facts' => [], 'tags' => [], 'fact_days' => [], 'notes' => '', 'pin_hash' => null, 'erased_at' => now()]);
            $contact->delete();
            AuditEntry::note($contact->business_id, $user, 'contact erased', "a contact, with the words of {$calls->count()} calls");

            return $calls->count();
        });
    }

    /** What a call found out: written at once where the agent may, proposed otherwise. */
    public function learn(Call $call): void
    {
        $contact = $call->contact_id === null ? null : Contact::query()->find($call->contact_id);
        if ($contact === null || $call->record === null || $call->kind === 'rehearsal') {
            return;
        }
        $script = $call->scriptText->script();
        $days = $contact->fact_days ?? [];
        foreach ($script->sheet->fields as $field) {
            $cell = $call->record->cells[$field->key] ?? null;
            $fact = $field->fromCaller;
            if ($cell === null || $fact === null || $fact === 'number' || ! is_string($cell['value']) || $cell['value'] === '') {
                continue;
            }
            $old = in_array($fact, ['name', 'organisation', 'email'], true) ? (string) $contact->{$fact} : ($contact->facts[$fact] ?? '');
            if ($old === $cell['value']) {
                $days[$fact] = $call->placedAt()->format('Y-m-d');

                continue;
            }
            if ($cell['origin'] === 'recognised') {
                continue;
            }
            $writes = in_array($fact, $script->recognition->write, true) && $fact !== 'name';
            if (ContactChange::query()->where('contact_id', $contact->id)->where('field', $fact)->where('to', $cell['value'])->where('state', 'proposed')->doesntExist()) {
                ContactChange::query()->create(['contact_id' => $contact->id, 'call_id' => $call->id, 'field' => $fact, 'from' => $old === '' ? null : $old, 'to' => $cell['value'], 'state' => $writes ? 'written' : 'proposed']);
            }
            if ($writes) {
                $this->set($contact, $fact, $cell['value']);
                $days[$fact] = $call->placedAt()->format('Y-m-d');
            }
        }
        if (in_array('locked_out', $call->state['tags'] ?? [], true)) {
            $contact->update(['verify_failures' => $contact->verify_failures + 1, 'locked_until' => now()->addHours(1)]);
        }
        if ($call->state['doNotCall'] ?? false) {
            $contact->update(['do_not_call' => true]);
        }
        $contact->update(['fact_days' => $days]);
    }

    public function decide(ContactChange $change, bool $accept, User $user): void
    {
        $change->update(['state' => $accept ? 'accepted' : 'refused', 'user_id' => $user->id]);
        if ($accept) {
            $contact = Contact::query()->findOrFail($change->contact_id);
            $this->set($contact, $change->field, (string) $change->to);
            $contact->update(['fact_days' => [...($contact->fact_days ?? []), $change->field => now()->format('Y-m-d')]]);
        }
    }

    private function set(Contact $contact, string $fact, string $value): void
    {
        in_array($fact, ['name', 'organisation', 'email'], true) ? $contact->update([$fact => $value]) : $contact->update(['facts' => [...$contact->facts, $fact => $value]]);
    }
}
