<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Calls\KeepFinishedCall;
use App\Actions\Casebook\KeepCase;
use App\Actions\Casebook\RunCases;
use App\Actions\Crowd\RingCrowd;
use App\Actions\Deliveries\KeepEnclosure;
use App\Actions\Design\CreateAgent;
use App\Actions\Design\EditDraft;
use App\Actions\Diary\BringDiaries;
use App\Actions\Diary\CalendarFile;
use App\Actions\Diary\FetchCalendar;
use App\Actions\Errands\KeepErrand;
use App\Actions\Errands\KeepTable;
use App\Actions\Knowledge\CheckAnswers;
use App\Actions\Knowledge\FetchPage;
use App\Actions\Knowledge\KeepSource;
use App\Actions\Records\ReviewRecord;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Adviser;
use App\Models\Agent;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\Contact;
use App\Models\ContactColumn;
use App\Models\ContactNumber;
use App\Models\CrowdRun;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\Draft;
use App\Models\KnowledgeCheck;
use App\Models\KnowledgeQuestion;
use App\Models\Membership;
use App\Models\Person;
use App\Models\Release;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\StandIn;
use App\Models\Team;
use App\Models\TeamExample;
use App\Models\User;
use App\Models\Waiting;
use App\StandIns\Systems;
use App\StandIns\Yard;
use App\Support\Stopwatch;
use Illuminate\Database\Seeder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Ringo\Advice\Purpose;
use Ringo\Delivery\Signature;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Knowledge\CheckList;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\CallerFacts;
use Ringo\Rehearsal\Casebook\Casebook;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Understanding\When\Wishes\Wish;

/** Builds the demonstration from the readable files in database/demo: every call is really run by the engine. */
final class DemoSeeder extends Seeder
{
    public const PASSWORD = 'ringo-demo';

    public function __construct(
        private readonly NumberingPlan $plan,
        private readonly KeepFinishedCall $keep,
        private readonly KeepSource $sources,
        private readonly FetchPage $pages,
        private readonly ReviewRecord $review,
        private readonly DemoLines $lines,
        private readonly DemoOutreach $outreach,
        private readonly DemoVisits $visits,
    ) {
    }

    public function run(): void
    {
        DB::transaction(function (): void {
            $users = $this->users();
            foreach (['pellbrook' => ['Pellbrook Hire', $this->pellbrook(...)], 'quillmoor' => ['Quillmoor Linen', $this->quillmoor(...)], 'harrowell' => ['Harrowell Pianos', $this->harrowell(...)]] as $key => [$name, $built]) {
                $business = $this->business($key, $name, $users);
                $this->lines->brief($business);
                $built($business);
                $this->lines->lines($business->refresh(), $users[1]);
                $this->outreach->campaigns($business, $users[1]);
            }
        });
    }

    private function pellbrook(Business $business): void
    {
        [$agent, $release] = $this->agent($business, 'maren', 'First release: reservations, extensions, breakdowns, off-hire, messages');
        $this->contacts($business, ['depot', 'account_number']);
        $this->staff($business);
        $this->specialCallers($business);
        $this->rules($business, $agent);
        $this->calls($business, $agent, $release);
        $this->handed($business, $agent, $release);
        $this->learned($business);
        $this->posted($business);
        $this->checked($business);
        $this->knowledge($business);
        $this->diaries($business);
        $this->errands($business);
        app(KeepCase::class)->bring($agent->load('draft.scriptText', 'business'), Casebook::fromArray(json_decode($this->file($business, 'casebook.json'), true, 32, JSON_THROW_ON_ERROR)));
        $this->onTrial($business, $agent);
        $crowd = CrowdRun::query()->create(['agent_id' => $agent->id, 'script_text_id' => $release->script_text_id, 'rings' => 'release 1', 'callers' => 120, 'seed' => '1', 'noise' => 0.1, 'placed_at' => now()->startOfHour(), 'status' => 'queued']);
        app(RingCrowd::class)->run($crowd);
    }

