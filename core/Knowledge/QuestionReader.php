<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Lexicon;
use Ringo\Language\SayingModel;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Finds what a caller asks: the kind of question, the words that count and how much each does.
 *
 * @phpstan-import-type Unit from Terms
 */
final class QuestionReader
{
    /** What words known in the call count beside those of the question, and where the question points at something: 'how long does it take'. */
    private const KNOWN = 0.3;

    private const KNOWN_WHERE_POINTED_AT = 0.6;

    /** How the rate of one is asked for. */
    private const RATE = '/\b(?:per|by the|each|every) (hour|day|night|week|fortnight|month|year)\b|\b(hourly|daily|nightly|weekly|fortnightly|monthly|yearly)\b/';

    /** A rate is of money where one of these stands beside it. */
    private const OF_MONEY = '/\bhow much\b|\b(?:prices?|rates?|costs?|charges?|fees?)\b/';

    /** How many days one of each is. */
    private const DAYS_OF = ['hour' => 1 / 24, 'hourly' => 1 / 24, 'day' => 1, 'daily' => 1, 'night' => 1, 'nightly' => 1, 'week' => 7, 'weekly' => 7, 'fortnight' => 14, 'fortnightly' => 14, 'month' => 30, 'monthly' => 30, 'year' => 365, 'yearly' => 365];

    /** @var array<string, true> */
    private readonly array $people;

    private readonly SayingModel $wanted;

    private readonly Figures $numbers;

    public function __construct(private readonly Terms $terms, private readonly Shelf $shelf, private readonly Vocabulary $words, private readonly Lexicon $lexicon, private readonly Understanding $understanding)
    {
        $this->wanted = SayingModel::questions();
        $this->numbers = new Figures($words, $terms);
        $this->people = array_fill_keys([...$words->section('extraction', 'relations'), ...$words->section('knowledge', 'family')], true);
    }

    public function read(string $said, \DateTimeImmutable $now, string $country = 'GB', string $before = ''): Question
    {
        $heard = $this->understanding->hear($said);
        [$asked, $told] = $this->asking($heard->original);
        $tokens = $this->terms->tokens($asked);
        $kind = $this->kind($tokens);
        $line = ' '.mb_strtolower($asked).' ';
        $context = new Context($now, $country, [], false);
        // 'It's for a Saturday. How much is it?': a day told before the question counts where the question names none.
        $calendar = new Days($this->words);
        $days = $calendar->in($asked) ?: $calendar->in($told);
        if ($days === [] && preg_match('/\b(today|tonight|tomorrow|now|this (?:morning|afternoon|evening))\b/', $line) === 1) {
            $date = $this->understanding->read(ValueType::Date, preg_match('/\bnow\b/', $line) === 1 ? 'today' : $asked, new Context($now, $country));
            $days = is_string($date->value) ? [(int) (new \DateTimeImmutable($date->value))->format('N')] : [];
        }
        $length = $this->understanding->read(ValueType::Duration, $asked, $context);
        $span = null;
        if (is_string($length->value)) {
            $period = new \DateInterval($length->value);
            $span = $period->y * 365 + $period->m * 30 + $period->d + $period->h / 24;
        } elseif (preg_match('/\b(?:over|for) (?:the|a) weekend\b/', $line) === 1) {
            $span = 2.5;
        } elseif (preg_match(self::RATE, $line, $rate) === 1 && preg_match(self::OF_MONEY, $line) === 1) {
            // 'How much is it per week' asks for the rate of one.
            $span = self::DAYS_OF[array_values(array_filter(array_slice($rate, 1)))[0]] ?? null;
        }
        $numbers = $this->numbers->in($told.' '.$asked, $line);

        // 'Where are you?' has no word of its own; 'my seven-year-old' is a child.
        $extra = $kind === 'where' && preg_match('/\b(?:are you|you are|find you|are we|your (?:place|shop|store|office|branch|surgery|premises|depot|studio|clinic))\b/', $line) === 1 ? ' located' : '';
        $extra .= preg_match('/\b(\w+)[ -]years?[ -]old\b/', $line, $m) === 1 && ($numbers[0] ?? 99) < 18 ? ' child' : '';

        return new Question($said, $asked, $kind, $this->units($asked.$extra, $told, $before), $days, preg_match("/\b(?:without|not|never|no|don't have|haven't got|cannot|can't)\b/", $line) === 1, $span, $numbers, $this->words->phrases('knowledge', 'off_topic')->in($tokens), $calendar->months($asked) ?: $calendar->months($told), $this->wanted->of($asked));
    }

