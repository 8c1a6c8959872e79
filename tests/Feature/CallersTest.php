<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Contacts\ChangeContacts;
use App\Actions\Contacts\ImportContacts;
use App\Jobs\RunImport;
use App\Models\Call;
use App\Models\CallTurn;
use App\Models\Contact;
use App\Models\ContactChange;
use App\Models\ContactColumn;
use App\Models\ContactImport;
use App\Models\ContactNumber;
use App\Models\Role;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\UploadedFile;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;

final class CallersTest extends FeatureTestCase
{
    /** @return iterable<string, array{string, string, string}> text, encoding, sign that parts the cells */
    public static function files(): iterable
    {
        $rows = [['Full name', 'Firm', 'Mobile', 'Office', 'E-mail', 'Account number'], ['Zoë Bright', 'Bright & Sons', '07700 900801', '01632 960801', 'zoe@example.com', 'T5001'], ['Bob Nobody', '', 'not a number', '', 'bob@', 'T5002'], ['Nell Ashby', '', '07700 900228', '07700 900229', '', ''], ['', '', '', '', '', ''], ['Zoë Bright', '', '+44 7700 900801', '', '', '']];
        foreach ([',' => 'commas', ';' => 'semicolons', "\t" => 'tabs', '|' => 'bars'] as $sign => $words) {
            $text = implode("\r\n", array_map(static fn (array $row): string => implode($sign, $row), $rows));
            yield "{$words}, UTF-8" => [$text, 'UTF-8', $words];
            yield "{$words}, with a byte order mark" => ["\xEF\xBB\xBF".$text, 'UTF-8', $words];
            yield "{$words}, Windows" => [(string) mb_convert_encoding($text, 'Windows-1252', 'UTF-8'), 'Windows-1252', $words];
            yield "{$words}, UTF-16" => ["\xFF\xFE".mb_convert_encoding($text, 'UTF-16LE', 'UTF-8'), 'UTF-16LE', $words];
        }
    }

    #[DataProvider('files')]
    public function testAListIsLookedAtThenBroughtInWithAReportAndTakenBackWhole(string $text, string $encoding, string $parted): void
    {
        Storage::fake('local');
        ContactColumn::query()->create(['business_id' => $this->business->id, 'key' => 'account_number', 'title' => 'Account number', 'type' => 'text']);
        $this->actingAs($this->user());
        $this->post('/pellbrook/callers/imports', ['file' => UploadedFile::fake()->createWithContent('list.csv', $text)])->assertRedirect();
        $import = ContactImport::query()->sole();
        self::assertSame(['Full name' => 'name', 'Firm' => 'organisation', 'Mobile' => 'phone', 'Office' => '', 'E-mail' => 'email', 'Account number' => 'column:account_number'], $import->mapping);
        $this->get("/pellbrook/callers/imports/{$import->id}")->assertOk()->assertSee($parted)->assertSee($encoding)->assertSee('Zoë Bright')->assertSee('there already');
        self::assertSame(1, Contact::query()->count(), 'nothing is made by looking');

        $this->post("/pellbrook/callers/imports/{$import->id}", ['go' => 'run', 'map' => ['name', 'organisation', 'phone', 'phone', 'email', 'column:account_number']])->assertRedirect();
        $import->refresh();
        self::assertSame('done', $import->status);
        self::assertSame(['made' => 2, 'added_to' => 1, 'same' => 1, 'refused' => 0], $import->counts);
        $zoe = Contact::query()->where('name', 'Zoë Bright')->sole();
        self::assertSame(['+441632960801', '+447700900801'], $zoe->numbers()->pluck('e164')->sort()->values()->all());
        self::assertSame('T5001', $zoe->facts['account_number']);
        self::assertSame(['+447700900228', '+447700900229'], $this->contact->numbers()->pluck('e164')->sort()->values()->all());
        self::assertSame('oldmere', $this->contact->refresh()->facts['depot'], 'what is there is not written over');
        $report = implode("\n", array_column($import->report ?? [], 'words'));
        self::assertStringContainsString('“not a number” in Mobile is no telephone number', $report);
        self::assertStringContainsString('“bob@” in E-mail is no e-mail address', $report);

        $this->post("/pellbrook/callers/imports/{$import->id}/stop")->assertRedirect('/pellbrook/callers');
        self::assertSame(['Nell Ashby'], Contact::query()->pluck('name')->all());
        self::assertSame(['+447700900228'], ContactNumber::query()->pluck('e164')->all());
    }

