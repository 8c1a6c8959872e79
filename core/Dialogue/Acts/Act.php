<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Understanding\Heard;

/** One thing a caller does with words: what, in which words, and how sure. */
final readonly class Act
{
    /**
     * @param Heard $words the words that do it
     * @param Heard $rest the other words of the utterance
     * @param bool $alone whether there is little else in the utterance
     */
    public function __construct(public ActKind $kind, public Heard $words, public Heard $rest, public float $confidence, public bool $alone)
    {
    }
}
