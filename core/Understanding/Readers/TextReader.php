<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
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

    /** A reply of so few words is the name of something, with what leads up to it. */
    private const NAMES_A_THING = 8;

    private const NOT = 'not';

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
        $from = $context->thing ? $this->behindTheDenied($t) : 0;
        $leads = $context->thing && count($t) <= self::NAMES_A_THING
            ? [$soft, $this->words->phrases('talk', 'fetching'), $this->words->phrases('extraction', 'attribute_leads')]
            : [$soft, $this->words->phrases('talk', 'fetching')];
        while (($length = $this->leads($leads, $t, $from)) > 0) {
            $from += $length;
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
        $to = $context->thing ? $this->withoutHedge($t, $from, $to) : $to;
        $text = '';
        foreach ($this->plain(array_slice($t, $from, $to - $from), $context) as $token) {
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

    /**
     * 'Not the grey, the navy': where what is meant begins.
     *
     * @param list<Token> $t
     */
    private function behindTheDenied(array $t): int
    {
        for ($i = 1; $t[0]->text === self::NOT && isset($t[$i]); $i++) {
            if ($t[$i]->afterBreak()) {
                return $i;
            }
        }

        return 0;
    }

    /**
     * 'A Hallam I think, the big one': of a thing without the doubt.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function plain(array $t, Context $context): array
    {
        $hedges = $this->words->phrases('extraction', 'hedges');
        $plain = [];
        for ($i = 0; $i < count($t); $i++) {
            $length = $context->thing && $i > 0 ? ($hedges->at($t, $i)[1] ?? 0) : 0;
            if ($length > 0 && ($t[$i + $length] ?? null)?->afterBreak() === true) {
                $i += $length - 1;
            } else {
                $plain[] = $t[$i];
            }
        }

        return $plain;
    }

    /** @param list<Token> $t where 'I think' and the like begins that stands at the end */
    private function withoutHedge(array $t, int $from, int $to): int
    {
        $hedges = $this->words->phrases('extraction', 'hedges');
        for ($i = $from + 1; $i < $to; $i++) {
            if ($i + ($hedges->at($t, $i)[1] ?? 0) === $to) {
                return $i;
            }
        }

        return $to;
    }

    /**
     * How many words from a place on only lead up to what is told: 'hang on, I'll go and look', 'it's a'.
     *
     * @param list<Phrases<mixed>> $leads
     * @param list<Token> $t
     */
    private function leads(array $leads, array $t, int $from): int
    {
        $most = 0;
        foreach (isset($t[$from]) ? $leads : [] as $phrases) {
            $length = $phrases->at($t, $from)[1] ?? 0;
            $most = isset($t[$from + $length]) ? max($most, $length) : $most;
        }

        return $most;
    }
}
