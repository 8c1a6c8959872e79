<?php

declare(strict_types=1);

namespace Ringo\Figures;

use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Way;

/** What of a script no call has come to, told by its sums: the topics nobody came for, the steps at which calls part from the rest, transfer rules that decided nothing, and greetings for callers who never rang. */
final readonly class Coverage
{
    public function __construct(private Script $script, private Tally $tally)
    {
    }

    /** @return list<array{kind: string, key: string, step: string, why: string, behind: int}> kind: topic, step, transfer rule or greeting; step: where it is found, empty where it is on a page of its own; behind: further steps only it leads to that no call came to either */
    public function unused(): array
    {
        [$unused, $told] = $this->topics();
        $before = $this->before();
        foreach ($this->script->steps as $key => $step) {
            $ways = array_filter($before[$key] ?? [], fn (string $from): bool => $this->passed($from) > 0);
            if ($this->passed((string) $key) === 0 && $ways !== [] && ! in_array($key, $told, true)) {
                usort($ways, fn (string $a, string $b): int => $this->passed($b) <=> $this->passed($a));
                $most = $ways[0];
                $n = $this->passed($most);
                $unused[] = ['kind' => 'step', 'key' => (string) $key, 'step' => (string) $key, 'why' => ($n === 1 ? 'one call' : number_format($n).' calls')." passed “{$most}”, and none went on to it", 'behind' => $this->behind((string) $key)];
            }
        }

        return [...$unused, ...$this->rules(), ...$this->greetings()];
    }

    /** @return list<array{step: string, n: int, of: int}> steps at which callers gave up, the most first */
    public function givenUpAt(): array
    {
        $at = [];
        foreach (array_keys($this->script->steps) as $key) {
            $n = (int) $this->tally->total('step', (string) $key);
            if ($n > 0) {
                $at[] = ['step' => (string) $key, 'n' => $n, 'of' => $this->passed((string) $key)];
            }
        }
        usort($at, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);

        return $at;
    }

    /** @return list<array{kind: string, key: string, step: string, why: string, behind: int}> transfer rules no call was handed over by */
    private function rules(): array
    {
        $noted = $this->tally->n('rule');
        $unused = [];
        foreach ($noted === 0 ? [] : $this->script->transfers->rules as $rule) {
            if ($this->tally->n('rule', $rule['key']) === 0) {
                $unused[] = ['kind' => 'transfer rule', 'key' => $rule['key'], 'step' => '', 'why' => ($noted === 1 ? 'one call was' : number_format($noted).' calls were').' handed over by other rules, and none by this', 'behind' => 0];
            }
        }

        return $unused;
    }

    /** @return list<array{kind: string, key: string, step: string, why: string, behind: int}> greetings for kinds of callers who never rang */
    private function greetings(): array
    {
        $calls = $this->tally->n('caller');
        $unused = [];
        foreach ($calls === 0 ? [] : $this->script->agent->greeting as $kind => $greeting) {
            if ($greeting !== null && $this->tally->n('caller', (string) $kind) === 0) {
                $unused[] = ['kind' => 'greeting', 'key' => (string) $kind, 'step' => '', 'why' => 'of '.number_format($calls).' callers none was of that kind', 'behind' => 0];
            }
        }

        return $unused;
    }

    private function passed(string $step): int
    {
        return $this->tally->n('step', $step);
    }

    /** @return array{list<array{kind: string, key: string, step: string, why: string, behind: int}>, list<string>} the topics, and the steps they lead to */
    private function topics(): array
    {
        $unused = $told = $asked = [];
        foreach ($this->script->steps as $key => $step) {
            foreach ($step instanceof ListenStep ? $step->topics : [] as $topic) {
                $asked[$topic['key']] = ['n' => ($asked[$topic['key']]['n'] ?? 0) + $this->passed((string) $key), 'step' => $asked[$topic['key']]['step'] ?? (string) $key, 'next' => $topic['next']];
            }
        }
        foreach ($asked as $key => $one) {
            if ($one['n'] > 0 && $this->tally->n('topic', (string) $key) === 0 && $this->passed($one['next']) === 0) {
                $unused[] = ['kind' => 'topic', 'key' => (string) $key, 'step' => $one['step'], 'why' => number_format($one['n']).' times callers were asked what they want, and nobody came for it', 'behind' => 1 + $this->behind($one['next'])];
                $told[] = $one['next'];
            }
        }

        return [$unused, $told];
    }

    /** @return array<string, list<string>> the steps that lead to each */
    private function before(): array
    {
        $before = [];
        foreach ($this->script->steps as $key => $step) {
            foreach ($step->exits() as $exit) {
                if ($exit->to !== Way::BACK) {
                    $before[$exit->to][] = (string) $key;
                }
            }
        }

        return $before;
    }

    /** Steps further on that no call came to. */
    private function behind(string $first): int
    {
        $found = [$first => true];
        for ($open = [$first]; $open !== [];) {
            foreach ($this->script->steps[array_pop($open)]->exits() as $exit) {
                if (isset($this->script->steps[$exit->to]) && ! isset($found[$exit->to]) && $this->passed($exit->to) === 0) {
                    $found[$exit->to] = true;
                    $open[] = $exit->to;
                }
            }
        }

        return count($found) - 1;
    }
}
