<?php

declare(strict_types=1);

namespace Ringo\Understanding\Respelling;

/** Something said about how a word is spelled, with the tokens that say it. */
final readonly class Mark
{
    /**
     * @param string $letters what it is about; empty where it only explains
     * @param int $from first token
     * @param int $to token behind the last
     * @param bool $loose a run of letters after 'with a' or 'no': its first letter may stand alone
     */
    public function __construct(public MarkKind $kind, public string $letters, public int $from, public int $to, public Place $place = Place::Anywhere, public bool $loose = false)
    {
    }
}