    public function testAnImportWhoseWorkerDiedGoesOnWhereItWasAndCountsEachRowOnce(): void
    {
        $this->actingAs($this->user());
        $rows = array_map(static fn (int $n): string => $n % 100 === 7 ? ',nonsense,' : sprintf('Caller %04d,0770090%04d,', $n, $n), range(1, 620));
        $this->post('/pellbrook/callers/imports', ['file' => UploadedFile::fake()->createWithContent('long.csv', "name,phone,email\n".implode("\n", $rows)."\n")])->assertRedirect();
        $import = ContactImport::query()->sole();
        Queue::fake();
        $this->post("/pellbrook/callers/imports/{$import->id}", ['go' => 'run', 'map' => ['name', 'phone', 'email']])->assertRedirect();
        // The worker dies in its second handful: what it had written of that is gone with it, the first stays with its counts.
        $import->refresh()->update(['status' => 'running']);
        $died = 0;
        DB::listen(static function (QueryExecuted $query) use (&$died): void {
            if (str_starts_with($query->sql, 'insert into "contact_numbers"') && ++$died === 4) {
                throw new \RuntimeException('killed');
            }
        });
        try {
            app(ImportContacts::class)->run($import);
            self::fail('It was to die.');
        } catch (\RuntimeException $killed) {
            self::assertSame('killed', $killed->getMessage());
        }
        $import->refresh();
        self::assertSame(['running', 250], [$import->status, $import->done]);
        self::assertSame(250, array_sum($import->counts ?? []));
        self::assertSame($import->counts['made'] ?? 0, Contact::query()->where('import_id', $import->id)->count());
        // Nobody goes on with it: who looks takes it up, and only one does.
        $this->travel(31)->seconds();
        $this->getJson("/pellbrook/callers/imports/{$import->id}/progress")->assertOk()->assertJsonPath('done', 250);
        $this->getJson("/pellbrook/callers/imports/{$import->id}/progress")->assertOk();
        Queue::assertPushed(RunImport::class, 2);
        // Two at it at once: each handful is counted once.
        $one = ContactImport::query()->findOrFail($import->id);
        $other = ContactImport::query()->findOrFail($import->id);
        app(ImportContacts::class)->run($one);
        app(ImportContacts::class)->run($other);
        $import->refresh();
        self::assertSame(['done', 620], [$import->status, $import->done]);
        self::assertSame(['made' => 613, 'added_to' => 0, 'same' => 0, 'refused' => 7], $import->counts);
        self::assertSame(613, Contact::query()->where('import_id', $import->id)->count());
        self::assertCount(7, array_filter($import->report ?? [], static fn (array $one): bool => $one['what'] === 'refused'));
        // Told by the queue that it was killed, it is no broken file.
        $import->update(['status' => 'running']);
        (new RunImport($import->id))->failed(new MaxAttemptsExceededException('killed'));
        self::assertSame('running', $import->refresh()->status);
        (new RunImport($import->id))->failed(new \DomainException('Line 9 is cut off'));
        self::assertSame(['stopped', 'The import broke off: Line 9 is cut off', 613], [$import->refresh()->status, $import->report[0]['words'] ?? '', $import->counts['made'] ?? 0]);
    }

    public function testCardsComeInAndGoOut(): void
    {
        Storage::fake('local');
        $this->actingAs($this->user());
        $card = "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ida Crane\r\nORG:Crane Lifting\r\nTEL;VALUE=uri:tel:+44-7700-900810\r\nEMAIL:ida@example.com\r\nCATEGORIES:trade,night\r\nEND:VCARD\r\n";
        $this->post('/pellbrook/callers/imports', ['file' => UploadedFile::fake()->createWithContent('cards.vcf', $card)])->assertRedirect();
        $import = ContactImport::query()->sole();
        $this->post("/pellbrook/callers/imports/{$import->id}", ['go' => 'run', 'map' => array_values($import->mapping ?? [])])->assertRedirect();
        $ida = Contact::query()->where('name', 'Ida Crane')->sole();
        self::assertSame(['+447700900810'], $ida->numbers()->pluck('e164')->all());
        self::assertSame(['trade', 'night'], $ida->tags);
        $out = $this->get('/pellbrook/callers/callers.vcf')->assertOk()->streamedContent();
        self::assertSame(2, substr_count($out, 'BEGIN:VCARD'));
        self::assertStringContainsString('VERSION:4.0', $out);
        self::assertStringContainsString('+447700900810', $out);
        $csv = $this->get('/pellbrook/callers/callers.csv')->assertOk()->streamedContent();
        self::assertStringContainsString('Ida Crane,person,Crane Lifting,+447700900810,ida@example.com', $csv);
    }

