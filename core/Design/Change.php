<?php

declare(strict_types=1);

namespace Ringo\Design;

/** One difference between two versions of a script, in words. */
final readonly class Change
{
    /**
     * @param string $kind added, removed, renamed, moved or changed
     * @param ?string $step the step it concerns, by its newer name; null where it is another part
     * @param string $words what happened, as a reader would say it
     * @param list<array{what: string, from: ?string, to: ?string}> $details what stood there and what stands there now
     */
    public function __construct(public string $kind, public ?string $step, public string $words, public array $details = [])
    {
    }

    /** @return array{kind: string, step: ?string, words: string, details: list<array{what: string, from: ?string, to: ?string}>} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'step' => $this->step, 'words' => $this->words, 'details' => $this->details];
    }
}
