<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Diary\Start;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\When\Wishes\Wish;

/** Which of the times offered a caller takes: by its place, by its day or hour, or by a yes where there is one. */
final readonly class Choice
{
    /** @var array<string, true> words beside a place that say nothing more */
    private array $beside;

    public function __construct(private Vocabulary $words)
    {
        $this->beside = array_fill_keys($words->section('wish_answers', 'beside'), true);
    }

    /** @param list<Start> $offered */
    public function of(Heard $heard, array $offered, mixed $yes, Diaries $diaries, int $now): ?Start
    {
        if ($offered === []) {
            return null;
        }
        $place = $this->place($heard, count($offered));
        if ($place !== null) {
            return $offered[$place];
        }
        $wish = $this->wish($heard, $offered, $diaries, $now);
        if (! $wish->isEmpty()) {
            $fitting = $wish->order === null ? $this->fitting($offered, $wish, $diaries) : [];

            return count($fitting) === 1 ? $fitting[0] : null;
        }

        return $yes === true && count($offered) === 1 ? $offered[0] : null;
    }

    /** 'Whenever suits you', 'when can you come?': who does not say when leaves it to us. */
    public function leavesItToUs(Heard $heard): bool
    {
        return $this->words->phrases('wishes', 'any')->in($heard->tokens) || $this->words->phrases('wish_answers', 'asks_free')->in($heard->tokens);
    }

    /** 'Who would that be with?' */
    public function asksWhom(Heard $heard): bool
    {
        return $this->words->phrases('wish_answers', 'with_whom')->in($heard->tokens);
    }

    /** 'Is that the earliest?' */
    public function asksEarliest(Heard $heard): bool
    {
        // 'Nothing earlier in the day' asks for another hour of it.
        return $this->words->phrases('wish_answers', 'is_earliest')->in($heard->tokens) && ! $this->words->phrases('wish_answers', 'of_that_day')->in($heard->tokens);
    }

    /** 'None of those', or a plain no. */
    public function refuses(Heard $heard, mixed $yes): bool
    {
        return $yes === false || $this->words->phrases('wish_answers', 'none')->in($heard->tokens);
    }

    /** 'Put me on the waiting list', 'ring me if anything comes free'. */
    public function wouldWait(Heard $heard): bool
    {
        return $this->words->phrases('wish_answers', 'would_wait')->in($heard->tokens);
    }

    /** 'I have not got it here'. */
    public function lacks(Heard $heard): bool
    {
        return $this->words->phrases('wish_answers', 'lacks')->in($heard->tokens);
    }

    /**
     * Whether a day or an hour is said that none of the offered has: the caller holds to a wish, and it is looked for again.
     *
     * @param list<Start> $offered
     */
    public function holdsTo(Heard $heard, array $offered, Diaries $diaries, int $now): bool
    {
        $wish = $this->wish($heard, $offered, $diaries, $now);

        return ! $wish->isEmpty() && $this->fitting($offered, $wish, $diaries) === [];
    }

    /**
     * Whether no day and no hour is said: 'either, I do not mind'.
     *
     * @param list<Start> $offered
     */
    public function namesNone(Heard $heard, array $offered, Diaries $diaries, int $now): bool
    {
        return $this->wish($heard, $offered, $diaries, $now)->isEmpty();
    }

    /** @param list<Start> $offered */
    private function wish(Heard $heard, array $offered, Diaries $diaries, int $now): Wish
    {
        return (new Negotiation($diaries, $this->words))->wish(new Wish, $heard->original, $now, array_map(static fn (Start $start): int => $start->at, $offered));
    }

    /**
     * Those of the offered that lie in what was said: 'Thursday then', 'half two is fine'.
     *
     * @param list<Start> $offered
     *
     * @return list<Start>
     */
    private function fitting(array $offered, Wish $wish, Diaries $diaries): array
    {
        return array_values(array_filter($offered, static function (Start $start) use ($wish, $diaries): bool {
            $local = $start->in($diaries->tz);

            [$date, $weekday] = [$local->format('Y-m-d'), (int) $local->format('N')];

            return $wish->day($date, $weekday) && $wish->time((int) $local->format('G') * 60 + (int) $local->format('i'), 0, $date, $weekday) && ($wish->after === null || $start->at > $wish->after) && ($wish->before === null || $start->at < $wish->before);
        }));
    }

    /** 'The second one', 'the last', 'the first of those': nothing but a place is said. */
    private function place(Heard $heard, int $count): ?int
    {
        // 'The first one's fine'
        $one = static fn (Token $token): Token => new Token('one', $token->original, $token->start, $token->end, $token->gap);
        $heard = $heard->only(array_map(static fn (Token $token): Token => in_array($token->text, ["one's", "one'll", "one'd"], true) ? $one($token) : $token, $heard->tokens));
        $hit = $this->words->phrases('wish_answers', 'places')->first($heard->tokens);
        if ($hit === null) {
            return null;
        }
        $beside = array_filter($heard->tokens, fn (Token $token, int $at): bool => ($at < $hit[1] || $at >= $hit[1] + $hit[2]) && ! isset($this->beside[$token->text]), ARRAY_FILTER_USE_BOTH);
        $places = $this->words->section('wish_answers', 'place_numbers');
        $place = null;
        foreach (array_slice($heard->tokens, $hit[1], $hit[2]) as $token) {
            // In 'the last one' it is the last.
            $place ??= $places[$token->text] ?? null;
        }
        $place = is_int($place) ? ($place < 0 ? $count + $place : $place) : null;

        return $beside === [] && $place !== null && $place >= 0 && $place < $count ? $place : null;
    }
}
