<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Advice\Doubt;
use Ringo\Advice\Purpose;

/**
 * Whether a step of a call may ask for a second opinion, and the opinion it was given.
 *
 * A step that comes upon a doubt is broken off; once the opinion is there the same words are heard again, and this time the doubt has its
 * answer. So words and course are one, whether anybody was asked or not.
 */
final class Counsel
{
    /**
     * @param list<Purpose>|\Closure(): list<Purpose> $about what may be asked about
     * @param ?string $key of the doubt that was asked about in this step; no step asks twice
     * @param string $choice the answer; empty where there is none that may be used
     */
    public function __construct(private array|\Closure $about = [], private readonly ?string $key = null, private readonly string $choice = '')
    {
    }

    /** From here on nothing is asked: what the step has done cannot be done twice. */
    public function close(): void
    {
        $this->about = [];
    }

    public function mayAsk(Purpose $purpose): bool
    {
        $this->about = $this->about instanceof \Closure ? ($this->about)() : $this->about;

        return in_array($purpose, $this->about, true);
    }

    /**
     * The choice an adviser made; null where there is none, and Ringo decides alone.
     *
     * @throws Doubted where it is to be asked first
     */
    public function on(Doubt $doubt): ?string
    {
        if ($this->key !== null) {
            return $this->key === $doubt->key() && isset($doubt->choices[$this->choice]) ? $this->choice : null;
        }
        if ($this->mayAsk($doubt->purpose)) {
            throw new Doubted($doubt);
        }

        return null;
    }
}
