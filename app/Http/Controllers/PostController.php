<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Deliveries\DeliverDue;
use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Actions\Deliveries\QueueDeliveries;
use App\Actions\Deliveries\RecordValues;
use App\Gateways\Post\NotDelivered;
use App\Gateways\Post\PostGateway;
use App\Gateways\Post\StandInGateway;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\FileRow;
use App\Models\Gateway;
use App\Models\GatewayReceipt;
use App\Support\AtOnce;
use App\Support\Book\ConditionForm;
use App\Support\Book\Form;
use App\Support\CurrentAgent;
use App\Support\Former;
use App\Support\Sight;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Ringo\Delivery\Means;
use Ringo\Delivery\Signature;
use Ringo\Delivery\Timing;
use Ringo\Document\InvalidDocument;
use Ringo\Format\Csv;
use Ringo\Format\Xlsx;
use Ringo\Script\Paths;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The post room: what calls caused, with state and tries; the rules behind it; and the gateways it leaves by. */
final class PostController
{
    /** Rows whose calls are looked up together. */
    private const ROWS_TOGETHER = 200;

    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function index(Request $request, Business $business): View
    {
        $filter = $request->validate(['state' => ['nullable', 'in:waiting,sending,sent,failed,dead,cancelled'], 'kind' => ['nullable', Rule::in(array_keys(DeliveryKinds::all()))], 'q' => ['nullable', 'string', 'max:100']]);
        $sight = Sight::of($request->user(), $business);
        $query = $business->deliveries()->with('call.agent', 'call.record', 'rule')->latest('id');
        foreach (['state', 'kind'] as $name) {
            if (($filter[$name] ?? '') !== '' && $filter[$name] !== null) {
                $query->where($name, $filter[$name]);
            }
        }
        if (trim((string) ($filter['q'] ?? '')) !== '') {
            $like = '%'.addcslashes((string) $filter['q'], '%_\\').'%';
            // Bodies may hold what is kept back; who does not see it does not search it.
            $whole = $business->agents()->get()->every(static fn (Agent $agent): bool => $sight->keptBack($agent) === []);
            $query->where(static fn ($some) => $some->where('name', 'like', $like)->when($whole, static fn ($all) => $all->orWhere('to', 'like', $like)->orWhere('body', 'like', $like)));
        }
        $deliveries = $query->paginate(25)->withQueryString();
        $deliveries->through($sight->overDelivery(...));

        return view('post', [
            'business' => $business, 'agent' => $this->current->in($business), 'filter' => $filter, 'deliveries' => $deliveries,
            'counts' => $business->deliveries()->selectRaw('state, count(*) as n')->groupBy('state')->pluck('n', 'state'),
            'rules' => $business->deliveryRules()->with('agent')->withCount('rows')->get(), 'modes' => Gateway::query()->where('business_id', $business->id)->pluck('mode', 'kind'), 'MODES' => StandInGateway::MODES, 'enclosures' => $business->enclosures()->get(),
        ]);
    }

    public function show(Request $request, Business $business, Delivery $delivery): View
    {
        $delivery = Sight::of($request->user(), $business)->overDelivery($delivery->load('call.agent', 'call.record', 'rule'));

        return view('delivery', ['business' => $business, 'agent' => $this->current->in($business), 'delivery' => $delivery, 'enclosure' => $delivery->file === null ? null : $delivery->enclosed(), 'receipt' => GatewayReceipt::query()->where('key', $delivery->key)->first()]);
    }

    public function again(Business $business, Delivery $delivery, DeliverDue $deliver): RedirectResponse
    {
        abort_if($delivery->state === 'sending', 409);
        $deliver->again($delivery);
        $deliver->run(5);

        return redirect()->route('delivery', [$business, $delivery])->with('notice', 'Tried again, under the same key.');
    }

    public function cancel(Business $business, Delivery $delivery): RedirectResponse
    {
        if (in_array($delivery->state, ['waiting', 'failed'], true)) {
            $delivery->update(['state' => 'cancelled', 'problem' => 'cancelled by hand']);
        }

        return redirect()->route('delivery', [$business, $delivery]);
    }

    public function gateway(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['kind' => ['required', 'in:text,email,web'], 'mode' => ['required', 'in:'.implode(',', array_keys(StandInGateway::MODES))]]);
        Gateway::query()->updateOrCreate(['business_id' => $business->id, 'kind' => $given['kind']], ['mode' => $given['mode']]);

