<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\When\Wishes\Span;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\WishReader;

/**
 * Options that are themselves times of the day or days of the week, where none is named: of 'the morning or the afternoon', 'I work till
 * twelve, so after that' means the afternoon; of 'Mondays, Wednesdays or Fridays', 'not Mondays' the others.
 */
final class WhenOptions
{
    /** Minutes of the shortest time of the day that is an option: 'two' is a number, and 'eight to ten' a time. */
    private const SHORTEST = 60;

    /** Minutes of one place on the grid by which times are compared. */
    private const GRID = 30;

    private const DAYS_OF_A_WEEK = 7;

    /** Share of the time told that an option must hold: 'nine till half twelve' is the morning, if the afternoon begins at twelve. */
    private const WITHIN = 0.8;

    /** Share of the time told, or of an option, that both must have in common for the option to be one of several that are meant. */
    private const SHARED = 0.5;

    private const WHOLLY = 0.9;

    /** Lists of options that are remembered. */
    private const REMEMBERED = 200;

    /** A dash before a number. */
    private const DASH = '/\s*[-–—]\s*(?=\d)/u';

    private ?WishReader $wishes = null;

    /** @var array<string, array<string, array<int, true>>> places of each option that is a time, by the list of them and the day */
    private array $known = [];

    public function __construct(private readonly Vocabulary $words)
    {
    }

    /** Made when it is first asked: most options are no times. */
    private function wishes(): WishReader
    {
        return $this->wishes ??= new WishReader($this->words);
    }

    /** The one option the words mean; null where they mean none or several. */
    public function one(Heard $heard, Context $context): ?string
    {
        [$wanted, $options] = $this->read($heard, $context);
        $met = array_filter($options, static fn (array $places): bool => array_intersect_key($places, $wanted) !== []);
        // 'Half past ten' lies in one of 'before ten, ten to two', and in both of 'any time, mornings'.
        $within = array_filter($met, static fn (array $places): bool => count(array_intersect_key($wanted, $places)) >= self::WITHIN * count($wanted));
        // 'Nine' is in the morning, where a full day could be had as well.
        $fewest = $within === [] ? 0 : min(array_map(count(...), $within));
        $narrow = array_filter($within, static fn (array $places): bool => count($places) === $fewest);
        $meant = count($met) === 1 ? $met : $narrow;

        return count($meant) === 1 ? (string) array_key_first($meant) : null;
    }

    /**
     * @param bool $beside whether others are named: then nothing but what lies wholly in the time told is meant as well
     *
     * @return list<string> all that the words mean, in the order of the options
     */
    public function several(Heard $heard, Context $context, bool $beside = false): array
    {
        [$wanted, $options] = $this->read($heard, $context);

        // The nights of a weekend are no 'nights', where weekdays, weekends and nights are asked about.
        $meant = static function (array $places) use ($wanted, $beside): bool {
            $shared = count(array_intersect_key($places, $wanted));

            return $shared > 0 && $shared >= ($beside ? self::WHOLLY * count($places) : self::SHARED * min(count($places), count($wanted)));
        };

        return array_map(strval(...), array_keys(array_filter($options, $meant)));
    }

    /** @return array{array<int, true>, array<string, array<int, true>>} places on the grid that are wanted, and those of each option that is a time */
    private function read(Heard $heard, Context $context): array
    {
        $options = $this->options($context);
        // What is no list of times is looked at no further.
        if (count($options) < 2) {
            return [[], []];
        }
        $wish = $this->wishes()->read(new Wish, $this->withoutPickedOnes($heard), $context);
        // Where nobody asked, 'Saturdays' tells of such days; what is said of one day or an hour may be of anything.
        $says = $wish->weekdays !== null || $context->asked && ($wish->times !== null || $wish->notTimes !== [] || $this->weekdays($wish) !== null || $wish->notWeekdays !== []);

        // A day alone chooses no time of the day: 'the nineteenth' is no full day among mornings and afternoons.
        $hours = $wish->times !== null || $wish->notTimes !== [];

        return [$says && ($hours || $this->differByDay($options)) ? $this->places($wish) : [], $options];
    }