    /** A copy of an agent on which somebody tries things: the second of its changes broke a case, which says so. */
    private function onTrial(Business $business, Agent $agent): void
    {
        $user = User::query()->where('email', 'specialist@ringo.example')->firstOrFail();
        $create = app(CreateAgent::class);
        $copy = $create->from($business, $create->fitted($agent->draft->scriptText->document(), $business, 'Maren, shorter'), $user, 'a copy of Maren');
        $book = json_decode($this->file($business, 'casebook.json'), true, 32, JSON_THROW_ON_ERROR);
        $book['cases'] = array_values(array_filter($book['cases'], static fn (array $case): bool => in_array($case['key'], ['breakdown_danger', 'extension', 'message', 'off_hire'], true)));
        app(KeepCase::class)->bring($copy->load('draft.scriptText', 'business'), Casebook::fromArray($book));
        $step = static fn (string $key, string $name, string $value): \Closure => static function (ScriptDocument $document) use ($key, $name, $value): ScriptDocument {
            $data = $document->toArray();
            $data['steps'] = array_map(static fn (array $one): array => $one['key'] === $key ? [$name => $value] + $one : $one, $data['steps']);

            return ScriptDocument::fromArray($data);
        };
        $edit = app(EditDraft::class);
        $edit->apply($copy, 1, 'changed breakdown_open', ['breakdown_open'], $step('breakdown_open', 'prompt', 'I am sorry. Let me take it down for our engineer.'), $user);
        $edit->apply($copy, 2, 'changed where breakdown_machine leads', ['breakdown_machine'], $step('breakdown_machine', 'next', 'breakdown_fault'), $user);
        $edit->apply($copy, 3, 'changed breakdown_done', ['breakdown_done'], $step('breakdown_done', 'prompt', 'Thank you. An engineer rings you within the hour.'), $user);
        app(RunCases::class)->of($copy->refresh(), true);
    }

    private function quillmoor(Business $business): void
    {
        [$agent, $release] = $this->agent($business, 'tobin', 'First release: collection days, missed collections, survey');
        $this->knowledge($business);
        $this->diaries($business);
        $this->contacts($business, ['round_day', 'call_about']);
        $script = $release->scriptText->script();
        $rehearsal = new Rehearsal(Engine::for($script));
        $contacts = $business->contacts()->with('numbers')->orderBy('id')->get()->values();
        $today = Carbon::now($business->tz)->startOfDay();
        foreach ($this->rows($business, 'calls.csv') as $row) {
            $placed = $today->copy()->subDays((int) $row['days_ago'])->setTimeFromTimeString($row['time']);
            if ($placed->isWeekend()) {
                continue;
            }
            /** @var Contact $contact */
            $contact = $contacts[(int) $row['contact'] - 1];
            $state = (new Opening($script))->state((string) Str::ulid($placed), $placed->toDateTimeImmutable(), $row['seed'], $contact->numbers->first()?->e164, null, CallerFacts::of([$contact->callerFacts()]));
            $watch = new Stopwatch;
            $this->keep->live($agent, $release, $rehearsal->run($state, Input::fromLines($this->file($business, "calls/{$row['lines']}.txt")), $watch), $contact, $watch);
        }
    }

    /** A workshop whose whole day is appointments: four tuners who drive, and an agent that books, moves and cancels. */
    private function harrowell(Business $business): void
    {
        [$agent, $release] = $this->agent($business, 'isolde', 'First release: books, moves and cancels visits');
        $booked = ['business_id' => $business->id, 'agent_id' => $agent->id, 'subject' => '', 'when' => ['value' => 'start', 'known' => true], 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true];
        foreach ([
            ['name' => 'Visit agreed', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'Thank you [name|for ringing]. We come on [start]. Harrowell Pianos.'],
            ['name' => 'Reminder, a day before', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'We come to your piano on [start]. Please have the room quiet. Harrowell Pianos.', 'timing' => ['kind' => 'before', 'field' => 'start', 'amount' => 1, 'unit' => 'day']],
            ['name' => 'Invitation', 'kind' => 'email', 'to' => 'caller.email', 'subject' => 'Your visit from Harrowell Pianos', 'words' => 'We come on [start]. The appointment for your calendar is with this e-mail.', 'file' => CalendarFile::INVITATION],
        ] as $rule) {
            DeliveryRule::query()->create($rule + $booked);
        }
        $this->knowledge($business);
        $this->diaries($business);
        $this->visits->calls(
            $business->refresh(),
            $agent,
            $release,
            array_map(
                fn (array $row): array => ['days_ago' => $row['days_ago'], 'time' => $row['time'], 'from' => $row['from'], 'said' => $this->file($business, "calls/{$row['lines']}.txt"), 'seed' => $row['seed']],
                $this->rows($business, 'calls.csv'),
            ),
        );
        $this->posted($business);
    }

