<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Knowledge\CheckAnswers;
use App\Actions\Knowledge\KeepSource;
use App\Models\CallTurn;
use App\Models\KnowledgeCheck;
use App\Models\KnowledgePassage;
use App\Models\KnowledgeQuestion;
use App\Models\KnowledgeSource;
use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

final class KnowledgeTest extends FeatureTestCase
{
    private const TERMS = "# Terms\n\n## Late return\n\nA machine that comes back late is charged by the day. The first two hours are free.\n\n## Dogs\n\nDogs may not come into the yard.\n";

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user());
    }

    public function testSourcesAreKeptCutAndCounted(): void
    {
        $this->post('/pellbrook/knowledge', ['file' => UploadedFile::fake()->createWithContent('terms.md', self::TERMS)])->assertRedirect();
        $source = KnowledgeSource::query()->firstOrFail();
        self::assertSame(['terms.md', 1, 2], [$source->name, $source->version, $source->pieces]);
        $this->get('/pellbrook/knowledge')->assertOk()->assertSee('terms.md');
        $this->get("/pellbrook/knowledge/sources/{$source->id}")->assertOk()->assertSee('Late return');

        $this->put("/pellbrook/knowledge/sources/{$source->id}", ['text' => str_replace('two hours', 'three hours', self::TERMS)])->assertRedirect();
        $source->refresh();
        self::assertSame(2, $source->version);
        self::assertStringContainsString('three hours', (string) json_encode($source->last_change['added'] ?? []));
        self::assertStringContainsString('three hours', $this->ask('how long is late free')->text);

        $this->delete("/pellbrook/knowledge/sources/{$source->id}")->assertRedirect();
        self::assertFalse($this->ask('what happens if I bring it back late')->answered);
        self::assertSame(0, DB::table('knowledge_postings')->count());
        $this->post("/pellbrook/knowledge/sources/{$source->id}/restore")->assertRedirect();
        self::assertTrue($this->ask('what happens if I bring it back late')->answered);
    }

    public function testAPassageIsLeftOutStaysOutAndComesBack(): void
    {
        $this->keep();
        $source = KnowledgeSource::query()->firstOrFail();
        $dogs = KnowledgePassage::query()->where('heading', 'Dogs')->firstOrFail();
        self::assertTrue($this->ask('can I bring my dog')->answered);

        $this->from('/pellbrook/figures')->post("/pellbrook/knowledge/sources/{$source->id}/leave-out", ['passage' => $dogs->id])->assertRedirect('/pellbrook/figures')->assertSessionHas('undo');
        $back = session('undo')['action'];
        self::assertFalse($this->ask('can I bring my dog')->answered);
        self::assertTrue($this->ask('what happens if I bring it back late')->answered);
        self::assertStringContainsString('Dogs', $source->refresh()->text);
        $this->get("/pellbrook/knowledge/sources/{$source->id}")->assertOk()->assertSee('put back')->assertSee('Dogs may not');
        $this->from('/pellbrook/figures')->post("/pellbrook/knowledge/sources/{$source->id}/leave-out", ['passage' => $dogs->id])->assertSessionHasErrors('passage');

        // Kept anew it stays out; how often the others have answered is carried on; rewritten it is another passage.
        KnowledgePassage::query()->where('heading', 'Late return')->update(['answered' => 3]);
        $this->put("/pellbrook/knowledge/sources/{$source->id}", ['text' => $source->text."\n## Keys\n\nKeys go through the letter box.\n"])->assertRedirect();
        self::assertSame(['Late return' => 3, 'Keys' => 0], KnowledgePassage::query()->where('shown', true)->orderBy('id')->pluck('answered', 'heading')->all());
        $this->post($back)->assertRedirect();
        self::assertTrue($this->ask('can I bring my dog')->answered);
        $this->from('/pellbrook/knowledge')->post($back)->assertSessionHasErrors('passage');

        $this->post("/pellbrook/knowledge/sources/{$source->id}/leave-out", ['passage' => KnowledgePassage::query()->where('heading', 'Dogs')->valueOrFail('id')])->assertRedirect();
        $this->put("/pellbrook/knowledge/sources/{$source->id}", ['text' => str_replace('Dogs may not', 'Dogs on a lead may', $source->refresh()->text)])->assertRedirect();
        self::assertSame(null, $source->refresh()->left_out);
        self::assertTrue($this->ask('can I bring my dog')->answered);
    }

    public function testWhatCannotBeReadIsRefusedAndNothingIsKept(): void
    {
        foreach ([['file' => UploadedFile::fake()->createWithContent('x.exe', "MZ\0\0")], ['text' => ''], ['text' => '   ']] as $wrong) {
            $this->from('/pellbrook/knowledge')->post('/pellbrook/knowledge', $wrong)->assertSessionHasErrors('source');
        }
        self::assertSame(0, KnowledgeSource::query()->count());
        self::assertSame(0, KnowledgePassage::query()->count());
    }

    public function testTheBenchShowsWhyAndKeepsChecks(): void
    {
        $this->keep();
        $this->get('/pellbrook/knowledge/bench?q=may+my+dog+come+in')->assertOk()->assertSee('Dogs may not come into the yard.')->assertSee('terms.md#Dogs');
        $this->get('/pellbrook/knowledge/bench?q=do+you+sell+boats')->assertOk()->assertSee('It would not answer');
        $this->post('/pellbrook/knowledge/checks', ['question' => 'how long is late free', 'holds' => 'two hours'])->assertRedirect();
        $this->post('/pellbrook/knowledge/checks', ['question' => 'do you sell boats', 'refused' => '1'])->assertRedirect();
        $this->from('/x')->post('/pellbrook/knowledge/checks', ['question' => 'and this', 'holds' => ''])->assertSessionHasErrors('holds');
        self::assertSame([true, true], KnowledgeCheck::query()->orderBy('id')->pluck('passed')->all());

        // A change that makes a check worse says so, and the correction that mends it as well.
        $source = KnowledgeSource::query()->firstOrFail();
        $this->put("/pellbrook/knowledge/sources/{$source->id}", ['text' => str_replace('The first two hours are free.', '', self::TERMS)]);
        self::assertFalse(KnowledgeCheck::query()->firstOrFail()->passed);
        $this->get('/pellbrook/knowledge/bench')->assertSee('worse');
        $this->put("/pellbrook/knowledge/sources/{$source->id}", ['text' => self::TERMS]);
        self::assertTrue(KnowledgeCheck::query()->firstOrFail()->passed);
        $this->post('/pellbrook/knowledge/checks/run')->assertRedirect()->assertSessionHas('result', fn (array $result): bool => $result['passed'] === 2);
    }

    public function testPagesAreFetchedOnlyFromAllowedHostsAndChangesAreSeen(): void
    {
        $this->from('/pellbrook/knowledge')->post('/pellbrook/knowledge/fetch', ['url' => 'https://www.pellbrook.example/news.html'])->assertSessionHasErrors(['source' => 'Pages of www.pellbrook.example may not be fetched. Add the host to those allowed first.']);
        $this->put('/pellbrook/knowledge/hosts', ['hosts' => "www.pellbrook.example\nlocalhost"])->assertRedirect();
        $this->post('/pellbrook/knowledge/fetch', ['url' => 'https://www.pellbrook.example/news.html'])->assertRedirect();
        $source = KnowledgeSource::query()->firstOrFail();
        self::assertSame([1, 'page'], [$source->version, $source->kind]);
        $this->post('/pellbrook/knowledge/fetch', ['url' => 'https://www.pellbrook.example/news.html'])->assertSessionHas('notice', 'The page has not changed.');
        $folder = storage_path('app/site/www.pellbrook.example');
        @mkdir($folder, 0777, true);
        file_put_contents($folder.'/news.html', str_replace('£140', '£155', (string) file_get_contents(database_path('demo/site/www.pellbrook.example/news.html'))));
        try {
            $this->post('/pellbrook/knowledge/fetch', ['url' => 'https://www.pellbrook.example/news.html'])->assertRedirect();
        } finally {
            unlink($folder.'/news.html');
        }
        $source->refresh();
        self::assertSame(2, $source->version);
        self::assertStringContainsString('155', (string) json_encode($source->last_change['added'] ?? []));
        $this->post('/pellbrook/knowledge/fetch', ['url' => 'https://www.pellbrook.example/sitemap.xml'])->assertRedirect();
        foreach (['http://localhost/x', 'file:///etc/passwd', 'nonsense', 'https://www.pellbrook.example/../../.env', 'https://www.pellbrook.example/none.html'] as $url) {
            $this->from('/pellbrook/knowledge')->post('/pellbrook/knowledge/fetch', ['url' => $url])->assertSessionHasErrors('source');
        }
    }

    public function testTablesKeptBeforeAreFoundLikePassagesAfterTheMigration(): void
    {
        app(KeepSource::class)->keep($this->business, 'prices.md', 'document', "# Prices\n\n| Tool | A day |\n| --- | --- |\n| Sander | £18 |\n| Drill | £12 |\n");
        KnowledgePassage::query()->where('kind', 'table')->delete();
        self::assertFalse($this->ask('how much is a sander a day')->answered);
        (require database_path('migrations/2026_11_28_000006_index_tables.php'))->up();
        self::assertSame('Sander: £18 a day.', $this->ask('how much is a sander a day')->text);
    }

    public function testACallAnswersFromItShowsTheSourceAndKeepsWhatNothingAnswered(): void
    {
        $this->keep();
        $ref = $this->ringLive();
        $this->happens($ref, 1, 'said', 'I want to hire a cement mixer');
        $this->happens($ref, 2, 'said', 'Before that, what happens if I bring it back late?');
        $answer = CallTurn::query()->where('by', 'agent')->orderByDesc('n')->firstOrFail();
        self::assertStringContainsString('charged by the day', $answer->text);
        self::assertStringContainsString('?', $answer->text, 'back to the question it was on');
        self::assertSame(['terms.md#Late return, version 1'], $answer->sources);
        $this->happens($ref, 3, 'said', 'Are you sure?');
        self::assertStringContainsString('Late return', (string) CallTurn::query()->where('by', 'agent')->orderByDesc('id')->value('text'));
        $this->happens($ref, 4, 'said', 'Do you sell second-hand boats?');
        $this->happens($ref, 5, 'hung_up');
        self::assertSame(1, KnowledgeSource::query()->firstOrFail()->answered);
        self::assertSame(['Do you sell second-hand boats?'], KnowledgeQuestion::query()->pluck('question')->all());
        $this->get("/pellbrook/calls/{$ref}")->assertOk()->assertSee('terms.md#Late return, version 1');
        $this->get('/pellbrook/agents/maren/releases')->assertOk()->assertSee('counts from the next call on');
        $this->get('/pellbrook')->assertSee('Questions nothing answered');
    }

    public function testAnAnswerWrittenOnThePageCountsAtOnce(): void
    {
        $this->keep();
        $asked = KnowledgeQuestion::query()->create(['business_id' => $this->business->id, 'question' => 'Do you sell boats?', 'why' => 'not covered']);
        $this->get('/pellbrook/knowledge')->assertSee('Do you sell boats?');
        $this->post('/pellbrook/knowledge/answers', ['ids' => (string) $asked->id, 'question' => 'Do you sell boats?', 'answer' => 'No, we only hire machines.'])->assertRedirect();
        self::assertSame('No, we only hire machines.', $this->ask('do you sell boats')->text);
        self::assertSame('written', $asked->refresh()->state);
        $this->from('/x')->post('/pellbrook/knowledge/answers', ['ids' => '1', 'question' => 'q', 'answer' => ''])->assertSessionHasErrors('answer');
    }

    public function testStaffDoNotChangeWhatAgentsSay(): void
    {
        $this->actingAs($this->user(Role::Staff));
        foreach (['/pellbrook/knowledge', '/pellbrook/knowledge/bench'] as $page) {
            $this->get($page)->assertForbidden();
        }
        $this->post('/pellbrook/knowledge', ['text' => 'x'])->assertForbidden();
    }

    private function keep(): void
    {
        app(KeepSource::class)->keep($this->business, 'terms.md', 'document', self::TERMS);
    }

    private function ask(string $question): \Ringo\Knowledge\Answer
    {
        return app(CheckAnswers::class)->ask($this->business->refresh(), $question);
    }
}
