<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Deliveries\DeliverDue;
use App\Actions\Diary\AppointmentBook;
use App\Actions\Diary\CalendarFile;
use App\Actions\Diary\DiariesOf;
use App\Actions\Diary\FetchCalendar;
use App\Gateways\Web\PublicAddress;
use App\Models\BookableService;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\Diary;
use App\Models\DiaryBusy;
use App\Models\GatewayReceipt;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\Waiting;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Http;
use PHPUnit\Framework\Attributes\CoversNothing;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Start;
use Ringo\Understanding\When\Wishes\Wish;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\Node;
use Sabre\VObject\Property;
use Sabre\VObject\Reader;
use Symfony\Component\Process\Process;

/** The diary as staff and specialists use it, and as calls book in it. */
#[CoversNothing]
final class DiaryTest extends FeatureTestCase
{
    private Diary $odo;

    private int $monday;

    protected function setUp(): void
    {
        parent::setUp();
        $week = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['09:00-17:00']);
        $this->business->update(['diary' => ['hours' => $week, 'closures' => [], 'travel' => ['default' => 0, 'pairs' => []], 'share' => 'first']]);
        BookableService::query()->create(['business_id' => $this->business->id, 'key' => 'tuning', 'document' => ['label' => 'a tuning', 'minutes' => 60, 'step' => 60, 'ahead_days' => 60]]);
        $this->odo = $this->diary('odo', 'Odo Ferris');
        $this->monday = (new \DateTimeImmutable('monday next week 10:00', new \DateTimeZone('Europe/London')))->getTimestamp();
    }

    public function testShowsBookingsFreeStartsAndWhyTheOthersAreNot(): void
    {
        $this->actingAs($this->user(Role::Staff));
        $this->booked($this->monday, 'Adaeze Hollins');
        $page = $this->get('/pellbrook/diary?day='.date('Y-m-d', $this->monday))->assertOk();
        $page->assertSee('Adaeze Hollins')->assertSee('10:00 is not free for Odo Ferris: taken')->assertSee('11:00 is free for Odo Ferris');
        $this->get('/pellbrook/diary?view=week')->assertOk();
        $this->get('/pellbrook/diary?day=soon')->assertSessionHasErrors('day', null, 'address');
    }

    public function testABookingIsMadeMovedCancelledAndTakenBack(): void
    {
        $this->actingAs($this->user(Role::Staff));
        $at = fn (int $hours): string => date('Y-m-d\TH:i', $this->monday + 3600 * $hours);
        $this->post('/pellbrook/diary/bookings', ['service' => 'tuning', 'diary' => 'odo', 'start' => $at(0), 'name' => 'Leo Marchbank', 'number' => '07700 900433'])->assertRedirect();
        $booking = Booking::query()->sole();
        self::assertSame(['+447700900433', 'colleague', 'booked'], [$booking->number, $booking->by, $booking->state]);
        $this->post('/pellbrook/diary/bookings', ['service' => 'tuning', 'diary' => 'odo', 'start' => $at(0), 'name' => 'Another'])->assertSessionHasErrors('start');
        $this->post('/pellbrook/diary/bookings', ['service' => 'tuning', 'diary' => 'odo', 'start' => $at(8), 'name' => 'Late'])->assertSessionHasErrors('start');
        $this->post('/pellbrook/diary/bookings', ['service' => 'tuning', 'diary' => 'odo', 'start' => $at(8), 'name' => 'Late', 'anyway' => '1'])->assertSessionHasNoErrors();
        $this->postJson("/pellbrook/diary/bookings/{$booking->reference}/check", ['start' => $at(8), 'diary' => 'odo'])->assertJson(['free' => false]);
        $this->postJson("/pellbrook/diary/bookings/{$booking->reference}/check", ['start' => $at(2), 'diary' => 'odo'])->assertJson(['free' => true]);
        $this->postJson("/pellbrook/diary/bookings/{$booking->reference}/move", ['start' => $at(2), 'diary' => 'odo'])->assertOk();
        self::assertSame([$this->monday + 7200, 1], [$booking->refresh()->starts_at, $booking->sequence]);
        $this->post("/pellbrook/diary/bookings/{$booking->reference}/undo?at={$this->monday}&diary=odo")->assertSessionHas('notice');
        self::assertSame($this->monday, $booking->refresh()->starts_at);
        $this->post("/pellbrook/diary/bookings/{$booking->reference}/cancel")->assertSessionHas('undo');
        self::assertSame('cancelled', $booking->refresh()->state);
        $this->post("/pellbrook/diary/bookings/{$booking->reference}/restore")->assertSessionHas('notice');
        self::assertSame('booked', $booking->refresh()->state);
    }

    public function testServicesAndDiariesAreWrittenWithTheNextFreeTimes(): void
    {
        $this->actingAs($this->user());
        $this->get('/pellbrook/diary/set-up')->assertOk()->assertSee('Odo Ferris')->assertSee('The next free times');
        $this->post('/pellbrook/diary/services', ['label' => 'a first look', 'minutes' => 45, 'step' => 15, 'place' => 'visit'])->assertRedirect();
        self::assertSame(45, BookableService::query()->where('key', 'a_first_look')->sole()->document['minutes']);
        $this->post('/pellbrook/diary/services', ['label' => 'endless', 'minutes' => 99999])->assertSessionHasErrors('label');
        $this->post('/pellbrook/diary/diaries', ['name' => 'Greer Mallow', 'services' => ['a_first_look'], 'breaks' => '12:30-13:15', 'off' => "2027-01-04 to 2027-01-08\n2027-02-01", 'hours' => ['mon' => '10:00-12:00, 13:00-15:00']])->assertRedirect();
        self::assertSame(['12:30-13:15'], Diary::query()->where('key', 'greer_mallow')->sole()->document['breaks']['daily']);
        $this->post('/pellbrook/diary/diaries', ['name' => 'Wrong', 'services' => [], 'hours' => ['mon' => 'ten till two']])->assertSessionHasErrors('name');
        $this->put('/pellbrook/diary/set-up', ['hours' => ['mon' => '08:00-12:00'], 'closures' => '2026-12-25', 'travel' => 'north, south: 25', 'travel_default' => 30, 'share' => 'in_turn'])->assertRedirect();
        self::assertSame([['north', 'south', 25]], $this->business->refresh()->diary['travel']['pairs'] ?? null);
        $this->put('/pellbrook/diary/set-up', ['travel' => 'somewhere'])->assertSessionHasErrors('hours');
        $this->postJson('/pellbrook/diary/set-up/preview', ['hours' => ['tue' => '09:00-10:00']])->assertOk()->assertSee('Tue');
        $this->get('/pellbrook/diary/diaries.json')->assertOk()->assertJsonPath('share', 'in_turn');
        $this->delete('/pellbrook/diary/diaries/odo')->assertSessionHas('undo');
        $this->post('/pellbrook/diary/diaries/odo/restore')->assertSessionHas('notice');
        $this->get('/pellbrook/diary/ask?said[]=next+week&said[]=not+Friday')->assertOk()->assertSee('Offers');
    }

    /** The npm package ical.js reads what we write: moments on both sides of a clock change, states, and several published together. */
    public function testAReaderThatIsNotOursFindsTheSameMoments(): void
    {
        $starts = [strtotime('2027-03-26 10:00 UTC'), strtotime('2027-03-29 09:00 UTC')];
        $bookings = array_map(fn (int $at, int $n): Booking => $this->booked($at, "Visitor; with, odd \\ signs {$n}"), $starts, [1, 2]);
        $bookings[1]->update(['state' => 'cancelled', 'sequence' => 2]);
        $feed = $this->read((string) $this->get('/feeds/'.$this->odo->feed.'.ics')->assertOk()->getContent());
        self::assertSame('PUBLISH', $feed['method']);
        self::assertSame(array_map(static fn (int $at): array => [gmdate('Y-m-d\TH:i:s\Z', $at), gmdate('Y-m-d\TH:i:s\Z', $at + 3600)], $starts), array_map(static fn (array $one): array => [$one['start'], $one['end']], $feed['events']));
        self::assertSame([['CONFIRMED', 0], ['CANCELLED', 2]], array_map(static fn (array $one): array => [$one['status'], $one['sequence']], $feed['events']));
        self::assertStringContainsString('Visitor; with, odd \\ signs 1', $feed['events'][0]['summary']);
        self::assertSame('CANCEL', $this->read((new CalendarFile)->invitation([$bookings[1]->refresh()]))['method']);
        self::assertCount(2, $this->read((new CalendarFile)->invitation([$bookings[0], $bookings[1]]))['events']);
    }

    /** @return array{method: string, events: list<array<string, mixed>>} */
    private function read(string $text): array
    {
        $process = new Process(['node', __DIR__.'/calendar-reader.mjs'], base_path(), null, $text);
        $process->mustRun();

        return json_decode($process->getOutput(), true, 32, JSON_THROW_ON_ERROR);
    }

    public function testAnotherReaderReadsTheFeedAndBusyTimesComeIn(): void
    {
        $this->actingAs($this->user());
        $booking = $this->booked($this->monday, 'Tamsin Bellamy');
        $text = (string) $this->get('/feeds/'.$this->odo->feed.'.ics')->assertOk()->getContent();
        $event = $this->event($text);
        self::assertSame(["{$booking->reference}-{$this->business->id}@ringo", 'CONFIRMED', gmdate('Ymd\THis\Z', $this->monday)], [self::part($event, 'UID'), self::part($event, 'STATUS'), self::part($event, 'DTSTART')]);
        self::assertSame('REQUEST', self::part($this->calendar((new CalendarFile)->invitation([$booking])), 'METHOD'));
        $booking->update(['state' => 'cancelled', 'sequence' => 1]);
        $cancelled = $this->calendar((new CalendarFile)->invitation([$booking]));
        $event = $this->event((new CalendarFile)->invitation([$booking]));
        self::assertSame(['CANCEL', 'CANCELLED', '1'], [self::part($cancelled, 'METHOD'), self::part($event, 'STATUS'), self::part($event, 'SEQUENCE')]);
        $day = date('Ymd', $this->monday);
        $ics = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART;TZID=Europe/London:{$day}T130000\r\nDTEND;TZID=Europe/London:{$day}T140000\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nSUMMARY:School\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nUID:b\r\nDTSTART;VALUE=DATE:{$day}\r\nTRANSP:TRANSPARENT\r\nSUMMARY:Birthday\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        $this->post('/pellbrook/diary/diaries/odo/busy', ['file' => UploadedFile::fake()->createWithContent('x.ics', $ics)])->assertSessionHas('notice');
        self::assertSame(3, DiaryBusy::query()->count());
        $this->get('/pellbrook/diary?day='.date('Y-m-d', $this->monday))->assertSee('School');
        $this->post('/pellbrook/diary/diaries/odo/busy', ['file' => UploadedFile::fake()->createWithContent('x.ics', 'no calendar')])->assertSessionHasErrors('file');
        self::assertSame(3, DiaryBusy::query()->count(), 'what was there stays');
        $this->post('/pellbrook/diary/diaries/odo/feed')->assertRedirect();
        $this->get('/feeds/'.$this->odo->feed.'.ics')->assertNotFound();
    }

    public function testPlacesOfAClassAreGivenOnceEachAndARestoredOneFindsThemFull(): void
    {
        $this->actingAs($this->user());
        BookableService::query()->where('key', 'tuning')->sole()->update(['document' => ['label' => 'a class', 'minutes' => 60, 'step' => 60, 'ahead_days' => 60, 'places' => 2]]);
        $book = fn (string $name) => $this->post('/pellbrook/diary/bookings', ['service' => 'tuning', 'diary' => 'odo', 'start' => date('Y-m-d\TH:i', $this->monday), 'name' => $name]);
        $book('Ada Quill')->assertSessionHasNoErrors();
        $book('Bo Marlowe')->assertSessionHasNoErrors();
        $book('Cy Trent')->assertSessionHasErrors('start');
        $first = Booking::query()->where('name', 'Ada Quill')->sole();
        $this->post("/pellbrook/diary/bookings/{$first->reference}/cancel")->assertSessionHas('undo');
        $book('Cy Trent')->assertSessionHasNoErrors();
        self::assertSame([0, 1], Booking::query()->where('state', 'booked')->orderBy('place')->pluck('place')->all());
        $this->post("/pellbrook/diary/bookings/{$first->reference}/restore")->assertSessionHasErrors('booking');
        self::assertSame('cancelled', $first->refresh()->state);
    }

    public function testABrokenEventSpoilsNoOther(): void
    {
        $day = date('Ymd', $this->monday);
        $event = static fn (string $uid, string $lines): string => "BEGIN:VEVENT\r\nUID:{$uid}\r\nDTSTART:{$day}T130000Z\r\nDTEND:{$day}T140000Z\r\n{$lines}SUMMARY:{$uid}\r\nEND:VEVENT\r\n";
        $moved = "BEGIN:VEVENT\r\nUID:weekly\r\nRECURRENCE-ID:{$day}T130000Z\r\nDTSTART:{$day}T150000Z\r\nDTEND:{$day}T160000Z\r\nSUMMARY:weekly, later\r\nEND:VEVENT\r\n";
        $ics = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n".$event('plain', '').$event('broken', "RRULE:FREQ=SOMETIMES\r\n").$event('endless', "RRULE:FREQ=SECONDLY\r\n").$event('weekly', "RRULE:FREQ=WEEKLY;COUNT=2\r\n").$moved."BEGIN:VEVENT\r\nUID:long\r\nDTSTART:{$day}T100000Z\r\nDURATION:PT90M\r\nSUMMARY:long\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nUID:never\r\nSUMMARY:never\r\nEND:VEVENT\r\n"."END:VCALENDAR\r\n";
        $brought = (new CalendarFile)->bring($this->odo, $ics, new \DateTimeZone('Europe/London'));
        self::assertSame(4, $brought['kept']);
        self::assertCount(3, $brought['problems'], implode('; ', $brought['problems']));
        $long = DiaryBusy::query()->where('what', 'long')->sole();
        self::assertSame(5400, $long->ends_at - $long->starts_at);
        self::assertSame(['long', 'plain', 'weekly', 'weekly, later'], DiaryBusy::query()->orderBy('what')->pluck('what')->all());
    }

    public function testBusyTimesAreFetchedAgainAndAgainAndTheLastGoodStateStays(): void
    {
        $this->actingAs($this->user());
        $path = '/pellbrook/diary/diaries/odo/calendar';
        $this->post($path, ['calendar_url' => 'https://calendar.harrowell.example/tobias.ics'])->assertSessionHasErrors('calendar_url');
        self::assertStringContainsString('may not be fetched', $this->odo->refresh()->calendar_problem);
        $this->business->update(['knowledge_hosts' => ['calendar.harrowell.example', 'calendars.made-up.test']]);
        $this->post($path, ['calendar_url' => 'https://calendar.harrowell.example/tobias.ics'])->assertSessionHas('notice');
        $kept = $this->odo->busy()->count();
        self::assertGreaterThan(20, $kept);
        Http::fake(['calendars.made-up.test/*' => Http::response('', 503)]);
        $this->app->instance(PublicAddress::class, new PublicAddress(static fn (): array => ['93.184.215.14']));
        $this->odo->update(['calendar_url' => 'https://calendars.made-up.test/odo.ics']);
        self::assertSame(0, app(FetchCalendar::class)->due(), 'tried a moment ago');
        $this->travel(16)->minutes();
        self::assertSame(1, app(FetchCalendar::class)->due());
        self::assertSame([$kept, true], [$this->odo->busy()->count(), str_contains($this->odo->refresh()->calendar_problem, '503')]);
        $this->get('/pellbrook/diary')->assertSee('503');
        $this->post($path, ['calendar_url' => 'calendar'])->assertSessionHasErrors('calendar_url');
        $this->post($path, ['calendar_url' => ''])->assertSessionHas('notice');
        self::assertSame(0, $this->odo->busy()->count());
    }

    public function testACallBooksMovesAndCancelsAndAHangUpFrees(): void
    {
        $this->actingAs($this->user());
        $this->bookingScript();
        $ref = $this->ringLive(['placed_at' => now()->format('Y-m-d\TH:i')]);
        $this->happens($ref, 1, 'said', 'next Monday at ten')->assertOk();
        self::assertSame('held', Booking::query()->sole()->state);
        $this->happens($ref, 2, 'said', 'yes please')->assertOk();
        $booking = Booking::query()->sole();
        self::assertSame(['booked', false, 'agent'], [$booking->state, $booking->rehearsal, $booking->by]);
        $ref = $this->ringLive(['placed_at' => now()->format('Y-m-d\TH:i')]);
        $this->happens($ref, 1, 'said', 'next Monday at eleven')->assertOk();
        self::assertSame(1, Booking::query()->where('state', 'held')->count());
        $this->happens($ref, 2, 'hung_up')->assertOk();
        self::assertSame(0, Booking::query()->where('state', 'held')->count());
    }

    public function testWhatHangsOnABookingFollowsIt(): void
    {
        $this->actingAs($this->user());
        $this->bookingScript();
        DeliveryRule::query()->create(['business_id' => $this->business->id, 'name' => 'Reminder', 'kind' => 'text', 'to' => 'caller.number', 'subject' => '', 'words' => 'See you on [start].', 'timing' => ['kind' => 'before', 'field' => 'start', 'amount' => 2, 'unit' => 'hour'], 'active' => true, 'mapping' => [], 'cancel_outcomes' => []]);
        DeliveryRule::query()->create(['business_id' => $this->business->id, 'name' => 'Invitation', 'kind' => 'email', 'to' => 'leo@marchbank.example', 'subject' => 'Your visit', 'words' => 'Until then.', 'file' => CalendarFile::INVITATION, 'timing' => ['kind' => 'at_once'], 'active' => true, 'mapping' => [], 'cancel_outcomes' => []]);
        $ref = $this->ringLive(['placed_at' => now()->format('Y-m-d\TH:i')]);
        $this->happens($ref, 1, 'said', 'next Monday at ten')->assertOk();
        $this->happens($ref, 2, 'said', 'yes please')->assertOk();
        $booking = Booking::query()->sole();
        $reminder = Delivery::query()->where('name', 'Reminder')->sole();
        self::assertSame($this->monday - 7200, $reminder->due_at->getTimestamp());
        app(DeliverDue::class)->run();
        self::assertStringContainsString('method=REQUEST', (string) (GatewayReceipt::query()->where('kind', 'email')->sole()->headers['Enclosed'] ?? ''));
        $move = fn (int $hours) => $this->postJson("/pellbrook/diary/bookings/{$booking->reference}/move", ['start' => date('Y-m-d\TH:i', $this->monday + 3600 * $hours), 'diary' => 'odo'])->assertOk();
        $move(2);
        self::assertSame($this->monday, $reminder->refresh()->due_at->getTimestamp());
        self::assertStringContainsString('12', $reminder->body);
        self::assertSame(date('Y-m-d\T12:00', $this->monday), Call::query()->where('ref', $ref)->sole()->record?->cells['start']['value']);
        self::assertStringContainsString('is now on Monday', Delivery::query()->where('name', 'appointment moved')->where('state', 'waiting')->sole()->body);
        self::assertSame(1, Delivery::query()->where('file', CalendarFile::INVITATION)->where('state', 'waiting')->count());
        $this->post("/pellbrook/diary/bookings/{$booking->reference}/undo?at={$this->monday}&diary=odo")->assertSessionHas('notice');
        self::assertSame(0, Delivery::query()->where('name', 'appointment moved')->where('state', 'waiting')->count(), 'undone before it went: nothing is told');
        self::assertSame($this->monday - 7200, $reminder->refresh()->due_at->getTimestamp());
        $this->post("/pellbrook/diary/bookings/{$booking->reference}/cancel")->assertSessionHas('undo');
        self::assertSame('cancelled', $reminder->refresh()->state);
        self::assertStringContainsString('does not take place', Delivery::query()->where('name', 'appointment cancelled')->where('state', 'waiting')->sole()->body);
        $this->post("/pellbrook/diary/bookings/{$booking->reference}/restore")->assertSessionHas('notice');
        self::assertSame('waiting', $reminder->refresh()->state);
        self::assertSame(0, Delivery::query()->where('name', 'appointment cancelled')->where('state', 'waiting')->count());
        self::assertSame(0, Delivery::query()->where('file', CalendarFile::INVITATION)->where('state', 'waiting')->count(), 'nor is an invitation sent for what was taken back');
        $this->post("/pellbrook/diary/bookings/{$booking->reference}/cancel");
        $this->travel(5)->minutes();
        app(DeliverDue::class)->run();
        self::assertStringContainsString('method=CANCEL', (string) (GatewayReceipt::query()->where('kind', 'email')->latest('id')->firstOrFail()->headers['Enclosed'] ?? ''));
        self::assertSame(1, GatewayReceipt::query()->where('kind', 'text')->count(), 'one honest text, none of the taken back ones');
    }

    public function testARehearsalBooksNothingReal(): void
    {
        $this->actingAs($this->user());
        $this->bookingScript();
        $ref = (string) $this->ring(['placed_at' => now()->format('Y-m-d\TH:i')])->json('ref');
        $this->happens($ref, 1, 'said', 'next Monday at ten')->assertOk();
        $this->happens($ref, 2, 'said', 'yes please')->assertOk();
        self::assertTrue(Booking::query()->sole()->rehearsal);
        self::assertTrue($this->book()->hold('x', 'tuning', [new Start($this->monday, 'odo')], null), 'a real call may have it');
    }

    public function testOnePlaceIsGivenOnceWhoeverAsks(): void
    {
        self::assertNotNull($this->book()->book('a', 'tuning', [new Start($this->monday, 'odo')], ['name' => 'One', 'number' => null, 'area' => null, 'note' => '']));
        self::assertNull($this->book()->book('b', 'tuning', [new Start($this->monday, 'odo')], ['name' => 'Two', 'number' => null, 'area' => null, 'note' => '']));
        self::assertNull($this->book()->book('b', 'tuning', [new Start($this->monday + 1800, 'odo')], ['name' => 'Two', 'number' => null, 'area' => null, 'note' => '']), 'nor one that overlaps');
        $this->expectException(\Illuminate\Database\UniqueConstraintViolationException::class);
        $this->booked($this->monday, 'Past every check');
    }

    public function testAHoldLapses(): void
    {
        self::assertTrue($this->book()->hold('a', 'tuning', [new Start($this->monday, 'odo')], null));
        self::assertFalse($this->book()->hold('b', 'tuning', [new Start($this->monday, 'odo')], null));
        $this->travel(4)->minutes();
        self::assertTrue($this->book()->hold('b', 'tuning', [new Start($this->monday, 'odo')], null));
    }

    public function testTheInspectionKnowsWhatCanBeBooked(): void
    {
        $this->actingAs($this->user());
        $this->bookingScript('haircut');
        $this->get('/pellbrook/agents/maren/releases')->assertOk()->assertSee('the diary has no such service');
    }

    public function testWhoWaitsGetsATimeThatCameFreeAndIsToldOnce(): void
    {
        $this->actingAs($this->user());
        $this->book()->wait('a', 'tuning', (new Wish(weekdays: [1]))->toArray(), ['name' => 'Ida Fenwick', 'number' => '+447700900555', 'area' => null, 'note' => 'a Monday if you can']);
        $waiting = Waiting::query()->sole();
        $this->get('/pellbrook/diary')->assertOk()->assertSee('Waiting list')->assertSee('Ida Fenwick')->assertSee('a Monday if you can');
        $this->post("/pellbrook/diary/waiting/{$waiting->id}/book", ['at' => $this->monday, 'diary' => 'odo'])->assertRedirect();
        self::assertSame(['Ida Fenwick', $this->monday], [Booking::query()->sole()->name, Booking::query()->sole()->starts_at]);
        self::assertSame('booked', $waiting->refresh()->state);
        $this->post("/pellbrook/diary/waiting/{$waiting->id}/book", ['at' => $this->monday + 7200, 'diary' => 'odo'])->assertStatus(422);
        self::assertCount(1, Booking::query()->get());
        $told = Delivery::query()->where('to', '+447700900555')->sole();
        self::assertStringContainsString('has come free', $told->body);
        $this->get('/pellbrook/diary')->assertDontSee('Waiting list');
    }

    public function testAWaitingOneIsTakenOffAndPutBack(): void
    {
        $this->actingAs($this->user());
        $this->book()->wait('a', 'tuning', [], ['name' => 'Ida Fenwick', 'number' => null, 'area' => null, 'note' => '']);
        $waiting = Waiting::query()->sole();
        $this->post("/pellbrook/diary/waiting/{$waiting->id}/drop")->assertRedirect();
        self::assertSame('gone', $waiting->refresh()->state);
        $this->post("/pellbrook/diary/waiting/{$waiting->id}/restore")->assertRedirect();
        self::assertSame('waiting', $waiting->refresh()->state);
        $other = Business::query()->create(['key' => 'other', 'name' => 'Other', 'tz' => 'Europe/London', 'country' => 'GB']);
        $theirs = Waiting::query()->create(['business_id' => $other->id, 'service' => 'tuning', 'wish' => [], 'said' => '', 'state' => 'waiting']);
        $this->post("/pellbrook/diary/waiting/{$theirs->id}/drop")->assertNotFound();
    }

    public function testASeriesIsBookedWholeOrNotAtAll(): void
    {
        $this->booked($this->monday + 14 * 86_400, 'In the way');
        $starts = array_map(fn (int $week): Start => new Start($this->monday + $week * 7 * 86_400, 'odo'), [0, 1, 2]);
        self::assertNull($this->book()->book('a', 'tuning', $starts, ['name' => 'One', 'number' => null, 'area' => null, 'note' => '']));
        self::assertSame(1, Booking::query()->count(), 'nothing of it is left');
        self::assertCount(2, $this->book()->book('a', 'tuning', [$starts[0], $starts[1]], ['name' => 'One', 'number' => null, 'area' => null, 'note' => '']) ?? []);
    }

    /** Moves and cancellations, in any order, give back exactly what was free before; whatever was booked was free. */
    public function testWhatIsMovedAndCancelledIsFreeAgain(): void
    {
        $this->diary('hazel', 'Hazel Thorne');
        mt_srand(20_261_128);
        $free = function (): array {
            $diaries = app(DiariesOf::class)->business($this->business->refresh());
            $times = new FreeTimes($diaries);
            $found = [];
            foreach ([0, 1, 2] as $day) {
                $found += $times->on($diaries->services['tuning'], date('Y-m-d', $this->monday + $day * 86_400), $this->monday - 86_400);
            }

            return $found;
        };
        $empty = $free();
        $standing = [];
        for ($n = 0; $n < 60; $n++) {
            $before = $free();
            $at = array_rand($before);
            $start = new Start($at, $before[$at][array_rand($before[$at])]);
            $does = mt_rand(0, 2);
            if ($does === 0 || $standing === []) {
                $booked = $this->book()->book('a', 'tuning', [$start], ['name' => "N{$n}", 'number' => null, 'area' => null, 'note' => '']);
                self::assertNotNull($booked, 'what is told to be free can be booked');
                $standing[$booked[0]->reference] = $before;
                self::assertNotContains($start->diary, $free()[$at] ?? []);

                continue;
            }
            $reference = (string) array_rand($standing);
            $booking = Booking::query()->where('reference', $reference)->sole();
            $was = new Start($booking->starts_at, $booking->diary->key);
            if ($does === 1) {
                self::assertNotNull($this->book()->move('a', $reference, $start));
                self::assertNotNull($this->book()->move('a', $reference, $was), 'back again');
                self::assertEquals($before, $free(), 'to and fro changes nothing');

                continue;
            }
            $this->book()->cancel('a', $reference);
            unset($standing[$reference]);
            self::assertContains($was->diary, $free()[$was->at] ?? [], 'what is cancelled is free');
        }
        foreach (array_keys($standing) as $reference) {
            $this->book()->cancel('a', (string) $reference);
        }
        self::assertEquals($empty, $free());
    }

    public function testARehearsalFindsWhatIsBookedByReferenceAndName(): void
    {
        $booking = $this->booked($this->monday, 'Perrin Oake');
        $now = new \DateTimeImmutable('@'.($this->monday - 86_400));
        self::assertSame('Perrin Oake', $this->book()->referred('a', $booking->reference, $now)?->name);
        self::assertNull($this->book()->referred('a', 'NOSUCH', $now));
        self::assertCount(1, $this->book()->between('a', $this->monday - 3600, $this->monday + 3600));
        $booking->update(['number' => '+447700900123']);
        self::assertSame($this->monday, $this->book()->last('a', '+447700900123', new \DateTimeImmutable('@'.($this->monday + 60)))?->start->at);
    }

    public function testStaffKeepTheDiaryAndDesignersSetItUp(): void
    {
        $this->actingAs($this->user(Role::Staff));
        $this->get('/pellbrook/diary')->assertOk();
        $this->get('/pellbrook/diary/ask')->assertOk();
        $this->get('/pellbrook/diary/set-up')->assertForbidden();
        $this->post('/pellbrook/diary/services', ['label' => 'x'])->assertForbidden();
    }

    private function diary(string $key, string $name): Diary
    {
        return Diary::query()->create(['business_id' => $this->business->id, 'key' => $key, 'name' => $name, 'document' => ['services' => ['tuning']], 'feed' => str_repeat(substr(md5($key), 0, 8), 5)]);
    }

    private function booked(int $at, string $name): Booking
    {
        return Booking::query()->create(['business_id' => $this->business->id, 'diary_id' => $this->odo->id, 'reference' => strtoupper(substr(md5($name), 0, 6)), 'service' => 'tuning', 'label' => 'a tuning', 'starts_at' => $at, 'ends_at' => $at + 3600, 'name' => $name, 'state' => 'booked', 'by' => 'agent']);
    }

    private function book(): AppointmentBook
    {
        return app()->make(AppointmentBook::class, ['business' => $this->business->refresh(), 'ofCall' => null]);
    }

    private function bookingScript(string $service = 'tuning'): void
    {
        $json = json_encode([
            'agent' => ['name' => 'Maren', 'business' => 'Pellbrook Hire', 'tz' => 'Europe/London'], 'sheet' => ['type' => 'object', 'properties' => ['start' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Appointment']]], 'first' => 'agree',
            'steps' => [['key' => 'agree', 'kind' => 'book', 'service' => $service, 'field' => 'start', 'prompt' => 'When would suit you?', 'next' => 'bye', 'none' => 'bye'], ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done']],
        ], JSON_THROW_ON_ERROR);
        $this->agent->draft->update(['script_text_id' => ScriptText::of($this->agent, $json)->id]);
        $this->agent->load('draft.scriptText');
    }

    private function calendar(string $text): VCalendar
    {
        $calendar = Reader::read($text);
        self::assertInstanceOf(VCalendar::class, $calendar);

        return $calendar;
    }

    private function event(string $text): VEvent
    {
        $event = $this->calendar($text)->getBaseComponent('VEVENT');
        self::assertInstanceOf(VEvent::class, $event);

        return $event;
    }

    private static function part(Component $of, string $name): string
    {
        return implode(', ', array_map(static fn (Node $one): string => $one instanceof Property ? (string) $one : '', $of->select($name)));
    }
}
