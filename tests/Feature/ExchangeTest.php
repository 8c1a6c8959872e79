<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Brief\KeepBrief;
use App\Actions\Diary\BringDiaries;
use App\Actions\Lines\KeepLine;
use App\Models\Agent;
use App\Models\BookableService;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\Contact;
use App\Models\Diary;
use App\Models\DiaryBusy;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;

/** What a business has, out in open formats and into another business again. */
final class ExchangeTest extends FeatureTestCase
{
    private string $folder;

    private Business $other;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/ringo-exchange-'.Str::random(8);
        Contact::query()->delete();
        $this->other = Business::query()->create(['key' => 'other', 'name' => 'Other Hire', 'tz' => 'Europe/London', 'country' => 'GB']);
        $this->user(Role::Owner);
        $this->owner($this->other);
        app(BringDiaries::class)->bring($this->business, ['hours' => ['mon' => ['09:00-17:00']], 'services' => [['key' => 'visit', 'label' => 'a visit', 'minutes' => 30]], 'diaries' => [['key' => 'odo', 'name' => 'Odo', 'services' => ['visit']]]]);
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function testDiariesGoOutAndComeIn(): void
    {
        $start = strtotime('next monday 10:00 UTC');
        $booking = Booking::query()->create(['business_id' => $this->business->id, 'diary_id' => Diary::query()->sole()->id, 'reference' => 'ABC234', 'service' => 'visit', 'label' => 'a visit', 'starts_at' => $start, 'ends_at' => $start + 1800, 'name' => 'Ida Fenwick', 'state' => 'booked', 'by' => 'agent']);
        self::assertSame(['diaries.json', 'odo.ics'], $this->export('diaries'));
        $calendar = Reader::read((string) file_get_contents("{$this->folder}/odo.ics"));
        self::assertInstanceOf(VCalendar::class, $calendar);
        self::assertStringContainsString('ABC234', (string) $calendar->serialize());
        self::assertSame([['services' => 1, 'diaries' => 1], ['error' => 'There is no diary “odo”; say by --into=KEY whose busy times they are.']], $this->import('diaries', ['diaries.json', 'odo.ics'], ['--look' => true]));
        self::assertSame(0, BookableService::query()->where('business_id', $this->other->id)->count(), 'a look writes nothing');
        self::assertSame([['services' => 1, 'diaries' => 1], ['diary' => 'odo', 'kept' => 1, 'problems' => []]], $this->import('diaries', ['diaries.json', 'odo.ics']));
        self::assertSame([$start], DiaryBusy::query()->pluck('starts_at')->map(intval(...))->all());
        // What was booked here and comes round takes no time twice.
        self::assertSame(0, $this->import('diaries', ['odo.ics'], [], $this->business)[0]['kept']);
        self::assertSame('booked', $booking->refresh()->state);
    }

    public function testTheBriefAndLinesGoOutAndComeIn(): void
    {
        $owner = User::query()->where('email', 'owner@ringo.example')->firstOrFail();
        app(KeepBrief::class)->keep($this->business, ['hours' => ['mon' => ['08:00-17:00']], 'holidays' => ['region' => 'GB-ENG']], $owner);
        app(KeepLine::class)->make($this->business->refresh(), ['key' => 'main', 'name' => 'Main', 'number' => '01632 960100', 'agent' => 'maren', 'answers' => ['otherwise' => ['who' => 'agent']]], 'number', $owner);
        self::assertSame(['pellbrook-brief.json'], $this->export('brief'));
        self::assertSame(['pellbrook-lines.json'], $this->export('lines'));
        self::assertSame([['sites' => 0, 'closures' => 0, 'holidays' => 'GB-ENG']], $this->import('brief', ['pellbrook-brief.json']));
        self::assertSame([[480, 1020]], $this->other->refresh()->brief()->hours->on('2026-11-09')->open);
        self::assertSame([['made' => ['main'], 'changed' => []]], $this->import('lines', ['pellbrook-lines.json'], ['--look' => true]));
        self::assertSame(0, $this->other->lines()->count());
        // The number is in use, and the agent is not there: nothing of the file is taken.
        self::assertStringContainsString('is in use already', $this->import('lines', ['pellbrook-lines.json'])[0]['error']);
        self::assertSame([['made' => [], 'changed' => ['main']]], $this->import('lines', ['pellbrook-lines.json'], [], $this->business));
    }

