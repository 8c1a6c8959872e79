<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Outreach\RunQuickly;
use App\Actions\Surveys\PeopleOf;
use App\Models\Agent;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\Draft;
use App\Models\Release;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\Survey;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Ringo\Dialogue\Ending;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** A survey from its questions to its report: written into an agent's script, asked in a campaign, counted, named, brought out. */
final class SurveyTest extends FeatureTestCase
{
    private User $me;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-03-01 12:00:00');
        $this->me = $this->user()->refresh();
        $this->actingAs($this->me);
    }

    public function testQuestionsBecomeAnAgentAndChangesAreWrittenIntoItsDraft(): void
    {
        $this->get('/pellbrook/outreach/surveys/new')->assertOk()->assertSee('in their own words');
        $this->post('/pellbrook/outreach/surveys', $this->form())->assertSessionHasNoErrors()->assertRedirect('/pellbrook/outreach/surveys/your-hire/questions');
        $survey = Survey::query()->with('agent.draft.scriptText')->firstOrFail();
        self::assertSame(['how_was_the_machine', 'why', 'collected'], array_column($survey->document['questions'], 'key'));
        self::assertEquals(['question' => 'how_was_the_machine', 'below' => 4.0], $survey->document['questions'][1]['only']);
        self::assertSame(['Odile', 'outbound'], [$survey->agent->name, $survey->agent->direction]);
        $this->get('/pellbrook/outreach')->assertOk()->assertSee('Your hire');
        $this->get('/pellbrook/outreach/surveys/your-hire')->assertOk()->assertSee('Nobody was talked to yet');

        // An option keeps its key as long as it keeps its words; a question keeps its key whatever it is called.
        $form = $this->form();
        $form['questions'][0] = ['key' => 'how_was_the_machine', 'title' => 'The machine'] + $form['questions'][0];
        $form['questions'][2] = ['key' => 'collected', 'option_keys' => ['we did' => 'we_did'], 'options' => "we did\nyour driver\nsomebody else"] + $form['questions'][2];
        $this->put('/pellbrook/outreach/surveys/your-hire/questions', $form)->assertSessionHasNoErrors();
        self::assertSame(['we_did', 'your_driver', 'somebody_else'], array_column($survey->refresh()->document['questions'][2]['options'], 'key'));
        self::assertStringContainsString('three for somebody else', Draft::query()->with('scriptText')->where('agent_id', $survey->agent_id)->firstOrFail()->scriptText->document);
        self::assertSame($survey->document, $this->getJson('/pellbrook/outreach/surveys/your-hire/questions.json')->assertOk()->json());
    }

    public function testAScriptChangedByHandIsNotWrittenOverUnasked(): void
    {
        $survey = $this->made();
        $agent = Agent::query()->with('draft.scriptText')->findOrFail($survey->agent_id);
        $agent->draft->update(['script_text_id' => ScriptText::of($agent, str_replace('Thank you very much', 'Thanks a lot', $agent->draft->scriptText->document))->id, 'version' => 2]);
        $this->get('/pellbrook/outreach/surveys/your-hire/questions')->assertOk()->assertSee('write it anew all the same');
        $this->put('/pellbrook/outreach/surveys/your-hire/questions', $this->form())->assertSessionHasErrors('over');
        self::assertStringContainsString('Thanks a lot', Draft::query()->with('scriptText')->where('agent_id', $agent->id)->firstOrFail()->scriptText->document);
        $this->put('/pellbrook/outreach/surveys/your-hire/questions', ['over' => '1'] + $this->form())->assertSessionHasNoErrors();
        self::assertStringNotContainsString('Thanks a lot', Draft::query()->with('scriptText')->where('agent_id', $agent->id)->firstOrFail()->scriptText->document);
    }

    public function testWhatIsWrongIsToldByQuestionAndNothingIsLost(): void
    {
        $form = $this->form();
        $form['questions'][0]['high'] = '0';
        $form['questions'][1]['only_number'] = '9';
        $form['questions'][2]['options'] = 'we did';
        $this->from('/pellbrook/outreach/surveys/new')->post('/pellbrook/outreach/surveys', $form)->assertSessionHasErrors('questions');
        $page = $this->get('/pellbrook/outreach/surveys/new')->assertOk();
        $page->assertSee('Question 1, high must lie above')->assertSee('Question 3, options are two to nine')->assertSee('no question before this one')->assertSee('How was the machine we hired out to you?');
        $file = UploadedFile::fake()->createWithContent('s.json', '{"title": 3');
        $this->post('/pellbrook/outreach/surveys', ['agent' => 'Odile', 'file' => $file])->assertSessionHasErrors('file');
        $file = UploadedFile::fake()->createWithContent('s.json', (string) json_encode(['title' => 'From a file', 'about' => 'files', 'questions' => [['key' => 'a', 'kind' => 'yes_no', 'ask' => 'Is it?']]]));
        $this->post('/pellbrook/outreach/surveys', ['agent' => 'Odile', 'file' => $file])->assertSessionHasNoErrors();
        self::assertSame(1, Survey::query()->count());
        $this->post('/pellbrook/outreach/surveys', $this->form())->assertSessionHasErrors('name');
        $this->actingAs($this->user(Role::Staff))->get('/pellbrook/outreach/surveys/from-a-file')->assertForbidden();
    }

    public function testAnswersOfACampaignAreCountedHeardNamedAndBroughtOut(): void
    {
        $survey = $this->asked();
        $results = app(PeopleOf::class)->results($survey);
        $talked = array_sum($results->states);
        self::assertGreaterThan(12, $results->states['complete']);
        self::assertSame(Call::query()->where('agent_id', $survey->agent_id)->whereNotIn('outcome', ['voicemail'])->distinct()->count('from'), $talked, 'everybody once');
        $page = $this->get('/pellbrook/outreach/surveys/your-hire?by=depot')->assertOk();
        $page->assertSee('on average')->assertSee('Oldmere')->assertSee('Where people leave')->assertSee('net');
        $csv = $this->get('/pellbrook/outreach/surveys/your-hire/answers.csv')->assertOk()->streamedContent();
        $rows = array_map(static fn (string $line): array => str_getcsv($line, escape: ''), explode("\r\n", trim($csv)));
        self::assertCount($talked + 1, $rows);
        self::assertSame(['call', 'at', 'name', 'phone', 'state', 'outcome', 'how_was_the_machine', 'how_was_the_machine_label', 'why', 'why_audio', 'collected', 'collected_label'], $rows[0]);
        $complete = array_values(array_filter($rows, static fn (array $row): bool => $row[4] === 'complete'));
        self::assertContains($complete[0][10], ['we_did', 'your_driver']);
        self::assertContains($complete[0][11], ['we did', 'your driver']);
        self::assertStringStartsWith('PK', (string) file_get_contents($this->file('answers.xlsx')));

        $spoken = $results->of('why')['spoken'];
        self::assertNotSame([], $spoken);
        [$ref, $text] = [(string) array_key_first($spoken), array_values($spoken)[0]];
        $sound = $this->get("/pellbrook/outreach/surveys/your-hire/spoken/why/{$ref}");
        self::assertContains($sound->getStatusCode(), [200, 503]);
        $this->get("/pellbrook/outreach/surveys/your-hire/spoken/collected/{$ref}")->assertNotFound();
        $this->post('/pellbrook/outreach/surveys/your-hire/names', ['question' => 'why', 'name' => 'Broken things', 'like' => [$text]])->assertRedirect();
        $this->get('/pellbrook/outreach/surveys/your-hire')->assertSee('Broken things');
        $this->get('/pellbrook/outreach/surveys/your-hire/report')->assertOk()->assertSee('How it was asked')->assertSee('Broken things')->assertSee('of those rung');
        $zip = new \ZipArchive;
        $zip->open($this->file('spoken.zip'));
        self::assertIsString($zip->getFromName('answers.txt'));
    }

    public function testWhoeverAskedForALaterTimeIsRungThenAndWhoGaveUpHalfwayCounts(): void
    {
        $survey = $this->asked();
        $campaign = Campaign::query()->firstOrFail();
        $later = $campaign->attempts()->with('call')->where('outcome', Ending::LATER)->get();
        self::assertNotSame(0, $later->count(), 'the public asks for it now and then');
        foreach ($later as $attempt) {
            $asked = (string) $attempt->call?->state['ringAgain'];
            self::assertStringEndsWith('T18:00', $asked);
            $next = $campaign->attempts()->where('campaign_person_id', $attempt->campaign_person_id)->where('n', $attempt->n + 1)->first();
            self::assertTrue($next === null || $next->wall >= $asked, 'not before the time they asked for');
        }
        $call = Call::query()->with('record')->where('agent_id', $survey->agent_id)->where('outcome', 'survey complete')->firstOrFail();
        $call->update(['outcome' => Ending::HUNG_UP]);
        self::assertSame(1, app(PeopleOf::class)->results($survey)->states['partial']);
        $call->delete();
        self::assertSame(0, app(PeopleOf::class)->results($survey)->states['partial'], 'a deleted call counts no more');
    }

    public function testASurveyTakenAwayComesBackAndItsCallsStay(): void
    {
        $this->made();
        $this->delete('/pellbrook/outreach/surveys/your-hire')->assertRedirect('/pellbrook/outreach');
        $this->get('/pellbrook/outreach/surveys/your-hire')->assertNotFound();
        $this->post('/pellbrook/outreach/surveys/your-hire/restore')->assertRedirect('/pellbrook/outreach/surveys/your-hire');
        $this->get('/pellbrook/outreach/surveys/your-hire')->assertOk();
    }

    private function file(string $name): string
    {
        $response = $this->get("/pellbrook/outreach/surveys/your-hire/{$name}")->assertOk()->baseResponse;
        self::assertInstanceOf(BinaryFileResponse::class, $response);

        return $response->getFile()->getPathname();
    }

    private function made(): Survey
    {
        $this->post('/pellbrook/outreach/surveys', $this->form())->assertSessionHasNoErrors();

        return Survey::query()->firstOrFail();
    }

    private function asked(): Survey
    {
        $survey = $this->made();
        $agent = Agent::query()->with('draft')->findOrFail($survey->agent_id);
        $release = Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $agent->draft->script_text_id, 'number' => 1, 'note' => '']);
        $windows = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['09:00-19:00']);
        $campaign = Campaign::query()->create(['business_id' => $this->business->id, 'agent_id' => $agent->id, 'release_id' => $release->id, 'launched_at' => now(), 'name' => 'Hires', 'key' => 'hires', 'document' => ['key' => 'hires', 'purpose' => 'surveys', 'windows' => $windows, 'start' => '2026-03-02', 'end' => '2026-03-13', 'consent' => false, 'attempts' => ['most' => 3], 'rates' => ['reached' => 0.8, 'busy' => 0.1, 'no_answer' => 0.1, 'voicemail' => 0.0]], 'lines' => 3, 'a_minute' => 20, 'stops' => [], 'state' => Campaign::RUNNING, 'clock' => 'quick', 'clock_at' => Carbon::parse('2026-03-02', 'UTC'), 'seed' => '6', 'held' => []]);
        $lines = array_map(static fn (int $n): string => "Person {$n},07700 9004{$n},".($n % 2 === 0 ? 'Oldmere' : 'Tarn Bridge'), range(10, 59));
        $list = UploadedFile::fake()->createWithContent('list.csv', "name,phone,depot\n".implode("\n", $lines));
        app(\App\Actions\Outreach\AddPeople::class)->csv($campaign, (string) $list->getRealPath());
        app(\App\Actions\Outreach\PlanPeople::class)->all($campaign->refresh());
        app(RunQuickly::class)->run($campaign, 60.0);

        return $survey->refresh();
    }

    /** @return array<string, mixed> */
    private function form(): array
    {
        return ['title' => 'Your hire', 'about' => 'your last hire', 'agent' => 'Odile', 'questions' => [
            ['ask' => 'How was the machine we hired out to you?', 'title' => 'How was the machine', 'kind' => 'scale', 'low' => '1', 'high' => '5', 'low_words' => 'poor', 'high_words' => 'very good'],
            ['ask' => 'What was wrong with it?', 'title' => 'Why', 'kind' => 'spoken', 'examples' => "the battery was flat\nit leaked oil", 'only_number' => '1', 'only_how' => 'below', 'only_value' => '4'],
            ['ask' => 'Who collected it?', 'title' => 'Collected', 'kind' => 'choice', 'options' => "we did\nyour driver"],
        ]];
    }
}
