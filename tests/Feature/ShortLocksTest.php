<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Calls\EraseOldCalls;
use App\Actions\Calls\ImportTranscripts;
use App\Actions\Contacts\ImportContacts;
use App\Actions\Crowd\RingCrowd;
use App\Actions\Figures\CountCalls;
use App\Actions\Knowledge\KeepSource;
use App\Models\Call;
use App\Models\CallImport;
use App\Models\Contact;
use App\Models\ContactImport;
use App\Models\CrowdRun;
use App\Models\KnowledgePassage;
use App\Models\KnowledgeSource;
use App\Models\User;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Database\Events\TransactionRolledBack;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Storage;

/** While long work goes on, calls ring: no transaction of it holds the lock for writing longer than a caller notices. */
final class ShortLocksTest extends FeatureTestCase
{
    /** Milliseconds of processor time a lock may be held. */
    private const LONGEST = 200.0;

    /** Rounds of reckoning that tell how fast the machine is, and the milliseconds they usually take. */
    private const ROUNDS = 200_000;

    private const USUAL = 80.0;

    /** However slow it is, a lock is no longer than so many times. */
    private const SLOWEST = 4.0;

    private ?float $since = null;

    /** @var array{float, string} the longest so far, and what it began with */
    private array $longest = [0.0, ''];

    private string $first = '';

    /** Whether what writes postings is killed. */
    private bool $dies = false;

    private User $who;

    protected function setUp(): void
    {
        parent::setUp();
        $this->who = $this->user();
        Event::listen(QueryExecuted::class, function (QueryExecuted $query): void {
            // A test runs in a transaction of its own: those of the application begin inside it.
            if ($this->since === null && DB::transactionLevel() > 1 && preg_match('/^\s*(?:insert|update|delete)/i', $query->sql) === 1) {
                $this->since = self::processor() - $query->time;
                $this->first = $query->sql;
            }
        });
        $ends = function (): void {
            if ($this->since !== null && DB::transactionLevel() <= 1) {
                $held = self::processor() - $this->since;
                $this->longest = $held > $this->longest[0] ? [$held, $this->first] : $this->longest;
                $this->since = null;
            }
        };
        Event::listen(TransactionCommitted::class, $ends);
        Event::listen(TransactionRolledBack::class, $ends);
    }

    public function testALargeDocumentIsIndexedAFewPassagesAtATime(): void
    {
        $text = '';
        for ($n = 0; $n < 700; $n++) {
            $text .= "# Machine {$n}\n\nMachine {$n} is let by the day for £".(20 + $n).". It weighs {$n} kilos and needs a ticket of kind ".chr(65 + $n % 26).". Ask at the counter for its papers.\n\n";
        }
        app(KeepSource::class)->keep($this->business, 'machines.md', 'file', $text);
        $source = KnowledgeSource::query()->sole();
        self::assertSame(700, $source->passages()->count());
        app(KeepSource::class)->keep($this->business, 'machines.md', 'file', str_replace('by the day', 'by the week', $text));
        self::assertSame([700, 700, 2], [$source->passages()->count(), KnowledgePassage::query()->count(), $source->refresh()->version]);
        app(KeepSource::class)->remove($source);
        self::assertSame(0, KnowledgePassage::query()->count());
        $this->assertShort('documents');
    }

    public function testADocumentThatBreaksOffLeavesTheOldOneAsItWas(): void
    {
        app(KeepSource::class)->keep($this->business, 'terms.md', 'file', "# Deposit\n\nThe deposit is £50.\n");
        $this->dies = true;
        DB::listen(function (QueryExecuted $query): void {
            if ($this->dies && str_starts_with($query->sql, 'insert into "knowledge_postings"')) {
                throw new \RuntimeException('killed');
            }
        });
        foreach (['terms.md', 'new.md'] as $name) {
            try {
                app(KeepSource::class)->keep($this->business, $name, 'file', "# Deposit\n\nThe deposit is £90.\n");
                self::fail('It was to die.');
            } catch (\RuntimeException $killed) {
                self::assertSame('killed', $killed->getMessage());
            }
        }
        $this->dies = false;
        self::assertSame(['terms.md'], KnowledgeSource::withTrashed()->pluck('name')->all());
        self::assertSame(1, KnowledgePassage::query()->count());
        $this->actingAs($this->who)->post('/pellbrook/knowledge/ask', ['question' => 'how much is the deposit?']);
        self::assertStringContainsString('£50', (string) KnowledgePassage::query()->sole()->sentences[0]);
    }

    public function testListsAndTranscriptsComeInAHandfulAtATime(): void
    {
        Storage::disk('local')->put('long.csv', "name,phone\n".implode("\n", array_map(static fn (int $n): string => sprintf('Caller %04d,0770090%04d', $n, $n), range(1, 1500)))."\n");
        $import = app(ImportContacts::class)->look($this->business, $this->who, 'long.csv', 'long.csv');
        app(ImportContacts::class)->run($import);
        self::assertSame('done', ContactImport::query()->sole()->status);
        app(ImportContacts::class)->undo($import->refresh(), $this->who);
        self::assertSame(1, Contact::query()->count());
        $this->assertShort('contacts');

        $lines = array_map(static fn (int $n): string => (string) json_encode(['id' => "call-{$n}", 'started_at' => '2026-03-10T09:14:00', 'tz' => 'Europe/London', 'turns' => [['by' => 'agent', 'text' => 'Pellbrook Hire, how can I help?', 'at' => 0], ['by' => 'caller', 'text' => "I need a breaker for {$n} days", 'at' => 3]]]), range(1, 120));
        Storage::disk('local')->put('calls.jsonl', implode("\n", $lines));
        $calls = CallImport::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'path' => 'calls.jsonl', 'status' => 'waiting', 'total' => 120, 'problems' => []]);
        while (app(ImportTranscripts::class)->goOn($calls->load('agent'), 5.0)) {
            $calls->refresh();
        }
        self::assertSame(120, Call::query()->where('kind', 'imported')->count());
        $this->assertShort('transcripts');

        app(CountCalls::class)->freshen($this->business);
        $this->assertShort('figures');
        $this->business->update(['keep_days' => 30]);
        Call::query()->update(['started_at' => now()->subDays(40)]);
        self::assertSame(120, app(EraseOldCalls::class)->in($this->business));
        $this->assertShort('erasing');
    }

    public function testACrowdIsCountedInShortGoes(): void
    {
        $run = CrowdRun::query()->create(['agent_id' => $this->agent->id, 'script_text_id' => $this->agent->draft->script_text_id, 'rings' => 'the draft', 'callers' => 40, 'seed' => '1', 'noise' => 0, 'placed_at' => now(), 'status' => 'queued']);
        app(RingCrowd::class)->run($run);
        self::assertSame('done', $run->refresh()->status);
        $this->assertShort('crowd');
    }

    private function assertShort(string $what): void
    {
        self::assertLessThan(self::LONGEST * self::slowness(), $this->longest[0], "{$what}: a lock was held from “{$this->longest[1]}” on");
    }

    /** How many times slower than usual this machine is just now: 1 where it is not. */
    private static function slowness(): float
    {
        $began = self::processor();
        for ($n = 0, $hash = ''; $n < self::ROUNDS; $n++) {
            $hash = hash('xxh128', $hash.$n);
        }

        return min(self::SLOWEST, max(1.0, (self::processor() - $began) / self::USUAL));
    }

    private static function processor(): float
    {
        $used = getrusage() ?: [];

        return 1000 * (($used['ru_utime.tv_sec'] ?? 0) + ($used['ru_stime.tv_sec'] ?? 0)) + (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1000;
    }
}
