<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Understanding\Heard;

/** An utterance parted into the answer and the questions that came with it. */
final readonly class Parted
{
    /** @param list<Heard> $questions */
    public function __construct(public Heard $answer, public array $questions)
    {
    }
}