    /** What the agent asks other systems; the account system fails now and then. */
    private function errands(Business $business): void
    {
        $hosts = array_keys(array_filter(config('ringo.stand_ins'), static fn (string $host): bool => str_ends_with($host, ".{$business->key}.example"), ARRAY_FILTER_USE_KEY));
        // A second opinion is there to be tried, and off: Ringo decides alone.
        Adviser::query()->create(['business_id' => $business->id, 'on' => false, 'address' => 'https://adviser.ringo.example/v1/chat/completions', 'model' => 'stand-in', 'about' => array_column(Purpose::cases(), 'value'), 'price_in' => 0.4, 'price_out' => 1.6]);
        $business->update(['errand_hosts' => $hosts]);
        foreach (Systems::at(...$hosts) as $name => $system) {
            StandIn::query()->updateOrCreate(['system' => $name], ['mode' => $name === 'accounts' ? 'fails' : 'works', 'data' => $system->data(now($business->tz)->startOfDay()->toDateTimeImmutable()), 'done' => []]);
        }
        $keep = app(KeepErrand::class);
        foreach (json_decode($this->file($business, 'errands.json'), true, 32, JSON_THROW_ON_ERROR)['errands'] as $design) {
            $keep->of($business, null, $design, isset($design['secret']) ? Yard::TOKEN : null);
        }
        foreach (glob(database_path("demo/{$business->key}/licences.csv")) ?: [] as $file) {
            app(KeepTable::class)->of($business, '', basename($file), $file);
        }
    }

    private function diaries(Business $business): void
    {
        $file = json_decode($this->file($business, 'diaries.json'), true, 32, JSON_THROW_ON_ERROR);
        app(BringDiaries::class)->bring($business, $file);
        $rows = $business->diaries()->get()->keyBy('key');
        if (isset($rows['tobias'])) {
            $business->update(['knowledge_hosts' => [...$business->knowledge_hosts ?? [], "calendar.{$business->key}.example"]]);
            $rows['tobias']->update(['calendar_url' => "https://calendar.{$business->key}.example/tobias.ics"]);
            app(FetchCalendar::class)->one($rows['tobias']);
        }
        $services = array_column($file['services'], null, 'key');
        $day = Carbon::now($business->tz)->startOfDay();
        for ($n = 0, $days = []; $n < 10; $n++) {
            $day = $day->addDay();
            // Whole working days from today on; days of the file are counted in those.
            $day->isWeekend() || $days[] = $day->copy();
        }
        foreach (is_file(database_path("demo/{$business->key}/waiting.csv")) ? $this->rows($business, 'waiting.csv') : [] as $row) {
            $wish = (new Negotiation(Diaries::fromArray($file), Vocabulary::of()))->wish(new Wish, $row['said'], time());
            Waiting::query()->create(['business_id' => $business->id, 'service' => $row['service'], 'area' => $row['area'] ?: null, 'name' => $row['name'], 'number' => $row['number'], 'wish' => $wish->toArray(), 'said' => $row['said'], 'state' => Waiting::WAITING, 'created_at' => now()->subDays((int) $row['days_ago'])]);
        }
        foreach ($this->rows($business, 'bookings.csv') as $n => $row) {
            $start = $days[(int) $row['days'] - 1]->copy()->setTimeFromTimeString($row['time']);
            Booking::query()->create(['business_id' => $business->id, 'diary_id' => $rows[$row['diary']]->id, 'reference' => strtoupper(substr(md5($business->key.$n), 0, 6)), 'service' => $row['service'], 'label' => $services[$row['service']]['label'], 'starts_at' => $start->getTimestamp(), 'ends_at' => $start->getTimestamp() + 60 * $services[$row['service']]['minutes'], 'area' => $row['area'] ?: null, 'name' => $row['name'], 'number' => $row['number'], 'note' => $row['note'] ?: null, 'state' => 'booked', 'by' => $row['by']]);
        }
    }

    /** What earlier calls have taught of the teams: some counts, some waits to be looked at. */
    private function learned(Business $business): void
    {
        foreach ($this->rows($business, 'examples.csv') as $row) {
            $team = Team::query()->where('business_id', $business->id)->where('key', $row['team'])->firstOrFail();
            $call = Call::query()->where('business_id', $business->id)->orderBy('id')->skip((int) $row['call'])->first();
            TeamExample::query()->create(['business_id' => $business->id, 'team_id' => $team->id, 'call_id' => $call?->id, 'said' => $row['said'], 'origin' => $row['origin'], 'state' => $row['state'], 'times' => (int) $row['times']]);
        }
    }

