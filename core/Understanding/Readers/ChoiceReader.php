<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;

/** Reads which of several options was meant: by label, synonym, position, key, description or exclusion. */
final class ChoiceReader implements Reader
{
    /** By so much the name of an option outweighs a part of another's. */
    private const CALLED_SO = 0.02;

    private const SMALL = ['the', 'a', 'an', 'of', 'to', 'and', 'or', 'one', 'ones', 'for', 'in', 'on', 'at', 'my', 'your', 'our', 'it', 'is', 'i', 'we', 'me', 'with', 'that', 'this', 'please', 'be', 'do', 'need', 'want', 'would', 'like', 'have', 'get', 'can', 'will', 'you', 'some', 'any', 'no', 'not', 'yes', 'by', 'from', 'up', 'if', 'about', 'just', 'are', 'was', 'as'];

    /** Words before a 'month' or a 'week' of which a day is told. */
    private const OF_A_DAY = ['next', 'this', 'last', 'of', 'the', 'another', 'that'];

    /** How sure an option is that was named alone, before others were spoken of. */
    private const AT_ONCE = 0.85;

    /** And one that is a time the words tell of. */
    private const BY_TIME = 0.8;

    /** Letters that a key and a word of its label begin with in common, where the one is a form of the other. */
    private const KIN = 4;

    /** Lists of options whose names are remembered. */
    private const REMEMBERED = 200;

    private readonly Repairs $repairs;

    private readonly OptionPlaces $places;

    private readonly OptionLikeness $alike;

    private readonly WhenOptions $when;

    private readonly CadenceOptions $often;

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    /** @var array<string, int> by the stem of a number word */
    private readonly array $figures;

    /** @var array<string, OptionNames> by their list of options */
    private array $known = [];

    public function __construct(private readonly Vocabulary $words)
    {
        $this->repairs = new Repairs($words);
        $this->places = new OptionPlaces($words);
        $this->when = new WhenOptions($words);
        $this->often = new CadenceOptions($words);
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
        $numbers = $words->section('numbers', 'units') + $words->section('numbers', 'teens');
        $this->figures = array_combine(array_map($this->stemmer->stem(...), array_map(strval(...), array_keys($numbers))), array_values($numbers));
        $this->alike = new OptionLikeness(self::SMALL, $this->figures);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        if ($context->options === []) {
            return Reading::none();
        }
        $whole = $this->throughMarks($heard->tokens, $context, $heard);
        if ($whole !== null) {
            return $whole;
        }
        $often = $this->often->reading($heard, $context);
        if ($often !== null) {
            return $often;
        }
        $best = null;
        $doubt = null;
        foreach ($this->repairs->stretches($heard->tokens) as $stretch) {
            if ($stretch['tokens'] === []) {
                continue;
            }
            if ($stretch['restart']) {
                $best = $doubt = null;
            }
            $outright = $this->outright($stretch['tokens'], $context, $heard);
            if ($outright !== null) {
                $best = $outright;
                $doubt = null;

                continue;
            }
            [$wanted, $denied] = $this->parted($stretch['tokens']);
            $hit = $this->hit($wanted, $context, $heard);
            if ($hit === null && $denied !== []) {
                $hit = $this->excluded($denied, $context, $heard);
            }
            if ($hit instanceof Reading) {
                $best = $hit;
                $doubt = null;
            } elseif ($hit !== null) {
                $best = null;
                $doubt = $hit;
            }
        }

        return $best ?? $this->byTime($heard, $context, $doubt) ?? Reading::none($doubt);
    }

    /** Of options that are times the one the words tell of: 'after lunch'. */
    private function byTime(Heard $heard, Context $context, ?string $doubt): ?Reading
    {
        $key = $doubt === null && $context->asked ? $this->when->one($heard, $context) : null;

        return $key === null ? null : Reading::of($key, self::BY_TIME, $heard->original, 0, strlen($heard->original));
    }

