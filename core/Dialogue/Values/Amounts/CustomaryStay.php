<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** 'A long weekend', to how long somebody stays: three days by custom, and read back. */
final readonly class CustomaryStay
{
    private const ABOUT = 0.7;

    /** The part of the words it must be. */
    private const MOST_OF_IT = 0.7;

    public function __construct(private Vocabulary $words)
    {
    }

    public function length(Heard $heard): ?Reading
    {
        foreach ($this->words->section('units', 'nights_of') as $phrase => $nights) {
            $at = preg_match('/\b'.preg_quote((string) $phrase, '/').'\b/iu', $heard->original, $m, PREG_OFFSET_CAPTURE) === 1 ? $m[0][1] : null;
            if ($at !== null && $heard->explained($at, $at + strlen((string) $phrase), $this->words) > self::MOST_OF_IT) {
                return Reading::of("P{$nights}D", self::ABOUT, (string) $phrase, $at, $at + strlen((string) $phrase));
            }
        }

        return null;
    }
}