    /** What follows calls: a notice that is worth reading, a confirmation, a reminder, a file, a web request. */
    private function rules(Business $business, Agent $agent): void
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
    private function posted(Business $business): void
    {
        /** @var Delivery $delivery */
        foreach ($business->deliveries()->where('state', 'waiting')->where('due_at', '<', now())->orderBy('id')->get() as $i => $delivery) {
            $due = $delivery->due_at->toIso8601String();
            $delivery->update($delivery->kind === 'web' && $i % 23 === 7
                ? ['state' => 'dead', 'attempts' => 8, 'problem' => 'the server answered 503 Service Unavailable', 'log' => [['at' => $due, 'what' => 'try 1: the server answered 503 Service Unavailable; again in 5 s'], ['at' => $due, 'what' => 'try 8: the server answered 503 Service Unavailable; given up']]]
                : ['state' => 'sent', 'attempts' => 1, 'sent_at' => $delivery->due_at, 'log' => [['at' => $due, 'what' => 'try 1: taken']]]);
        }
    }

    /** Values that people have looked at, so that the figures say something. */
    private function checked(Business $business): void
    {
        /** @var User $user */
        $user = User::query()->where('email', 'specialist@ringo.example')->firstOrFail();
        /** @var CallRecord $record */
        foreach ($business->records()->with('call.business', 'call.agent')->orderBy('id')->limit(40)->get() as $n => $record) {
            $i = 0;
            foreach (array_keys($record->cells) as $field) {
                $i++;
                if (($record->cells[$field]['doubt'] ?? null) !== null && $n % 3 !== 0) {
                    continue;
                }
                match (true) {
                    $field === 'depot' && $n % 11 === 4, $i === 3 && $n % 13 === 6 => $this->review->empty($record, (string) $field, $user),
                    default => $this->review->accept($record, (string) $field, $user),
                };
            }
        }
    }

    /** What the business has written, checks on it, and questions nothing answered. */
    private function knowledge(Business $business): void
    {
        $business->update(['knowledge_hosts' => ["www.{$business->key}.example"], 'own_words' => $business->key === 'pellbrook' ? ['plate compactor, wacker, wacker plate', 'concrete breaker, kango, hammer', 'digger, excavator', 'telehandler, loadall, forklift', 'generator, genny'] : []]);
        foreach (glob(database_path("demo/{$business->key}/knowledge/*")) ?: [] as $path) {
            $this->sources->keep($business, basename($path), str_ends_with($path, '.csv') ? 'table' : 'document', (string) file_get_contents($path));
        }
        if ($business->key !== 'pellbrook') {
            return;
        }
        $this->pages->fetch($business, 'https://www.pellbrook.example/news.html');
        foreach ((new CheckList)->read($this->file($business, 'checks.txt')) as $check) {
            KnowledgeCheck::query()->create(['business_id' => $business->id, 'question' => $check['question'], 'holds' => implode('; ', $check['holds']), 'refused' => $check['refused']]);
        }
        app(CheckAnswers::class)->run($business->refresh());
        $calls = $business->calls()->orderByDesc('started_at')->limit(20)->get()->values();
        foreach (array_filter(explode("\n", $this->file($business, 'questions.txt'))) as $i => $question) {
            KnowledgeQuestion::query()->create(['business_id' => $business->id, 'call_id' => $calls[$i]->id ?? null, 'question' => trim($question), 'why' => 'not covered']);
        }
    }

    /** Teams and people who take transferred calls; the demonstration's member of staff sits at the desk of one of them. */
    private function staff(Business $business): void
    {
        /** @var array{people: list<array{key: string, name: string, number: string, site: string, teams: list<string>}>, teams: list<array<string, mixed>>} $data */
        $data = json_decode($this->file($business, 'teams.json'), true, 16, JSON_THROW_ON_ERROR);
        $teams = [];
        foreach ($data['teams'] as $team) {
            $teams[(string) $team['key']] = Team::query()->create($team + ['business_id' => $business->id, 'examples' => []]);
        }
        foreach ($data['people'] as $i => $one) {
            $user = User::query()->where('name', $one['name'])->first();
            $person = Person::query()->create(['business_id' => $business->id, 'key' => $one['key'], 'name' => $one['name'], 'site' => $one['site'], 'number' => $this->plan->parse($one['number'], $business->country)?->e164, 'presence' => $one['key'] === 'vera' ? 'away' : 'available', 'user_id' => $user?->id, 'last_call_at' => now()->subHours($i + 1)]);
            foreach ($one['teams'] as $team) {
                $teams[$team]->people()->attach($person->id, ['position' => $i]);
            }
        }
    }

