<?php

declare(strict_types=1);

namespace Ringo\Line;

use Ringo\Brief\OpeningHours;
use Ringo\Transfer\Switchboard;

/** Decides the way a call takes: by the line it rang, the moment, who can be reached, and how many calls the line has already. */
final readonly class Exchange
{
    /** Lines a call may be forwarded over; a chain that long is a mistake. */
    private const MOST_FORWARDS = 5;

    private const DAYS = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    /**
     * @param array<string, Line> $lines of the business, by key
     * @param array<string, int> $busy calls in progress by line
     * @param array<string, string> $agents names by key
     */
    public function __construct(private array $lines, private OpeningHours $hours, private Switchboard $switchboard, private array $busy = [], private array $agents = [])
    {
    }

    /**
     * @param \DateTimeImmutable $at in the time zone of the business
     * @param list<string> $came lines it was forwarded from
     */
    public function way(string $key, \DateTimeImmutable $at, array $came = []): Way
    {
        $line = $this->lines[$key] ?? throw new \OutOfBoundsException("There is no line “{$key}”.");
        $why = $came === [] ? [] : ["forwarded from {$this->lines[$came[count($came) - 1]]->name}"];
        $busy = $this->busy[$key] ?? 0;
        if ($busy >= $line->atOnce) {
            return $this->ends($line, 'full', Who::Nobody, [...$why, "{$line->name} takes {$line->atOnce} ".($line->atOnce === 1 ? 'call' : 'calls')." at once, and has {$busy}"]);
        }
        $stretch = $line->answering->at($at, $this->hours);
        $answer = $stretch->answer;
        $why[] = self::DAYS[(int) $at->format('N')].' '.Answering::clock($stretch->from).' to '.Answering::clock($stretch->to).($stretch->why === '' ? '' : " ({$stretch->why})").': '.(new InWords($this->lines, $this->switchboard, $this->agents))->answer($answer, $line);

        return match ($answer->who) {
            Who::Agent => $this->agent($line, $answer, null, [], $why),
            Who::StaffFirst, Who::Staff => $this->staff($line, $answer, $at, $why),
            Who::Forward => $this->forward($line, $answer, $at, [...$came, $key], $why),
            Who::Nobody => $this->ends($line, 'nobody', Who::Nobody, $why),
        };
    }

    /** @param list<string> $why */
    private function staff(Line $line, Answer $answer, \DateTimeImmutable $at, array $why): Way
    {
        $target = (string) $answer->target;
        $reach = $this->switchboard->reach($target, $at);
        $name = $this->switchboard->named($target);
        if ($reach['state'] !== 'ready') {
            $state = ['closed' => 'closed at this hour', 'away' => 'nobody is free', 'full' => 'as many wait as may', 'unknown' => 'there is no such team'][$reach['state']] ?? $reach['state'];

            return $this->agent($line, $answer, null, [], [...$why, "{$name}: {$state}, so the agent answers at once"]);
        }
        $left = $answer->seconds;
        $rings = [];
        foreach ($reach['groups'] as $people) {
            $seconds = count($reach['groups']) === 1 ? $left : min($left, $reach['seconds']);
            if ($seconds <= 0) {
                break;
            }
            $rings[] = ['people' => $people, 'seconds' => $seconds];
            $left -= $seconds;
        }
        $why[] = "{$name} ".(count($rings) === 1 ? 'rings' : 'ring one after another').' for '.array_sum(array_column($rings, 'seconds')).' s';

        return $answer->who === Who::StaffFirst
            ? $this->agent($line, $answer, $target, $rings, $why)
            : new Way($line, $target, $rings, Way::WORDS, $answer->agent ?? $line->agent, null, $line->words['nobody'], null, $why, Who::Staff);
    }

    /**
     * @param list<array{people: list<string>, seconds: int}> $rings
     * @param list<string> $why
     */
    private function agent(Line $line, Answer $answer, ?string $target, array $rings, array $why): Way
    {
        return new Way($line, $target, $rings, Way::AGENT, $answer->agent ?? $line->agent, $answer->opening, $line->words['failed'], null, $why, $answer->who);
    }

    /**
     * @param list<string> $came
     * @param list<string> $why
     */
    private function forward(Line $line, Answer $answer, \DateTimeImmutable $at, array $came, array $why): Way
    {
        [$kind, $to] = explode(':', (string) $answer->target, 2) + [1 => ''];
        if ($kind === 'number') {
            return new Way($line, null, [], Way::FORWARD, null, null, '', $to, [...$why, "the call goes on to {$to}"], Who::Forward);
        }
        if (! isset($this->lines[$to]) || in_array($to, $came, true) || count($came) > self::MOST_FORWARDS) {
            return $this->ends($line, 'failed', Who::Nobody, [...$why, isset($this->lines[$to]) ? 'the call would go round in a circle' : "there is no line “{$to}”"]);
        }
        $way = $this->way($to, $at, $came);

        return new Way($way->line, $way->target, $way->rings, $way->then, $way->agent, $way->opening, $way->words, $way->number, [...$why, ...$way->why], $way->who, $way->full);
    }

    /** @param list<string> $why */
    private function ends(Line $line, string $words, Who $who, array $why): Way
    {
        return new Way($line, null, [], Way::WORDS, null, null, $line->words[$words], null, $why, $who, $words === 'full');
    }
}
