<?php

declare(strict_types=1);

namespace Ringo\Line;

use Ringo\Transfer\Switchboard;

/** Says in words who answers. */
final readonly class InWords
{
    /**
     * @param array<string, Line> $lines by key
     * @param array<string, string> $agents names by key
     */
    public function __construct(private array $lines, private Switchboard $switchboard, private array $agents = [])
    {
    }

    public function answer(Answer $answer, Line $line): string
    {
        $agent = $this->agent($answer->agent ?? $line->agent).($answer->opening === null ? '' : ', from “'.str_replace('_', ' ', $answer->opening).'” on');
        $name = $answer->target === null ? '' : $this->to($answer->target);

        return match ($answer->who) {
            Who::Agent => $agent,
            Who::StaffFirst => "{$name} for {$answer->seconds} s, then {$agent}",
            Who::Staff => "{$name} only; {$agent} where nobody is free",
            Who::Forward => "on to {$name}",
            Who::Nobody => 'nobody',
        };
    }

    public function agent(string $key): string
    {
        return $this->agents[$key] ?? $key;
    }

    public function to(string $to): string
    {
        [$kind, $key] = explode(':', $to, 2) + [1 => ''];

        return match ($kind) {
            'line' => isset($this->lines[$key]) ? $this->lines[$key]->name : $key,
            'number' => $key,
            default => $this->switchboard->named($to),
        };
    }
}
