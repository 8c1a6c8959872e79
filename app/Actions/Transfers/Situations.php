<?php

declare(strict_types=1);

namespace App\Actions\Transfers;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Scope;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Speech\Display;
use Ringo\Speech\Speakable;
use Ringo\Transfer\Switchboard;

/**
 * What the transfer rules come to: for kinds of callers, hours of the week and topics, who would be rung; which rules nothing ever
 * reaches; which situations nobody covers.
 *
 * @phpstan-type Cell array{rule: string, target: string, who: string, state: string, why: list<string>}
 */
final readonly class Situations
{
    public const CALLERS = ['known' => 'a caller we know', 'unknown' => 'a stranger', 'withheld' => 'a withheld number'];

    public const HOURS = ['2026-03-10T10:00' => 'Tuesday 10:00', '2026-03-10T12:30' => 'Tuesday 12:30', '2026-03-10T18:30' => 'Tuesday 18:30', '2026-03-14T10:00' => 'Saturday 10:00', '2026-03-15T10:00' => 'Sunday 10:00', '2026-03-11T02:00' => 'at night'];

    public function __construct(private Vocabulary $words, private NumberingPlan $plan)
    {
    }

    /** @return array{topics: array<string, string>, callers: array<string, string>, rows: list<array{topic: string, callers: list<string>, cells: array<string, Cell>}>, cells: array<string, array<string, array<string, Cell>>>, never: list<string>, uncovered: list<string>} cells by topic, caller and hour */
    public function of(Script $script, Switchboard $board): array
    {
        $topics = ['' => 'nothing in particular'];
        $said = [];
        foreach ($script->steps as $step) {
            foreach ($step instanceof ListenStep ? $step->topics : [] as $topic) {
                $topics[$topic['key']] ??= $topic['label'];
                $said[$topic['key']] ??= $topic['label'].'. '.$topic['description'];
            }
        }
        $callers = self::CALLERS;
        foreach ($script->transfers->rules as $rule) {
            foreach ($rule['when']?->paths() ?? [] as $path) {
                if (str_starts_with($path, 'caller.') && ! in_array($path, ['caller.known', 'caller.number'], true)) {
                    $fact = substr($path, 7);
                    $callers[$fact] = 'one whose '.str_replace('_', ' ', $fact).' we have';
                }
            }
        }
        $cells = [];
        $reached = [];
        $uncovered = [];
        foreach ($topics as $topic => $label) {
            foreach ($callers as $caller => $callerWords) {
                foreach (self::HOURS as $hour => $hourWords) {
                    $cell = $this->cell($script, $board, (string) $topic, $said[$topic] ?? '', (string) $caller, $hour);
                    $cells[$topic][$caller][$hour] = $cell;
                    $reached[$cell['rule']] = true;
                    if ($cell['state'] === 'nobody') {
                        $uncovered[] = "{$label}, {$callerWords}, {$hourWords}";
                    }
                }
            }
        }
        $never = [];
        foreach ($script->transfers->rules as $i => $rule) {
            // A rule whose words or other values the table does not vary may still be reached; one behind a rule without conditions never is.
            $before = array_filter(array_slice($script->transfers->rules, 0, $i), static fn (array $earlier): bool => $earlier['when'] === null && $earlier['words'] === []);
            if ($before !== [] || ! isset($reached[$rule['key']]) && $rule['words'] === [] && ($rule['when'] === null || array_diff($rule['when']->paths(), ['topic', 'caller.known', 'call.open', 'call.hour', 'call.weekday', 'call.time', 'caller.number']) === [])) {
                $never[] = $rule['key'];
            }
        }

        return ['topics' => $topics, 'callers' => $callers, 'rows' => $this->rows($cells, $callers), 'cells' => $cells, 'never' => $never, 'uncovered' => $uncovered];
    }

    /**
     * Callers for whom all is the same share a row.
     *
     * @param array<string, array<string, array<string, Cell>>> $cells
     * @param array<string, string> $callers
     *
     * @return list<array{topic: string, callers: list<string>, cells: array<string, Cell>}>
     */
    private function rows(array $cells, array $callers): array
    {
        $rows = [];
        foreach ($cells as $topic => $byCaller) {
            $alike = [];
            foreach ($byCaller as $caller => $byHour) {
                $alike[implode('|', array_map(static fn (array $cell): string => $cell['rule'].' '.$cell['target'], $byHour))][] = $caller;
            }
            foreach ($alike as $same) {
                $rows[] = ['topic' => $topic, 'callers' => array_map(static fn (string $caller): string => $callers[$caller], $same), 'cells' => $byCaller[$same[0]]];
            }
        }

        return $rows;
    }

    /** @return Cell */
    private function cell(Script $script, Switchboard $board, string $topic, string $said, string $caller, string $hour): array
    {
        $at = new \DateTimeImmutable($hour, new \DateTimeZone($script->agent->tz));
        $state = new CallState('x', $at->format('c'), '1', $caller === 'withheld' ? null : '+447700900123', null, ['known' => ! in_array($caller, ['unknown', 'withheld'], true), 'kind' => isset(self::CALLERS[$caller]) ? $caller : 'known'] + (isset(self::CALLERS[$caller]) ? [] : [$caller => 'given']));
        $state->topic = $topic === '' ? null : $topic;
        $scope = new Scope($script, $state, new Speakable($this->words, $this->plan), new Display($this->words, $this->plan));
        $why = [];
        foreach ($script->transfers->rules as $rule) {
            if ($rule['words'] !== []) {
                $why[] = "{$rule['key']} waits for words such as “{$rule['words'][0]}”";

                continue;
            }
            if ($rule['when'] !== null && ! $rule['when']->holds($scope->value(...))) {
                $why[] = "{$rule['key']} does not hold: {$rule['when']->inWords()}";

                continue;
            }
            $why[] = "{$rule['key']} holds".($rule['when'] === null ? ', it has no condition' : ': '.$rule['when']->inWords());

            return $this->targets($board, $rule['key'], [$rule['to'], ...$rule['otherwise']], $script, $said, $at, $why);
        }
        $why[] = 'no rule holds, so the default';

        return $this->targets($board, 'default', $script->transfers->default === '' ? [] : [$script->transfers->default], $script, $said, $at, $why);
    }

    /**
     * @param list<string> $targets
     * @param list<string> $why
     *
     * @return Cell
     */
    private function targets(Switchboard $board, string $rule, array $targets, Script $script, string $said, \DateTimeImmutable $at, array $why): array
    {
        foreach ($targets as $target) {
            if ($target === 'fit') {
                $found = $board->fit()?->of($said);
                $target = $found?->team !== null ? 'team:'.$found->team : ($found !== null && $found->candidates !== [] ? 'asks' : ($script->transfers->default ?: 'none'));
                $why[] = 'which team fits: '.($found->why ?? 'there are no teams');
                if ($target === 'asks') {
                    return ['rule' => $rule, 'target' => 'asks', 'who' => 'asks which team', 'state' => 'asks', 'why' => $why];
                }
            }
            if ($target === 'call_back') {
                $why[] = 'a call-back is promised';

                return ['rule' => $rule, 'target' => $target, 'who' => 'a call-back', 'state' => 'step', 'why' => $why];
            }
            if (str_starts_with($target, 'step:')) {
                $why[] = 'back into the script at '.substr($target, 5);

                return ['rule' => $rule, 'target' => $target, 'who' => str_replace('_', ' ', substr($target, 5)), 'state' => 'step', 'why' => $why];
            }
            $reach = $board->reach($target, $at);
            $why[] = $board->named($target).': '.$reach['state'];
            if ($reach['state'] === 'ready') {
                return ['rule' => $rule, 'target' => $target, 'who' => $board->named($target), 'state' => 'ready', 'why' => $why];
            }
        }

        return ['rule' => $rule, 'target' => '', 'who' => 'nobody', 'state' => 'nobody', 'why' => $why];
    }
}
