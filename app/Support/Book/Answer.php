<?php

declare(strict_types=1);

namespace App\Support\Book;

/** What stands on the right of a step in the prompt book: what the caller may answer, or a rule that holds there, and where it leads. */
final readonly class Answer
{
    private function __construct(public ?string $key, public string $words, public string $kind, public ?string $to, public string $more)
    {
    }

    public static function said(string $words, ?string $to, ?string $key = null, string $more = ''): self
    {
        return new self($key, $words, 'said', $to, $more);
    }

    public static function rule(string $words, ?string $to = null, ?string $key = null, string $more = ''): self
    {
        return new self($key, $words, 'rule', $to, $more);
    }
}
