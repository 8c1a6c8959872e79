<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Outreach;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Errand\Prepared;
use Ringo\Outreach\StandInPublic;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\StandIn;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Rehearsal\SketchBook;

/**
 * The simulated public at the other end: nobody, an engaged tone, an announcement of the network, a machine, a child, somebody who screens
 * calls, the wrong person, or somebody who talks with the agent.
 */
final class TheirCall implements Rings
{
    /** Seconds a line is held until it is answered, or given up. */
    private const RINGING = ['reached' => 12.0, 'busy' => 4.0, 'no_answer' => 25.0, 'voicemail' => 12.0, 'failed' => 5.0];

    /** What people who do not talk say, by who they are; a machine has its greeting. */
    private const SAYS = [
        'voicemail' => ['You have reached the voicemail of the person you are calling. Please leave a message after the tone.'],
        'announcement' => ['The number you have dialled has not been recognised. Please check and try again.'],
        'wrong_person' => ['sorry, you have the wrong number', 'no, wrong number'],
        'opts_out' => ['please take me off your list, do not call me again', 'yes, stop calling me', 'goodbye'],
        'later' => ['I cannot talk now, ring me after six', 'after six', 'yes', 'goodbye'],
        'screens' => ['who is calling please', 'and what is it about', 'no, we do not want that, goodbye'],
        'child' => ['hello', 'mummy is in the bath', 'I do not know', 'bye bye'],
    ];

    /** How often another wish is drawn for somebody whose wish is to be rung no more. */
    private const TRIES = 5;

    /** Between the numbers of one person's wishes, so that they are nobody else's. */
    private const OTHERS = 1_000_003;

    /** @var array<string, array{Crowd, Walk}> by day and attempt: what people say depends on no more */
    private array $crowds = [];

    private readonly Rehearsal $rehearsal;

    /** @param ?\Closure(StandIn, string): StandIn $minded how somebody is minded who is asked for what they think */
    public function __construct(private readonly Engine $engine, private readonly StandInPublic $public, private readonly string $seed, private readonly ?SketchBook $book = null, private readonly ?Prepared $prepared = null, private readonly ?\Closure $minded = null)
    {
        $this->rehearsal = new Rehearsal($engine, $prepared);
    }

    public function ring(int $person, int $attempt, int $hour, \Closure $state): array
    {
        $answers = $this->public->answers((string) $person, $attempt, $hour);
        $who = $answers['came'] === 'voicemail' ? 'voicemail' : $answers['who'];
        if (! in_array($answers['came'], ['reached', 'voicemail'], true) && $who !== 'announcement') {
            return ['came' => $answers['came'], 'call' => null, 'seconds' => self::RINGING[$answers['came']]];
        }
        $this->book?->fresh();
        $begun = $state();
        $call = match (true) {
            $who === 'hangs_up' => $this->rehearsal->run($begun, [new Input('hang_up')]),
            isset(self::SAYS[$who]) => $this->rehearsal->run($begun, array_map(static fn (string $words): Input => new Input('say', $words), self::SAYS[$who])),
            default => $this->talk($begun, $person, $attempt),
        };

        return ['came' => $answers['came'], 'call' => $call, 'seconds' => self::RINGING[$answers['came']] + max($call->transcript->seconds(), $call->state->clock)];
    }

    /** Somebody who talks; who wants no more calls is drawn by its own share, and not again among the wishes of everybody else. */
    private function talk(CallState $state, int $person, int $attempt): FinishedCall
    {
        [$crowd, $walk] = $this->crowd($state, $attempt);
        for ($other = 0; ; $other++) {
            $this->book?->fresh();
            $caller = $crowd->caller($person + $other * self::OTHERS);
            $caller = $this->minded === null ? $caller : ($this->minded)($caller, "{$this->seed}-{$attempt}-{$person}");
            $call = $walk->of($caller, clone $state)->call;
            if ($other === self::TRIES || ! $call->state->doNotCall && $call->state->outcome !== 'do not call') {
                return $call;
            }
        }
    }

    /** @return array{Crowd, Walk} */
    private function crowd(CallState $state, int $attempt): array
    {
        $day = substr($state->startedAt, 0, 10);

        return $this->crowds["{$day}|{$attempt}"] ??= [
            new Crowd($this->engine->script, $at = new \DateTimeImmutable($state->startedAt), "{$this->seed}-{$attempt}"),
            new Walk($this->engine, $at, 0.0, $this->prepared),
        ];
    }
}
