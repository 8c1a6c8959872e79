<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\OptionKinds;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;

/**
 * Reads which of several options were meant, as many as were: those that are named and not denied, all but those excepted, and a stretch
 * from one to another ('Monday to Wednesday').
 *
 * The value is the list of their keys in the order of the sheet. Words that only deny give none, but where the options are days or times:
 * 'not Mondays' means the others.
 */
final readonly class SeveralReader implements Reader
{
    /** Words between a denial and what it denies. */
    private const REACH = 3;

    /** Words that may stand among those of a name. */
    private const BETWEEN_WORDS = 2;

    /** Telling words that may stand beside a bare 'all'. */
    private const BESIDE_ALL = 1;

    /** Words that take something back, right before what is said anew. */
    private const TAKEN_BACK = 2;

    private Stemmer $stemmer;

    private OptionKinds $kinds;

    private Repairs $repairs;

    private WhenOptions $when;

    public function __construct(private Vocabulary $words)
    {
        $this->stemmer = new Stemmer;
        $this->kinds = new OptionKinds($words);
        $this->repairs = new Repairs($words);
        $this->when = new WhenOptions($words);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        // Whatever looks at the words from here on sees those that are left.
        $heard = $heard->only($this->kept($heard->tokens, $context->options));
        $tokens = $heard->tokens;
        $hits = $this->hits($tokens, $context->options);
        $named = array_column($hits, 0);
        $kinds = $context->asked ? $this->kinds->places($context->options, $heard) : [];
        // The no of 'no hot water' is no 'nothing at all', nor is that of 'no bleeding'.
        $apart = static fn (array $place): bool => ! in_array($place[0], $named, true) && array_filter($hits, static fn (array $hit): bool => $hit[1] <= $place[2] + 1 && $hit[2] >= $place[1]) === [];
        $hits = [...$hits, ...array_values(array_filter($kinds, $apart))];
        usort($hits, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $without = $this->without($context->options);
        $keys = array_map(static fn (array $option): string => $option['key'], $context->options);
        if ($tokens === [] || $keys === []) {
            return Reading::none();
        }
        $except = $this->except($tokens);
        $wanted = [];
        $denied = [];
        foreach ($hits as [$key, $from, $to]) {
            // 'He can't have nuts' wants 'no nuts'.
            if ($except !== null && $from > $except || ! $context->lack && $this->denied($tokens, $from, $to, $hits) && ! isset($without[$key])) {
                $denied[$key] = true;
            } else {
                $wanted[$key] = true;
            }
        }
        $wanted += $this->stretches($tokens, $hits, $keys);
        // 'Weekdays', and the others of 'not Wednesdays'.
        $wanted += $except === null ? array_fill_keys($this->when->several($heard, $context, $wanted !== []), true) : [];
        $nothing = $context->asked && $wanted === [] && $this->deniesAny($tokens) ? $this->nothingOf($context->options) : [];
        if ($wanted === [] && ($except !== null && $denied !== [] || $context->asked && $nothing === [] && $this->allOfThem($tokens))) {
            $none = $this->nothingOf($context->options);
            // 'It can have everything in it' wants none of them left out.
            $wanted = $context->lack && $none !== [] ? $none : array_diff_key(array_fill_keys($keys, true), $denied, $none);
        }
        $wanted += $nothing;
        $wanted = count($wanted) > 1 ? array_diff_key($wanted, $this->nothingOf($context->options)) : $wanted;
        $value = array_values(array_filter($keys, static fn (string $key): bool => isset($wanted[$key]) && ! isset($denied[$key])));
        if ($value === []) {
            return Reading::none();
        }
        $start = $hits === [] ? $tokens[0]->start : min(array_map(static fn (array $hit): int => $tokens[$hit[1]]->start, $hits));
        $end = $hits === [] ? $tokens[count($tokens) - 1]->end : max(array_map(static fn (array $hit): int => $tokens[$hit[2]]->end, $hits));

        return Reading::of($value, $context->asked ? 0.88 : 0.8, $heard->between($start, $end), $start, $end);
    }

    /**
     * 'All of them', 'the lot'; a bare 'all' or 'any' only where little else is said: 'the arms are all threadbare' names none.
     *
     * @param list<Token> $tokens
     */
    private function allOfThem(array $tokens): bool
    {
        $hit = $this->words->phrases('several', 'all')->first($tokens);
        if ($hit === null || $this->words->phrases('several', 'not_all')->in($tokens) || $this->deniesAny($tokens)) {
            return false;
        }
        $little = $this->words->set('function_words');
        $rest = [...array_slice($tokens, 0, $hit[1]), ...array_slice($tokens, $hit[1] + $hit[2])];
        $others = array_filter($rest, static fn (Token $token): bool => ! isset($little[$token->text]));

        return $hit[2] > 1 || count($others) <= self::BESIDE_ALL;
    }

    /** @param list<Token> $tokens whether there is none of them: 'don't have any', 'not on any' */
    private function deniesAny(array $tokens): bool
    {
        $denials = $this->words->section('several', 'denials');
        $denies = static fn (Token $one): bool => in_array($one->text, $denials, true) || str_ends_with($one->text, "n't");
        foreach ($tokens as $i => $token) {
            $before = array_slice($tokens, max(0, $i - self::REACH), min($i, self::REACH));
            if ($token->text === 'any' && array_filter($before, $denies) !== []) {
                return true;
            }
        }

        return false;
    }

    /**
     * The option that stands for none of the others.
     *
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return array<string, true>
     */
    private function nothingOf(array $options): array
    {
        $none = array_filter($options, fn (array $option): bool => OptionNames::isNone($option, $this->words));

        return count($none) === 1 ? [array_values($none)[0]['key'] => true] : [];
    }

    /**
     * What is left where somebody begins again: 'a tank and a piano, I mean a tank and a safe'.
     *
     * @param list<Token> $tokens
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return list<Token>
     */
    private function kept(array $tokens, array $options): array
    {
        $start = $tokens[0]->start ?? 0;
        foreach ($this->repairs->stretches($tokens) as $n => $stretch) {
            $first = array_values($stretch['tokens'])[0] ?? null;
            if ($n === 0 || $first === null || in_array($first->text, ['and', 'also', 'plus', 'or'], true)) {
                continue;
            }
            // The no of 'leaking, and no hot water' takes nothing back: it stands in the midst of an option.
            $from = $this->beginOf($first, $tokens, $options);
            $start = match (true) {
                $from !== null => $this->saidAnew($tokens, $from) ? $from->start : $start,
                $this->hits($stretch['tokens'], $options) === [] => $start,
                default => $first->start,
            };
        }

        return array_values(array_filter($tokens, static fn (Token $token): bool => $token->start >= $start));
    }

    /**
     * Where the option begins in whose midst what seems to begin anew stands; null where it stands in none.
     *
     * @param list<Token> $tokens
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     */
    private function beginOf(Token $first, array $tokens, array $options): ?Token
    {
        foreach ($this->hits($tokens, $options) as [, $from, $to]) {
            if ($tokens[$from]->start < $first->start && $tokens[$to]->start >= $first->start) {
                return $tokens[$from];
            }
        }

        return null;
    }

    /**
     * Whether something was taken back right before a word: 'a leak, no sorry, no hot water'.
     *
     * @param list<Token> $tokens
     */
    private function saidAnew(array $tokens, Token $from): bool
    {
        $before = array_values(array_filter($tokens, static fn (Token $token): bool => $token->start < $from->start));

        return $this->words->phrases('talk', 'corrections')->in(array_slice($before, -self::TAKEN_BACK));
    }

    /**
     * Options that are themselves the lack of something: 'no nuts', 'gluten free'.
     *
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return array<string, true>
     */
    private function without(array $options): array
    {
        $without = array_filter($options, static fn (array $option): bool => preg_match('/\b(?:no|not|without|free)\b/i', $option['label']) === 1);

        return array_fill_keys(array_column($without, 'key'), true);
    }

    /**
     * @param list<Token> $tokens
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return list<array{string, int, int}> options that are named: key, first and last token
     */
    private function hits(array $tokens, array $options): array
    {
        $stems = array_map(fn (Token $token): string => $this->stemmer->stem($token->text), $tokens);
        $hits = [];
        foreach ($options as $option) {
            $bare = (string) preg_replace('/^(?:the|a|an|no|my|your)\s+/i', '', $option['label']);
            // What an option is called, and not what its author calls it, where it is called anything.
            $names = array_column(array_filter(OptionNames::of($option), static fn (array $name): bool => $name[1] > OptionNames::BY_KEY || $option['label'] === ''), 0);
            foreach (array_unique([...$names, $bare, ...$this->joined($names), ...$this->headOf($bare, $options), ...$this->dayNames($option['label'])]) as $phrase) {
                $words = $this->stemmer->stems($phrase);
                $whole = count($hits);
                for ($i = 0; $words !== [] && $i + count($words) <= count($stems); $i++) {
                    if (array_slice($stems, $i, count($words)) === $words) {
                        $hits[] = [$option['key'], $i, $i + count($words) - 1];
                    }
                }
                $apart = count($hits) > $whole || count($words) < 2 ? null : $this->near($words, $stems);
                if ($apart !== null) {
                    $hits[] = [$option['key'], ...$apart];
                }
            }
        }
        // Where a longer name stands, a shorter one inside it is not meant.
        $hits = array_values(array_filter($hits, static fn (array $hit): bool => array_filter($hits, static fn (array $other): bool => $other[0] !== $hit[0] && $other[1] <= $hit[1] && $other[2] >= $hit[2] && $other[2] - $other[1] > $hit[2] - $hit[1]) === []));
        usort($hits, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return $hits;
    }

    /** @return list<string> all names of a weekday that is written short: 'mon' */
    private function dayNames(string $label): array
    {
        $weekdays = $this->words->section('calendar', 'weekdays');
        $day = $weekdays[mb_strtolower($label)] ?? null;

        return is_int($day) ? array_map(strval(...), array_keys($weekdays, $day, true)) : [];
    }

    /**
     * 'A toilet on board' is called a toilet, where nothing else is.
     *
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return list<string>
     */
    private function headOf(string $name, array $options): array
    {
        if (preg_match('/^(\pL{3,}(?: \pL{3,})?) (?:on|with|for|in|of|at|by|from|to)\b/iu', $name, $m) !== 1) {
            return [];
        }
        $others = array_filter($options, static fn (array $one): bool => preg_match('/\b'.preg_quote($m[1], '/').'\b/iu', $one['label']) === 1);

        return count($others) === 1 ? [$m[1]] : [];
    }

    /**
     * All words of a name near one another, whatever their order: 'the springs have gone' for 'gone springs'.
     *
     * @param list<string> $words
     * @param list<string> $stems of what was said
     *
     * @return array{int, int}|null first and last place
     */
    private function near(array $words, array $stems): ?array
    {
        $places = array_map(static fn (string $word): int|false => array_search($word, $stems, true), array_values(array_unique($words)));
        $found = array_filter($places, is_int(...));

        if (count($found) < 2 || count($found) < count($places)) {
            return null;
        }
        [$first, $last] = [min($found), max($found)];

        return $last - $first >= count($places) + self::BETWEEN_WORDS ? null : [$first, $last];
    }

    /**
     * @param list<string> $names
     *
     * @return list<string> 'e-mail' is said in one word as well
     */
    private function joined(array $names): array
    {
        return array_map(static fn (string $name): string => str_replace('-', '', $name), array_values(array_filter($names, static fn (string $name): bool => str_contains($name, '-'))));
    }

    /** @param list<Token> $tokens where what is excepted begins: 'anything but', 'all except' */
    private function except(array $tokens): ?int
    {
        $hit = $this->words->phrases('several', 'except')->first($tokens);

        return $hit === null ? null : $hit[1];
    }

    /**
     * Whether the words right before, or right after, deny what is named; the no of 'no nuts' belongs to the nuts.
     *
     * @param list<Token> $tokens
     * @param list<array{string, int, int}> $hits
     */
    private function denied(array $tokens, int $from, int $to, array $hits): bool
    {
        $inside = static fn (int $i): bool => array_filter($hits, static fn (array $hit): bool => $hit[1] <= $i && $hit[2] >= $i && $hit[1] < $hit[2]) !== [];
        $denials = $this->words->section('several', 'denials');
        for ($i = $from - 1; $i >= max(0, $from - self::REACH); $i--) {
            if (in_array($tokens[$i]->text, $denials, true)) {
                return ! $inside($i);
            }
            if ($tokens[$i + 1]->afterBreak() || $tokens[$i]->text === 'but') {
                break;
            }
        }

        return $this->words->phrases('several', 'out')->at($tokens, $to + 1) !== null;
    }

    /**
     * @param list<Token> $tokens
     * @param list<array{string, int, int}> $hits
     * @param list<string> $keys
     *
     * @return array<string, true> 'Monday to Wednesday' has Tuesday in it
     */
    private function stretches(array $tokens, array $hits, array $keys): array
    {
        $found = [];
        for ($n = 1; $n < count($hits); $n++) {
            $between = array_map(static fn (Token $token): string => $token->text, array_slice($tokens, $hits[$n - 1][2] + 1, $hits[$n][1] - $hits[$n - 1][2] - 1));
            $from = array_search($hits[$n - 1][0], $keys, true);
            $to = array_search($hits[$n][0], $keys, true);
            if (in_array($between, [['to'], ['till'], ['until'], ['through']], true) && is_int($from) && is_int($to) && $from < $to) {
                $found += array_fill_keys(array_slice($keys, $from, $to - $from + 1), true);
            }
        }

        return $found;
    }
}
