<?php

declare(strict_types=1);

namespace Ringo\Inspection;

use Ringo\Brief\Brief;
use Ringo\Diary\Diaries;
use Ringo\Errand\Errands;

/** What a design stands among, as far as it is known to whoever asks for the inspection: null where it is not. */
final readonly class Surroundings
{
    /**
     * @param ?list<string> $files names of the files that e-mails may carry
     * @param list<string> $otherBusinesses names of other businesses, none of which may stand in the words
     * @param ?list<string> $callerFacts facts that callers of the business may have on file
     * @param list<string> $delivers kinds of message that delivery rules send after calls
     * @param ?array{trades: list<string>, of: int, handled: int, missed: list<string>} $foreseen what the design does with what callers of its trades say
     * @param ?Diaries $diaries what can be booked, with whom and when
     * @param ?Errands $errands what steps may look up or have done elsewhere
     * @param ?Brief $brief what is true of the business
     * @param list<array{name: string, field: string, seconds: int}> $reminders what delivery rules send so long before a moment in a field
     */
    public function __construct(public ?array $files = null, public array $otherBusinesses = [], public ?array $callerFacts = null, public array $delivers = [], public ?array $foreseen = null, public ?Diaries $diaries = null, public array $reminders = [], public ?Errands $errands = null, public ?Brief $brief = null)
    {
    }

    /** @param array{trades: list<string>, of: int, handled: int, missed: list<string>} $foreseen */
    public function withForeseen(array $foreseen): self
    {
        return new self($this->files, $this->otherBusinesses, $this->callerFacts, $this->delivers, $foreseen, $this->diaries, $this->reminders, $this->errands, $this->brief);
    }
}
