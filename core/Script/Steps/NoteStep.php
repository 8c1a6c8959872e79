<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Speech\Prompt;

/** Sets values, a tag or the outcome, and forgets values that are to be asked anew. */
final readonly class NoteStep implements Step
{
    /**
     * @param array<string, mixed> $set
     * @param list<string> $forget
     */
    public function __construct(
        private string $key,
        public array $set,
        public array $forget,
        public ?string $tag,
        public ?string $outcome,
        public string $next,
    ) {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'note';
    }

    public function prompt(): ?Prompt
    {
        return null;
    }

    public function exits(): array
    {
        return [['to' => $this->next, 'label' => 'goes straight on']];
    }
}
