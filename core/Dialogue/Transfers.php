<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Script\Steps\Transfer\TransferStep;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Prompt;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Heard;
use Ringo\Value\Redaction;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/**
 * Hands live calls over: chooses the target by the rules, asks which team where two fit, rings group after group, tells the caller
 * what is happening, and goes on to the next target or back into the script. Nobody is ever left connected to nobody.
 *
 * @phpstan-type State array{step: string, rule: string, why: string, how: string, targets: list<string>, target: string, groups: list<list<string>>, group: int, since: float, asked: int, silences: int, opening: bool, offered?: string}
 */
final readonly class Transfers
{
    /** Reason of a decline that promises a call-back. */
    public const RING_BACK = 'rings back later';

    public function __construct(private Switchboard $switchboard, private Walker $walker, private CallBacks $callBacks)
    {
    }

    /** A transfer step: the rules decide. */
    public function begin(Turn $turn, TransferStep $step): void
    {
        $state = $turn->state;
        $state->step = $step->key();
        $state->path[] = $step->key();
        if ($step->prompt !== null && ! $step->prompt->isEmpty()) {
            $turn->prompt($step->prompt, $step->key());
        }
        if ($step->to !== null) {
            $this->towards($turn, $step->key(), 'the step itself', [$step->to], 'announced', 'the step names its own target', null);

            return;
        }
        $scope = $turn->scope();
        foreach ($turn->script->transfers->rules as $rule) {
            if ($rule['when'] !== null && ! $rule['when']->holds($scope->value(...))) {
                continue;
            }
            if ($rule['words'] !== [] && ! $this->worded($turn, $rule['words'])) {
                continue;
            }
            $why = "rule {$rule['key']}".($rule['when'] === null ? '' : ': '.$rule['when']->inWords());
            $turn->trace->rule('transfer, '.$why);
            $this->towards($turn, $step->key(), $rule['key'], [$rule['to'], ...$rule['otherwise']], $rule['how'], $why, $rule['say']);

            return;
        }
        $default = $turn->script->transfers->default;
        $turn->trace->rule($default === '' ? 'transfer: no rule holds and there is no default' : 'transfer: no rule holds, so the default');
        $this->towards($turn, $step->key(), 'default', $default === '' ? [] : [$default], 'announced', 'no rule holds', null);
    }

    /**
     * @param list<string> $words sayings of which one must have been said in the call
     */
    public function worded(Turn $turn, array $words): bool
    {
        $said = mb_strtolower(implode(' . ', $turn->state->said));
        foreach ($words as $one) {
            if ($one !== '' && preg_match('/(?<!\pL)'.preg_quote(mb_strtolower($one), '/').'(?!\pL)/u', $said) === 1) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<string> $targets in the order they are tried
     */
    private function towards(Turn $turn, string $step, string $rule, array $targets, string $how, string $why, ?Prompt $say): void
    {
        $turn->state->transfer = ['step' => $step, 'rule' => $rule, 'why' => $why, 'how' => $how, 'targets' => $targets, 'target' => '', 'groups' => [], 'group' => 0, 'since' => $turn->state->clock, 'asked' => 0, 'silences' => 0, 'opening' => true];
        if ($say !== null) {
            $turn->prompt($say, $step.'.'.$rule);
        }
        $this->next($turn);
    }

    /** The next target: rung if it can be reached, told if not. */
    private function next(Turn $turn): void
    {
        $state = $turn->state;
        while ($state->transfer !== null && ($target = array_shift($state->transfer['targets'])) !== null) {
            if ($target === 'fit') {
                $target = $this->fitting($turn);
                if ($target === null) {
                    return;
                }
            }
            if (str_starts_with($target, 'step:')) {
                $this->back($turn, substr($target, 5));

                return;
            }
            if ($target === 'call_back') {
                if ($this->callBacks->possible($turn)) {
                    $this->callBacks->ask($turn);

                    return;
                }
                $turn->trace->rule('no call-back: there is no number to ring, or nobody to ring it');

                continue;
            }
            $state->transfer['target'] = $target;
            $reach = $this->switchboard->reach($target, $turn->scope()->now);
            $name = $this->switchboard->named($target);
            if ($reach['state'] === 'ready') {
                $state->transfer['groups'] = $reach['groups'];
                $state->transfer['group'] = 0;
                $turn->trace->rule("rings {$name}");
                $turn->standing('transferring', ['team' => $name]);
                $this->ring($turn, $reach['seconds']);

                return;
            }
            $turn->trace->rule("{$name} cannot be reached: {$reach['state']}");
            $this->tellWhy($turn, $name, $reach['state'], $reach['opens']);
        }
        $this->nobody($turn);
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

    /** The team that fits what was said so far; null where the caller is asked which. */
    private function fitting(Turn $turn): ?string
    {
        $state = $turn->state;
        $fit = $this->switchboard->fit();
        $default = $turn->script->transfers->default;
        if ($fit === null) {
            $turn->trace->rule('no teams are described, so the default');

            return $default === '' ? 'team:none' : $default;
        }
        $found = $fit->of($this->spoken($turn));
        $turn->trace->rule('which team: '.$found->why);
        $turn->trace->fit = $found->scores;
        if ($found->team !== null) {
            return 'team:'.$found->team;
        }
        if ($found->candidates !== []) {
            $state->mode = 'which_team';
            $state->candidates = $found->candidates;
            if ($state->transfer !== null) {
                $state->transfer['asked']++;
            }
            $turn->speak($found->question, $state->step, true);

            return null;
        }

        return $default === '' ? 'team:none' : $default;
    }

    /** The caller's answer to which team. No more than two questions; then the default. */
    public function which(Turn $turn, Heard $heard): void
    {
        $state = $turn->state;
        $fit = $this->switchboard->fit();
        $transfer = $state->transfer;
        if ($fit === null || $transfer === null) {
            $this->nobody($turn);

            return;
        }
        $before = $state->said;
        array_pop($before);
        $found = $fit->answered(implode('. ', array_slice($before, -4)), $state->candidates, $heard->original);
        $turn->trace->rule('which team: '.$found->why);
        $turn->trace->fit = $found->scores;
        $state->mode = 'answer';
        $state->candidates = [];
        if ($found->team === null && $transfer['asked'] < 2) {
            $again = $fit->of($heard->original);
            if ($again->candidates !== []) {
                $state->mode = 'which_team';
                $state->candidates = $again->candidates;
                $transfer['asked']++;
                $state->transfer = $transfer;
                $turn->speak($again->question, $state->step, true);

                return;
            }
        }
        $default = $turn->script->transfers->default;
        array_unshift($transfer['targets'], $found->team !== null ? 'team:'.$found->team : ($default === '' ? 'team:none' : $default));
        $state->transfer = $transfer;
        $this->next($turn);
    }

    /** The caller's answer to when a call-back would suit. */
    public function callBack(Turn $turn, Heard $heard): void
    {
        if ($this->callBacks->heard($turn, $heard)) {
            $turn->state->mode = 'answer';
            $this->next($turn);
        }
    }

    private function ring(Turn $turn, ?int $seconds = null): void
    {
        $state = $turn->state;
        $transfer = $state->transfer;
        if ($transfer === null) {
            return;
        }
        $state->mode = 'ringing';
        $people = $transfer['groups'][$transfer['group']] ?? [];
        $turn->actions[] = new Ring($transfer['target'], $people, $seconds ?? $this->switchboard->reach($transfer['target'], $turn->scope()->now)['seconds'] ?: 20, $transfer['how'], $this->announcement($turn));
    }

    /** Somebody took the call: out of the ringing, or by stepping in. */
    public function answered(Turn $turn, string $person): void
    {
        $state = $turn->state;
        $name = $this->switchboard->people[$person]->name ?? (str_starts_with($person, 'number:') ? 'a colleague' : $person);
        $after = $state->transfer === null ? 0.0 : round($state->clock - $state->transfer['since'], 1);
        $first = $state->connected === null;
        $turn->trace->rule("{$name} takes the call".($first && $state->transfer !== null ? ' after '.number_format($after, 0).' s' : ''));
        if ($first) {
            $turn->standing('connected', ['name' => $name]);
        }
        $state->connected = ['person' => $person, 'name' => $name, 'after' => $after, 'target' => $state->transfer['target'] ?? ''];
        $state->transfer = null;
        $state->mode = 'connected';
        $state->outcome = 'transferred to '.$name;
        $turn->actions[] = new Connect($person, $name, $after);
    }

    /** Nobody of this group: the next group, the next target, or what the rule says. */
    public function failed(Turn $turn, string $how, string $reason): void
    {
        $state = $turn->state;
        $transfer = $state->transfer;
        if ($transfer === null || $state->mode !== 'ringing') {
            $turn->trace->rule('nothing was ringing');

            return;
        }
        $name = $this->switchboard->named($transfer['target']);
        $turn->trace->rule("{$name}: {$how}".($reason === '' ? '' : ", “{$reason}”"));
        if ($reason === self::RING_BACK && $this->callBacks->possible($turn)) {
            $turn->standing('nobody_answers', ['team' => $name]);
            $this->callBacks->ask($turn);

            return;
        }
        if (isset($transfer['groups'][$transfer['group'] + 1])) {
            $transfer['group']++;
            $state->transfer = $transfer;
            $turn->standing('still_ringing', ['place' => '']);
            $this->ring($turn);

            return;
        }
        $turn->standing('nobody_answers', ['team' => $name]);
        $this->next($turn);
    }

    /** Words or silence while it rings: the caller is told the truth and is not asked anything. */
    public function waiting(Turn $turn, bool $said): void
    {
        $transfer = $turn->state->transfer;
        if ($transfer === null) {
            $this->nobody($turn);

            return;
        }
        $transfer['silences'] += $said ? 0 : 1;
        $turn->state->transfer = $transfer;
        // A telephone that tells nothing for so long has not been answered.
        if ($transfer['silences'] >= 8) {
            $this->failed($turn, 'no answer', '');

            return;
        }
        $turn->trace->rule($said ? 'words while it rings' : 'still ringing');
        $place = ($this->switchboard->teams[substr($transfer['target'], 5)] ?? null)->waiting ?? 0;
        if ($turn->script->transfers->waiting !== null && ! $said) {
            $turn->prompt($turn->script->transfers->waiting, 'transfer.waiting');
        } else {
            $turn->standing('still_ringing', ['place' => $place > 1 ? " You are number {$place} in the queue." : '']);
        }
    }

    private function nobody(Turn $turn): void
    {
        $state = $turn->state;
        $step = $state->transfer['step'] ?? $state->step;
        $state->transfer = null;
        $state->mode = 'answer';
        $turn->trace->rule('nobody can take the call');
        $there = $step === null ? null : ($turn->script->steps[$step] ?? null);
        if ($there instanceof TransferStep) {
            $this->walker->go($turn, $there->otherwise);

            return;
        }
        $turn->standing('limit');
        $turn->end($state->outcome ?? 'nobody could take the call');
    }

    private function back(Turn $turn, string $step): void
    {
        $turn->state->transfer = null;
        $turn->state->mode = 'answer';
        $turn->trace->rule("back into the script at {$step}");
        $this->walker->go($turn, $step);
    }

    private function spoken(Turn $turn): string
    {
        $topic = $turn->state->topic;
        $label = '';
        foreach ($turn->script->steps as $step) {
            if ($step instanceof \Ringo\Script\Steps\Listen\ListenStep && $topic !== null && ($found = $step->topic($topic)) !== null) {
                $label = $found['description'];
            }
        }
        $said = implode('. ', array_slice($turn->state->said, -4));

        return $said === '' ? $label : $said;
    }

    /** @return array<string, mixed> what whoever is rung reads or hears first */
    private function announcement(Turn $turn): array
    {
        $state = $turn->state;
        $sheet = $turn->script->sheet;
        $record = [];
        foreach ($state->values as $key => $held) {
            $field = $sheet->field($key);
            if ($field !== null && ! $field->ownersOnly) {
                $record[$field->title] = $turn->shown($field, $held->value);
            }
        }
        $name = ($sheet->field('caller_name')->ownersOnly ?? false) ? null : $state->values['caller_name']->value ?? null;
        $name ??= $state->caller['name'] ?? null;

        return [
            'caller' => is_string($name) ? $name : 'A caller', 'number' => $state->from, 'known' => (bool) ($state->caller['known'] ?? false), 'organisation' => $state->caller['organisation'] ?? '',
            'why' => $state->transfer['why'] ?? '', 'said' => self::lastLines($state, $sheet), 'record' => $record, 'waited' => $state->transfer === null ? 0 : round($state->clock - $state->transfer['since'], 1), 'verified' => $state->verified, 'priority' => $state->priority,
        ];
    }

    /** @return list<string> the last lines of the caller, without the words of fields that staff do not see */
    public static function lastLines(CallState $state, RecordSheet $sheet): array
    {
        $cells = [];
        foreach (array_intersect_key($state->values, array_flip($sheet->ownersOnly())) as $key => $held) {
            $cells[$key] = ['display' => ''] + $held->toArray();
        }
        $redaction = new Redaction($cells, [], '[kept back]');

        return array_map($redaction->text(...), array_slice($state->said, -3));
    }
}
