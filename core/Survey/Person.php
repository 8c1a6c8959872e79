<?php

declare(strict_types=1);

namespace Ringo\Survey;

/** What one person who was talked to answered. */
final readonly class Person
{
    /**
     * @param string $ref of the call
     * @param list<string> $asked keys of the questions that were put
     * @param array<string, mixed> $answers by question: a number, true or false, an option's key, or words
     * @param array<string, string> $facts what was known of them before
     */
    public function __construct(public string $ref, public array $asked, public array $answers, public string $outcome, public array $facts = [])
    {
    }

    /** Where they stand, in words: complete, partial, refused or nothing. */
    public function state(): string
    {
        return match (true) {
            $this->outcome === ScriptOfSurvey::COMPLETE => 'complete',
            $this->answers !== [] => 'partial',
            in_array($this->outcome, [ScriptOfSurvey::DECLINED, 'do not call'], true) => 'refused',
            default => 'nothing',
        };
    }
}