    public function testAListThatIsNoneIsRefusedWithWordsAndACellIsNoFormula(): void
    {
        Storage::fake('local');
        $this->actingAs($this->user());
        foreach (['', "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:broken"] as $broken) {
            $this->from('/pellbrook/callers')->post('/pellbrook/callers/imports', ['file' => UploadedFile::fake()->createWithContent('x.csv', $broken)])->assertSessionHasErrors('file');
        }
        $this->from('/pellbrook/callers')->post('/pellbrook/callers/imports')->assertSessionHasErrors(['file' => 'Choose a file: CSV or vCard.']);
        self::assertSame(0, ContactImport::query()->count());
        $this->contact->update(['name' => '=HYPERLINK("https://evil.example")']);
        self::assertStringContainsString("'=HYPERLINK", $this->get('/pellbrook/callers/callers.csv')->streamedContent());
    }

    public function testTwoBecomeOneByNameOrNumberAndAreToldApart(): void
    {
        $this->actingAs($this->user());
        $other = $this->other('Nelly Ashby', '+447700900230', ['depot' => 'tarn_bridge', 'postcode' => 'OL1 1AA']);
        $call = $this->aCall($other);
        $url = "/pellbrook/callers/{$this->contact->id}";
        $this->from($url)->post($url.'/merge', ['from' => 'Nobody'])->assertSessionHasErrors(['from' => 'Nobody else here is called “Nobody” or has that number.']);
        $this->post($url.'/merge', ['from' => '07700 900230'])->assertRedirect($url);
        self::assertNull(Contact::query()->find($other->id));
        self::assertSame(['depot' => 'oldmere', 'postcode' => 'OL1 1AA'], $this->contact->refresh()->facts);
        self::assertSame(2, $this->contact->numbers()->count());
        self::assertSame($this->contact->id, $call->refresh()->contact_id);
    }