    /** A site telephone that three people share, a trade account with a PIN, a firm's switchboard, and a number that is blocked. */
    private function specialCallers(Business $business): void
    {
        foreach (['depot' => 'Depot', 'account_number' => 'Account number', 'postcode' => 'Postcode'] as $key => $title) {
            ContactColumn::query()->create(['business_id' => $business->id, 'key' => $key, 'title' => $title, 'type' => 'text']);
        }
        /** @var Contact $contact */
        foreach ($business->contacts()->whereNotNull('facts->account_number')->get() as $i => $contact) {
            $contact->update(['tags' => ['trade account'], 'pin_hash' => password_hash((string) (4100 + 7 * $i), PASSWORD_BCRYPT, ['cost' => 4])]);
        }
        $special = [
            ['Ged Holroyd', 'Larkhill Groundworks', '07700 900271', 'person', false, ['site phone']], ['Mina Sayer', 'Larkhill Groundworks', '07700 900271', 'person', false, ['site phone']], ['Owen Tate', 'Larkhill Groundworks', '07700 900271', 'person', false, ['site phone']],
            ['Larkhill Groundworks', '', '01632 960270', 'organisation', false, ['trade account']], ['Nuisance caller', '', '07700 900666', 'person', true, []],
        ];
        foreach ($special as [$name, $organisation, $number, $kind, $blocked, $tags]) {
            $contact = Contact::query()->create(['business_id' => $business->id, 'name' => $name, 'organisation' => $organisation, 'email' => '', 'facts' => [], 'kind' => $kind, 'blocked' => $blocked, 'tags' => $tags]);
            ContactNumber::query()->create(['contact_id' => $contact->id, 'business_id' => $business->id, 'e164' => $this->plan->parse($number, $business->country)->e164 ?? '', 'label' => 'main']);
        }
    }

    /** @param list<User> $users */
    private function business(string $key, string $name, array $users): Business
    {
        $business = Business::query()->create(['key' => $key, 'name' => $name, 'country' => 'GB', 'tz' => 'Europe/London']);
        foreach ($users as $i => $user) {
            Membership::query()->create(['user_id' => $user->id, 'business_id' => $business->id, 'role' => [Role::Owner, Role::Designer, Role::Staff][$i]]);
        }

        return $business;
    }

