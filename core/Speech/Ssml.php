<?php

declare(strict_types=1);

namespace Ringo\Speech;

/** Writes what is spoken as SSML 1.1 (W3C Recommendation, 7 September 2010): sentences and pauses at the agent's pace. */
final readonly class Ssml
{
    /** @param float $pace 1 is the voice's own speed */
    public function of(string $text, string $language = 'en-GB', float $pace = 1.0, float $pitch = 1.0): string
    {
        $sentences = preg_split('/(?<=[.!?…])\s+/u', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $body = implode('', array_map(static fn (string $sentence): string => '<s>'.htmlspecialchars($sentence, ENT_XML1 | ENT_QUOTES, 'UTF-8').'</s>', $sentences));
        if (abs($pace - 1.0) > 0.001 || abs($pitch - 1.0) > 0.001) {
            $body = sprintf('<prosody rate="%d%%" pitch="%+d%%">%s</prosody>', (int) round($pace * 100), (int) round(($pitch - 1) * 100), $body);
        }

        return '<speak version="1.1" xmlns="http://www.w3.org/2001/10/synthesis" xml:lang="'.htmlspecialchars($language, ENT_XML1 | ENT_QUOTES, 'UTF-8').'">'.$body.'</speak>';
    }
}
