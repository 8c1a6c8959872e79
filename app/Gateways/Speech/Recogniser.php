<?php

declare(strict_types=1);

namespace App\Gateways\Speech;

/** Turns what a caller spoke into words. */
interface Recogniser
{
    public function available(): bool;

    /** Whether it could hear a word at all. */
    public function knows(string $word): bool;

    /**
     * @param string $path of a WAV file, 16 kHz, one channel
     * @param ?string $grammar JSGF: what is most likely said; null: anything
     */
    public function hear(string $path, ?string $grammar): Recognised;
}
