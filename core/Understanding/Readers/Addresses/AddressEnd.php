<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Addresses;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** Where an address ends and the sentence goes on about something else: an hour, who lives there, how it is found. */
final readonly class AddressEnd
{
    /** Words an hour takes at most behind a place: 'at half past six tomorrow'. */
    private const HOUR = 5;

    /** Words of the place itself, before it is told how it is found. */
    private const BEFORE_A_LANDMARK = 3;

    /** Who is spoken of where a sentence goes on. */
    private const SOMEBODY = ['i', "i'm", "i've", 'we', "we're", "we've", "i'd", 'you', 'he', 'she', 'they'];

    /** How another sentence begins. */
    private const NEW_SENTENCE = ["it's", 'its', "there's", "that's", 'it', 'this', 'oh', 'could', 'can', 'would', 'i', "i'm", "i've", 'we', "we're", "we've", 'you', "you'll", 'he', 'she', 'they', 'ring', 'just', 'my', 'our'];

    public function __construct(private Vocabulary $words, private HouseNumber $numbers)
    {
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Token> cut where the sentence goes on about something else
     */
    public function cut(array $t): array
    {
        $t = $this->withoutLandmarks($t);
        foreach ($this->words->phrases('extraction', 'hedges')->all($t) as [, $i]) {
            // '3 Mill Lane, Oldmere I believe'
            if ($i > 2 && $this->hasStreet(array_slice($t, 0, $i)) && ! $this->hasStreet(array_slice($t, $i))) {
                $t = array_slice($t, 0, $i);

                break;
            }
        }
        foreach ($t as $i => $token) {
            // An hour behind the place is no part of it: 'Priory Lane in Stanwick Cross, nine o'clock sharp'.
            if ($i > 2 && $token->afterBreak() && in_array($t[$i + 1]->text ?? '', ["o'clock", 'oclock', 'am', 'pm', 'sharp'], true) || $i > 2 && $token->afterBreak() && in_array($token->text, ['half', 'quarter', 'around', 'about', 'any', 'anytime', 'after', 'before', 'at'], true) && preg_match('/^(?:\d|past|to|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|time|half|quarter)/', $t[$i + 1]->text ?? '') === 1) {
                return array_slice($t, 0, $i);
            }
            // 'Mill Street for about six'
            $about = in_array($t[$i + 1]->text ?? '', ['about', 'around', 'half', 'quarter'], true) ? $i + 2 : $i + 1;
            if (
                $i > 1
                && in_array($token->text, ['at', 'for', 'by', 'about', 'around'], true)
                && ($about > $i + 1 || $this->numbers->at($t, $i + 1) !== null)
                && count($t) - $i <= self::HOUR
                && $this->hasStreet(array_slice($t, 0, $i))
                && ! $this->hasStreet(array_slice($t, $i))
            ) {
                return array_slice($t, 0, $i);
            }
            if ($i > 2 && $token->afterBreak() && $this->talks($t, $i) && $this->hasStreet(array_slice($t, 0, $i))) {
                return array_slice($t, 0, $i);
            }
            if ($i > 2 && $token->afterBreak() && in_array($token->text, self::SOMEBODY, true) && $this->hasStreet(array_slice($t, 0, $i))) {
                return array_slice($t, 0, $i);
            }
            if ($i > 2 && preg_match('/[.!;]/', $token->gap) === 1 && in_array($token->text, self::NEW_SENTENCE, true) && ! $this->hasStreet(array_slice($t, $i)) && $this->hasStreet(array_slice($t, 0, $i))) {
                return array_slice($t, 0, $i);
            }
            if ($i > 2 && in_array($token->text, ['please', 'now', 'because', 'if', 'and', 'but', 'thanks', 'thank', 'by', 'is', 'for', 'so', 'where', 'which', 'if'], true) && ($i + 1 >= count($t) || ! ($this->hasStreet(array_slice($t, $i)) || in_array($token->text, ['and', 'by'], true) && ! $token->afterBreak() && count($t) - $i < 3))) {
                return array_slice($t, 0, $i);
            }
        }

        return $t;
    }

    /**
     * 'Same as the billing one, 7 Linden Court': what is said of it before the pause is no part of it.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    public function withoutLead(array $t): array
    {
        for ($i = 1; isset($t[$i]); $i++) {
            if ($t[$i]->afterBreak()) {
                return $this->talks($t, 0) && $this->hasStreet(array_slice($t, $i)) ? $this->withoutLead(array_slice($t, $i)) : $t;
            }
        }

        return $t;
    }

    /**
     * 'Unit 6, Colbert Estate, just off the ring road': by what the place is found is no part of its address.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function withoutLandmarks(array $t): array
    {
        $asides = $this->words->phrases('address', 'asides');
        foreach ([...$this->words->phrases('address', 'landmarks')->all($t), ...$asides->all($t)] as [, $i]) {
            if ($i < ($asides->at($t, $i) === null ? self::BEFORE_A_LANDMARK : 1) || ! $t[$i]->afterBreak()) {
                continue;
            }
            for ($to = $i + 1; isset($t[$to]) && ! $t[$to]->afterBreak(); $to++);

            return $this->withoutLandmarks([...array_slice($t, 0, $i), ...array_slice($t, $to)]);
        }

        return $t;
    }

    /**
     * Whether what stands between two pauses says something of the place rather than naming it: 'the sat nav can't find it'.
     *
     * @param list<Token> $t
     */
    private function talks(array $t, int $from): bool
    {
        $said = [];
        for ($i = $from; isset($t[$i]) && ($i === $from || ! $t[$i]->afterBreak() && $t[$i]->text !== 'and'); $i++) {
            $said[] = $t[$i];
        }

        return ! $this->hasStreet($said)
            && array_filter($said, fn (Token $token): bool => in_array($token->text, $this->words->section('address', 'talk'), true)) !== [];
    }

    /** @param list<Token> $t */
    private function hasStreet(array $t): bool
    {
        return $this->words->phrases('address', 'streets')->in($t);
    }
}
