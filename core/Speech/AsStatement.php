<?php

declare(strict_types=1);

namespace Ringo\Speech;

use Ringo\Language\Vocabulary;

/** Turns a yes-or-no question into the statement its answer makes: 'Have you been here before?' and no: 'you have not been here before'. */
final readonly class AsStatement
{
    /** @var array<string, string> */
    private array $denied;

    /** @var array<string, true> */
    private array $subjects;

    /** @var array<string, array{some: string, none: string}> 'anybody': 'somebody' where the answer is yes, 'nobody' where it is no */
    private array $indefinite;

    public function __construct(Vocabulary $words)
    {
        $this->denied = $words->section('questions', 'denied');
        $this->indefinite = $words->section('questions', 'indefinite');
        $this->subjects = array_fill_keys($words->section('questions', 'subjects'), true);
    }

    /** @return ?string null where the question is not of a kind that turns */
    public function of(string $question, bool $yes): ?string
    {
        $line = trim(rtrim(trim($question), '?'));
        if (str_contains($line, ',') || preg_match('/^(\pL+)\s+(\pL+)\s+(.+)$/u', $line, $m) !== 1) {
            return null;
        }
        $auxiliary = mb_strtolower($m[1]);
        $subject = mb_strtolower($m[2]);
        if (! isset($this->denied[$auxiliary], $this->subjects[$subject])) {
            return null;
        }
        // 'Do you have any pets yet' and yes: 'you have pets'.
        $rest = $yes ? $this->affirmed((string) preg_replace(['/\s+(?:yet|at all)$/i', '/\bany /i'], '', $m[3])) : $m[3];
        if (isset($this->indefinite[$subject])) {
            return $this->ofSomebody($this->indefinite[$subject][$yes ? 'some' : 'none'], $auxiliary, $rest);
        }
        if ($auxiliary === 'do' || $auxiliary === 'does' || $auxiliary === 'did') {
            // 'Do you have a lift' and yes: 'you have a lift'; the past needs its own forms, so it keeps 'did'.
            return $yes && $auxiliary === 'do' ? "{$subject} {$rest}" : ($yes ? "{$subject} {$auxiliary} {$rest}" : "{$subject} {$this->denied[$auxiliary]} {$rest}");
        }

        if (! $yes && str_starts_with($rest, 'still ')) {
            return "{$subject} {$auxiliary} no longer ".substr($rest, strlen('still '));
        }

        return $yes ? "{$subject} {$auxiliary} {$rest}" : "{$subject} {$this->denied[$auxiliary]} {$rest}";
    }

    /** 'Are you allergic to anything' and yes: to something. */
    private function affirmed(string $rest): string
    {
        return implode(' ', array_map(fn (string $word): string => $this->indefinite[mb_strtolower($word)]['some'] ?? $word, explode(' ', $rest)));
    }

    /** 'Does anybody use a wheelchair' and yes: 'somebody uses a wheelchair'; who is told of further, 'anybody in the family', is left as it is. */
    private function ofSomebody(string $who, string $auxiliary, string $rest): ?string
    {
        // 'Is anybody in danger' tells where somebody is.
        if (! in_array($auxiliary, ['is', 'are', 'was', 'were'], true) && preg_match('/^(?:in|of|at|on|from|with|else|there|here|who|you|coming|living|staying)\b/i', $rest) === 1) {
            return null;
        }
        if (! in_array($auxiliary, ['do', 'does'], true) || preg_match('/^(\pL+)(.*)$/u', $rest, $m) !== 1) {
            return "{$who} {$auxiliary} {$rest}";
        }

        return "{$who} ".match (true) {
            $m[1] === 'have' => 'has',
            preg_match('/(?:[sxz]|ch|sh|o)$/', $m[1]) === 1 => $m[1].'es',
            preg_match('/[^aeiou]y$/', $m[1]) === 1 => substr($m[1], 0, -1).'ies',
            default => $m[1].'s',
        }.$m[2];
    }
}
