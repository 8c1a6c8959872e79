<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Deliveries\DeliverDue;
use App\Models\Call;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\Enclosure;
use App\Models\GatewayReceipt;
use App\Models\Role;
use App\Models\ScriptText;
use Illuminate\Http\UploadedFile;
use Illuminate\Mail\Transport\ArrayTransport;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Mime\Email;

/** Files that go with e-mails: taken in by their real type, sent by rules and send steps, missed in words. */
final class EnclosuresTest extends FeatureTestCase
{
    private const PDF = "%PDF-1.4\n1 0 obj\n<< >>\nendobj\ntrailer\n<< >>\n%%EOF\n";

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->actingAs($this->user());
    }

    public function testAFileIsPutThereFetchedReplacedAndTakenOut(): void
    {
        $this->enclose('terms.pdf', self::PDF)->assertSessionHas('notice', fn (string $words): bool => str_contains($words, 'terms.pdf'));
        $file = Enclosure::query()->firstOrFail();
        $this->get('/pellbrook/post')->assertSee('terms.pdf');
        $got = $this->get("/pellbrook/post/enclosures/{$file->id}")->assertOk()->assertHeader('Content-Type', 'application/pdf')->assertHeader('X-Content-Type-Options', 'nosniff');
        self::assertSame(self::PDF, $got->getContent());
        $before = $file->path;
        $this->enclose('terms.pdf', self::PDF."\n");
        self::assertSame([1, false], [Enclosure::query()->count(), Storage::disk('local')->exists($before)], 'the same name is the next state of the file');
        $this->delete("/pellbrook/post/enclosures/{$file->id}")->assertSessionHas('undo');
        $this->get("/pellbrook/post/enclosures/{$file->id}")->assertNotFound();
        $this->post("/pellbrook/post/enclosures/{$file->id}/restore")->assertRedirect();
        self::assertSame(self::PDF."\n", Enclosure::query()->firstOrFail()->content());
    }

    /** @return iterable<string, array{string, string, string}> name, content, words of the error */
    public static function bad(): iterable
    {
        yield 'a program that calls itself a document' => ['terms.pdf', "MZ\x90\x00\x03\x00\x00\x00\x04\x00\x00\x00\xff\xff", 'is not what its name says'];
        yield 'a page with scripts' => ['terms.html', '<html><script>alert(1)</script></html>', 'is not what its name says'];
        yield 'a document with another ending' => ['terms.exe', self::PDF, 'is not what its name says'];
        yield 'an empty one' => ['terms.txt', '', 'is empty'];
        yield 'no name' => ['...', 'hello there', 'needs a name'];
    }

    #[DataProvider('bad')]
    public function testWhatEmailsDoNotCarryIsRefusedInWords(string $name, string $content, string $words): void
    {
        try {
            (new \App\Actions\Deliveries\KeepEnclosure)->keep($this->business, $name, $content, null);
            self::fail('It was taken.');
        } catch (\DomainException $problem) {
            self::assertStringContainsString($words, $problem->getMessage());
        }
        self::assertSame(0, Enclosure::query()->count());
    }

    public function testANameIsNeverAPath(): void
    {
        $kept = (new \App\Actions\Deliveries\KeepEnclosure)->keep($this->business, '../../etc/pass"wd.txt', "words\n", null);

        self::assertSame('pass-wd.txt', $kept->name);
        self::assertStringStartsWith("enclosures/{$this->business->id}/", $kept->path);
    }

    public function testARulesEmailCarriesItsFile(): void
    {
        config(['mail.default' => 'array', 'ringo.post.email' => 'mail']);
        $this->enclose('terms.pdf', self::PDF);
        $this->rule(['file' => 'terms.pdf']);
        $this->held('live');
        app(DeliverDue::class)->run();
        $transport = app('mailer')->getSymfonyTransport();
        self::assertInstanceOf(ArrayTransport::class, $transport);
        $message = $transport->messages()->sole()->getOriginalMessage();
        self::assertInstanceOf(Email::class, $message);
        self::assertSame(['terms.pdf', self::PDF], [$message->getAttachments()[0]->getFilename(), $message->getAttachments()[0]->getBody()]);
    }

    public function testTheStandInShowsWhatCameWithIt(): void
    {
        $this->enclose('terms.pdf', self::PDF);
        $this->rule(['file' => 'terms.pdf']);
        $this->held();
        app(DeliverDue::class)->run();
        $delivery = Delivery::query()->firstOrFail();

        self::assertSame('sent', $delivery->state);
        self::assertStringStartsWith('terms.pdf; application/pdf; ', GatewayReceipt::query()->firstOrFail()->headers['Enclosed'] ?? '');
        $this->get("/pellbrook/post/deliveries/{$delivery->id}")->assertOk()->assertSee('with the file')->assertSee('terms.pdf')->assertSee('Enclosed');
    }

    public function testAnEmailWhoseFileIsGoneIsGivenUpAndCanBeSentOnceItIsBack(): void
    {
        $this->enclose('terms.pdf', self::PDF);
        $this->rule(['file' => 'terms.pdf']);
        $this->held();
        $file = Enclosure::query()->firstOrFail();
        $file->delete();
        app(DeliverDue::class)->run();
        $delivery = Delivery::query()->firstOrFail();
        self::assertSame(['dead', true], [$delivery->state, str_contains($delivery->problem, '“terms.pdf” is not among the files')]);
        self::assertSame(0, GatewayReceipt::query()->count(), 'never sent without what it promises');
        $file->restore();
        $this->post("/pellbrook/post/deliveries/{$delivery->id}/again")->assertRedirect();
        self::assertSame('sent', $delivery->refresh()->state);
    }

    public function testRulesAndSendStepsChooseFromWhatIsThere(): void
    {
        $this->enclose('terms.pdf', self::PDF);
        $form = ['name' => 'Terms', 'kind' => 'email', 'to' => 'boss@example.com', 'subject' => 'Terms', 'words' => 'Here they are.', 'active' => '1', 'timing_kind' => 'at_once'];
        $this->from('/x')->post('/pellbrook/post/rules', $form + ['file' => 'other.pdf'])->assertSessionHasErrors('file');
        $this->post('/pellbrook/post/rules', $form + ['file' => 'terms.pdf'])->assertRedirect();
        $rule = DeliveryRule::query()->firstOrFail();
        self::assertSame('terms.pdf', $rule->file);
        $this->get("/pellbrook/post/rules/{$rule->id}")->assertSee('<option value="terms.pdf" selected', false);
        $this->put("/pellbrook/post/rules/{$rule->id}", ['kind' => 'text', 'to' => '07700 900123'] + $form + ['file' => 'terms.pdf'])->assertRedirect();
        self::assertNull($rule->refresh()->file, 'a text carries none');
    }

    public function testASendStepWithAFileThatIsNotThereIsAnErrorBeforeTheRelease(): void
    {
        $script = json_decode((string) file_get_contents(database_path('demo/pellbrook/maren.json')), true, 512, JSON_THROW_ON_ERROR);
        $first = $script['first'] ?? $script['steps'][0]['key'];
        foreach ($script['steps'] as &$step) {
            if ($step['key'] === $first) {
                $after = $step['next'];
                $step['next'] = 'terms';
            }
        }
        unset($step);
        $script['steps'][] = ['key' => 'terms', 'kind' => 'send', 'by' => 'email', 'to' => 'boss@example.com', 'subject' => 'Terms', 'words' => 'Here they are: https://pellbrook.example/terms', 'file' => 'terms.pdf', 'next' => $after ?? 'help'];
        $text = ScriptText::of($this->agent, json_encode($script, JSON_THROW_ON_ERROR));
        $this->agent->draft->update(['script_text_id' => $text->id, 'version' => 2]);
        $this->get('/pellbrook/agents/maren/releases')->assertSee('is not among the files of the business');
        $this->enclose('terms.pdf', self::PDF);
        $this->get('/pellbrook/agents/maren/releases')->assertDontSee('is not among the files of the business');
        $this->held();
        app(DeliverDue::class)->run();
        $delivery = Delivery::query()->where('file', 'terms.pdf')->firstOrFail();
        self::assertSame(['sent', 'boss@example.com', 'Here they are: https://pellbrook.example/terms'], [$delivery->state, $delivery->to, $delivery->body]);
    }

    public function testStaffFetchFilesAndDoNotChangeThem(): void
    {
        $this->enclose('terms.pdf', self::PDF);
        $file = Enclosure::query()->firstOrFail();
        $this->actingAs($this->user(Role::Staff));
        $this->get("/pellbrook/post/enclosures/{$file->id}")->assertOk();
        $this->enclose('more.pdf', self::PDF)->assertForbidden();
        $this->delete("/pellbrook/post/enclosures/{$file->id}")->assertForbidden();
        $this->post("/pellbrook/post/enclosures/{$file->id}/restore")->assertForbidden();
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function enclose(string $name, string $content): \Illuminate\Testing\TestResponse
    {
        return $this->post('/pellbrook/post/enclosures', ['enclosure' => UploadedFile::fake()->createWithContent($name, $content)]);
    }

    /** @param array<string, mixed> $more */
    private function rule(array $more): DeliveryRule
    {
        return DeliveryRule::query()->create($more + ['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'name' => 'Terms', 'kind' => 'email', 'to' => 'boss@example.com', 'subject' => 'Terms', 'words' => 'Here they are.', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true]);
    }

    private function held(string $kind = 'rehearsal'): void
    {
        $ref = (string) $this->ring()->json('ref');
        Call::query()->where('ref', $ref)->update(['kind' => $kind]);
        $this->happens($ref, 1, 'said', 'I want to hire a cement mixer tomorrow');
        $this->happens($ref, 2, 'hung_up');
    }
}
