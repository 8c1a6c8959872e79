<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Contacts\FindContacts;
use App\Actions\Outreach\AddPeople;
use App\Actions\Outreach\NeverRing;
use App\Actions\Outreach\PlanPeople;
use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\SuppressedNumber;
use App\Models\Survey;
use App\Models\User;
use App\Support\CampaignComparison;
use App\Support\CampaignForm;
use App\Support\CampaignPage;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Format\Csv;
use Ringo\Numbering\NumberingPlan;
use Ringo\Outreach\Campaign as Design;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Outreach: campaigns set up, planned, launched, paused and told. */
final class OutreachController
{
    private const LIST_KB = 20_480;

    private const RULES = [
        'name' => ['required', 'string', 'max:80'],
        'agent' => ['required', 'string', 'max:60'],
        'purpose' => ['required', 'string', 'max:120'],
        'start' => ['required', 'bail', 'string', 'date_format:Y-m-d'],
        'end' => ['required', 'bail', 'string', 'date_format:Y-m-d', 'after_or_equal:start'],
        'windows' => ['required', 'array'],
        'most' => ['required', 'integer', 'between:1,20'],
        'lines' => ['required', 'integer', 'between:1,200'],
        'a_minute' => ['required', 'integer', 'between:1,600'],
        'per_day' => ['nullable', 'integer', 'between:1,20'],
        'per_week' => ['nullable', 'integer', 'between:1,50'],
        'complaint_days' => ['nullable', 'integer', 'between:0,3660'],
        'minute' => ['nullable', 'numeric', 'between:0,100'],
        'attempt' => ['nullable', 'numeric', 'between:0,100'],
        'stop_reached' => ['nullable', 'integer', 'min:1'],
        'stop_opt_outs' => ['nullable', 'numeric', 'between:0.1,100'],
        'stop_fails' => ['nullable', 'integer', 'between:2,100'],
        'seed' => ['nullable', 'string', 'max:40'],
        'desk_team' => ['nullable', 'string', 'max:60'],
        'rates' => ['nullable', 'array'],
        'rates.*' => ['nullable', 'numeric', 'between:0,100'],
    ];

    private const WORDS = [
        'name.required' => 'Give the campaign a name.',
        'agent.required' => 'Choose the agent that calls.',
        'purpose.required' => 'Say what the calls are for: consent is given to a purpose.',
        'start.*' => 'Choose the first day.',
        'end.after_or_equal' => 'The last day lies before the first.',
        'end.*' => 'Choose the last day.',
    ];

    public function __construct(private readonly CurrentAgent $current, private readonly CampaignForm $form, private readonly PlanPeople $plan)
    {
    }

    public function index(Business $business): View
    {
        $campaigns = Campaign::query()->with('agent', 'release')->withCount(['people', 'people as reached' => static fn ($people) => $people->where('state', CampaignPerson::REACHED), 'attempts', 'people as out' => static fn ($people) => $people->where('state', CampaignPerson::OPTED_OUT)])->where('business_id', $business->id)->orderByDesc('id')->get();

        return view('outreach', ['business' => $business, 'agent' => $this->current->in($business), 'campaigns' => $campaigns, 'suppressed' => SuppressedNumber::query()->where('business_id', $business->id)->count(), 'surveys' => Survey::query()->with('agent.latestRelease')->where('business_id', $business->id)->orderByDesc('id')->get()]);
    }

    public function create(Business $business): View
    {
        return view('campaign-form', ['business' => $business, 'agent' => $this->current->in($business), 'campaign' => null, 'agents' => $this->agents($business), 'brief' => $business->brief()->hours]);
    }

