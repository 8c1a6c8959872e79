<?php

declare(strict_types=1);

namespace Ringo\Design;

use Ringo\Document\Node;
use Ringo\Script\Condition;
use Ringo\Script\Steps\StepKinds;

/** Tells what changed between two versions of a script, step by step. */
final readonly class Changes
{
    private const LISTS = ['options' => 'option', 'topics' => 'topic'];

    private const PARTS = ['agent' => 'the agent', 'limits' => 'the limits of a call', 'facts' => 'facts', 'hours' => 'opening hours', 'standing' => 'standing rules', 'recognition' => 'how callers are recognised', 'transfers' => 'transfer rules', 'errands' => 'errands it runs by itself', 'first' => 'where the script begins'];

    /** @return list<Change> parts first, then steps in the order of the newer version, then those taken out */
    public function between(ScriptDocument $old, ScriptDocument $new): array
    {
        $a = $old->toArray();
        $b = $new->toArray();
        $changes = [];
        foreach (self::PARTS as $part => $name) {
            $details = $this->parts($a[$part] ?? null, $b[$part] ?? null, '');
            if ($details !== []) {
                $changes[] = new Change('changed', null, ucfirst($name).' changed', $details);
            }
        }
        array_push($changes, ...$this->sheet($a['sheet'] ?? [], $b['sheet'] ?? []));
        array_push($changes, ...$this->steps(array_column($old->steps(), null, 'key'), array_column($new->steps(), null, 'key')));

        return $changes;
    }

    /**
     * @param array<string, mixed> $a
     * @param array<string, mixed> $b
     *
     * @return list<Change>
     */
    private function sheet(array $a, array $b): array
    {
        $changes = [];
        $old = $a['properties'] ?? [];
        $new = $b['properties'] ?? [];
        foreach ($new as $key => $field) {
            $wanted = in_array($key, $b['required'] ?? [], true);
            if (! isset($old[$key])) {
                $changes[] = new Change('added', null, "Field {$key} added to the record sheet");
            } else {
                $details = $this->parts($old[$key] + ['required' => in_array($key, $a['required'] ?? [], true)], $field + ['required' => $wanted], '');
                if ($details !== []) {
                    $changes[] = new Change('changed', null, "Field {$key} of the record sheet changed", $details);
                }
            }
        }
        foreach (array_diff_key($old, $new) as $key => $field) {
            $changes[] = new Change('removed', null, "Field {$key} taken out of the record sheet");
        }

        return $changes;
    }

    /**
     * @param array<string, array<string, mixed>> $old
     * @param array<string, array<string, mixed>> $new
     *
     * @return list<Change>
     */
    private function steps(array $old, array $new): array
    {
        $changes = [];
        $gone = array_diff_key($old, $new);
        $came = array_diff_key($new, $old);
        $renamed = [];
        foreach ($came as $key => $step) {
            foreach ($gone as $was => $earlier) {
                if (array_diff_key($step, ['key' => 1]) == array_diff_key($earlier, ['key' => 1])) {
                    $renamed[$key] = $was;
                    unset($gone[$was], $came[$key]);

                    break;
                }
            }
        }
        $moved = $this->moved(array_map(static fn (string $key): string => array_search($key, $renamed, true) ?: $key, array_map(strval(...), array_keys($old))), array_map(strval(...), array_keys($new)));
        foreach ($new as $key => $step) {
            if (isset($renamed[$key])) {
                $changes[] = new Change('renamed', $key, "Step {$renamed[$key]} is now called {$key}");
            } elseif (isset($came[$key])) {
                $changes[] = new Change('added', $key, "Step {$key} ({$step['kind']}) added", $this->whole($step, true));
            } else {
                $details = $this->step($old[$key] ?? [], $step, $renamed);
                if ($details !== []) {
                    $changes[] = new Change('changed', $key, "Step {$key} changed: ".implode(', ', array_unique(array_column($details, 'what'))), $details);
                }
            }
            if (in_array($key, $moved, true)) {
                $changes[] = new Change('moved', $key, "Step {$key} stands elsewhere in the reading order");
            }
        }
        foreach ($gone as $key => $step) {
            $changes[] = new Change('removed', (string) $key, "Step {$key} ({$step['kind']}) taken out", $this->whole($step, false));
        }

        return $changes;
    }

    /**
     * Steps that changed places: those outside the longest run that kept its order.
     *
     * @param list<string> $old
     * @param list<string> $new
     *
     * @return list<string>
     */
    private function moved(array $old, array $new): array
    {
        $place = array_flip($old);
        $kept = array_values(array_filter($new, static fn (string $key): bool => isset($place[$key])));
        // Longest increasing subsequence of the old places.
        $best = [];
        $from = [];
        foreach ($kept as $i => $key) {
            $best[$i] = 1;
            $from[$i] = -1;
            for ($j = 0; $j < $i; $j++) {
                if ($place[$kept[$j]] < $place[$key] && $best[$j] + 1 > $best[$i]) {
                    $best[$i] = $best[$j] + 1;
                    $from[$i] = $j;
                }
            }
        }
        if ($kept === []) {
            return [];
        }
        $stay = [];
        for ($i = (int) array_search(max($best), $best, true); $i >= 0; $i = $from[$i]) {
            $stay[$kept[$i]] = true;
        }

        return array_values(array_filter($kept, static fn (string $key): bool => ! isset($stay[$key])));
    }

    /**
     * @param array<string, mixed> $a
     * @param array<string, mixed> $b
     * @param array<string, string> $renamed new name => old name
     *
     * @return list<array{what: string, from: ?string, to: ?string}>
     */
    private function step(array $a, array $b, array $renamed): array
    {
        $details = [];
        foreach (array_unique([...array_keys($a), ...array_keys($b)]) as $key) {
            $from = $a[$key] ?? null;
            $to = $b[$key] ?? null;
            if ($key === 'key' || $from === $to || is_string($to) && ($renamed[$to] ?? null) === $from) {
                continue;
            }
            if (isset(self::LISTS[$key])) {
                array_push($details, ...$this->listed(self::LISTS[$key], $from ?? [], $to ?? []));
            } elseif ($key === 'ways') {
                $details[] = ['what' => 'ways', 'from' => $this->ways($from ?? []), 'to' => $this->ways($to ?? [])];
            } else {
                $details[] = ['what' => $this->called($b['kind'] ?? $a['kind'] ?? null, (string) $key), 'from' => $this->plain($from), 'to' => $this->plain($to)];
            }
        }

        return $details;
    }

    /**
     * @param list<array<string, mixed>> $a
     * @param list<array<string, mixed>> $b
     *
     * @return list<array{what: string, from: ?string, to: ?string}>
     */
    private function listed(string $what, array $a, array $b): array
    {
        $old = array_column($a, null, 'key');
        $new = array_column($b, null, 'key');
        $details = [];
        foreach ($new + $old as $key => $one) {
            $from = isset($old[$key]) ? $this->item($old[$key]) : null;
            $to = isset($new[$key]) ? $this->item($new[$key]) : null;
            if ($from !== $to) {
                $details[] = ['what' => $what.' '.$key, 'from' => $from, 'to' => $to];
            }
        }

        return $details === [] ? [['what' => 'order of the '.$what.'s', 'from' => implode(', ', array_keys($old)), 'to' => implode(', ', array_keys($new))]] : $details;
    }

    /** @param array<string, mixed> $item */
    private function item(array $item): string
    {
        $parts = [(string) ($item['label'] ?? '')];
        if (($item['digit'] ?? null) !== null) {
            $parts[] = 'key '.$item['digit'];
        }
        if (($item['description'] ?? '') !== '') {
            $parts[] = (string) $item['description'];
        }
        if (($item['phrases'] ?? []) !== []) {
            $parts[] = 'said as '.implode(', ', $item['phrases']);
        }
        foreach (['urgent' => 'urgent', 'anywhere' => 'from anywhere'] as $flag => $words) {
            if ($item[$flag] ?? false) {
                $parts[] = $words;
            }
        }
        $parts[] = 'to '.($item['next'] ?? '');

        return implode('; ', $parts);
    }

    private function called(mixed $kind, string $key): string
    {
        return in_array($key, ['kind', 'scene'], true) ? $key : (new StepKinds)->keysOf($kind)->called($key);
    }

    /** @param list<array<string, mixed>> $ways */
    private function ways(array $ways): string
    {
        return implode('; ', array_map(static fn (array $way): string => 'if '.Condition::read(Node::root($way['when'] ?? []))->inWords().' to '.($way['next'] ?? ''), $ways));
    }

    /**
     * @param array<string, mixed> $step
     *
     * @return list<array{what: string, from: ?string, to: ?string}>
     */
    private function whole(array $step, bool $added): array
    {
        $details = [];
        foreach (['prompt', 'words'] as $key) {
            if (isset($step[$key])) {
                $details[] = ['what' => $this->called($step['kind'] ?? null, $key), 'from' => $added ? null : $this->plain($step[$key]), 'to' => $added ? $this->plain($step[$key]) : null];
            }
        }

        return $details;
    }

    /** @return list<array{what: string, from: ?string, to: ?string}> */
    private function parts(mixed $a, mixed $b, string $path): array
    {
        if ($a === $b) {
            return [];
        }
        $both = is_array($a) && is_array($b) && ! array_is_list($a) && ! array_is_list($b);
        if (! $both || count($a) === 0 || count($b) === 0) {
            return [['what' => $path === '' ? 'all' : str_replace('_', ' ', $path), 'from' => $this->plain($a), 'to' => $this->plain($b)]];
        }
        $details = [];
        foreach (array_unique([...array_keys($a), ...array_keys($b)]) as $key) {
            array_push($details, ...$this->parts($a[$key] ?? null, $b[$key] ?? null, trim($path.' '.$key)));
        }

        return $details;
    }

    private function plain(mixed $value): ?string
    {
        return match (true) {
            $value === null => null,
            is_bool($value) => $value ? 'yes' : 'no',
            is_scalar($value) => (string) $value,
            is_array($value) && isset($value['then']) => match ($value['then']) {
                'go' => 'to '.($value['step'] ?? ''),
                'finish' => 'ends, '.($value['outcome'] ?? 'gave up'),
                default => 'left empty',
            },
            is_array($value) && array_is_list($value) && array_filter($value, is_string(...)) === $value => implode(' / ', $value),
            default => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
        };
    }
}
