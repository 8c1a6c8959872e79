<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

/** One thing a rehearsed caller does: say words, press keys, keep silent, break in on the agent, hang up; or that staff do: pick up or not, speak. */
final readonly class Input
{
    /** What staff do where a telephone rings, or the call is with them. */
    public const STAFF = ['answered', 'busy', 'no_answer', 'declined', 'staff'];

    public function __construct(public string $kind, public string $text = '', public float $seconds = 6.0)
    {
        if (! in_array($kind, ['say', 'key', 'silence', 'interrupt', 'hang_up', ...self::STAFF], true)) {
            throw new \InvalidArgumentException("“{$kind}” is nothing a caller does; say, key, silence, interrupt and hang_up are.");
        }
    }

    /**
     * What a caller did in a call that took place, to do it again.
     *
     * @param iterable<array{kind: string, text?: string, seconds?: float|int}> $events as they were stored
     *
     * @return list<self>
     */
    public static function fromEvents(iterable $events): array
    {
        $inputs = [];
        foreach ($events as $event) {
            $input = match ($event['kind']) {
                'said' => new self('say', $event['text'] ?? ''),
                'keys' => new self('key', $event['text'] ?? ''),
                'silence' => new self('silence', '', (float) ($event['seconds'] ?? 6)),
                'interrupted' => new self('interrupt', '', (float) ($event['seconds'] ?? 0)),
                'hung_up' => new self('hang_up'),
                'staff_said' => new self('staff', $event['text'] ?? ''),
                'transfer_answered' => new self('answered', $event['text'] ?? ''),
                'transfer_busy', 'transfer_no_answer', 'transfer_declined' => new self(substr($event['kind'], 9), $event['text'] ?? ''),
                default => null,
            };
            if ($input !== null) {
                $inputs[] = $input;
            }
        }

        return $inputs;
    }

    /**
     * Reads caller lines: plain words are said, `#1` presses keys, `...` is silence, `/2` breaks in after two seconds, `--` hangs up, lines beginning with `;` are remarks.
     *
     * @return list<self>
     */
    public static function fromLines(string $text): array
    {
        $inputs = [];
        foreach (preg_split('/\R/', $text) ?: [] as $line) {
            $line = trim($line);
            if ($line === '' || $line[0] === ';') {
                continue;
            }
            $inputs[] = match (true) {
                $line === '--' => new self('hang_up'),
                preg_match('/^\.\.\.\s*(\d+(?:\.\d+)?)?$/', $line, $m) === 1 => new self('silence', '', (float) ($m[1] ?? 6)),
                preg_match('/^\/(\d+(?:\.\d+)?)$/', $line, $m) === 1 => new self('interrupt', '', (float) $m[1]),
                preg_match('/^#([0-9*#]+)$/', $line, $m) === 1 => new self('key', $m[1]),
                default => new self('say', $line),
            };
        }

        return $inputs;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return match ($this->kind) {
            'answered', 'busy', 'no_answer', 'declined', 'staff' => [$this->kind => $this->text],
            'say' => ['say' => $this->text], 'key' => ['key' => $this->text], 'silence' => ['silence' => $this->seconds], 'interrupt' => ['interrupt' => $this->seconds],
            default => ['hang_up' => true],
        };
    }
}
