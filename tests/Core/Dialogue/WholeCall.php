<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Opening;
use Ringo\Script\ScriptReader;

/**
 * A whole call written down beforehand: what the caller says, in order or tied to what the agent asks, and what must come of it.
 *
 * The format is told in `calls/README.md`. A read-back that nobody wrote an answer to is met with a yes, as a caller would.
 */
final class WholeCall
{
    /** A caller who is asked what the call does not say gives this. */
    private const AT_A_LOSS = "I don't know";

    private const PLAIN_YES = "/^(?:yes|yeah|yep|that's right|that's fine)\\b[^,]*$/i";

    /**
     * @param list<array{kind: string, text: string, tie: ?string, demands: list<array{string, string}>}> $lines
     * @param array<string, string> $values field => what it must hold at the end, as it is written
     * @param array<string, scalar> $caller
     * @param ?string $topic what is said when the agent asks which is meant
     */
    private function __construct(public readonly string $title, private array $lines, private readonly array $values, private readonly ?string $outcome, private readonly array $caller, private readonly string $at, private readonly ?string $topic)
    {
    }

    /** @return iterable<string, self> every call of a trade, by trade and title */
    public static function of(string $trade): iterable
    {
        $blocks = preg_split('/^# /m', (string) file_get_contents(__DIR__."/calls/{$trade}.calls"), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($blocks as $block) {
            $call = self::read($block);

            yield "{$trade}: {$call->title}" => $call;
        }
    }

    /** @return list<string> */
    public static function trades(): array
    {
        return array_map(static fn (string $file): string => basename($file, '.calls'), glob(__DIR__.'/calls/*.calls') ?: []);
    }

    private static function read(string $block): self
    {
        $rows = preg_split('/\R/', trim($block)) ?: [];
        $title = (string) array_shift($rows);
        $lines = $values = $demands = [];
        $caller = ['known' => false];
        $outcome = $topic = null;
        $at = '2026-03-10T09:14';
        foreach ($rows as $row) {
            [$mark, $rest] = [substr($row, 0, 1), trim(substr($row, 1))];
            if (str_starts_with($row, 'caller ')) {
                preg_match_all('/(\w+)=(?:"([^"]*)"|(\S+))/', $row, $m, PREG_SET_ORDER);
                foreach ($m as $one) {
                    $given = ($one[2] ?? '') !== '' ? $one[2] : ($one[3] ?? '');
                    $caller[$one[1]] = ['true' => true, 'false' => false][$given] ?? $given;
                }
            } elseif (str_starts_with($row, 'at ')) {
                $at = trim(substr($row, 3));
            } elseif ($mark === 'c' || $mark === 'k' || $mark === 's') {
                $tie = preg_match('/^@(\w+) (.*)$/', $rest, $m) === 1 ? $m[1] : null;
                $lines[] = ['kind' => ['c' => 'say', 'k' => 'key', 's' => 'silence'][$mark], 'text' => $tie === null ? $rest : ($m[2] ?? ''), 'tie' => $tie];
            } elseif (in_array($mark, ['a', 'n', 'v'], true) && $lines !== []) {
                $demands[array_key_last($lines)][] = [$mark, $rest];
            } elseif ($mark === '=') {
                [$field, $value] = explode(' ', $rest, 2) + ['', ''];
                $values[$field] = $value;
            } elseif ($mark === 'o') {
                $outcome = $rest;
            } elseif ($mark === 't') {
                $topic = $rest;
            }
        }

        $lines = array_map(static fn (array $line, int $i): array => [...$line, 'demands' => $demands[$i] ?? []], $lines, array_keys($lines));

        return new self($title, $lines, $values, $outcome, $caller, $at, $topic);
    }

    /** @return array{fields: list<string>, fieldsOf: int, outcome: list<string>, outcomesOf: int, demands: list<string>, demandsOf: int, needless: int, repeated: int, words: string} what failed, of how many, and the call in words */
    public function run(string $trade): array
    {
        $script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__."/calls/{$trade}.json"));
        $engine = Engine::for($script);
        $state = (new Opening($script))->state('call', new \DateTimeImmutable($this->at, new \DateTimeZone($script->agent->tz)), '1', '+447700900123', null, $this->caller);
        $words = [];
        $failed = [];
        $demands = $needless = $repeated = 0;
        $clock = 0.0;
        $before = '';
        $queue = $this->lines;
        $lost = 0;
        $happens = function (Event $event) use ($engine, &$state, &$words, &$before, &$repeated): string {
            $outcome = $engine->step($state, $event);
            $state = $outcome->state;
            $spoken = $outcome->spoken();
            $words[] = '        '.$spoken.'   ['.$state->step.'] '.implode('; ', array_column($outcome->trace->toArray()['rules'] ?? [], 'text'));
            $repeated += count(array_intersect($this->sentences($spoken), $this->sentences($before)));
            $before = $spoken;

            return $spoken;
        };
        $happens(Event::started());
        while (! $state->ended) {
            $line = $this->next($queue, $state) ?? null;
            if ($line === null) {
                if ($queue === [] || ++$lost > 3) {
                    break;
                }
                $line = ['kind' => 'say', 'text' => self::AT_A_LOSS, 'tie' => null, 'demands' => []];
                $needless++;
            }
            $clock += 8;
            $words[] = 'caller: '.$line['text'];
            $spoken = $happens(match ($line['kind']) {
                'key' => Event::keys($line['text'], $clock),
                'silence' => Event::silence(6, $clock),
                default => Event::said($line['text'], $clock),
            });
            foreach ($line['demands'] as [$kind, $what]) {
                $demands++;
                if (! $this->met($kind, $what, $spoken, $state)) {
                    $failed[] = "after “{$line['text']}”: {$kind} {$what}";
                }
            }
        }
        if (! $state->ended) {
            $happens(Event::hungUp($clock + 1));
        }
        foreach ($queue as $unused) {
            foreach ($unused['demands'] as [$kind, $what]) {
                $demands++;
                $failed[] = "never said “{$unused['text']}”: {$kind} {$what}";
            }
        }
        $fields = [];
        foreach ($this->values as $field => $value) {
            if (! $this->same($value, $state->values[$field]->value ?? null)) {
                $fields[] = "{$field}: ".json_encode($state->values[$field]->value ?? null).", not {$value}";
            }
        }

