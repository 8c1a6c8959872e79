<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Transfers;

use Ringo\Dialogue\Actions\Connect;
use Ringo\Dialogue\Actions\Ring;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Transfer\TransferStep;
use Ringo\Speech\Prompt;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Heard;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/**
 * Hands live calls over: takes the target that the rules name, rings group after group, tells the caller what is happening, and goes on to the next target or back into the script. Nobody is ever left connected to nobody.
 *
 * @phpstan-type State array{step: string, rule: string, why: string, how: string, targets: list<string>, target: string, groups: list<list<string>>, group: int, since: float, asked: int, silences: int, opening: bool, told: bool, tried: list<string>, offered?: string}
 */
final readonly class Transfers
{
    /** A telephone that tells nothing for so many silences has not been answered. */
    private const UNANSWERED = 8;

    /** What decided where a step names its target itself. */
    public const THE_STEP = 'the step itself';

    /** Reason of a decline that names the team it is for: `not for us: KEY`. */
    public const NOT_FOR_US = 'not for us: ';

    /** Reason of a decline that promises a call-back. */
    public const RING_BACK = 'rings back later';

    public function __construct(private Switchboard $switchboard, private CallBacks $callBacks, private Announcement $announcement, private WhichTeam $whichTeam, private Rules $rules)
    {
    }

    /** A transfer step: the rules decide. */
    public function begin(Turn $turn, TransferStep $step): Move
    {
        $state = $turn->state;
        $state->step = $step->key();
        $state->path[] = $step->key();
        if ($step->prompt !== null && ! $step->prompt->isEmpty()) {
            $turn->prompt($step->prompt, $step->key());
        }
        $said = $turn->hasSpoken() && $step->prompt !== null && ! $step->prompt->isEmpty();
        if ($step->to !== null) {
            return $this->towards($turn, $step->key(), self::THE_STEP, [$step->to], 'announced', 'the step names its own target', null, $said);
        }
        $rule = $this->rules->first($turn);
        $default = $turn->script->transfers->default;
        if ($rule === null) {
            $turn->trace->rule($default === '' ? 'transfer: no rule holds and there is no default' : 'transfer: no rule holds, so the default');

            return $this->towards($turn, $step->key(), 'default', $default === '' ? [] : [$default], 'announced', 'no rule holds', null, $said);
        }
        $why = "rule {$rule['key']}".($rule['when'] === null ? '' : ': '.$rule['when']->inWords());
        $turn->trace->rule('transfer, '.$why);

        return $this->towards($turn, $step->key(), $rule['key'], [$rule['to'], ...$rule['otherwise']], $rule['how'], $why, $rule['say'], $said);
    }

    /**
     * @param list<string> $targets in the order they are tried
     */
    private function towards(Turn $turn, string $step, string $rule, array $targets, string $how, string $why, ?Prompt $say, bool $told): Move
    {
        $turn->state->fired[] = $rule;
        $turn->state->transfer = ['step' => $step, 'rule' => $rule, 'why' => $why, 'how' => $how, 'targets' => $targets, 'target' => '', 'groups' => [], 'group' => 0, 'since' => $turn->state->clock, 'asked' => 0, 'silences' => 0, 'opening' => true, 'told' => $told || $say !== null, 'tried' => []];
        if ($say !== null) {
            $turn->prompt($say, $step.'.'.$rule);
        }

        return $this->next($turn);
    }

    /** The next target: rung if it can be reached, told if not. One that failed before is not rung again. */
    private function next(Turn $turn): Move
    {
        $state = $turn->state;
        while ($state->transfer !== null && ($target = array_shift($state->transfer['targets'])) !== null) {
            $target = $target === 'fit' ? $this->whichTeam->fitting($turn) : $target;
            if ($target === null) {
                return Move::stay();
            }
            if (str_starts_with($target, 'step:')) {
                return $this->back($turn, substr($target, 5));
            }
            if ($target === 'call_back') {
                if ($this->callBacks->possible($turn)) {
                    $this->callBacks->ask($turn);

                    return Move::stay();
                }
                $turn->trace->rule('no call-back: there is no number to ring, or nobody to ring it');

                continue;
            }
            if (in_array($target, $state->transfer['tried'], true)) {
                $turn->trace->rule($this->switchboard->named($target).' was tried already');

                continue;
            }
            if ($this->rang($turn, $target)) {
                return Move::stay();
            }
        }

        return $this->nobody($turn);
    }

    /** Rings a target, or says why it cannot be reached. */
    private function rang(Turn $turn, string $target): bool
    {
        $transfer = $turn->state->transfer ?? throw new \LogicException('Nothing is being handed over.');
        $transfer['target'] = $target;
        $transfer['tried'][] = $target;
        $reach = $this->switchboard->reach($target, $turn->scope()->now);
        $name = $this->switchboard->named($target);
        if ($reach['state'] !== 'ready') {
            $turn->state->transfer = $transfer;
            $turn->trace->rule("{$name} cannot be reached: {$reach['state']}");
            $this->tellWhy($turn, $name, $reach['state'], $reach['opens']);

            return false;
        }
        $transfer['groups'] = $reach['groups'];
        $transfer['group'] = 0;
        $turn->trace->rule("rings {$name}");
        // A transfer is announced once: by the step's or the rule's own words, else by the usual ones.
        if (! $transfer['told'] || count($transfer['tried']) > 1) {
            $turn->standing('transferring', ['team' => $name]);
        }
        $transfer['told'] = true;
        $turn->state->transfer = $transfer;
        $this->ring($turn, $reach['seconds']);

        return true;
    }

    private function tellWhy(Turn $turn, string $name, string $state, ?\DateTimeImmutable $opens): void
    {
        if ($state === 'unknown') {
            return;
        }
        if ($state === 'closed') {
            $turn->standing('team_closed', ['team' => $name, 'opens' => $opens === null ? '' : $turn->sayTyped(new Typed(ValueType::DateTime, $opens->format('Y-m-d\TH:i')))]);
        } elseif ($state === 'full') {
            $turn->standing('team_full', ['team' => $name]);
        } else {
            $turn->standing('team_away', ['team' => $name]);
        }
    }

    /** The caller's answer to which team. */
    public function which(Turn $turn, Heard $heard): Move
    {
        if ($turn->state->transfer === null) {
            return $this->nobody($turn);
        }
        $target = $this->whichTeam->answered($turn, $heard);

        return $target === null ? Move::stay() : $this->firstOfAll($turn, $target);
    }

    /** Silence to which team: asked once more, then the default takes the call. */
    public function unanswered(Turn $turn): Move
    {
        if ($turn->state->silences <= 1 || $turn->state->transfer === null) {
            $turn->standing('silent');

            return Move::again();
        }
        $turn->state->mode = Mode::Answer;
        $turn->state->candidates = [];
        $turn->trace->rule('no answer to which team: the default');

        return $this->firstOfAll($turn, WhichTeam::otherwise($turn));
    }

    private function firstOfAll(Turn $turn, string $target): Move
    {
        if ($turn->state->transfer !== null) {
            array_unshift($turn->state->transfer['targets'], $target);
        }

        return $this->next($turn);
    }

    /** The caller's answer to when a call-back would suit. */
    public function callBack(Turn $turn, Heard $heard): Move
    {
        $move = $this->callBacks->heard($turn, $heard);
        if ($move !== null) {
            return $move;
        }
        $turn->state->mode = Mode::Answer;

        return $this->next($turn);
    }

    private function ring(Turn $turn, ?int $seconds = null): void
    {
        $state = $turn->state;
        $transfer = $state->transfer;
        if ($transfer === null) {
            return;
        }
        $state->mode = Mode::Ringing;
        $people = $transfer['groups'][$transfer['group']] ?? [];
        $turn->actions[] = new Ring($transfer['target'], $people, $seconds ?? $this->switchboard->reach($transfer['target'], $turn->scope()->now)['seconds'] ?: 20, $transfer['how'], $this->announcement->of($turn));
    }

    /** Somebody took the call: out of the ringing, or by stepping in. */
    public function answered(Turn $turn, string $person): Move
    {
        $state = $turn->state;
        if ($person === '') {
            $turn->trace->rule('nobody rings, so nobody takes the call');

            return Move::stay();
        }
        $name = $this->switchboard->person($person)->name ?? (str_starts_with($person, 'number:') ? 'a colleague' : $person);
        $after = $state->transfer === null ? 0.0 : round($state->clock - $state->transfer['since'], 1);
        $first = $state->connected === null;
        $turn->trace->rule("{$name} takes the call".($first && $state->transfer !== null ? ' after '.number_format($after, 0).' s' : ''));
        if ($first) {
            $turn->standing('connected', ['name' => $name]);
        }
        $state->connected = ['person' => $person, 'name' => $name, 'after' => $after, 'target' => $state->transfer['target'] ?? ''];
        $state->transfer = null;
        $state->mode = Mode::Connected;
        $state->outcome = 'transferred to '.$name;
        $turn->actions[] = new Connect($person, $name, $after);

        return Move::stay();
    }

    /** Nobody of this group: the next group, the next target, or what the rule says. */
    public function failed(Turn $turn, string $how, string $reason): Move
    {
        $state = $turn->state;
        $transfer = $state->transfer;
        if ($transfer === null || $state->mode !== Mode::Ringing) {
            $turn->trace->rule('nothing was ringing');

            return Move::stay();
        }
        $name = $this->switchboard->named($transfer['target']);
        $turn->trace->rule("{$name}: {$how}".($reason === '' ? '' : ", “{$reason}”"));
        if ($reason === self::RING_BACK && $this->callBacks->possible($turn)) {
            $turn->standing('nobody_answers', ['team' => $name]);
            $this->callBacks->ask($turn);

            return Move::stay();
        }
        if (str_starts_with($reason, self::NOT_FOR_US) && $this->switchboard->team($meant = substr($reason, strlen(self::NOT_FOR_US))) !== null) {
            array_unshift($transfer['targets'], 'team:'.$meant);
            $state->transfer = $transfer;
            $turn->trace->rule("{$name} says it is for ".$this->switchboard->named('team:'.$meant));

            return $this->next($turn);
        }
        if (isset($transfer['groups'][$transfer['group'] + 1])) {
            $transfer['group']++;
            $state->transfer = $transfer;
            $turn->standing('still_ringing', ['place' => '']);
            $this->ring($turn);

            return Move::stay();
        }
        $turn->standing('nobody_answers', ['team' => $name]);

        return $this->next($turn);
    }

    /** Words or silence while it rings: the caller is told the truth and is not asked anything. */
    public function waiting(Turn $turn, bool $said): Move
    {
        $transfer = $turn->state->transfer;
        if ($transfer === null) {
            return $this->nobody($turn);
        }
        $transfer['silences'] += $said ? 0 : 1;
        $turn->state->transfer = $transfer;
        if ($transfer['silences'] >= self::UNANSWERED) {
            return $this->failed($turn, 'no answer', '');
        }
        $turn->trace->rule($said ? 'words while it rings' : 'still ringing');
        $place = $this->switchboard->team(substr($transfer['target'], 5))->waiting ?? 0;
        if ($turn->script->transfers->waiting !== null && ! $said) {
            $turn->prompt($turn->script->transfers->waiting, 'transfer.waiting');
        } else {
            $turn->standing('still_ringing', ['place' => $place > 1 ? " You are number {$place} in the queue." : '']);
        }

        return Move::stay();
    }

    private function nobody(Turn $turn): Move
    {
        $state = $turn->state;
        $step = $state->transfer['step'] ?? $state->step;
        $state->transfer = null;
        $state->mode = Mode::Answer;
        $turn->trace->rule('nobody can take the call');
        $there = $step === null ? null : ($turn->script->steps[$step] ?? null);
        if ($there instanceof TransferStep) {
            return Move::to($there->otherwise);
        }
        $turn->standing('limit');
        $turn->end($state->outcome ?? 'nobody could take the call');

        return Move::stay();
    }

    private function back(Turn $turn, string $step): Move
    {
        $turn->state->transfer = null;
        $turn->state->mode = Mode::Answer;
        $turn->trace->rule("back into the script at {$step}");

        return Move::to($step);
    }
}
