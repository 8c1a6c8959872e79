<?php

declare(strict_types=1);

namespace App\Actions\Crowd;

use App\Actions\Diary\DiariesOf;
use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\CrowdRun;
use App\Models\Errand;
use App\Models\ScriptText;
use Illuminate\Support\Facades\DB;
use Ringo\Dialogue\Engine;
use Ringo\Diary\Diaries;
use Ringo\Errand\Prepared;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Report;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\Crowd\Walked;
use Ringo\Rehearsal\NotedErrands;
use Ringo\Rehearsal\SketchBook;

/** Lets a crowd ring, a handful of callers at a time: each handful is counted once, whatever happens to whoever rings it. */
final class RingCrowd
{
    /** Callers between two looks at whether the run was stopped; they are counted together. */
    private const HANDFUL = 20;

    /** @var array<string, Walk> by run and text */
    private array $walks = [];

    public function __construct(private readonly SwitchboardOf $switchboard, private readonly KnowledgeOf $knowledge, private readonly DiariesOf $diaries)
    {
    }

    public function run(CrowdRun $run): void
    {
        $run->loadMissing('agent.business', 'scriptText', 'againstText');
        CrowdRun::query()->whereKey($run->id)->where('status', 'queued')->update(['status' => 'running']);
        while (($run->refresh())->status === 'running' && $run->done < $run->callers) {
            $this->handful($run);
        }
        CrowdRun::query()->whereKey($run->id)->where('status', 'running')->where('done', '>=', $run->callers)->update(['status' => 'done']);
    }

    /** One caller of a run, rung again: the same call as when it was counted. */
    public function caller(CrowdRun $run, int $n, bool $against = false): Walked
    {
        $run->loadMissing('agent.business', 'scriptText', 'againstText');
        $text = $against ? ($run->againstText ?? $run->scriptText) : $run->scriptText;

        return $this->walk($run, $text)->of($this->crowd($run)->caller($n));
    }

    /**
     * The same, noting what other systems answered.
     *
     * @return array{Walked, NotedErrands}
     */
    public function noting(CrowdRun $run, int $n, bool $against = false): array
    {
        $run->loadMissing('agent.business', 'scriptText', 'againstText');
        $text = $against ? ($run->againstText ?? $run->scriptText) : $run->scriptText;
        $noted = new NotedErrands($this->answers($run));

        return [$this->made($run, $text, $noted)->of($this->crowd($run)->caller($n)), $noted];
    }

    private function handful(CrowdRun $run): void
    {
        $from = $run->done + 1;
        $to = min($run->callers, $run->done + self::HANDFUL);
        $crowd = $this->crowd($run);
        $report = $run->report === null ? new Report : Report::goingOn($run->report);
        $other = $run->against_report === null ? new Report : Report::goingOn($run->against_report);
        for ($n = $from; $n <= $to; $n++) {
            $who = $crowd->caller($n);
            $report->add($this->walk($run, $run->scriptText)->of($who));
            if ($run->againstText !== null) {
                $other->add($this->walk($run, $run->againstText)->of($who));
            }
        }
        DB::transaction(static function () use ($run, $from, $to, $report, $other): void {
            // Counted only where nobody else has counted them since.
            CrowdRun::query()->whereKey($run->id)->where('done', $from - 1)->update(['done' => $to, 'report' => json_encode($report->sums()), 'against_report' => $run->against_text_id === null ? null : json_encode($other->sums()), 'updated_at' => now()]);
        });
    }

    private function crowd(CrowdRun $run): Crowd
    {
        $script = $run->scriptText->script();

        return new Crowd($script, $this->at($run), $run->seed);
    }

    private function at(CrowdRun $run): \DateTimeImmutable
    {
        return $run->placed_at->copy()->setTimezone($run->agent->business->tz)->toDateTimeImmutable();
    }

    /** Each caller finds the diary as it is designed, and other systems as their kept answers have them. */
    private function walk(CrowdRun $run, ScriptText $text): Walk
    {
        return $this->walks[$run->id.'|'.$text->id] ??= $this->made($run, $text, $this->answers($run));
    }

    private function made(CrowdRun $run, ScriptText $text, Prepared $answers): Walk
    {
        $business = $run->agent->business;
        $book = new SketchBook(Diaries::fromArray($this->diaries->document($business)));
        $engine = Engine::for($text->script(), $this->switchboard->business($business, true), $this->knowledge->forCalls($business), appointments: $book, errands: $business->errandDesigns());

        return new Walk($engine, $this->at($run), $run->noise, $answers, $book);
    }

    private function answers(CrowdRun $run): Prepared
    {
        $business = $run->agent->business;

        return KeptAnswers::of($business->errands()->get()->filter(static fn (Errand $errand): bool => $errand->kept !== null)->all(), $business);
    }
}