    /** @return array{Agent, Release} */
    private function agent(Business $business, string $key, string $note): array
    {
        $document = ScriptDocument::fromJson($this->file($business, $key.'.json'));
        $agent = Agent::query()->create(['business_id' => $business->id, 'key' => $key, 'name' => $document->script->agent->name, 'direction' => $document->script->agent->direction]);
        $text = ScriptText::of($agent, $document->toJson());
        Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1]);

        return [$agent, Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'number' => 1, 'note' => $note])];
    }

    /** @return list<User> owner, specialist, staff */
    private function users(): array
    {
        $users = [];
        foreach (['owner' => 'Olwen Pell', 'specialist' => 'Sam Tarrant', 'staff' => 'Bea Cresswell'] as $local => $name) {
            $users[] = User::query()->create(['name' => $name, 'email' => $local.'@ringo.example', 'password' => self::PASSWORD]);
        }

        return $users;
    }

    /** @param list<string> $facts columns that are facts of the caller */
    private function contacts(Business $business, array $facts): void
    {
        foreach ($this->rows($business, 'contacts.csv') as $row) {
            $contact = Contact::query()->create([
                'business_id' => $business->id,
                'name' => $row['name'],
                'organisation' => $row['organisation'],
                'email' => $row['email'],
                'facts' => array_filter(array_intersect_key($row, array_flip($facts))),
            ]);
            foreach (explode(';', $row['phone']) as $i => $written) {
                $number = $this->plan->parse($written, $business->country) ?? throw new \RuntimeException("contacts.csv: “{$written}” is no number");
                ContactNumber::query()->create(['contact_id' => $contact->id, 'business_id' => $business->id, 'e164' => $number->e164, 'label' => $i === 0 ? 'main' : 'office']);
            }
        }
    }

    /** Calls that a person at the desk took; what the desk does stands after “> ” in their lines. */
    private function handed(Business $business, Agent $agent, Release $release): void
    {
        $script = $release->scriptText->script();
        $rehearsal = new Rehearsal(Engine::for($script, app(SwitchboardOf::class)->business($business->refresh(), true)));
        $today = Carbon::now($business->tz)->startOfDay();
        foreach ($this->rows($business, 'handed.csv') as $row) {
            $placed = $today->copy()->subDays((int) $row['days_ago'])->setTimeFromTimeString($row['time']);
            while (! $script->hours->openAt($placed->toDateTimeImmutable())) {
                $placed = $placed->copy()->subDay()->setTime(10, 20);
            }
            $inputs = [];
            foreach (explode("\n", trim($this->file($business, "calls/{$row['lines']}.txt"))) as $line) {
                array_push($inputs, ...preg_match('/^> (\w+) ?(.*)$/', $line, $m) === 1 ? [new Input($m[1], $m[2])] : Input::fromLines($line));
            }
            $number = $this->plan->parse($row['from'], $business->country)?->e164;
            $state = (new Opening($script))->state((string) Str::ulid($placed), $placed->toDateTimeImmutable(), $row['seed'], $number, null, CallerFacts::of([]));
            $watch = new Stopwatch;
            $this->keep->live($agent, $release, $rehearsal->run($state, $inputs, $watch), null, $watch);
        }
    }

    private function calls(Business $business, Agent $agent, Release $release): void
    {
        $script = $release->scriptText->script();
        $engine = Engine::for($script);
        $opening = new Opening($script);
        $rehearsal = new Rehearsal($engine);
        $today = Carbon::now($business->tz)->startOfDay();
        foreach ($this->rows($business, 'calls.csv') as $i => $row) {
            $placed = $today->copy()->subDays((int) $row['days_ago'])->setTimeFromTimeString($row['time']);
            if ($placed->isFuture() || ! $script->hours->openAt($placed->toDateTimeImmutable())) {
                $placed = $placed->copy()->subDay()->setTime(10, $i % 60);
            }
            $number = $row['from'] === '' ? null : $this->plan->parse($row['from'], $business->country);
            $contact = $number === null ? null : Contact::query()->whereHas('numbers', static fn ($numbers) => $numbers->where('e164', $number->e164))->first();
            $facts = CallerFacts::of($contact === null ? [] : [$contact->callerFacts()]);
            $state = $opening->state((string) Str::ulid($placed), $placed->toDateTimeImmutable(), $row['seed'], $number?->e164, null, $facts);
            $lines = strtr($this->file($business, "calls/{$row['lines']}.txt"), [
                '{name}' => $contact === null ? 'my name is '.self::NAMES[$i % count(self::NAMES)] : '; the name is known',
                '{phone}' => $number === null ? 'oh seven seven double oh nine double oh five '.($i % 2 === 0 ? 'two one' : 'six eight') : ['yes', "yes that's right", 'yes it is', 'yeah'][$i % 4],
                '{depot}' => ($facts['depot'] ?? '') !== '' ? ['yes', 'yes please', 'yeah that one'][$i % 3] : ['Oldmere', 'Stanwick Cross', 'the one at Tarn Bridge'][$i % 3],
                '{n}' => sprintf('%03d', (int) $row['seed'] % 1000),
            ]);
            $watch = new Stopwatch;
            $this->keep->live($agent, $release, $rehearsal->run($state, Input::fromLines($lines), $watch), $contact, $watch);
        }
    }

    /** Callers that are in nobody's list. */
    private const NAMES = ['Corin Blake', 'Petra Sandys', 'Alun Rees', 'Mirela Stan', 'Gethin Lowe', 'Sunita Rao', 'Bertie Crane', 'Nadia Halim', 'Euan Pike', 'Lotte Maes'];

    private function file(Business $business, string $name): string
    {
        return (string) file_get_contents(database_path("demo/{$business->key}/{$name}"));
    }

    /** @return list<array<string, string>> */
    private function rows(Business $business, string $name): array
    {
        $lines = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), preg_split('/\R/', trim($this->file($business, $name))) ?: []);
        $header = array_map(strval(...), array_shift($lines) ?? []);

        return array_map(static fn (array $cells): array => array_combine($header, array_map(strval(...), $cells)), $lines);
    }
}
