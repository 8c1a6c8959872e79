<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Actions\Records\Extractors;
use App\Models\Agent;
use App\Models\Call;
use App\Models\CallTurn;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Ringo\Document\InvalidDocument;
use Ringo\Format\TranscriptFile;
use Ringo\Transcript\Turn;

/** Brings in transcripts from elsewhere and reads their records; each stands or falls by itself. */
final readonly class ImportTranscripts
{
    /** Most transcripts taken from one file. */
    public const MOST = 5000;

    public function __construct(private Extractors $extractors, private KeepRecord $keep)
    {
    }

    /** @return array{made: int, there: int, problems: list<string>} */
    public function from(Agent $agent, string $text): array
    {
        $agent->load('business', 'draft.scriptText', 'latestRelease');
        $file = new TranscriptFile($agent->business->country, $agent->business->tz);
        $sheet = $agent->draft->scriptText->script()->sheet;
        $made = $there = 0;
        $problems = [];
        $n = 0;
        foreach ($file->pieces($text) as $place => $piece) {
            if (++$n > self::MOST) {
                $problems[] = 'Only the first '.self::MOST.' transcripts were taken. Bring the rest in with another file.';

                break;
            }
            try {
                if (! is_array($piece)) {
                    throw new InvalidDocument([['path' => '', 'message' => $piece]]);
                }
                $transcript = $file->read($piece, now()->toDateTimeImmutable());
                $known = hash('sha256', json_encode(['started_at' => is_string($piece['started_at'] ?? null) ? $transcript->startedAt : '', 'turns' => array_map(static fn (Turn $turn): array => [$turn->by, $turn->text], $transcript->turns), 'from' => $transcript->from, 'id' => $transcript->id], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
                if (Call::withTrashed()->where('agent_id', $agent->id)->where('brought', $known)->exists()) {
                    $there++;

                    continue;
                }
                DB::transaction(function () use ($agent, $transcript, $sheet, $piece, $known): void {
                    $started = new \DateTimeImmutable($transcript->startedAt);
                    $outcome = is_string($piece['outcome'] ?? null) ? mb_substr($piece['outcome'], 0, 100) : 'brought in';
                    $call = Call::query()->create([
                        'ref' => (string) Str::ulid(), 'business_id' => $agent->business_id, 'agent_id' => $agent->id, 'script_text_id' => $agent->draft->script_text_id, 'release_id' => null, 'contact_id' => null,
                        'kind' => 'imported', 'direction' => $transcript->direction, 'from' => $transcript->from === null ? null : mb_substr($transcript->from, 0, 20), 'to' => $transcript->to === null ? null : mb_substr($transcript->to, 0, 20),
                        'caller_name' => $transcript->from === null ? 'Withheld number' : 'Unknown caller', 'status' => 'ended', 'outcome' => $outcome, 'seconds' => $transcript->seconds(), 'started_at' => $started->setTimezone(new \DateTimeZone('UTC')), 'tz' => $transcript->tz,
                        'step' => 0, 'state' => [], 'brought' => $known, 'last_event_at' => $started->setTimezone(new \DateTimeZone('UTC')),
                    ]);
                    CallTurn::query()->insert(array_map(static fn (Turn $turn, int $i): array => ['call_id' => $call->id, 'n' => $i, 'by' => $turn->by, 'text' => $turn->text, 'at' => round($turn->at, 1), 'seconds' => round($turn->seconds, 1), 'keys' => $turn->keys, 'steps' => '[]', 'cut' => false], $transcript->turns, array_keys($transcript->turns)));
                    $call->load('turns', 'business');
                    $this->keep->keep($call, $this->extractors->of($sheet)->extract($transcript, $outcome));
                });
                $made++;
            } catch (InvalidDocument $problem) {
                $problems[] = 'Transcript '.$place.': '.$problem->getMessage();
            }
        }

        return ['made' => $made, 'there' => $there, 'problems' => array_slice($problems, 0, 20)];
    }
}
