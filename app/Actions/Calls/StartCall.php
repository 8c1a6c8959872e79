<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Actions\Errands\RecogniseElsewhere;
use App\Models\Agent;
use App\Models\Call;
use App\Models\ScriptText;
use App\Models\User;
use Illuminate\Support\Str;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Errand\CallerFound;

/** Rings an agent's draft on the handset. */
final readonly class StartCall
{
    public function __construct(private CallHost $host, private RecogniseElsewhere $elsewhere)
    {
    }

    /**
     * @param ?array{how: string, seconds: float} $errands how errands are answered; the usual way where it is not said
     *
     * @param array{origin?: string, guest_pass_id?: int} $marks whose call it is, where it is no user's
     *
     * @throws \Ringo\Document\InvalidDocument where the draft cannot be run
     */
    public function rehearse(Agent $agent, ScriptText $text, ?User $user, CallerChoice $caller, \DateTimeImmutable $placedAt, ?string $seed = null, ?array $errands = null, array $marks = []): Call
    {
        $script = $text->script();
        $ref = (string) Str::ulid();
        $asked = $this->elsewhere->ask($agent->business, $script->recognition->errand, $caller->facts, $caller->number, $errands['how'] ?? null);
        $facts = $asked === null ? $caller->facts : CallerFound::with($caller->facts, $asked['came']->reply);
        $state = (new Opening($script))->state($ref, $placedAt, $seed ?? (string) random_int(1, 999_999), $caller->number, null, $facts, $caller->people);
        $call = Call::query()->create([
            'ref' => $ref,
            'business_id' => $agent->business_id,
            'agent_id' => $agent->id,
            'script_text_id' => $text->id,
            'contact_id' => $caller->contact?->id,
            'rung_by' => $user?->id,
            'kind' => 'rehearsal',
            'direction' => $script->agent->direction,
            'from' => $caller->number,
            'caller_name' => $caller->name,
            'status' => 'in_progress',
            'started_at' => $placedAt->setTimezone(new \DateTimeZone('UTC')),
            'tz' => $script->agent->tz,
            'step' => 0,
            'state' => $state->toArray(),
            'errands' => $errands,
            'last_event_at' => now(),
        ] + $marks);
        if ($asked !== null) {
            $this->elsewhere->keep($call, $asked, $errands['how'] ?? 'really');
        }
        $this->host->happen($call, 0, Event::started());

        return $call;
    }
}
