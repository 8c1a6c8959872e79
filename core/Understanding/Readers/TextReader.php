<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;

/** Takes free words as they are, cleaned of hesitation; nothing said, doubt and refusal are no text. */
final readonly class TextReader implements Reader
{
    /** In so few words a 'please' at the end is a courtesy; in more it may belong to what is asked for. */
    private const FEW_WORDS = 4;

    public function __construct(private Vocabulary $words)
    {
    }

    public function read(Heard $heard, Context $context): Reading
    {
        if (! $context->asked || $heard->tokens === []) {
            return Reading::none();
        }
        $t = $heard->tokens;
        $soft = $this->words->phrases('talk', 'soft');
        $from = 0;
        while (isset($t[$from]) && ($hit = $soft->at($t, $from)) !== null && isset($t[$from + $hit[1]])) {
            $from += $hit[1];
        }
        // 'He's called Biscuit': of a short answer only the name is wanted.
        $named = $this->words->phrases('talk', 'named')->at($t, $from);
        if ($named !== null && isset($t[$from + $named[1]]) && count($t) - $from - $named[1] <= 3) {
            $from += $named[1];
        }
        $bare = $soft->without($t);
        if ($bare === [] || $this->words->phrases('talk', 'doubt', 'refusals', 'nothing_more')->without($bare) === []) {
            return Reading::none('nothing to write down');
        }
        // A courtesy at the end is no part of it.
        $to = count($t);
        while ($to - $from > 1 && $to - $from <= self::FEW_WORDS && in_array($t[$to - 1]->text, ['please', 'thanks', 'ta', 'cheers'], true)) {
            $to--;
        }
        $text = '';
        foreach (array_slice($t, $from, $to - $from) as $token) {
            $gap = $token->gap;
            $text .= ($text === '' ? '' : (preg_match('/^\S*\s+\S*$|^$|^-$/u', $gap) === 1 ? $gap : (str_contains($gap, ',') ? ', ' : ' '))).$token->original;
        }
        // Keep the closing mark that the recogniser wrote.
        $last = end($t);
        $tail = substr($heard->original, $last->end, 1);
        $text .= in_array($tail, ['?', '!'], true) ? $tail : '';
        $text = trim((string) preg_replace('/\s+/', ' ', $text), " ,;-\t");

        return Reading::of($text, count($bare) > 1 ? 0.86 : 0.72, $heard->between($t[$from]->start, $last->end), $t[$from]->start, $last->end);
    }
}