        return redirect()->route('post', $business)->with('notice', 'The stand-in for '.mb_strtolower(Means::from($given['kind'])->plural()).' '.StandInGateway::MODES[$given['mode']].' from now on.');
    }

    public function rule(Request $request, Business $business, ?DeliveryRule $rule = null): View
    {
        $agent = $rule === null ? $this->current->in($business) : ($rule->agent ?? $this->current->in($business));
        $sample = Call::query()->where('business_id', $business->id)->where('status', 'ended')->whereHas('record')->when($agent !== null, static fn ($query) => $query->where('agent_id', $agent?->id))->latest('started_at')->first();

        return view('delivery-rule', [
            'business' => $business, 'agent' => $agent, 'rule' => $rule, 'sample' => $sample, 'made' => $rule === null || $sample === null ? null : app(QueueDeliveries::class)->sample($sample, $rule),
            'holds' => $rule === null || $sample === null ? null : app(QueueDeliveries::class)->holds($rule, new RecordValues($sample->load('record', 'business', 'agent', 'contact'))),
            'files' => $business->fileNames(), 'fields' => $agent?->draft->scriptText->script()->sheet->fields ?? [], 'outcomes' => $business->records()->distinct()->orderBy('outcome')->pluck('outcome'), 'parts' => $this->parts($rule), 'secret' => $rule?->secret !== null && $rule->secret !== '', 'tells' => $rule === null || $agent === null ? [] : $this->tellsStaff($rule, $agent),
        ]);
    }

    public function keep(Request $request, Business $business, ?DeliveryRule $rule = null): RedirectResponse
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:100'], 'kind' => ['required', 'in:text,email,web,row'], 'to' => ['nullable', 'string', 'max:250'], 'subject' => ['nullable', 'string', 'max:200'], 'words' => ['nullable', 'string', 'max:4000'],
            'timing_kind' => ['nullable', 'in:at_once,before,after'], 'timing_amount' => ['nullable', 'integer', 'between:0,10000'], 'timing_unit' => ['nullable', 'in:minute,hour,day'], 'timing_field' => ['nullable', 'string', 'max:80'],
            'mapping' => ['nullable', 'string', 'max:4000'], 'file' => ['nullable', 'string', Rule::in($business->fileNames())], 'cancel' => ['nullable', 'string', 'max:500'], 'active' => ['nullable', 'in:1'], 'only' => ['nullable', 'in:1'],
        ], ['name.required' => 'Say what it is for: a rule needs a name.', 'file.in' => 'That file is not among the files of the business any more. Choose another, or none.']);
        $timing = ['kind' => $given['timing_kind'] ?? 'at_once', 'amount' => (int) ($given['timing_amount'] ?? 0), 'unit' => $given['timing_unit'] ?? 'day', 'field' => (string) ($given['timing_field'] ?? '')];
        try {
            Timing::of($timing);
            $agent = $this->current->in($business);
            $when = $agent === null ? null : (new ConditionForm($agent->draft->scriptText->script()))->condition(new Form($request->all()));
        } catch (\InvalidArgumentException $problem) {
            throw ValidationException::withMessages(['timing_kind' => ucfirst($problem->getMessage()).'.']);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['parts' => $problem->getMessage()]);
        }
        $kind = DeliveryKinds::of($given['kind']);
        $mapping = [];
        foreach (preg_split('/\R/', (string) ($given['mapping'] ?? '')) ?: [] as $line) {
            if (preg_match('/^\s*(.+?)\s*[:=]\s*([a-z][a-z0-9_]*(?:\.[a-z0-9_]+)?(?:\|words)?)\s*$/', $line, $m) === 1) {
                $mapping[$m[1]] = $m[2];
            } elseif (trim($line) !== '') {
                throw ValidationException::withMessages(['mapping' => "“{$line}”: write “column: value”, one a line, such as “Telephone: phone”."]);
            }
        }
        $problems = $kind->problems(trim((string) ($given['to'] ?? '')), trim((string) ($given['words'] ?? '')), $mapping);
        if ($problems !== []) {
            throw ValidationException::withMessages($problems);
        }
        if ($kind->has('columns')) {
            $this->checkColumns($business, $mapping);
        }
        $data = [
            'business_id' => $business->id, 'agent_id' => ($given['only'] ?? '') === '1' ? $agent?->id : null, 'name' => $given['name'], 'kind' => $given['kind'], 'to' => (string) ($given['to'] ?? ''), 'subject' => (string) ($given['subject'] ?? ''), 'words' => (string) ($given['words'] ?? ''),
            'when' => $when, 'timing' => $timing, 'cancel_outcomes' => array_values(array_filter(array_map(trim(...), explode(',', (string) ($given['cancel'] ?? ''))))), 'mapping' => $mapping, 'file' => $kind->has('file') ? ($given['file'] ?? null) : null, 'active' => ($given['active'] ?? '') === '1',
        ];
        $secret = null;
        if ($rule === null) {
            $secret = $kind->isSigned() ? Signature::newSecret() : null;
            $rule = DeliveryRule::query()->create($data + ['secret' => $secret]);
        } else {
            Former::remember($rule);
            $rule->update($data);
        }

        AtOnce::Deliveries->note($business, "the rule “{$rule->name}” kept");

        return $secret === null
            ? $this->kept($business, $rule, 'The rule is kept. It counts from the next call on.')
            : redirect()->route('post.rule', [$business, $rule])->with('notice', "The rule is kept. Its signing secret is shown this once: {$secret}");
    }

    /** Takes back the latest change of a rule, and the one before it when asked again. */
    public function revert(Business $business, DeliveryRule $rule): RedirectResponse
    {
        $problem = Former::back($rule);
        if ($problem !== null) {
            return redirect()->route('post.rule', [$business, $rule])->withErrors(['undo' => $problem]);
        }
        AtOnce::Deliveries->note($business, "a change of the rule “{$rule->name}” taken back");

        return $this->kept($business, $rule, 'The rule stands as before that change.');
    }

    private function kept(Business $business, DeliveryRule $rule, string $words): RedirectResponse
    {
        Former::settle($rule);
        $page = redirect()->route('post.rule', [$business, $rule]);

        return Former::has($rule) ? $page->with('undo', ['text' => $words, 'action' => route('post.rule.revert', [$business, $rule])]) : $page->with('notice', $words);
    }

    public function drop(Business $business, DeliveryRule $rule): RedirectResponse
    {
        $rule->delete();

        AtOnce::Deliveries->note($business, "the rule “{$rule->name}” taken out");

        return redirect()->route('post', $business)->with('undo', ['text' => "The rule “{$rule->name}” is taken out. What it has sent stays listed.", 'action' => route('post.rule.restore', [$business, $rule])]);
    }

    public function restore(Business $business, DeliveryRule $rule): RedirectResponse
    {
        $rule->restore();

        AtOnce::Deliveries->note($business, "the rule “{$rule->name}” put back");

        return redirect()->route('post', $business)->with('notice', "“{$rule->name}” is back.");
    }

    /** Sends the sample through the gateway, under a key of its own. */
    public function test(Business $business, DeliveryRule $rule, QueueDeliveries $queue, PostGateway $gateway): RedirectResponse
    {
        $call = Call::query()->where('business_id', $business->id)->where('status', 'ended')->whereHas('record')->latest('started_at')->first();
        if ($call === null) {
            throw ValidationException::withMessages(['test' => 'There is no call yet to try it with.']);
        }
        $sample = $queue->sample($call, $rule);
        $sample->key = 'test-'.Str::ulid();
        $kind = DeliveryKinds::of($rule->kind);
        $headers = $kind->headers($sample->key, $sample->body, $rule->secret);
        try {
            $answer = ! $kind->travels() ? 'the row would be written as shown' : $gateway->deliver($sample, $headers);
        } catch (NotDelivered $problem) {
            throw ValidationException::withMessages(['test' => 'The test did not arrive: '.$problem->getMessage().'.']);
        }

        return redirect()->route('post.rule', [$business, $rule])->with('notice', "The test went to {$sample->to}: {$answer}.");
    }

    public function csv(Request $request, Business $business, DeliveryRule $rule): StreamedResponse
    {
        $sight = Sight::of($request->user(), $business);

        return response()->streamDownload(function () use ($rule, $sight): void {
            foreach ($this->rows($rule, $sight) as $row) {
                echo Csv::line($row);
            }
        }, Str::slug($rule->name).'.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    public function xlsx(Request $request, Business $business, DeliveryRule $rule): BinaryFileResponse
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'rows');
        (new Xlsx)->write($path, $this->rows($rule, Sight::of($request->user(), $business)), $rule->name);

        return response()->download($path, Str::slug($rule->name).'.xlsx', ['Content-Type' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'])->deleteFileAfterSend();
    }

    /** @return \Generator<int, list<string>> */
    private function rows(DeliveryRule $rule, Sight $sight): \Generator
    {
        $columns = $sight->columns($rule);
        yield $columns;
        foreach (FileRow::query()->where('delivery_rule_id', $rule->id)->orderBy('id')->lazy(500)->chunk(self::ROWS_TOGETHER) as $rows) {
            // The key of a row begins with its call.
            $ref = static fn (string $key): string => explode('-', $key, 2)[0];
            $calls = Call::withTrashed()->with('record', 'agent')->where('business_id', $rule->business_id)->whereIn('ref', array_map($ref, $rows->pluck('key')->all()))->get()->keyBy('ref');
            foreach ($rows as $row) {
                $call = $calls[$ref((string) $row->key)] ?? null;
                $cells = $sight->cells($call instanceof Call ? $call : null, $row->cells);
                yield array_map(static fn (string $column): string => $cells[$column] ?? '', $columns);
            }
        }
    }

    /**
     * @param array<string, string> $mapping column => value
     *
     * @throws ValidationException where a column names nothing a call can leave, with the nearest name
     */
    private function checkColumns(Business $business, array $mapping): void
    {
        $known = ['summary', 'next_actions', 'doubtful', 'outcome', 'call.id', 'call.at', 'business', 'agent', ...array_keys(Paths::CALL), ...array_keys(Paths::CALLER)];
        foreach ($business->agents()->with('draft.scriptText')->get() as $agent) {
            $script = $agent->draft->scriptText->script();
            $known = [...$known, ...array_map(strval(...), array_keys($script->sheet->fields)), ...array_map(static fn (int|string $fact): string => 'fact.'.$fact, array_keys($script->facts))];
        }
        $known = [...array_unique($known), ...$business->contactColumns()->pluck('key')->map(static fn (string $key): string => 'caller.'.$key)->all(), ...$this->furtherFields($business)];
        foreach ($mapping as $column => $path) {
            $name = RecordValues::field($path);
            if (! in_array($name, $known, true) && ! str_starts_with($name, 'declined.')) {
                $near = collect($known)->sortBy(static fn (string $one): int => levenshtein(substr($one, 0, 60), substr($name, 0, 60)))->first();

                throw ValidationException::withMessages(['mapping' => "The column “{$column}” names {$name}, which no call leaves. Did you mean {$near}?"]);
            }
        }
    }

    /** @return list<string> fields of further sheets */
    private function furtherFields(Business $business): array
    {
        $fields = [];
        foreach ($business->recordSheets()->get() as $sheet) {
            $fields = [...$fields, ...array_map(strval(...), array_keys((array) ($sheet->schema['properties'] ?? [])))];
        }

        return $fields;
    }

    /** @return list<string> titles of the fields staff do not see in the pages and would be told by the rule */
    private function tellsStaff(DeliveryRule $rule, Agent $agent): array
    {
        if (preg_match('/\brole:staff\b|\bperson:/', $rule->to) !== 1) {
            return [];
        }
        $told = $rule->subject.' '.$rule->words.' ['.implode('] [', $rule->mapping).']';

        return array_values(array_filter(Sight::ownersOnly($agent), static fn (string $key): bool => preg_match('/\[(?:'.preg_quote($key, '/').'|summary)\b/', $told) === 1, ARRAY_FILTER_USE_KEY));
    }

    /** @return list<array{0: string, 1: string, 2: mixed}> the comparisons of the rule's condition, where they are one list */
    private function parts(?DeliveryRule $rule): array
    {
        $when = $rule?->when;
        $list = is_array($when) ? ($when['all'] ?? $when['any'] ?? (isset($when['value']) ? [$when] : [])) : [];
        $parts = [];
        foreach (is_array($list) ? $list : [] as $one) {
            if (is_array($one) && is_string($one['value'] ?? null)) {
                foreach (array_diff_key($one, ['value' => true]) as $comparison => $than) {
                    $parts[] = [$one['value'], (string) $comparison, $than];
                }
            }
        }

        return $parts;
    }
}