        return [
            'fields' => $fields, 'fieldsOf' => count($this->values), 'outcome' => $this->outcome === null || $this->outcome === $state->outcome ? [] : ["outcome {$state->outcome}, not {$this->outcome}"], 'outcomesOf' => $this->outcome === null ? 0 : 1,
            'demands' => $failed, 'demandsOf' => $demands, 'needless' => $needless, 'repeated' => $repeated, 'words' => implode("\n", $words),
        ];
    }

    /**
     * @param list<array{kind: string, text: string, tie: ?string, demands: list<array{string, string}>}> $queue
     *
     * @return array{kind: string, text: string, tie: ?string, demands: list<array{string, string}>}|null
     */
    private function next(array &$queue, CallState $state): ?array
    {
        $head = $queue[0] ?? null;
        if ($state->mode === Mode::Confirm) {
            $answers = $head !== null && ($head['tie'] === 'yes' || $head['tie'] === $state->step || $head['tie'] === null && preg_match(self::PLAIN_YES, $head['text']) === 1);

            return $answers ? array_shift($queue) : ['kind' => 'say', 'text' => 'yes', 'tie' => null, 'demands' => []];
        }
        if ($this->topic !== null && $state->mode === Mode::Clarify && ($head === null || $head['tie'] !== null)) {
            return ['kind' => 'say', 'text' => $this->topic, 'tie' => null, 'demands' => []];
        }
        if ($head !== null && $head['tie'] === 'yes') {
            array_shift($queue);
            $head = $queue[0] ?? null;
        }
        if ($head === null) {
            return null;
        }
        if ($head['tie'] === null || $head['tie'] === $state->step) {
            return array_shift($queue);
        }
        foreach ($queue as $i => $line) {
            if ($line['tie'] === $state->step) {
                array_splice($queue, $i, 1);

                return $line;
            }
        }

        return null;
    }

    private function met(string $kind, string $what, string $spoken, CallState $state): bool
    {
        if ($kind === 'v') {
            [$field, $value] = explode(' ', $what, 2) + ['', ''];

            return $this->same($value, $state->values[$field]->value ?? null);
        }

        return (preg_match($what.'u', $spoken) === 1) === ($kind === 'a');
    }

    private function same(string $wanted, mixed $value): bool
    {
        if ($wanted === 'null') {
            return $value === null;
        }
        if (is_array($value) || is_bool($value)) {
            return json_decode($wanted, true) === $value;
        }
        $plain = static fn (string $text): string => trim(mb_strtolower($text), " .!?\u{a0}");

        return is_scalar($value) && (is_numeric($wanted) && is_numeric($value) ? (float) $wanted === (float) $value : $plain((string) $value) === $plain($wanted));
    }

    /** @return list<string> sentences of more than two words */
    private function sentences(string $text): array
    {
        return array_values(array_unique(array_filter(preg_split('/(?<=[.?!])\s+/', $text) ?: [], static fn (string $one): bool => substr_count($one, ' ') > 1)));
    }
}
