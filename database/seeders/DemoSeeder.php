<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Casebook\KeepCase;
use App\Actions\Casebook\RunCases;
use App\Actions\Crowd\RingCrowd;
use App\Actions\Design\CreateAgent;
use App\Actions\Design\EditDraft;
use App\Actions\Diary\CalendarFile;
use App\Actions\Records\ReviewRecord;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\CrowdRun;
use App\Models\DeliveryRule;
use App\Models\Draft;
use App\Models\Release;
use App\Models\ScriptText;
use App\Models\Team;
use App\Models\TeamExample;
use App\Models\User;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Rehearsal\Casebook\Casebook;

/** Builds the demonstration from the readable files in database/demo: every call is really run by the engine. */
final class DemoSeeder extends Seeder
{
    public const PASSWORD = 'ringo-demo';

    public function __construct(
        private readonly DemoFiles $files,
        private readonly DemoPeople $people,
        private readonly DemoCalls $calls,
        private readonly DemoPost $post,
        private readonly DemoSystems $systems,
        private readonly ReviewRecord $review,
        private readonly DemoLines $lines,
        private readonly DemoOutreach $outreach,
        private readonly DemoVisits $visits,
    ) {
    }

    public function run(): void
    {
        DB::transaction(function (): void {
            $users = $this->people->users();
            foreach (['pellbrook' => ['Pellbrook Hire', $this->pellbrook(...)], 'quillmoor' => ['Quillmoor Linen', $this->quillmoor(...)], 'harrowell' => ['Harrowell Pianos', $this->harrowell(...)]] as $key => [$name, $built]) {
                $business = $this->people->business($key, $name, $users);
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
        $this->people->contacts($business, ['depot', 'account_number']);
        $this->people->staff($business);
        $this->people->specialCallers($business);
        $this->post->rules($business, $agent);
        $this->calls->calls($business, $agent, $release);
        $this->calls->handed($business, $agent, $release);
        $this->learned($business);
        $this->post->posted($business);
        $this->checked($business);
        $this->systems->knowledge($business);
        $this->systems->diaries($business);
        $this->systems->errands($business);
        app(KeepCase::class)->bring($agent->load('draft.scriptText', 'business'), Casebook::fromArray(json_decode($this->files->text($business, 'casebook.json'), true, 32, JSON_THROW_ON_ERROR)));
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
        $book = json_decode($this->files->text($business, 'casebook.json'), true, 32, JSON_THROW_ON_ERROR);
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
        $this->systems->knowledge($business);
        $this->systems->diaries($business);
        $this->people->contacts($business, ['round_day', 'call_about']);
        $this->calls->outbound($business, $agent, $release);
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
        $this->systems->knowledge($business);
        $this->systems->diaries($business);
        $this->visits->calls(
            $business->refresh(),
            $agent,
            $release,
            array_map(
                fn (array $row): array => ['days_ago' => $row['days_ago'], 'time' => $row['time'], 'from' => $row['from'], 'said' => $this->files->text($business, "calls/{$row['lines']}.txt"), 'seed' => $row['seed']],
                $this->files->rows($business, 'calls.csv'),
            ),
        );
        $this->post->posted($business);
    }

    /** What earlier calls have taught of the teams: some counts, some waits to be looked at. */
    private function learned(Business $business): void
    {
        foreach ($this->files->rows($business, 'examples.csv') as $row) {
            $team = Team::query()->where('business_id', $business->id)->where('key', $row['team'])->firstOrFail();
            $call = Call::query()->where('business_id', $business->id)->orderBy('id')->skip((int) $row['call'])->first();
            TeamExample::query()->create(['business_id' => $business->id, 'team_id' => $team->id, 'call_id' => $call?->id, 'said' => $row['said'], 'origin' => $row['origin'], 'state' => $row['state'], 'times' => (int) $row['times']]);
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

    /** @return array{Agent, Release} */
    private function agent(Business $business, string $key, string $note): array
    {
        $document = ScriptDocument::fromJson($this->files->text($business, $key.'.json'));
        $agent = Agent::query()->create(['business_id' => $business->id, 'key' => $key, 'name' => $document->script->agent->name, 'direction' => $document->script->agent->direction]);
        $text = ScriptText::of($agent, $document->toJson());
        Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1]);

        return [$agent, Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'number' => 1, 'note' => $note])];
    }
}