    /**
     * An option whose own words take something back elsewhere: the wait of 'it can wait', the no of 'no lunch'.
     *
     * @param list<Token> $t
     */
    private function throughMarks(array $t, Context $context, Heard $heard): ?Reading
    {
        $marks = $this->words->phrases('talk', 'corrections');
        $hits = $this->exact($t, $context);
        foreach ($hits as [$key, $i, $length, $weight]) {
            $rivals = array_filter($hits, static fn (array $other): bool => $other[0] !== $key && $other[1] < $i + $length && $i < $other[1] + $other[2]);
            if ($length > 1 && $rivals === [] && $marks->in(array_slice($t, $i, $length)) && ! $marks->in(array_slice($t, $i + $length))) {
                return $this->reading($key, 0.7 + 0.27 * $weight, $t, $i, $length, $heard);
            }
        }

        return null;
    }

    /**
     * A saying of an option that holds a denial itself, 'not turned up', means the option.
     *
     * @param list<Token> $t
     */
    private function outright(array $t, Context $context, Heard $heard): ?Reading
    {
        $found = [];
        foreach ($context->options as $option) {
            foreach ([$option['label'], ...$option['phrases']] as $phrase) {
                $words = $this->tokenizer->words($phrase);
                if (array_intersect($words, ['not', "hasn't", "isn't", "didn't", "won't", "doesn't", "can't", 'never', 'no']) === [] || count($words) < 2) {
                    continue;
                }
                for ($i = 0, $n = count($t) - count($words); $i <= $n; $i++) {
                    if (array_map(static fn (Token $token): string => $token->text, array_slice($t, $i, count($words))) === $words) {
                        $found[$option['key']] = [$i, count($words)];
                    }
                }
            }
        }
        if (count($found) !== 1) {
            return null;
        }
        [$place, $length] = reset($found);

        return Reading::of((string) array_key_first($found), 0.92, $heard->between($t[$place]->start, $t[$place + $length - 1]->end), $t[$place]->start, $t[$place + $length - 1]->end);
    }

    /**
     * Parts what is wanted from what is turned down: 'not the small one, the big one', 'anything but blue', 'X rather than Y'.
     *
     * @param list<Token> $t
     *
     * @return array{list<Token>, list<Token>}
     */
    private function parted(array $t): array
    {
        $wanted = [];
        $denied = [];
        $off = false;
        foreach ($t as $i => $token) {
            $next = $t[$i + 1]->text ?? '';
            if ($off && ($token->afterBreak() || in_array($token->text, ['but', 'so', "it's", 'its', 'i', "i'd", "i'll", 'we', 'then'], true)) && ! ($token->text === 'but' && in_array($t[$i - 1]->text ?? '', ['anything', 'any', 'everything', 'all'], true))) {
                $off = false;
            }
            if ($token->text === 'not' && ! in_array($next, ['sure', 'bothered', 'fussed', 'too', 'so', 'that'], true)
                || in_array($token->text, ["don't", "isn't", "wouldn't", "doesn't", 'except', 'excluding'], true) && ! in_array($next, ['mind', 'know', 'care', 'think'], true)
                || $token->text === 'but' && in_array($t[$i - 1]->text ?? '', ['anything', 'any', 'everything', 'all'], true)
                || $token->text === 'nothing' && $next === 'too'
                || $token->text === 'rather' && $next === 'than'
                || $token->text === 'than' && ($t[$i - 1]->text ?? '') === 'other'
                || $token->text === 'instead' && $next === 'of') {
                $off = true;
            }
            if ($off) {
                $denied[] = $token;
            } else {
                $wanted[] = $token;
            }
        }

        return [$wanted, $denied];
    }