    public function testContactsGoOutAndComeIn(): void
    {
        $contact = Contact::query()->create(['business_id' => $this->business->id, 'kind' => 'person', 'name' => 'Ida Fenwick', 'email' => 'ida@example.org', 'language' => 'en', 'tags' => ['site'], 'facts' => [], 'do_not_call' => true]);
        $contact->numbers()->create(['business_id' => $this->business->id, 'e164' => '+447700900555']);
        self::assertSame(["{$this->business->key}-contacts.vcf"], $this->export('contacts'));
        $looked = $this->import('contacts', ["{$this->business->key}-contacts.vcf"], ['--look' => true])[0];
        self::assertSame([1, 'Ida Fenwick', ['+447700900555']], [$looked['rows'], $looked['first'][0]['name'], $looked['first'][0]['numbers']]);
        self::assertSame(1, Contact::query()->count());
        self::assertSame(1, $this->import('contacts', ["{$this->business->key}-contacts.vcf"])[0]['made']);
        $made = Contact::query()->where('business_id', $this->other->id)->sole();
        self::assertSame(['ida@example.org', true], [$made->email, $made->do_not_call]);
    }

    public function testAgentsAndCallsGoOutAndComeIn(): void
    {
        self::assertSame('maren.json', $this->export('agents')[0]);
        self::assertArrayHasKey('agent', $this->import('agents', ['maren.json'])[0]);
        self::assertSame('Other Hire', Agent::query()->where('business_id', $this->other->id)->with('draft.scriptText')->sole()->draft->scriptText->script()->agent->business);
        self::assertStringContainsString('already', $this->import('agents', ['maren.json'])[0]['error'], 'a name is given once');
        file_put_contents("{$this->folder}/call.json", json_encode(['id' => 'x', 'started_at' => '2026-03-10T09:14:00+00:00', 'turns' => [['by' => 'agent', 'text' => 'Hello.'], ['by' => 'caller', 'text' => 'I need a mini digger.']]]));
        self::assertSame(['agent' => 'maren', 'made' => 1, 'there' => 0, 'problems' => []], $this->import('calls', ['call.json'], ['--into' => 'maren'])[0]);
        self::assertSame('imported', Call::query()->where('business_id', $this->other->id)->sole()->kind);
        self::assertCount(1, $this->export('calls', $this->other));
    }

    public function testWrongUsageIsToldAndNothingHappens(): void
    {
        self::assertSame(2, Artisan::call('ringo:export', ['what' => 'weather', '--business' => $this->business->key]));
        self::assertSame(2, Artisan::call('ringo:import', ['what' => 'calls', 'files' => ['x'], '--business' => 'nobody']));
        self::assertSame(1, Artisan::call('ringo:import', ['what' => 'calls', 'files' => ['/no/such/file'], '--business' => 'other']));
        self::assertStringContainsString('no such file', Artisan::output());
    }

    /** @return list<string> */
    private function export(string $what, ?Business $of = null): array
    {
        self::assertSame(0, Artisan::call('ringo:export', ['what' => $what, '--business' => ($of ?? $this->business)->key, '--to' => $this->folder]));

        return array_column($this->lines(), 'file');
    }

    /**
     * @param list<string> $files
     * @param array<string, mixed> $options
     *
     * @return list<array<string, mixed>>
     */
    private function import(string $what, array $files, array $options = [], ?Business $into = null): array
    {
        Artisan::call('ringo:import', ['what' => $what, 'files' => array_map(fn (string $file): string => "{$this->folder}/{$file}", $files), '--business' => ($into ?? $this->other)->key] + $options);

        return array_map(static fn (array $one): array => array_diff_key($one, ['file' => 1]), $this->lines());
    }

    /** @return list<array<string, mixed>> */
    private function lines(): array
    {
        return array_map(static fn (string $line): array => json_decode($line, true, 32, JSON_THROW_ON_ERROR), array_values(array_filter(explode("\n", Artisan::output()))));
    }

    private function owner(Business $business): void
    {
        Membership::query()->create(['user_id' => User::query()->firstOrFail()->id, 'business_id' => $business->id, 'role' => 'owner']);
    }
}
