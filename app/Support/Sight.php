<?php

declare(strict_types=1);

namespace App\Support;

use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Actions\Deliveries\RecordValues;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallTurn;
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
 * A field is kept back where the draft, the release or a further sheet of its agent says so. What is shown is a copy, with what is kept
 * back left out; it cannot be kept, and the model itself stays as it is.
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

    /** The call as it is shown: without values that are kept back, and without the words they were said in. */
    public function over(Call $call): Call
    {
        $keys = $this->keptBack($call->agent);
        $shown = $call->shownAs();
        $record = $call->record;
        if ($record === null) {
            return $keys === [] ? $shown : $this->overLive($call);
        }
        if ($keys === []) {
            return $shown->setRelation('record', $record->shownAs());
        }
        $redaction = $this->redaction($call, $keys);
        $shown = $call->shownAs($this->otherwise($call, $redaction));
        $shown->setRelation('record', $record->shownAs([
            'cells' => array_diff_key($record->cells, $keys),
            'declined' => array_values(array_diff($record->declined, array_keys($keys))),
            'missing' => array_values(array_diff($record->missing, array_keys($keys))),
            'doubts' => array_diff_key($record->doubts ?? [], $keys),
            'summary' => $redaction->summary($record->summary),
            'next_actions' => array_map($redaction->text(...), $record->next_actions ?? []),
        ]));

        return $this->turns($call, $shown, $redaction);
    }

    /**
     * @param iterable<mixed> $calls
     *
     * @return Collection<int, Call> as they are shown
     */
    public function each(iterable $calls): Collection
    {
        $shown = [];
        foreach ($calls as $call) {
            if ($call instanceof Call) {
                $shown[] = $this->over($call);
            }
        }

        return collect($shown);
    }

    /**
     * A call that is going on, as staff see it: what was said before they took it is shown without what is kept back. What the caller
     * says to them, they hear.
     */
    private function overLive(Call $call): Call
    {
        $redaction = $this->redaction($call, $this->keptBack($call->agent));

        return $this->turns($call, $call->shownAs($this->otherwise($call, $redaction)), $redaction);
    }

    /** @return array<string, mixed> what is shown of the call itself otherwise: an unknown caller goes by the name they gave */
    private function otherwise(Call $call, Redaction $redaction): array
    {
        $keys = array_fill_keys(array_keys($this->keptBack($call->agent)), true);
        $state = $call->state;
        foreach (['values', 'former', 'parts'] as $part) {
            $state[$part] = array_diff_key(is_array($state[$part] ?? null) ? $state[$part] : [], $keys);
        }

        return ['state' => $redaction->tree($state)] + ($call->contact_id === null ? ['caller_name' => $redaction->text($call->caller_name)] : []);
    }

    private function turns(Call $call, Call $shown, Redaction $redaction): Call
    {
        return ! $call->relationLoaded('turns') ? $shown : $shown->setRelation('turns', $call->turns->map(static fn (CallTurn $turn): CallTurn => $turn->shownAs(['text' => $redaction->turn($turn->n, $turn->text)])));
    }

    /** What one turn of a call says to whoever looks. */
    public function turn(Call $call, int $n, string $text): string
    {
        $keys = $this->keptBack($call->agent);

        return $keys === [] ? $text : $this->redaction($call, $keys)->turn($n, $text);
    }

    /** The delivery as it is shown: without what is kept back of the call that caused it. */
    public function overDelivery(Delivery $delivery): Delivery
    {
        $call = $delivery->call;
        $keys = $call === null ? [] : $this->keptBack($call->agent);
        if ($call === null || $keys === []) {
            return $delivery->shownAs();
        }
        $redaction = $this->redaction($call, $keys);

        return $delivery->shownAs([
            'to' => $redaction->text($delivery->to),
            'subject' => $redaction->text($delivery->subject),
            'body' => $redaction->summary(DeliveryKinds::of($delivery->kind)->without($delivery, $keys, self::KEPT_BACK)),
        ])->setRelation('call', $this->over($call));
    }

    /**
     * Cells of a row that a call wrote into a file, with what is kept back left out of its words too: of a summary, a name, the next actions.
     *
     * @param array<string, string> $cells
     *
     * @return array<string, string>
     */
    public function cells(?Call $call, array $cells): array
    {
        $keys = $this->keptBack($call?->agent);

        return $call === null || $keys === [] ? $cells : array_map($this->redaction($call, $keys)->summary(...), $cells);
    }

    /** Whether words stand in what somebody may see of a call; each as a beginning of a word. */
    public function finds(Call $call, string $words): bool
    {
        $shown = $this->over($call);
        $all = mb_strtolower(implode("\n", [$shown->caller_name, (string) $shown->from, $shown->record->summary ?? '', ...$shown->turns->pluck('text')->all()]));
        foreach (preg_split('/\s+/u', mb_strtolower(trim($words))) ?: [] as $word) {
            if ($word !== '' && preg_match('/(?<![\pL\pN])'.preg_quote($word, '/').'/u', $all) !== 1) {
                return false;
            }
        }

        return true;
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
     * Made of the record, or of what a call that is going on has come to so far.
     *
     * @param array<string, string> $keys
     */
    private function redaction(Call $call, array $keys): Redaction
    {
        if ($call->record !== null) {
            return $this->redactions[$call->id] ??= new Redaction(array_intersect_key($call->record->cells, $keys), $keys, self::KEPT_BACK);
        }
        $cells = [];
        foreach (array_intersect_key(is_array($call->state['values'] ?? null) ? $call->state['values'] : [], $keys) as $key => $held) {
            $value = $held['value'] ?? null;
            $cells[$key] = ['value' => $value, 'display' => is_scalar($value) ? (string) $value : '', 'said' => (string) ($held['said'] ?? ''), 'turn' => is_int($held['turn'] ?? null) ? $held['turn'] : null];
        }

        return new Redaction($cells, $keys, self::KEPT_BACK);
    }
}