    /**
     * @param list<Token> $t
     *
     * @return Reading|string|null the reading, or why there is none
     */
    private function hit(array $t, Context $context, Heard $heard): Reading|string|null
    {
        if ($t === []) {
            return null;
        }
        $exact = $this->exact($t, $context);
        if (count(array_unique(array_column($exact, 0))) === 1) {
            [$key, $i, $length, $weight] = $exact[0];

            return $this->reading($key, 0.7 + 0.27 * min(1.0, $weight), $t, $i, $length, $heard);
        }
        if ($exact !== []) {
            return $this->among($exact, $t, $context, $heard);
        }
        if (! $context->asked) {
            return null;
        }

        return $this->places->in($t, $context, $heard) ?? $this->alike->in($t, $context, $heard);
    }

    /**
     * Options whose label, phrase or key stands in the words; a longer match hides a shorter one inside it.
     *
     * @param list<Token> $t
     *
     * @return list<array{string, int, int, float}> key, place, length, weight
     */
    private function exact(array $t, Context $context): array
    {
        $hits = array_values(array_filter($this->names($context)->in($t), static fn (array $hit): bool => $context->asked || $hit[2] !== 1 || ! in_array($t[$hit[1]]->text, self::SMALL, true)));
        if (! $context->asked) {
            $hits = array_values(array_filter($hits, fn (array $hit): bool => ! $this->isOnlyKey($hit, $t[$hit[1]]->text, $context)));
        }
        // 'The first of next month' is not every month.
        $hits = array_values(array_filter($hits, fn (array $hit): bool => $hit[2] !== 1 || $hit[3] > OptionNames::BY_KEY || ! isset($this->words->section('calendar', 'counted')[$t[$hit[1]]->text]) || ! in_array($t[$hit[1] - 1]->text ?? '', self::OF_A_DAY, true)));
        if ($hits === []) {
            return [];
        }
        $kept = array_values(array_filter($hits, static function (array $hit) use ($hits): bool {
            foreach ($hits as $other) {
                if ($other[2] > $hit[2] && $other[1] < $hit[1] + $hit[2] && $hit[1] < $other[1] + $other[2]) {
                    return false;
                }
                // 'Just third party' is the one that is called so, beside 'third party, fire and theft'.
                if ($other[0] !== $hit[0] && $other[1] === $hit[1] && $other[2] === $hit[2] && $hit[2] > 1 && $other[3] > $hit[3] + self::CALLED_SO) {
                    return false;
                }
            }

            return true;
        }));
        usort($kept, static fn (array $a, array $b): int => [$a[1], -$a[3]] <=> [$b[1], -$b[3]]);

        return $kept;
    }

    /**
     * Whether only a key was said, which is no name of its option but a word of its author's: 'sign' of 'walking past', or, in another form,
     * one word of several: a hedge that 'wants taking down' says nothing of 'take it away'. 'Carrot' is the carrot cake, and 'wood' wooden.
     *
     * @param array{string, int, int, float} $hit
     */
    private function isOnlyKey(array $hit, string $said, Context $context): bool
    {
        foreach ($context->options as $option) {
            if ($option['key'] !== $hit[0] || $hit[2] !== 1 || $hit[3] > OptionNames::BY_KEY) {
                continue;
            }
            $key = $this->stemmer->stem($option['key']);
            $label = array_values(array_map($this->stemmer->stem(...), array_diff($this->tokenizer->words($option['label']), self::SMALL)));
            if (in_array($key, $label, true)) {
                return count($label) > 1 && ! in_array($said, [$option['key'], $option['key'].'s'], true);
            }

            return array_filter($label, static fn (string $stem): bool => strlen($key) >= self::KIN && str_starts_with($stem, substr($key, 0, self::KIN))) === [];
        }

        return false;
    }

    /** What the options are called is worked out once for each list of them. */
    private function names(Context $context): OptionNames
    {
        $key = serialize($context->options);
        if (! isset($this->known[$key])) {
            if (count($this->known) >= self::REMEMBERED) {
                $this->known = [];
            }
            $this->known[$key] = new OptionNames($context->options, $this->stemmer, $this->figures);
        }

        return $this->known[$key];
    }

