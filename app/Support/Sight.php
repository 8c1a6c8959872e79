<?php

declare(strict_types=1);

namespace App\Support;

use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Actions\Deliveries\RecordValues;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\RecordSheet as FurtherSheet;
use App\Models\User;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Support\Collection;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\Redaction;

/**
 * What of records somebody may see: staff do not see fields that a sheet keeps for owners and designers (`x-sees`).
 *
 * A field is kept back where the draft, the release or a further sheet of its agent says so. Models are changed in memory only.
 */
final class Sight
{
    /** Words that stand where a value is kept back. */
    public const KEPT_BACK = '[kept back]';

    /** @var array<int, array<string, string>> titles of the fields kept back, by agent and key */
    private array $fields = [];

    /** @var array<int, Redaction> by call */
    private array $redactions = [];

    private function __construct(private readonly bool $whole)
    {
    }

    public static function of(?Authenticatable $user, Business $business): self
    {
        return new self($user instanceof User && ($user->roleIn($business)?->designs() ?? false));
    }

    /** For whoever is no user: all, or what staff see. */
    public static function whole(bool $whole): self
    {
        return new self($whole);
    }

    /** @return array<string, string> titles of the fields kept back of an agent's records, by key */
    public function keptBack(?Agent $agent): array
    {
        if ($this->whole || $agent === null) {
            return [];
        }

        return $this->fields[$agent->id] ??= self::ownersOnly($agent);
    }

    /** @return array<string, string> titles of the fields staff do not see, by key */
    public static function ownersOnly(Agent $agent): array
    {
        $agent->loadMissing('draft.scriptText', 'latestRelease.scriptText');
        $sheets = array_filter([$agent->draft->scriptText->script()->sheet, $agent->latestRelease?->scriptText->script()->sheet]);
        foreach (FurtherSheet::query()->where('agent_id', $agent->id)->get() as $further) {
            $sheets[] = RecordSheet::fromArray($further->schema);
        }
        $found = [];
        foreach ($sheets as $sheet) {
            foreach ($sheet->ownersOnly() as $key) {
                $found[$key] = $sheet->fields[$key]->title;
            }
        }

        return $found;
    }

    /** Takes out of a loaded call what is kept back: values, and the words they were said in. */
    public function over(Call $call): Call
    {
        $keys = $this->keptBack($call->agent);
        $record = $call->record;
        if ($keys === [] || $record === null) {
            return $call;
        }
        $redaction = $this->redaction($call, $keys);
        $record->cells = array_diff_key($record->cells, $keys);
        $record->declined = array_values(array_diff($record->declined, array_keys($keys)));
        $record->missing = array_values(array_diff($record->missing, array_keys($keys)));
        $record->doubts = array_diff_key($record->doubts ?? [], $keys);
        $record->summary = $redaction->summary($record->summary);
        $record->next_actions = array_map($redaction->text(...), $record->next_actions ?? []);
        $record->syncOriginal();
        if ($call->contact_id === null) {
            // An unknown caller goes by the name they gave.
            $call->caller_name = $redaction->text($call->caller_name);
            $call->syncOriginal();
        }
        if ($call->relationLoaded('turns')) {
            foreach ($call->turns as $turn) {
                $turn->text = $redaction->turn($turn->n, $turn->text);
                $turn->syncOriginal();
            }
        }

        return $call;
    }

    /** What one turn of a call says to whoever looks. */
    public function turn(Call $call, int $n, string $text): string
    {
        $keys = $this->keptBack($call->agent);

        return $keys === [] ? $text : $this->redaction($call, $keys)->turn($n, $text);
    }

    /** Takes out of a delivery what is kept back of the call that caused it. */
    public function overDelivery(Delivery $delivery): Delivery
    {
        $call = $delivery->call;
        $keys = $call === null ? [] : $this->keptBack($call->agent);
        if ($call === null || $keys === []) {
            return $delivery;
        }
        $delivery->body = DeliveryKinds::of($delivery->kind)->without($delivery, $keys, self::KEPT_BACK);
        $redaction = $this->redaction($call, $keys);
        $delivery->to = $redaction->text($delivery->to);
        $delivery->subject = $redaction->text($delivery->subject);
        $delivery->body = $redaction->summary($delivery->body);
        $this->over($call);

        return $delivery->syncOriginal();
    }

    /** @return list<string> columns of a file that are shown */
    public function columns(DeliveryRule $rule): array
    {
        /** @var Collection<int, Agent> $agents */
        $agents = $rule->agent_id === null ? $rule->business->agents()->get() : collect(array_filter([$rule->agent]));
        $keys = $agents->reduce(fn (array $all, Agent $agent): array => $all + $this->keptBack($agent), []);

        return array_map(strval(...), array_keys(array_filter($rule->mapping, static fn (string $path): bool => ! isset($keys[RecordValues::field($path)]))));
    }

    /**
     * Made of the call as it is kept, once: what is shown of it afterwards has been changed already.
     *
     * @param array<string, string> $keys
     */
    private function redaction(Call $call, array $keys): Redaction
    {
        return $this->redactions[$call->id] ??= new Redaction(array_intersect_key($call->record->cells ?? [], $keys), $keys, self::KEPT_BACK);
    }
}
