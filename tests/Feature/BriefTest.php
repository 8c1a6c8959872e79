<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Brief\KeepBrief;
use App\Support\Pronounced;
use Illuminate\Http\UploadedFile;

/** The brief's page: kept, answered from, brought in and out, and read from the client's own site. */
final class BriefTest extends FeatureTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-11-02 09:00:00');
        $this->actingAs($this->user());
    }

    public function testItIsKeptAndCallersAreAnsweredFromIt(): void
    {
        $this->put('/pellbrook/brief', $this->form())->assertSessionHasNoErrors()->assertRedirect('/pellbrook/brief');
        $brief = $this->business->refresh()->brief();
        self::assertSame(['2026-12-24', '2027-01-01', 'works holiday'], array_values($brief->hours->closures[0]));
        self::assertSame([[540, 720]], $brief->hours->on('2026-12-23')->open);
        self::assertSame('the_oldmere_depot', $brief->sites[0]->key);
        $source = $this->business->knowledgeSources()->where('name', KeepBrief::SOURCE)->sole();
        self::assertStringContainsString('The telephone number of the Oldmere depot is 01632 960110.', $source->text);
        $this->get('/pellbrook/brief')->assertOk()->assertSee('works holiday')->assertSee('24 Dec to 1 Jan 2027');
        $this->get('/pellbrook/brief/brief.json')->assertJsonPath('hours.mon.0', '08:00-12:30');
    }

    public function testANameTheVoiceSaysWronglyIsRespelledForItAlone(): void
    {
        $this->put('/pellbrook/brief', ['pronounced' => 'Pell brook Hire'] + $this->form())->assertSessionHasNoErrors();
        $business = $this->business->refresh();
        self::assertSame('Pell brook Hire, Maren speaking. Pellbrook Hirer is another.', Pronounced::of($business, 'Pellbrook Hire, Maren speaking. Pellbrook Hirer is another.'));
        self::assertStringContainsString('Pellbrook Hire is open', $business->knowledgeSources()->where('name', KeepBrief::SOURCE)->sole()->text, 'what is read is as it is written');
    }

    public function testWhatIsWrongIsNamedAndTheFormKeepsIt(): void
    {
        $this->from('/pellbrook/brief')->put('/pellbrook/brief', ['hours' => ['mon' => '8 till late'], 'closures' => "Christmas\n2026-12-31 to 2026-12-24", 'days' => '2026-02-30 09:00-10:00'] + $this->form())->assertSessionHasErrors('brief');
        $told = implode(' ', session('errors')->get('brief'));
        foreach (['“8 till late” is no stretch of time', '“Christmas” is no date', '2026-12-24 is before 2026-12-31', '“2026-02-30” is no date'] as $words) {
            self::assertStringContainsString($words, $told);
        }
        self::assertNull($this->business->refresh()->brief);
        $this->get('/pellbrook/brief')->assertSee('8 till late');
    }

    public function testAFileIsBroughtInOrRefused(): void
    {
        $this->post('/pellbrook/brief/import', ['file' => UploadedFile::fake()->createWithContent('brief.json', '{"format": "ringo-brief/1", "hours": {"mon": ["08:00-17:00"]}}')])->assertSessionHasNoErrors();
        self::assertSame([[480, 1020]], $this->business->refresh()->brief()->hours->on('2026-11-09')->open);
        foreach (['{"hours": ', '[]]', "\xff\xfe", '{"hours": "always"}', '{"sites": [[[]]]}', '{"closures": [{"from": {"a": 1}}]}'] as $bad) {
            $this->post('/pellbrook/brief/import', ['file' => UploadedFile::fake()->createWithContent('brief.json', $bad)])->assertSessionHasErrors();
        }
        self::assertSame([[480, 1020]], $this->business->refresh()->brief()->hours->on('2026-11-09')->open, 'nothing was lost');
    }

    public function testFactsOfAPageAreTakenOneByOne(): void
    {
        $this->post('/pellbrook/brief/look', ['url' => 'https://www.pellbrook.example/contact.html'])->assertSessionHasErrors('url');
        $this->business->update(['knowledge_hosts' => ['www.pellbrook.example']]);
        $this->post('/pellbrook/brief/look', ['url' => 'https://www.pellbrook.example/contact.html'])->assertSessionHasNoErrors();
        $page = $this->followingRedirects()->post('/pellbrook/brief/look', ['url' => 'https://www.pellbrook.example/contact.html'])->assertSee('Found on')->assertSee('told to machines (JSON-LD)')->assertSee('Mon 07:00-17:30');
        preg_match_all('/name="facts\[\]" value="([^"]+)"/', (string) $page->getContent(), $found);
        $facts = array_map(html_entity_decode(...), $found[1]);
        self::assertGreaterThanOrEqual(4, count($facts));
        $this->post('/pellbrook/brief/take', ['facts' => array_values(array_filter($facts, static fn (string $one): bool => str_contains($one, '"hours"') || str_contains($one, '"phone"')))])->assertSessionHasNoErrors();
        $brief = $this->business->refresh()->brief();
        self::assertSame([[420, 1050]], $brief->hours->on('2026-11-09')->open);
        self::assertSame(['01632 960110', '', ''], [$brief->sites[0]->phone, $brief->profile, $brief->spoken], 'what was not ticked was not taken');
    }

    public function testTheDiaryKeepsTheBriefsHoursAndClosures(): void
    {
        $this->put('/pellbrook/brief', $this->form())->assertSessionHasNoErrors();
        $document = (new \App\Actions\Diary\DiariesOf)->document($this->business->refresh());
        self::assertSame(['08:00-12:30', '13:15-17:00'], $document['hours']['mon']);
        self::assertContains('2026-12-25', $document['closures']);
        self::assertNotContains('2026-12-23', $document['closures']);
        self::assertSame(['2026-12-23' => ['09:00-12:00']], $document['days']);
        $this->business->update(['brief' => ['seasons' => [['name' => 'summer', 'from' => '06-01', 'to' => '06-07', 'hours' => ['mon' => ['07:00-19:00']]]]] + $this->business->brief]);
        self::assertSame(['2026-12-23' => ['09:00-12:00'], '2027-06-07' => ['07:00-19:00']], (new \App\Actions\Diary\DiariesOf)->document($this->business->refresh())['days'], 'a season reaches the days it lies on, and closes the others');
        $this->business->update(['diary' => ['hours' => ['mon' => ['09:00-10:00']]]]);
        self::assertSame(['09:00-10:00'], (new \App\Actions\Diary\DiariesOf)->document($this->business->refresh())['hours']['mon'], 'the diaries’ own go first');
    }

    /** @return array<string, mixed> */
    private function form(): array
    {
        return ['spoken' => 'Pellbrook Hire', 'profile' => 'We hire out plant.', 'hours' => ['mon' => '08:00-12:30, 13:15-17:00', 'tue' => '08:00-17:00', 'wed' => '08:00-17:00'], 'region' => 'GB-ENG', 'open' => ['Easter Monday'], 'closures' => '2026-12-24 to 2027-01-01 works holiday', 'days' => '2026-12-23 09:00-12:00 the last day', 'sites' => [['name' => 'the Oldmere depot', 'phone' => '01632 960110', 'address' => '', 'area' => '', 'hours' => []], ['name' => '']], 'seasons' => [['name' => '']]];
    }
}
