<?php

declare(strict_types=1);

namespace Ringo\Line;

use Ringo\Brief\OpeningHours;
use Ringo\Transfer\Switchboard;

/** Finds what is wrong with the lines of a business before a caller does. */
final readonly class LineCheck
{
    public const STOPS = 'error';

    public const WARNS = 'warning';

    private const DAYS = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    /**
     * @param array<string, Line> $lines by key
     * @param array<string, string> $names of agents, by key
     * @param array<string, list<string>> $agents steps of the releases lines may run, by agent; an agent without a release is not among them
     */
    public function __construct(private array $lines, private OpeningHours $hours, private Switchboard $switchboard, private array $agents, private array $names = [])
    {
    }

    /** @return list<array{severity: string, words: string}> the gravest first */
    public function of(Line $line): array
    {
        $found = [];
        $circle = $this->circle($line->key);
        if ($circle !== []) {
            $found[] = ['severity' => self::STOPS, 'words' => 'Calls would go round in a circle: '.implode(' → ', array_map(fn (string $key): string => $this->lines[$key]->name, $circle)).'.'];
        }
        foreach ($line->answering->answers() as $answer) {
            array_push($found, ...$this->answer($line, $answer));
        }
        foreach ($this->nobody($line) as $words) {
            $found[] = ['severity' => self::WARNS, 'words' => $words];
        }
        foreach ($this->shut($line) as $words) {
            $found[] = ['severity' => self::WARNS, 'words' => $words];
        }
        usort($found, static fn (array $a, array $b): int => $a['severity'] <=> $b['severity']);

        return $found;
    }

    /**
     * The lines a call would go round on, the first again at the end; none where all is well.
     *
     * @param list<string> $path lines it has come over
     *
     * @return list<string>
     */
    public function circle(string $key, array $path = []): array
    {
        $at = array_search($key, $path, true);
        if ($at !== false) {
            return [...array_slice($path, $at), $key];
        }
        foreach (isset($this->lines[$key]) ? $this->lines[$key]->answering->answers() : [] as $answer) {
            if ($answer->who === Who::Forward && str_starts_with((string) $answer->target, 'line:')) {
                $circle = $this->circle(substr((string) $answer->target, 5), [...$path, $key]);
                if ($circle !== []) {
                    return $circle;
                }
            }
        }

        return [];
    }

    /** @return list<array{severity: string, words: string}> */
    private function answer(Line $line, Answer $answer): array
    {
        $found = [];
        $agent = $answer->agent ?? $line->agent;
        $name = $this->names[$agent] ?? $agent;
        if (in_array($answer->who, [Who::Agent, Who::StaffFirst, Who::Staff], true)) {
            if (! isset($this->agents[$agent])) {
                $found[] = ['severity' => self::STOPS, 'words' => "{$name} answers and has no release: a line never runs a draft."];
            } elseif ($answer->opening !== null && ! in_array($answer->opening, $this->agents[$agent], true)) {
                $found[] = ['severity' => self::STOPS, 'words' => "{$name} is to begin with “{$answer->opening}”, and its release has no such step."];
            }
        }
        if ($answer->who->rings() && $this->switchboard->reach((string) $answer->target, new \DateTimeImmutable('2026-01-05 12:00'))['state'] === 'unknown') {
            $found[] = ['severity' => self::STOPS, 'words' => "“{$answer->target}” is to ring, and is not among the teams and people."];
        }
        if ($answer->who === Who::Forward && str_starts_with((string) $answer->target, 'line:') && ! isset($this->lines[substr((string) $answer->target, 5)])) {
            $found[] = ['severity' => self::STOPS, 'words' => "Calls are to go on to “{$answer->target}”, and there is no such line."];
        }

        return $found;
    }

    /** @return list<string> stretches of the usual week in which nobody answers */
    public function nobody(Line $line): array
    {
        $found = [];
        foreach (self::DAYS as $weekday => $day) {
            foreach ($line->answering->usual($weekday, $this->hours) as $stretch) {
                if ($stretch->answer->who === Who::Nobody) {
                    $found[] = $stretch->from === 0 && $stretch->to === 1440 ? "{$day}: nobody answers all day." : "{$day} ".Answering::clock($stretch->from).' to '.Answering::clock($stretch->to).': nobody answers.';
                }
            }
        }

        return $found;
    }

    /** @return list<string> stretches in which a team is to ring that is closed then */
    private function shut(Line $line): array
    {
        $found = [];
        foreach (self::DAYS as $weekday => $day) {
            foreach ($line->answering->usual($weekday, $this->hours) as $stretch) {
                [$kind, $key] = explode(':', (string) $stretch->answer->target, 2) + [1 => ''];
                $team = $kind === 'team' && $stretch->answer->who->rings() ? $this->switchboard->team($key) : null;
                if ($team === null || ! $team->hours->given()) {
                    continue;
                }
                $middle = (new \DateTimeImmutable('2026-01-04'))->modify("+{$weekday} days")->modify('+'.intdiv($stretch->from + $stretch->to, 2).' minutes');
                if (! $team->hours->openAt($middle)) {
                    $found[] = "{$day} ".Answering::clock($stretch->from).' to '.Answering::clock($stretch->to).": {$team->team->name} is to ring and is closed; the agent answers at once.";
                }
            }
        }

        return $found;
    }
}