    /**
     * 'Automatic please, I failed in a manual' has answered before its first pause; what follows tells of it.
     *
     * @param non-empty-list<array{string, int, int, float}> $hits
     * @param list<Token> $t
     */
    private function answersAtOnce(array $hits, array $t, Heard $heard): ?Reading
    {
        $pause = count($t);
        foreach ($t as $i => $token) {
            if ($i > 0 && $token->afterBreak()) {
                $pause = $i;

                break;
            }
        }
        $within = array_values(array_filter($hits, static fn (array $hit): bool => $hit[1] < $pause));
        $goesOn = in_array($t[$pause]->text ?? 'or', ['or', 'and', 'then', 'maybe', 'possibly', 'plus', 'no', 'not', 'both', 'either'], true);
        $named = array_filter($hits, static fn (array $hit): bool => $hit[1] === $pause);
        if ($goesOn || $named !== [] || count(array_unique(array_column($within, 0))) !== 1) {
            return null;
        }
        [$key, $i, $length] = $within[0];
        $beside = [...array_slice($t, 0, $i), ...array_slice($t, $i + $length, $pause - $i - $length)];
        $tells = array_filter($this->words->phrases('talk', 'soft')->without($beside), static fn (Token $token): bool => ! in_array($token->text, self::SMALL, true));

        return $tells === [] ? $this->reading($key, self::AT_ONCE, $t, $i, $length, $heard) : null;
    }

    /**
     * Several options named: the last after a change of mind, or none where they stand as alternatives.
     *
     * @param non-empty-list<array{string, int, int, float}> $hits
     * @param list<Token> $t
     */
    private function among(array $hits, array $t, Context $context, Heard $heard): Reading|string
    {
        $first = $context->asked ? $this->answersAtOnce($hits, $t, $heard) : null;
        if ($first !== null) {
            return $first;
        }
        // A longer description that fits only one settles it: 'digger, the mini one'.
        $all = [];
        foreach ($hits as $hit) {
            $all[$hit[0]] = ($all[$hit[0]] ?? 0) + $hit[2] * $hit[3];
        }
        arsort($all);
        $keys = array_keys($all);
        $ambiguous = array_filter($hits, static fn (array $a): bool => array_filter($hits, static fn (array $b): bool => $b[0] !== $a[0] && $b[1] === $a[1] && $b[2] === $a[2]) !== []);
        if ($ambiguous !== [] && count($ambiguous) === count($hits)) {
            $scored = $this->alike->in($t, $context, $heard);
            if ($scored instanceof Reading) {
                return $scored;
            }
        } elseif ($ambiguous !== []) {
            $clear = array_values(array_filter($hits, static fn (array $hit): bool => ! in_array($hit, $ambiguous, true)));
            if (count(array_unique(array_column($clear, 0))) === 1) {
                return $this->reading($clear[0][0], 0.86, $t, $clear[0][1], $clear[0][2], $heard);
            }
        }

        return 'more than one was named: '.implode(', ', $keys);
    }

    /** @param list<Token> $denied with everything else denied, the one that is left */
    private function excluded(array $denied, Context $context, Heard $heard): ?Reading
    {
        $out = array_unique(array_column($this->exact($denied, $context), 0));
        if ($out === [] && ($alike = $this->places->in($denied, $context, $heard) ?? $this->alike->in($denied, $context, $heard)) instanceof Reading) {
            $out = [$alike->value];
        }
        $left = array_values(array_filter($context->options, static fn (array $option): bool => ! in_array($option['key'], $out, true)));
        if ($out === [] || count($left) !== 1) {
            return null;
        }

        return $this->reading($left[0]['key'], 0.75, $denied, 0, count($denied), $heard);
    }

    /** @param list<Token> $t */
    private function reading(string $key, float $confidence, array $t, int $i, int $length, Heard $heard): Reading
    {
        $from = $t[$i]->start;
        $to = $t[$i + $length - 1]->end;

        return Reading::of($key, $confidence, $heard->between($from, $to), $from, $to);
    }
}
