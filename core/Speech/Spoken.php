<?php

declare(strict_types=1);

namespace Ringo\Speech;

/** Cuts and phrases what was written so that it can be said in one breath. */
final readonly class Spoken
{
    /** Seconds an answer may take. */
    public const BREATH = 12.0;

    public function __construct(private Timing $timing = new Timing)
    {
    }

    /**
     * @param list<string> $sentences
     *
     * @return array{string, list<string>} what is said, and what is left for 'tell me more'
     */
    public function cut(array $sentences, int $from, int $least = 1): array
    {
        $said = [];
        $n = count($sentences);
        for ($i = $from; $i < $n; $i++) {
            $next = $this->plain($sentences[$i]);
            if ($said !== [] && $i - $from >= $least && ! $this->goesOn($sentences[$i])) {
                break;
            }
            if ($said !== [] && $this->seconds(implode(' ', [...$said, $next])) > self::BREATH) {
                break;
            }
            $said[] = $next;
        }

        return [$this->short(implode(' ', $said)), array_map($this->plain(...), array_slice($sentences, $i))];
    }

    public function seconds(string $text): float
    {
        return $this->timing->ofAgent($text);
    }

    /** Whether a sentence belongs to the one before it: a condition, an exception. */
    public function goesOn(string $sentence): bool
    {
        return preg_match('/^(?:However|But|Except|Unless|If not|Otherwise|This|That|They|It|These|Those|He|She|After that|Before that|Then|Also|In that case|Without)\b/u', $sentence) === 1;
    }

    /** One sentence that is too long is cut at a comma or at a word, and says that there is more. */
    private function short(string $text): string
    {
        if ($this->seconds($text) <= self::BREATH) {
            return $text;
        }
        $words = explode(' ', $text);
        $kept = '';
        $atBreak = '';
        foreach ($words as $word) {
            if ($this->seconds($kept.' '.$word) > self::BREATH - 0.5) {
                break;
            }
            $kept = trim($kept.' '.$word);
            if (preg_match('/[,;:.]$/u', $word) === 1) {
                $atBreak = $kept;
            }
        }
        $cut = str_word_count($atBreak) > 8 ? $atBreak : $kept;

        return rtrim($cut, ',;: ').'.';
    }

    /** Written signs as they are said: '9am–5pm', '&', 'e.g.'. */
    public function plain(string $text): string
    {
        $text = (string) preg_replace([
            '/(?<=[\d\pL])\s?[–—-]\s?(?=[£$€]?\d+(?:[:.]\d\d)?\s?(?:am|pm|[£$€]|\b))(?<!-)/u',
            '/\b(Mon|Tues?|Wed(?:nes)?|Thu(?:rs?)?|Fri|Sat(?:ur)?|Sun)(day)?\s?[–—-]\s?(Mon|Tues?|Wed(?:nes)?|Thu(?:rs?)?|Fri|Sat(?:ur)?|Sun)(day)?\b/u',
            '/\s&\s/', '/\be\.g\.,?\s?/i', '/\bi\.e\.,?\s?/i', '/\betc\.?(?=\s|$)/i', '/\bapprox\.?\s/i', '/\s+/u', '/\s+([.,;:?!])/u',
        ], [' to ', '$1$2 to $3$4', ' and ', 'for example ', 'that is, ', 'and so on', 'about ', ' ', '$1'], $text);

        return trim($text);
    }
}