    /**
     * Without greeting and preamble; of several sentences the one that asks, and what was told beside it.
     *
     * @return array{string, string}
     */
    private function asking(string $said): array
    {
        $parts = preg_split('/(?<=[?!])\s+|(?<=[a-z]{2}\.)\s+|,\s+(?=(?:and |so |but )?(?:what|how|when|where|who|which|can|could|do|does|is|are|will|would|may)\b)/iu', trim($said), -1, PREG_SPLIT_NO_EMPTY) ?: [$said];
        $lead = $this->words->phrases('knowledge', 'lead_ins');
        $kinds = $this->words->phrases('knowledge', 'kinds');
        $asks = [];
        foreach ($parts as $part) {
            $tokens = $this->terms->tokens($part);
            while ($tokens !== [] && ($hit = $lead->at($tokens, 0)) !== null && ! ($hit[1] === 1 && in_array($tokens[0]->text, ['look', 'listen', 'right', 'tell'], true) && ! isset($tokens[1])) && count($tokens) > $hit[1]) {
                $tokens = array_values(array_slice($tokens, $hit[1]));
            }
            if ($tokens === []) {
                continue;
            }
            $text = trim(substr($part, 0)) === '' ? '' : $this->from($part, $tokens);
            $asks[] = [$text, str_contains($part, '?') ? 2 : ($kinds->at($tokens, 0) !== null ? 1 : 0)];
        }
        if ($asks === []) {
            return [$said, ''];
        }
        $most = max(array_column($asks, 1));
        if ($most === 0) {
            return [implode(' ', array_column($asks, 0)), ''];
        }
        // What was said before the question names what 'it' is: 'I have a van. How much is it?'
        $chosen = array_values(array_filter($asks, static fn (array $one): bool => $one[1] === $most));
        $text = implode(' ', array_column($chosen, 0));
        $rest = implode(' ', array_column(array_filter($asks, static fn (array $one): bool => $one[1] !== $most), 0));

        return [$text, $rest];
    }

    /** @param list<Token> $tokens */
    private function from(string $part, array $tokens): string
    {
        // Tokens carry places in the text with long dashes replaced, which shifts them; the words are put together instead.
        $text = '';
        foreach ($tokens as $i => $token) {
            $text .= ($i === 0 ? '' : ($token->gap === '' ? '' : (trim($token->gap) === '' ? ' ' : $token->gap))).$token->original;
        }

        return $text.(str_contains($part, '?') ? '?' : '');
    }

    /** @param list<Token> $tokens */
    private function kind(array $tokens): string
    {
        $kinds = $this->words->phrases('knowledge', 'kinds');
        $hit = $kinds->at($tokens, 0);
        if ($hit !== null && ! in_array($hit[0], ['what', 'polar', 'may'], true)) {
            return $hit[0];
        }
        // 'And if I hire it, how much is that?': the last plain question word decides; a yes or no only at the start.
        $last = $hit === null ? 'none' : $hit[0];
        foreach ($kinds->all($tokens) as [$kind, $place]) {
            $token = $tokens[$place] ?? null;
            $opens = $place === 0 || $token?->afterBreak() === true;
            if (in_array($kind, ['price', 'when', 'howlong', 'where', 'number', 'howoften', 'amount'], true) && ($opens || $hit === null || ! in_array($token?->text, ['when', 'where', 'who', 'any'], true))) {
                return $kind;
            }
            if ($last === 'none' && ($opens || in_array($kind, ['how', 'what', 'who', 'why', 'which'], true))) {
                $last = $kind;
            }
        }

        return $last;
    }

