<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Deliveries\KeepEnclosure;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use Ringo\Delivery\Signature;

/** What follows the calls of a hire firm, and what of it has gone out. */
final readonly class DemoPost
{
    /** What follows calls: a notice that is worth reading, a confirmation, a reminder, a file, a web request. */
    public function rules(Business $business, Agent $agent): void
    {
        $base = ['business_id' => $business->id, 'agent_id' => $agent->id, 'subject' => '', 'words' => '', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true];
        $rules = [
            ['name' => 'Breakdowns, to the owner', 'kind' => 'email', 'to' => 'role:owner', 'subject' => 'Breakdown: [caller_name|a caller]', 'words' => '[summary] Machine: [equipment|not said]. Call: [call.at].', 'when' => ['value' => 'fault', 'known' => true]],
            ['name' => 'Reservation confirmed', 'kind' => 'text', 'to' => 'phone', 'words' => 'Thank you [caller_name|for calling]. We have noted your reservation: [equipment] from [start_date]. Pellbrook Hire.', 'when' => ['value' => 'outcome', 'is' => 'reservation taken']],
            ['name' => 'Hire terms to new reservations', 'kind' => 'email', 'to' => 'caller.email', 'subject' => 'Your reservation with Pellbrook Hire', 'words' => 'Thank you for your reservation of [equipment] from [start_date]. Our terms of hire are with this e-mail, and at https://pellbrook.example/terms.', 'when' => ['value' => 'outcome', 'is' => 'reservation taken'], 'file' => 'terms-of-hire.pdf'],
            ['name' => 'Reminder, a day before', 'kind' => 'text', 'to' => 'phone', 'words' => 'Your [equipment] is ready from [start_date]. Pellbrook Hire.', 'when' => ['value' => 'outcome', 'is' => 'reservation taken'], 'timing' => ['kind' => 'before', 'field' => 'start_date', 'amount' => 1, 'unit' => 'day'], 'cancel_outcomes' => ['off-hire noted']],
            ['name' => 'Reservations', 'kind' => 'row', 'to' => '', 'when' => ['value' => 'outcome', 'is' => 'reservation taken'], 'mapping' => ['Called' => 'call.at', 'Name' => 'caller_name', 'Telephone' => 'phone', 'Machine' => 'equipment', 'From' => 'start_date', 'For' => 'hire_length', 'Depot' => 'depot', 'Delivery' => 'delivery']],
            ['name' => 'Yard planner', 'kind' => 'web', 'to' => 'https://hooks.pellbrook.example/calls', 'when' => ['value' => 'equipment', 'known' => true], 'mapping' => ['name' => 'caller_name', 'phone' => 'phone', 'machine' => 'equipment', 'from' => 'start_date', 'depot' => 'depot'], 'secret' => Signature::newSecret()],
        ];
        foreach (glob(database_path("demo/{$business->key}/files/*")) ?: [] as $file) {
            (new KeepEnclosure)->keep($business, basename($file), (string) file_get_contents($file), null);
        }
        foreach ($rules as $rule) {
            DeliveryRule::query()->create($rule + $base);
        }
    }

    /** What was due before today has gone out, but for a few that did not arrive. */
    public function posted(Business $business): void
    {
        /** @var Delivery $delivery */
        foreach ($business->deliveries()->where('state', 'waiting')->where('due_at', '<', now())->orderBy('id')->get() as $i => $delivery) {
            $due = $delivery->due_at->toIso8601String();
            $delivery->update($delivery->kind === 'web' && $i % 23 === 7
                ? ['state' => 'dead', 'attempts' => 8, 'problem' => 'the server answered 503 Service Unavailable', 'log' => [['at' => $due, 'what' => 'try 1: the server answered 503 Service Unavailable; again in 5 s'], ['at' => $due, 'what' => 'try 8: the server answered 503 Service Unavailable; given up']]]
                : ['state' => 'sent', 'attempts' => 1, 'sent_at' => $delivery->due_at, 'log' => [['at' => $due, 'what' => 'try 1: taken']]]);
        }
    }
}
