<?php

declare(strict_types=1);

namespace Ringo\Figures;

/**
 * Sums over calls: how many and how much, by what is counted and by key.
 *
 * Sums of two sets of calls added are the sums of both, so that days can be counted alone and any span added up.
 */
final class Tally
{
    /** Upper edges, in milliseconds, of the steps in which the time of a turn is counted. */
    public const EDGES = [5, 10, 20, 30, 50, 75, 100, 150, 200, 300, 500, 750, 1000, 2000, 5000];

    /** @var array<string, array<string, array{n: int, total: float}>> */
    private array $sums = [];

    public function add(CallFacts $call): void
    {
        $this->count('call', $call->direction, $call->seconds);
        $this->count('hour', $call->at->format('N-H'));
        $this->count('outcome', $call->outcome);
        $this->count('handled', $call->handled->value);
        $call->turns === null || $this->count('turns', '', $call->turns);
        $call->waited === null || $this->count('waited', '', $call->waited);
        foreach (['topic' => $call->topic, 'caller' => $call->caller, 'record' => $call->record, 'line' => $call->line, 'release' => $call->release === null ? null : (string) $call->release] as $what => $key) {
            $key === null || $key === '' || $this->count($what, $key);
        }
        foreach ($call->checks as $check) {
            $this->count('checked', $check['field'], $check['verdict'] === 'accepted' ? 1 : 0);
        }
        foreach ($call->bookings as $state) {
            $this->count('booking', $state);
        }
        $call->questions === 0 || $this->count('question', '', 0, $call->questions);
        foreach ($call->deliveries as $one) {
            $this->count('delivery', $one['kind'].'/'.$one['state']);
        }
        $last = $call->handled === Handled::GivenUp ? ($call->steps[count($call->steps) - 1] ?? null) : null;
        foreach (array_unique($call->steps) as $step) {
            $this->count('step', $step, $step === $last ? 1 : 0);
        }
        if ($call->rules !== null) {
            $this->count('rules_noted', '');
            foreach (array_unique($call->rules) as $rule) {
                $this->count('rule', $rule);
            }
        }
        $call->outreach === null || $this->count('outreach', $call->outreach);
        foreach ($call->objections as $one) {
            $this->count('objection', $one['kind'], $one['achieved'] ? 1 : 0);
        }
        foreach ($call->parts as $part => $all) {
            foreach ($all as $spent) {
                $this->count('ms_'.$part, (string) self::edge($spent), $spent);
            }
        }
        foreach ($call->milliseconds as $spent) {
            $this->count('turn_ms', (string) self::edge($spent), $spent);
        }
    }

    public function count(string $what, string $key, float $total = 0, int $n = 1): void
    {
        $was = $this->sums[$what][$key] ?? ['n' => 0, 'total' => 0.0];
        $this->sums[$what][$key] = ['n' => $was['n'] + $n, 'total' => $was['total'] + $total];
    }

    /** @return list<array{what: string, key: string, n: int, total: float}> in a fixed order */
    public function rows(): array
    {
        $rows = [];
        ksort($this->sums);
        foreach ($this->sums as $what => $keys) {
            ksort($keys);
            foreach ($keys as $key => $sum) {
                $rows[] = ['what' => $what, 'key' => (string) $key, 'n' => $sum['n'], 'total' => round($sum['total'], 3)];
            }
        }

        return $rows;
    }

    public function n(string $what, ?string $key = null): int
    {
        return $key === null ? array_sum(array_column($this->sums[$what] ?? [], 'n')) : ($this->sums[$what][$key]['n'] ?? 0);
    }

    public function total(string $what, ?string $key = null): float
    {
        return $key === null ? (float) array_sum(array_column($this->sums[$what] ?? [], 'total')) : ($this->sums[$what][$key]['total'] ?? 0.0);
    }

    /** @return ?float null where nothing was counted */
    public function mean(string $what): ?float
    {
        $n = $this->n($what);

        return $n === 0 ? null : $this->total($what) / $n;
    }

    /** @return ?float 0 to 1 of all that is counted of `what`; null where nothing is */
    public function share(string $what, string $key): ?float
    {
        $n = $this->n($what);

        return $n === 0 ? null : $this->n($what, $key) / $n;
    }

    /** @return array<string, int> the most frequent first */
    public function by(string $what): array
    {
        $by = [];
        foreach ($this->sums[$what] ?? [] as $key => $sum) {
            $by[(string) $key] = $sum['n'];
        }
        arsort($by);

        return $by;
    }

    /**
     * The time within which so large a share of turns was answered: the upper edge of the step it falls in.
     *
     * @param string $what all of a turn, or a part of it: ms_understanding, ms_knowledge, ms_errands, ms_speech
     *
     * @return ?int milliseconds; null where no turn was timed
     */
    public function within(float $share, string $what = 'turn_ms'): ?int
    {
        $all = $this->n($what);
        $so = 0;
        foreach ([...self::EDGES, PHP_INT_MAX] as $edge) {
            $so += $this->n($what, (string) $edge);
            if ($all > 0 && $so >= $share * $all) {
                return $edge;
            }
        }

        return null;
    }

    private static function edge(float $milliseconds): int
    {
        foreach (self::EDGES as $edge) {
            if ($milliseconds <= $edge) {
                return $edge;
            }
        }

        return PHP_INT_MAX;
    }
}