    /** @return list<array{stem: string, word: string, rings: list<int>, generic: bool, number: bool, weight: float, near: array<string, float>, there: bool}> */
    private function units(string $asked, string $told, string $before): array
    {
        $units = [];
        $seen = [];
        $openers = ['how much', 'how long', 'how many', 'how old', 'how far', 'how soon', 'how big', 'how often', 'how early'];
        $light = array_fill_keys(array_map($this->terms->stem(...), $this->words->section('knowledge', 'light')), true);
        $points = preg_match("/\\b(?:it|one|that|them|they|this|those|he|she|him|her)\\b|it's|that's/i", $asked) === 1;
        $days = $this->words->section('knowledge', 'days');
        // What was told before the question matters more the less the question itself says: 'I've toothache. Who do I ring?'
        $alone = count(array_filter($this->terms->of($asked), static fn (array $unit): bool => ! $unit['generic'] && ! ($unit['part'] ?? false))) < 2;
        foreach ([
            [$asked, 1.0],
            [$told, $alone ? 0.75 : ($points ? 0.6 : 0.4)],
            [$before, $alone || $points ? self::KNOWN_WHERE_POINTED_AT : self::KNOWN],
        ] as [$text, $share]) {
            foreach ($text === '' ? [] : $this->written($this->terms->of($text)) as $unit) {
                if (isset($days[rtrim($unit['word'], 's')]) || isset($seen[$unit['stem']]) || str_contains($unit['word'], ' ') && in_array($unit['word'], $openers, true)) {
                    continue;
                }
                $seen[$unit['stem']] = true;
                $df = $this->shelf->spread($unit['stem']);
                // What is known in the call only chooses among what is written.
                if ($df === 0 && $text === $before && array_filter($unit['rings'], fn (int $ring): bool => $this->shelf->spread('~'.$ring) > 0) === []) {
                    continue;
                }
                $near = [];
                if ($df === 0 && ! str_contains($unit['stem'], ' ') && ! $unit['number'] && $unit['rings'] === []) {
                    $near = $this->spelled($unit['stem']);
                }
                $rare = $this->lexicon->weight($unit['stem']);
                $idf = min(1.0, 0.35 + 0.65 * log(1 + ($this->shelf->count() + 1) / ($df + 0.5)) / max(0.1, log(1 + ($this->shelf->count() + 1) / 0.5)));
                $weight = $unit['generic'] ? 0.18 : ($df === 0 && $near === [] ? max(0.75, $rare) : max(0.4, 0.5 * $rare + 0.5 * $idf));
                if (isset($light[$unit['stem']]) && ! $unit['generic']) {
                    $weight = min($weight, 0.45);
                }
                if (in_array($unit['word'], ['shop', 'store', 'office', 'branch', 'place', 'premises'], true) && preg_match('/^where/i', trim($asked)) === 1) {
                    $weight = 0.08;
                }
                if ($unit['part'] ?? false) {
                    $weight = 0.04;
                }
                // 'I left my goggles': what was left may be anything.
                if (preg_match('/\b(?:left|lost|forgot|forgotten|mislaid)\s+(?:my|our|a|the|some|his|her)\s+(?:\w+\s)?'.preg_quote($unit['word'], '/').'\b/i', $asked) === 1) {
                    $weight *= 0.25;
                }
                if (str_contains($unit['word'], ' ')) {
                    $weight = 0.8;
                }
                // 'For my daughter' tells for whom, not what.
                if (preg_match('/\b(?:my|our|for a|for the|his|her)\s+(?:\w+\s)?'.preg_quote($unit['word'], '/').'\b/i', $asked) === 1 && isset($this->people[$unit['word']])) {
                    $weight *= 0.35;
                }
                $units[] = [...$unit, 'weight' => $share * ($unit['number'] ? 0.3 : $weight), 'near' => $near, 'there' => $df > 0];
            }
        }

        return $units;
    }

    /**
     * Without phrases that nothing in the documents is about: their words then count one by one, 'towel' of 'hire a towel'.
     *
     * @param list<Unit> $units
     *
     * @return list<Unit>
     */
    private function written(array $units): array
    {
        $kept = [];
        $alone = false;
        foreach ($units as $unit) {
            $part = $unit['part'] ?? false;
            if (! $part) {
                $alone = str_contains($unit['word'], ' ') && $this->shelf->spread($unit['stem']) === 0 && array_filter($unit['rings'], fn (int $ring): bool => $this->shelf->spread('~'.$ring) > 0) === [];
                if (! $alone) {
                    $kept[] = $unit;
                }
            } elseif ($alone) {
                unset($unit['part']);
                $kept[] = ['generic' => $this->terms->isGeneric($unit['stem'])] + $unit;
            } else {
                $kept[] = $unit;
            }
        }

        return $kept;
    }

    /**
     * Words of the business that a misheard or misspelt word may be.
     *
     * @return array<string, float> stem => how likely
     */
    private function spelled(string $stem): array
    {
        $length = strlen($stem);
        if ($length < 4 || $length > 30) {
            return [];
        }
        $known = $this->lexicon->knows($stem) || isset($this->words->set('everyday_words')[$stem]);
        $allowed = $length >= 8 ? 2 : 1;
        if ($known && $length < 7) {
            return [];
        }
        $near = [];
        foreach ($this->shelf->stemsFrom(substr($stem, 0, 1)) as $other) {
            if ($other[0] === '~' || abs(strlen($other) - $length) > $allowed || strlen($other) < 4) {
                continue;
            }
            $distance = levenshtein($stem, $other);
            if ($distance <= ($known ? 1 : $allowed)) {
                $near[$other] = 1.0 - 0.12 * $distance;
            }
        }
        arsort($near);

        return array_slice($near, 0, 3, true);
    }
}