    public function store(Request $request, Business $business): RedirectResponse
    {
        [$set, $agent] = $this->given($request, $business);
        $base = substr(Str::slug((string) $set['name']), 0, 34) ?: 'campaign';
        for ($key = $base, $n = 2; $key === 'new' || $key === 'suppressed' || $key === 'surveys' || Campaign::withTrashed()->where('business_id', $business->id)->where('key', $key)->exists(); $n++) {
            $key = "{$base}-{$n}";
        }
        $campaign = Campaign::query()->create($set + ['business_id' => $business->id, 'agent_id' => $agent->id, 'key' => $key, 'state' => Campaign::MADE, 'held' => []]);
        AuditEntry::note($business->id, $this->me($request), 'campaign made', $campaign->name);

        return redirect()->route('campaign', [$business, $campaign])->with('notice', 'Now say who is rung.');
    }

    public function show(Request $request, Business $business, Campaign $campaign, CampaignPage $page, CampaignComparison $comparison): View|JsonResponse
    {
        if ($request->expectsJson()) {
            return response()->json(['status' => $campaign->state === Campaign::RUNNING ? 'running' : $campaign->state, 'done' => $campaign->people()->whereNotIn('state', [CampaignPerson::WAITING, CampaignPerson::CALLING])->count(), 'total' => $campaign->people()->count()]);
        }
        $campaign->load('agent.latestRelease', 'agent.releases', 'release', 'otherRelease', 'launcher');
        $with = Campaign::query()->where('business_id', $business->id)->where('key', is_string($request->query('with')) ? $request->query('with') : '')->whereKeyNot($campaign->id)->first();

        return view('campaign', ['business' => $business, 'agent' => $this->current->remember($campaign->agent), 'campaign' => $campaign, 'agents' => $this->agents($business), 'brief' => $business->brief()->hours, 'tags' => $page->tags($business), 'with' => $with, 'beside' => $with instanceof Campaign ? $comparison->campaigns($campaign, $with) : null] + $page->of($campaign));
    }

    public function update(Request $request, Business $business, Campaign $campaign): RedirectResponse
    {
        if (in_array($campaign->state, [Campaign::RUNNING, Campaign::DONE, Campaign::STOPPED], true)) {
            throw ValidationException::withMessages(['campaign' => $campaign->state === Campaign::RUNNING ? 'Pause the campaign first: it is being rung by what it says now.' : 'The campaign is over; its report stands as it is. Make a new one.']);
        }
        [$set, $agent] = $this->given($request, $business);
        $campaign->update($set + ['agent_id' => $agent->id]);
        $this->plan->all($campaign->refresh());

        return redirect()->route('campaign', [$business, $campaign])->with('notice', 'Kept, and planned anew.');
    }

    public function people(Request $request, Business $business, Campaign $campaign, AddPeople $add): RedirectResponse
    {
        $given = $request->validate(['from' => ['required', 'in:callers,file'], 'tag' => ['nullable', 'string', 'max:60'], 'q' => ['nullable', 'string', 'max:100'], 'show' => ['nullable', 'in:'.implode(',', array_keys(FindContacts::KINDS))], 'file' => ['required_if:from,file', 'file', 'max:'.self::LIST_KB]], ['file.*' => 'Choose a CSV file of up to 20 MB with a column “phone”.']);
        try {
            /** @var ?UploadedFile $file */
            $file = $request->file('file');
            $filter = array_filter(array_map(strval(...), array_intersect_key($given, ['tag' => 1, 'q' => 1, 'show' => 1])));
            $came = $given['from'] === 'callers' || $file === null ? $add->callers($campaign, $filter) : $add->csv($campaign, (string) $file->getRealPath());
            $campaign->update($given['from'] === 'callers' ? ['filter' => $filter] : []);
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }
        $this->plan->all($campaign);
        $words = "{$came['added']} added".($came['there'] > 0 ? ", {$came['there']} were there already" : '').(($came['refused'] ?? 0) > 0 ? ", {$came['refused']} refused: ".implode(' ', array_slice($came['problems'] ?? [], 0, 3)) : '').'.';

        return redirect()->route('campaign', [$business, $campaign])->with('notice', $words);
    }

