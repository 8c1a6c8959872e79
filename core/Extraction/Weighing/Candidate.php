<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;

/**
 * A value that a field might have, with the words it comes from and what speaks for and against it.
 *
 * `told` names how it came up: answer (the caller's words), offer (the other side's words), mended (what was said before, with the caller's
 * words put into it), keyed (a key that a menu gives a meaning), meant
 * (no words name it, their sense does), moment (a day and an hour
 * that stand apart) or union (options named in several turns).
 */
final readonly class Candidate
{
    public const ANSWER = 'answer';

    public const OFFER = 'offer';

    public const MEANT = 'meant';

    public const MOMENT = 'moment';

    public const UNION = 'union';

    public const MENDED = 'mended';

    public const KEYED = 'keyed';

    /**
     * @param int $place of the utterance in the scene
     * @param int $turn the caller's turn that gives it, or that takes what the other side said
     * @param array<string, float> $signs what speaks for and against it, by name
     */
    public function __construct(public FieldProfile $field, public mixed $value, public int $place, public int $turn, public string $said, public string $told, public array $signs)
    {
    }

    /** @param array<string, float> $signs */
    public function with(array $signs): self
    {
        return new self($this->field, $this->value, $this->place, $this->turn, $this->said, $this->told, $signs + $this->signs);
    }
}