    /** @param array<string, array<int, true>> $options whether they are told apart by their days */
    private function differByDay(array $options): bool
    {
        $days = array_map(static fn (array $places): array => array_values(array_unique(array_map(static fn (int $place): int => intdiv($place, Span::DAY), array_keys($places)))), $options);

        return count(array_unique($days, SORT_REGULAR)) > 1;
    }

    /** @return array<string, array<int, true>> worked out once for each list of options and each day */
    private function options(Context $context): array
    {
        $key = serialize($context->options).$context->now->format('Y-m-d');
        if (isset($this->known[$key])) {
            return $this->known[$key];
        }
        if (count($this->known) >= self::REMEMBERED) {
            $this->known = [];
        }
        $options = [];
        foreach ($context->options as $option) {
            $wish = $this->wishes()->read(new Wish, $this->spelledOut($option['label']), $context);
            $whole = in_array(mb_strtolower($option['label']), $this->words->section('calendar', 'whole_days'), true);
            $places = $whole || $this->isWhen($wish) ? $this->places($whole ? new Wish : $wish) : [];
            $options += $places === [] ? [] : [$option['key'] => $places];
        }

        return $this->known[$key] = $options;
    }

    /** '8-12' and 'ten to two' begin and end somewhere: nobody writes ten minutes to two as an option. */
    private function spelledOut(string $label): string
    {
        [$to, $till] = $this->words->section('calendar', 'from_to');

        return str_replace($to, $till, (string) preg_replace(self::DASH, $till, $label));
    }

    /** 'The early one' picks one, and is at no one o'clock. */
    private function withoutPickedOnes(Heard $heard): string
    {
        $before = [...$this->words->section('numbers', 'before_an_hour'), 'about', 'around', 'to', 'half', 'between', 'and', 'or'];
        $kept = array_filter($heard->tokens, static fn (Token $token, int $i): bool => ! in_array($token->text, ['one', 'ones'], true) || in_array($heard->tokens[$i - 1]->text ?? '', $before, true) || count($heard->tokens) === 1, ARRAY_FILTER_USE_BOTH);

        return implode(' ', array_map(static fn (Token $token): string => $token->text, $kept));
    }

    private function isWhen(Wish $wish): bool
    {
        $longest = max([0, ...array_map(static fn (Span $span): int => min($span->to, $span->over ?? $span->to) - $span->from, $wish->times ?? [])]);

        return $longest >= self::SHORTEST || $wish->times === null && $this->weekdays($wish) !== null;
    }

    /** @return ?list<int> the weekdays that are meant, ISO from 1; null where none is told */
    private function weekdays(Wish $wish): ?array
    {
        if ($wish->weekdays !== null || $wish->days === null) {
            return $wish->weekdays;
        }
        $days = [];
        foreach ($wish->days as [$from, $to]) {
            $first = new \DateTimeImmutable($from);
            // A weekend is two of them, a month none.
            if ($to > $first->modify('+1 day')->format('Y-m-d')) {
                return null;
            }
            $days[] = (int) $first->format('N');
            $days[] = (int) (new \DateTimeImmutable($to))->format('N');
        }

        return $days;
    }

    /** @return array<int, true> */
    private function places(Wish $wish): array
    {
        $weekdays = $this->weekdays($wish) ?? range(1, self::DAYS_OF_A_WEEK);
        $times = $wish->times ?? [new Span];
        $places = [];
        foreach (array_diff($weekdays, $wish->notWeekdays) as $day) {
            for ($at = 0; $at < Span::DAY; $at += self::GRID) {
                if ($this->touches($times, $at, self::GRID) && ! $this->touches($wish->notTimes, $at, 1)) {
                    $places[$day * Span::DAY + $at] = true;
                }
            }
        }

        return $places;
    }

    /** @param list<Span> $spans whether one of them has something of the minutes from `at` on */
    private function touches(array $spans, int $at, int $minutes): bool
    {
        foreach ($spans as $span) {
            if ($span->from < $at + $minutes && min($span->to, $span->over ?? $span->to) > $at) {
                return true;
            }
        }

        return false;
    }
}