    /** Numbers that are never rung, from a list. */
    public function suppress(Request $request, Business $business, NumberingPlan $numbers, NeverRing $never): RedirectResponse
    {
        $given = $request->validate(['numbers' => ['required', 'string', 'max:200000']], ['numbers.*' => 'Write the numbers, one a line.']);
        $bad = [];
        $taken = 0;
        foreach (preg_split('/[\r\n,;]+/', $given['numbers'], -1, PREG_SPLIT_NO_EMPTY) ?: [] as $written) {
            $number = $numbers->parse(trim($written), $business->country);
            if ($number === null || ! $number->valid) {
                $bad[] = trim($written);

                continue;
            }
            $taken += $never->number($business->id, $number->e164, 'from a list') ? 1 : 0;
        }

        return redirect()->route('outreach', $business)->with('notice', "{$taken} numbers more are never rung".($bad === [] ? '.' : '; not taken, because they are no numbers: '.implode(', ', array_slice($bad, 0, 5)).(count($bad) > 5 ? ' and '.(count($bad) - 5).' more' : '').'.'));
    }

    public function destroy(Request $request, Business $business, Campaign $campaign): RedirectResponse
    {
        if ($campaign->state === Campaign::RUNNING) {
            throw ValidationException::withMessages(['campaign' => 'Stop the campaign first.']);
        }
        $campaign->delete();
        AuditEntry::note($business->id, $this->me($request), 'campaign taken away', $campaign->name);

        return redirect()->route('outreach', $business)->with('undo', ['text' => "{$campaign->name} was taken away. Its calls stay.", 'action' => route('campaign.restore', [$business, $campaign])]);
    }

    public function restore(Business $business, Campaign $campaign): RedirectResponse
    {
        $campaign->restore();

        return redirect()->route('campaign', [$business, $campaign])->with('notice', "{$campaign->name} is back.");
    }

    /** Everybody on the list: how often rung, what came of it, when next or why not. */
    public function export(Business $business, Campaign $campaign): StreamedResponse
    {
        return response()->streamDownload(static function () use ($campaign): void {
            echo Csv::line(['name', 'phone', 'state', 'attempts', 'outcome', 'next', 'why']);
            foreach ($campaign->people()->orderBy('id')->lazyById() as $person) {
                if ($person instanceof CampaignPerson) {
                    echo Csv::line([$person->name, $person->e164 ?? $person->phone, $person->state, $person->attempts, $person->outcome, $person->next_at === null ? '' : gmdate('Y-m-d\TH:i\Z', $person->next_at), $person->why]);
                }
            }
        }, "{$campaign->key}-people.csv", ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    /**
     * @return array{array<string, mixed>, Agent}
     */
    private function given(Request $request, Business $business): array
    {
        $given = $request->validate(self::RULES, self::WORDS);
        $agent = $business->agents()->where('key', $given['agent'])->first() ?? throw ValidationException::withMessages(['agent' => 'There is no such agent.']);
        $document = $this->form->document($business, $request->all());
        try {
            $design = Design::fromArray($document);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['campaign' => array_map(static fn (array $one): string => CampaignForm::place($one['path']).": {$one['message']}.", array_slice($problem->problems, 0, 6))]);
        }
        if ($design->windows->toArray() === []) {
            throw ValidationException::withMessages(['windows' => 'Say when people may be rung: nobody ever would be.']);
        }

        $stops = array_filter([
            'reached' => (int) ($given['stop_reached'] ?? 0),
            'opt_outs' => (float) ($given['stop_opt_outs'] ?? 0),
            'fails' => (int) ($given['stop_fails'] ?? 0),
        ]);

        return [[
            'name' => trim($given['name']), 'document' => $document, 'stops' => $stops,
            'lines' => (int) $given['lines'], 'a_minute' => (int) $given['a_minute'], 'seed' => ($given['seed'] ?? '') ?: '1', 'desk_team' => $business->teams()->where('key', (string) ($given['desk_team'] ?? ''))->value('key'),
        ], $agent];
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, Agent> */
    private function agents(Business $business): \Illuminate\Database\Eloquent\Collection
    {
        return $business->agents()->where('direction', 'outbound')->with('latestRelease')->get();
    }

    private function me(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
