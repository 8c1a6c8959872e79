<?php

declare(strict_types=1);

namespace App\Gateways\Speech;

/** Renders spoken lines as audio. */
interface Voice
{
    /** Whether the programs for a voice are there. */
    public function available(string $engine): bool;

    /**
     * A WAV file with the line, made once and kept.
     *
     * @param array{engine: string, name: string, pace: float, pitch: float} $voice
     *
     * @return ?string the file's path, null where it cannot be rendered
     */
    public function wav(string $text, array $voice): ?string;
}
