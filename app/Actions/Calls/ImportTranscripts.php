<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Actions\Records\Extractors;
use App\Jobs\BringTranscripts;
use App\Models\Agent;
use App\Models\Call;
use App\Models\CallImport;
use App\Models\CallTurn;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Ringo\Document\InvalidDocument;
use Ringo\Format\TranscriptFile;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

/** Brings in transcripts from elsewhere and reads their records; each stands or falls by itself. */
final readonly class ImportTranscripts
{
    /** Most transcripts taken from one file. */
    public const MOST = 5000;

    /** What was left out is told so often. */
    private const TOLD = 20;

    /** Seconds after which what nobody goes on with is taken up. */
    private const STALLED = 60;

    public function __construct(private Extractors $extractors, private KeepRecord $keep)
    {
    }

    /** @return array{made: int, there: int, problems: list<string>} */
    public function from(Agent $agent, string $text): array
    {
        $agent->load('business', 'draft.scriptText', 'latestRelease');
        $file = $this->file($agent);
        $counts = ['made' => 0, 'there' => 0, 'problems' => []];
        $n = 0;
        foreach ($file->pieces($text) as $place => $piece) {
            if (++$n > self::MOST) {
                $counts['problems'][] = 'Only the first '.self::MOST.' transcripts were taken. Bring the rest in with another file.';

                break;
            }
            $problem = $this->one($agent, $file, $place, $piece);
            is_string($problem) ? $counts['problems'][] = $problem : $counts[$problem ? 'made' : 'there']++;
        }

        return ['made' => $counts['made'], 'there' => $counts['there'], 'problems' => array_slice($counts['problems'], 0, self::TOLD)];
    }

    /** Keeps a file, to be brought in beside the pages. */
    public function begin(Agent $agent, string $text): CallImport
    {
        $agent->load('business');
        $total = 0;
        foreach ($this->file($agent)->pieces($text) as $piece) {
            $total++;
        }
        $path = CallImport::FOLDER.'/'.Str::ulid().'.json';
        Storage::disk('local')->put($path, $text);

        return CallImport::query()->create(['business_id' => $agent->business_id, 'agent_id' => $agent->id, 'path' => $path, 'status' => 'queued', 'total' => min(self::MOST, $total), 'done' => 0, 'made' => 0, 'there' => 0, 'problems' => $total > self::MOST ? ['Only the first '.self::MOST.' transcripts are taken. Bring the rest in with another file.'] : []]);
    }

    /**
     * Goes on where it was; each transcript and how far it has come are written together.
     *
     * @param float $seconds after which it lets others have a turn
     *
     * @return bool whether there is more
     */
    public function goOn(CallImport $import, float $seconds): bool
    {
        $agent = $import->agent->load('business', 'draft.scriptText', 'latestRelease');
        $file = $this->file($agent);
        $import->update(['status' => 'running']);
        $until = microtime(true) + $seconds;
        $n = 0;
        foreach ($file->pieces((string) Storage::disk('local')->get($import->path)) as $place => $piece) {
            if (++$n <= $import->done) {
                continue;
            }
            if ($n > $import->total) {
                break;
            }
            if (microtime(true) > $until) {
                return true;
            }
            DB::transaction(function () use ($import, $agent, $file, $place, $piece): void {
                $problem = $this->one($agent, $file, $place, $piece);
                $import->done++;
                is_string($problem) ? $import->problems = array_slice([...$import->problems, $problem], 0, self::TOLD) : ($problem ? $import->made++ : $import->there++);
                $import->save();
            });
        }
        $import->update(['status' => 'done']);
        Storage::disk('local')->delete($import->path);

        return false;
    }

    /** Takes up what nobody goes on with. */
    public function takeUp(): void
    {
        $before = now()->subSeconds(self::STALLED);
        foreach (CallImport::query()->where('status', '!=', 'done')->where('updated_at', '<', $before)->pluck('id') as $id) {
            if (CallImport::query()->whereKey($id)->where('updated_at', '<', $before)->update(['updated_at' => now()]) === 1) {
                BringTranscripts::dispatch((int) $id);
            }
        }
    }

    private function file(Agent $agent): TranscriptFile
    {
        return new TranscriptFile($agent->business->country, $agent->business->tz);
    }

    /**
     * @param array<array-key, mixed>|string $piece
     *
     * @return bool|string whether it is new; what is wrong with it
     */
    private function one(Agent $agent, TranscriptFile $file, int $place, array|string $piece): bool|string
    {
        try {
            if (! is_array($piece)) {
                throw new InvalidDocument([['path' => '', 'message' => $piece]]);
            }
            $transcript = $file->read($piece, now()->toDateTimeImmutable());
            $known = hash('sha256', json_encode(['started_at' => is_string($piece['started_at'] ?? null) ? $transcript->startedAt : '', 'turns' => array_map(static fn (Turn $turn): array => [$turn->by, $turn->text], $transcript->turns), 'from' => $transcript->from, 'id' => $transcript->id], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
            if (Call::withTrashed()->where('agent_id', $agent->id)->where('brought', $known)->exists()) {
                return false;
            }
            $this->keep($agent, $transcript, is_string($piece['outcome'] ?? null) ? mb_substr($piece['outcome'], 0, 100) : 'brought in', $known);

            return true;
        } catch (InvalidDocument $problem) {
            return 'Transcript '.$place.': '.$problem->getMessage();
        }
    }

    private function keep(Agent $agent, Transcript $transcript, string $outcome, string $known): void
    {
        DB::transaction(function () use ($agent, $transcript, $outcome, $known): void {
            $started = (new \DateTimeImmutable($transcript->startedAt))->setTimezone(new \DateTimeZone('UTC'));
            $call = Call::query()->create([
                'ref' => (string) Str::ulid(), 'business_id' => $agent->business_id, 'agent_id' => $agent->id, 'script_text_id' => $agent->draft->script_text_id, 'release_id' => null, 'contact_id' => null,
                'kind' => 'imported', 'direction' => $transcript->direction, 'from' => $transcript->from === null ? null : mb_substr($transcript->from, 0, 20), 'to' => $transcript->to === null ? null : mb_substr($transcript->to, 0, 20),
                'caller_name' => $transcript->from === null ? 'Withheld number' : 'Unknown caller', 'status' => 'ended', 'outcome' => $outcome, 'seconds' => $transcript->seconds(), 'started_at' => $started, 'tz' => $transcript->tz,
                'step' => 0, 'state' => [], 'brought' => $known, 'last_event_at' => $started,
            ]);
            CallTurn::query()->insert(array_map(static fn (Turn $turn, int $i): array => ['call_id' => $call->id, 'n' => $i, 'by' => $turn->by, 'text' => $turn->text, 'at' => round($turn->at, 1), 'seconds' => round($turn->seconds, 1), 'keys' => $turn->keys, 'steps' => '[]', 'cut' => false], $transcript->turns, array_keys($transcript->turns)));
            $call->load('turns', 'business');
            $this->keep->keep($call, $this->extractors->of($agent->draft->scriptText->script()->sheet)->extract($transcript, $outcome));
        });
    }
}
