<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Understanding\Heard;

/** One turn of a call, with what was said before it and what was said to it. */
final readonly class Utterance
{
    /**
     * @param int $place among the utterances of the call
     * @param bool $theirs whether the other side said it, agent or staff
     * @param string $before what the one spoken to had said since the speaker spoke last
     * @param ?self $reply what was said to it next by the other one; null where the call ends
     * @param list<Heard> $parts its sentences
     * @param string $pieces all they have said since the question, where the other side only listened in between; '' where this is all
     * @param bool $keyed whether it was keyed, not said: what a key means, only the menu tells
     */
    public function __construct(
        public int $place,
        public int $turn,
        public bool $theirs,
        public Heard $heard,
        public string $before,
        public ?self $reply,
        public array $parts,
        public bool $keyed = false,
        public string $pieces = '',
    ) {
    }
}
