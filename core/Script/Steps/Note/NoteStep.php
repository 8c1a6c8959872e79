<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Note;

use Ringo\Script\Computation;
use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;

/** Sets values, works others out, sets a tag or the outcome, and forgets values that are to be asked anew. */
final readonly class NoteStep extends PlainStep
{
    /**
     * @param array<string, mixed> $set
     * @param array<string, Computation> $workOut fields whose value is computed from others
     * @param list<string> $forget
     */
    public function __construct(
        string $key,
        public array $set,
        public array $workOut,
        public array $forget,
        public ?string $tag,
        public ?string $outcome,
        public string $next,
    ) {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return NoteKind::NAME;
    }

    public function sets(): array
    {
        return array_map(strval(...), array_keys($this->set + $this->workOut));
    }

    public function exits(): array
    {
        // What is worked out may lack one of its parts.
        return [Way::on($this->next, 'goes straight on', array_map(strval(...), array_keys($this->set)), $this->forget)];
    }
}
