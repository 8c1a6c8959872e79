<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Actions\Deliveries\Kinds\RowKind;
use App\Models\Call;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\FileRow;
use App\Models\Membership;
use App\Models\Person;
use App\Models\Role;
use Ringo\Delivery\Timing;
use Ringo\Document\Node;
use Ringo\Numbering\NumberingPlan;
use Ringo\Script\Condition;

/**
 * Writes down what a finished call causes, in the same transaction as its record: nothing is lost if the process dies after it.
 *
 * Every delivery has a key made of call, rule and recipient; whatever is retried, the key is the same, and there is one of each.
 */
final readonly class QueueDeliveries
{
    public function __construct(private NumberingPlan $plan)
    {
    }

    public function after(Call $call): void
    {
        $call->load('record', 'business', 'agent', 'contact');
        $this->cancel($call);
        $this->ofScript($call);
        $rules = DeliveryRule::query()->where('business_id', $call->business_id)->where('active', true)
            ->where(static fn ($query) => $query->whereNull('agent_id')->orWhere('agent_id', $call->agent_id))->orderBy('id')->get();
        /** @var DeliveryRule $rule */
        foreach ($rules as $rule) {
            $this->byRule($call, $rule);
        }
    }

    /** The body and recipients a rule would make of a call; nothing is queued. */
    public function sample(Call $call, DeliveryRule $rule): Delivery
    {
        $call->loadMissing('record', 'business', 'agent', 'contact');
        $values = new RecordValues($call);
        $to = $this->recipients($rule->kind, $rule->to, $values, $call)[0] ?? $rule->to;

        return new Delivery(['business_id' => $call->business_id, 'call_id' => $call->id, 'delivery_rule_id' => $rule->id, 'key' => 'sample-'.$call->ref, 'name' => $rule->name, 'kind' => $rule->kind, 'to' => $to, 'subject' => DeliveryKinds::of($rule->kind)->subject($rule, $values), 'body' => DeliveryKinds::of($rule->kind)->body($rule, $values), 'file' => $rule->file, 'state' => 'waiting', 'attempts' => 0, 'due_at' => now(), 'problem' => '', 'log' => []]);
    }

    public function holds(DeliveryRule $rule, RecordValues $values): bool
    {
        if ($rule->when === null || $rule->when === []) {
            return true;
        }
        $node = Node::root($rule->when);
        $condition = Condition::read($node);
        $node->settle();

        return $condition->holds($values->value(...));
    }

    private function byRule(Call $call, DeliveryRule $rule): void
    {
        $values = new RecordValues($call);
        if (! $this->holds($rule, $values)) {
            return;
        }
        $timing = Timing::of($rule->timing);
        $ended = $call->placedAt()->toDateTimeImmutable()->modify('+'.(int) $call->seconds.' seconds');
        $due = $timing->due($ended, $timing->field === null ? null : $values->value($timing->field));
        if ($due === null) {
            return;
        }
        // A rehearsal's clock may run ahead of ours: what goes at once waits for neither.
        if ($timing->kind === 'at_once' && $due > now()->toDateTimeImmutable()) {
            $due = now()->toDateTimeImmutable();
        }
        $kind = DeliveryKinds::of($rule->kind);
        if ($kind instanceof RowKind) {
            $this->row($call, $rule, $kind, $values, $due);

            return;
        }
        foreach ($this->recipients($rule->kind, $rule->to, $values, $call) as $to) {
            if ($timing->field !== null && $call->kind !== 'rehearsal' && $this->waits($rule, $to, $due)) {
                // An earlier call's reminder was moved there with its booking: one is enough.
                continue;
            }
            $this->put($call, $rule->id, $call->ref.'-'.$rule->id.'-'.substr(hash('sha256', $to), 0, 12), $rule->name, $rule->kind, $to, $kind->subject($rule, $values), $kind->body($rule, $values), $due, $kind->has('file') ? $rule->file : null);
        }
    }

    private function waits(DeliveryRule $rule, string $to, \DateTimeImmutable $due): bool
    {
        return Delivery::query()->where('delivery_rule_id', $rule->id)->where('to', $to)->where('state', 'waiting')->whereHas('call', static fn ($query) => $query->where('kind', '!=', 'rehearsal'))->where('due_at', $due->setTimezone(new \DateTimeZone('UTC')))->exists();
    }

    /** What a rehearsal causes is shown in the post room and stays out of the client's rows. */
    private function row(Call $call, DeliveryRule $rule, RowKind $kind, RecordValues $values, \DateTimeImmutable $due): void
    {
        $rehearsal = $call->kind === 'rehearsal';
        $key = "{$call->ref}-row-{$rule->id}";
        if (! $rehearsal) {
            FileRow::query()->firstOrCreate(['key' => $key], ['delivery_rule_id' => $rule->id, 'cells' => $kind->cells($rule, $values)]);
        }
        $this->put($call, $rule->id, $key, $rule->name, $rule->kind, $rehearsal ? 'no file: a rehearsal' : 'the file', '', $kind->body($rule, $values), $due, null, $rehearsal ? 'a rehearsal: shown here, not written to the file' : 'row written');
    }

    /** What send steps promised in the call. */
    private function ofScript(Call $call): void
    {
        foreach (is_array($call->state['sent'] ?? null) ? $call->state['sent'] : [] as $n => $sent) {
            $at = min($call->placedAt()->toDateTimeImmutable(), now()->toDateTimeImmutable());
            $this->put($call, null, "{$call->ref}-step-{$n}", 'send step '.str_replace('_', ' ', (string) ($sent['step'] ?? '')), (string) ($sent['by'] ?? 'text'), (string) ($sent['to'] ?? ''), (string) ($sent['subject'] ?? ''), (string) ($sent['text'] ?? ''), $at, is_string($sent['file'] ?? null) ? $sent['file'] : null);
        }
    }

    private function put(Call $call, ?int $rule, string $key, string $name, string $kind, string $to, string $subject, string $body, \DateTimeImmutable $due, ?string $file = null, ?string $done = null): void
    {
        Delivery::query()->firstOrCreate(['key' => $key], ['business_id' => $call->business_id, 'call_id' => $call->id, 'delivery_rule_id' => $rule, 'name' => $name, 'kind' => $kind, 'to' => $to, 'subject' => $subject, 'body' => $body, 'file' => $file, 'state' => $done !== null ? 'sent' : 'waiting', 'attempts' => $done !== null ? 1 : 0, 'due_at' => $due->setTimezone(new \DateTimeZone('UTC')), 'sent_at' => $done !== null ? now() : null, 'problem' => '', 'log' => $done !== null ? [['at' => now()->toIso8601String(), 'what' => $done]] : []]);
    }

    /** A later call of the same caller takes back what no longer applies. */
    private function cancel(Call $call): void
    {
        if ($call->from === null && $call->contact_id === null) {
            return;
        }
        $waiting = Delivery::query()->with('rule')->whereHas('call', static fn ($query) => $query->where(static fn ($who) => $who->when($call->from !== null, static fn ($q) => $q->orWhere('from', $call->from))->when($call->contact_id !== null, static fn ($q) => $q->orWhere('contact_id', $call->contact_id))))
            ->where('business_id', $call->business_id)->where('state', 'waiting')->where('call_id', '!=', $call->id)->whereNotNull('delivery_rule_id')->get();
        /** @var Delivery $delivery */
        foreach ($waiting as $delivery) {
            if (in_array($call->outcome, $delivery->rule->cancel_outcomes ?? [], true)) {
                $delivery->update(['state' => 'cancelled', 'problem' => "taken back by a later call: {$call->outcome}", 'log' => [...$delivery->log, ['at' => now()->toIso8601String(), 'what' => "cancelled: a later call ended with “{$call->outcome}”"]]]);
            }
        }
    }

    /** @return list<string> */
    private function recipients(string $kind, string $to, RecordValues $values, Call $call): array
    {
        $found = [];
        foreach (array_filter(array_map(trim(...), explode(',', $to))) as $one) {
            if (str_starts_with($one, 'role:')) {
                array_push($found, ...$this->ofRole($kind, substr($one, 5), $call));
            } elseif (str_starts_with($one, 'person:')) {
                $number = Person::query()->where('business_id', $call->business_id)->where('key', substr($one, 7))->value('number');
                $found = $number === null ? $found : [...$found, $number];
            } elseif (preg_match('/^[a-z_]+(?:\.[a-z_]+)?$/', $one) === 1) {
                $value = $values->value($one);
                $found = is_string($value) && $value !== '' ? [...$found, $value] : $found;
            } else {
                $found[] = preg_match('/^[+\d][\d\s()-]{6,}$/', $one) === 1 ? ($this->plan->parse($one, $call->business->country)->e164 ?? $one) : $one;
            }
        }

        return array_values(array_unique($found));
    }

    /**
     * Everybody with a role: by e-mail at their address, by text on their telephone. Who has none of it gets nothing.
     *
     * @return list<string>
     */
    private function ofRole(string $kind, string $name, Call $call): array
    {
        $role = Role::tryFrom($name);
        if ($role === null) {
            return [];
        }

        return DeliveryKinds::of($kind)->reached(Membership::query()->where('memberships.business_id', $call->business_id)->where('role', $role->value));
    }
}
