<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * One word, number or sign of something said, with its place in the original text.
 *
 * `start` and `end` are byte offsets; `gap` is the raw text between the token before and this one.
 */
final readonly class Token
{
    public function __construct(
        public string $text,
        public string $original,
        public int $start,
        public int $end,
        public string $gap,
    ) {
    }

    /** Whether a comma, a full stop or a dash stands before this token. */
    public function afterBreak(): bool
    {
        return preg_match('/[,.;:!?…—–]|\s-\s/u', $this->gap) === 1;
    }

    /** Whether a sentence ended before this token, rather than a part of one. */
    public function afterSentence(): bool
    {
        return preg_match('/[.;!?…]/u', $this->gap) === 1;
    }

    /** Whether nothing separates this token from the one before. */
    public function glued(): bool
    {
        return $this->gap === '';
    }

    public function isDigits(): bool
    {
        return $this->text !== '' && ctype_digit($this->text);
    }

    public function isLetter(): bool
    {
        return strlen($this->text) === 1 && ctype_alpha($this->text);
    }

    public function withGap(string $gap): self
    {
        return new self($this->text, $this->original, $this->start, $this->end, $gap);
    }
}
