<?php

declare(strict_types=1);

namespace Ringo\Inspection;

/** Something the agent may say, and where it stands in the script. */
final readonly class Line
{
    /** @param ?string $step null where it belongs to no step */
    public function __construct(public ?string $step, public string $what, public string $text)
    {
    }

    /** The words without placeholders. */
    public function bare(): string
    {
        return (string) preg_replace('/\[(?:(?:a|count):)?[a-z][a-z0-9_.]*(?:\|([^\[\]]*))?\]/i', '$1', $this->text);
    }

    /** @return list<string> */
    public function sentences(): array
    {
        return preg_split('/(?<=[.!?…])\s+(?![^\[]*\])/u', trim($this->text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }
}