    public function testAnErasedCallerLeavesFiguresAndNoWords(): void
    {
        $this->actingAs($this->user());
        $ref = $this->ringLive(['caller' => 'contact', 'contact' => (string) $this->contact->id]);
        $this->happens($ref, 1, 'said', 'it is Nell, ring me on 07700 900228')->assertOk();
        $rule = \App\Models\DeliveryRule::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'name' => 'Row', 'kind' => 'row', 'to' => '', 'subject' => '', 'words' => '', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => ['Name' => 'caller_name'], 'active' => true]);
        \App\Models\DeliveryRule::query()->create(['name' => 'Thanks', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'Thank you [caller_name|for calling].', 'mapping' => []] + $rule->only('business_id', 'agent_id', 'subject', 'when', 'timing', 'cancel_outcomes', 'active'));
        $this->happens($ref, 2, 'hung_up')->assertOk();
        $this->artisan('ringo:deliver', ['--once' => true]);
        self::assertSame([2, 1, 1], [\App\Models\Delivery::query()->count(), \App\Models\FileRow::query()->count(), \App\Models\GatewayReceipt::query()->count()]);
        $campaign = \App\Models\Campaign::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'name' => 'Reminders', 'key' => 'reminders', 'document' => [], 'stops' => [], 'state' => 'running', 'held' => []]);
        \App\Models\CampaignPerson::query()->create(['campaign_id' => $campaign->id, 'contact_id' => $this->contact->id, 'name' => 'Nell Ashby', 'phone' => '07700 900228', 'e164' => '+447700900228', 'row' => [], 'facts' => ['name' => 'Nell Ashby'], 'state' => 'waiting', 'next_at' => 1]);
        \Illuminate\Support\Facades\Storage::disk('local')->put('spoken-answers/x.wav', 'Nell');
        \App\Models\SpokenAnswer::query()->create(['call_id' => Call::query()->where('ref', $ref)->value('id'), 'field' => 'caller_name', 'text' => 'Nell', 'path' => 'spoken-answers/x.wav']);
        $url = "/pellbrook/callers/{$this->contact->id}";
        $this->from($url)->delete($url)->assertSessionHasErrors('sure');
        $this->delete($url, ['sure' => '1'])->assertRedirect('/pellbrook/callers');
        $call = Call::query()->where('ref', $ref)->sole();
        self::assertSame('ended', $call->status);
        self::assertSame([], CallTurn::query()->where('text', 'like', '%Nell%')->pluck('text')->all());
        $left = json_encode([$call->toArray(), $call->steps()->get()->toArray(), $call->record?->toArray(), Contact::withTrashed()->get()->toArray(), \App\Models\CampaignPerson::query()->get()->toArray(), \App\Models\SpokenAnswer::query()->get()->toArray(), DB::table('call_search')->get()->all()], JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString('Nell', $left);
        self::assertFalse(\Illuminate\Support\Facades\Storage::disk('local')->exists('spoken-answers/x.wav'), 'nor can they be heard');
        self::assertSame('not_rung', \App\Models\CampaignPerson::query()->sole()->state);
        self::assertStringNotContainsString('7700900228', $left);
        self::assertSame([0, 0, 0], [\App\Models\Delivery::query()->count(), \App\Models\FileRow::query()->count(), \App\Models\GatewayReceipt::query()->count()], 'what was sent about them goes too');
        self::assertSame(1, \App\Models\AuditEntry::query()->where('did', 'contact erased')->count());
        $this->get("/pellbrook/calls/{$ref}")->assertOk();
    }

    public function testWhatACallFoundOutIsProposedOrWrittenByField(): void
    {
        $this->actingAs($this->user());
        $ref = $this->ringLive(['caller' => 'contact', 'contact' => (string) $this->contact->id]);
        foreach (['I need a mini digger from next Tuesday for a fortnight', 'Tarn Bridge please'] as $n => $line) {
            $this->happens($ref, $n + 1, 'said', $line)->assertOk();
        }
        $step = (int) Call::query()->where('ref', $ref)->value('step');
        $this->happens($ref, $step, 'hung_up')->assertOk();
        $record = Call::query()->where('ref', $ref)->sole()->record;
        self::assertSame('tarn_bridge', $record?->cells['depot']['value'] ?? null);
        self::assertSame('tarn_bridge', $this->contact->refresh()->facts['depot'], 'a field the agent may write');
        self::assertSame(['depot'], ContactChange::query()->where('state', 'written')->pluck('field')->all());
        $change = ContactChange::query()->create(['contact_id' => $this->contact->id, 'field' => 'email', 'from' => null, 'to' => 'nell@example.com', 'state' => 'proposed']);
        $this->get("/pellbrook/callers/{$this->contact->id}")->assertOk()->assertSee('nell@example.com')->assertSee('Take it over');
        app(ChangeContacts::class)->decide($change, true, $this->user(Role::Owner));
        self::assertSame('nell@example.com', $this->contact->refresh()->email);
    }

    public function testEveryNumberCanBeTried(): void
    {
        $this->actingAs($this->user());
        foreach (['07700 900228' => 'A caller we know', '07700 900999' => 'A stranger', 'withheld' => 'A withheld number', '12' => 'No number: counts as withheld', '0044 (0)7700 900228' => 'A caller we know', '<script>alert(1)</script>' => 'No number'] as $number => $words) {
            $this->get('/pellbrook/agents/maren/recognition?number='.urlencode((string) $number))->assertOk()->assertSee($words)->assertDontSee('<script>alert(1)', false);
        }
        $this->contact->update(['blocked' => true]);
        $this->get('/pellbrook/agents/maren/recognition?number=07700900228')->assertOk()->assertSee('Blocked')->assertDontSee('Good morning Nell');
        $this->contact->update(['blocked' => false]);
        $this->other('Ivo Ashby', '+447700900228', []);
        $this->get('/pellbrook/agents/maren/recognition?number=07700900228')->assertOk()->assertSee('A number several people share')->assertSee('tells no surname');
    }

    public function testANumberIsWrittenInEitherFormAndABadOneLosesNothing(): void
    {
        $this->actingAs($this->user());
        $this->from('/pellbrook/callers/new')->post('/pellbrook/callers', ['name' => 'New One', 'kind' => 'person', 'numbers' => "07700 900850\nrubbish"])->assertSessionHasErrors(['numbers' => '“rubbish” is no telephone number. Write it in national form, or with + and the country code.'])->assertSessionHasInput('name', 'New One');
        $this->post('/pellbrook/callers', ['name' => 'New One', 'kind' => 'person', 'numbers' => "07700 900850\n+1 202 555 0143", 'pin' => '4821'])->assertSessionHasNoErrors();
        $made = Contact::query()->where('name', 'New One')->sole();
        self::assertSame(['+12025550143', '+447700900850'], $made->numbers()->pluck('e164')->sort()->values()->all());
        self::assertNotSame('4821', $made->pin_hash);
        $this->get("/pellbrook/callers/{$made->id}")->assertOk()->assertDontSee('4821')->assertDontSee((string) $made->pin_hash);
    }

    /** @param array<string, string> $facts */
    private function other(string $name, string $number, array $facts): Contact
    {
        $other = Contact::query()->create(['business_id' => $this->business->id, 'name' => $name, 'organisation' => '', 'email' => '', 'facts' => $facts]);
        ContactNumber::query()->create(['contact_id' => $other->id, 'business_id' => $this->business->id, 'e164' => $number, 'label' => 'main']);

        return $other;
    }

    private function aCall(Contact $contact): Call
    {
        $ref = $this->ring(['caller' => 'contact', 'contact' => (string) $contact->id])->assertCreated()->json('ref');

        return Call::query()->where('ref', $ref)->sole();
    }
}
