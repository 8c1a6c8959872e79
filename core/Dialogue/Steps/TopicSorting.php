<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Advice\Purpose;
use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Acts\Wanting;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Likelihoods;
use Ringo\Fit\Topics;
use Ringo\Language\Token;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Which topic words are about: one that is named, one taken up after a question, one that asks for what was named, one that is meant; or
 * which of several the caller is asked about.
 */
final readonly class TopicSorting
{
    /** Telling words from which the meaning of what was said is weighed. */
    private const WORDS_THAT_MEAN = 2;

    /** Another topic so likely is meant, whatever thing was named. */
    private const MEANT_RATHER = 0.7;

    /** From here on a topic is meant though the words want none of what it asks for. */
    private const LIKELY_ALL_THE_SAME = 0.6;

    /** Another topic so likely by the whole of the words is asked about beside the one that a single word names. */
    private const OUTWEIGHS = 0.75;

    /** By how much a wrong topic costs more where one word alone points at it. */
    private const ONE_WORD_POINTS = 1.5;

    /** The same where words point at two: 'something to break up a patio' is for hire, and no breakdown. */
    private const TWO_ARE_POINTED_AT = 5.0;

    /** A topic that leads the next by so much is meant, whatever else the words are like. */
    private const LEADS_BY_FAR = 0.6;

    /** From here on a topic may be meant, and is asked about. */
    private const MAY_BE_MEANT = 0.1;

    /** The same of a question that nothing answers. */
    private const MAY_BE_ASKED = 0.2;

    /** By so many answers more the words tell of one topic than of another, to mean it. */
    private const TELLS_MORE = 2;

    /** Where a topic is quite sure, whatever else might fit. */
    private const SUREST = 0.99;

    /** A fit from which there is no doubt. */
    private const SURE_FIT = 1.2;

    public function __construct(
        private Understanding $understanding,
        private Phrasebook $phrases,
        private Topics $topics,
        private TopicEntry $entry,
        private Wanting $wanting,
        private Corrections $corrections,
        private OtherTopics $others,
        private AskedAbout $askedAbout,
        private StandsAlready $standing,
    ) {
    }

    /** How sure a fit makes of its topic, from 0 to 1. */
    public static function sure(float $fit): float
    {
        return round(min(self::SUREST, $fit / self::SURE_FIT), 3);
    }

    /** 'Have you got anything on Saturday': the topic that agrees a time, where only one does or one was asked about before. */
    public function freeTimes(Turn $turn, ListenStep $step, Hearing $hearing): ?Move
    {
        $heard = $hearing->heard;
        $free = $this->phrases->table('wish_answers', 'asks_free')->first($heard->tokens);
        // 'Could you tell me' leaves nothing to us.
        $asks = $free !== null && ! str_starts_with((string) $free[0], 'you ')
            || $this->phrases->table('wish_answers', 'anything_free')->in($heard->tokens);
        if (! $asks || $this->wanting->wonders($hearing) || $this->understanding->read(ValueType::Date, $heard, $turn->plain())->value === null) {
            return null;
        }
        $books = array_values(array_filter(array_column($step->topics, 'key'), fn (string $key): bool => $this->entry->books($turn, $step, $key)));
        $key = in_array($turn->state->leaning, $books, true) ? $turn->state->leaning : (count($books) === 1 ? $books[0] : null);
        if ($key === null) {
            return null;
        }
        $turn->trace->rule("topic {$key}: asks what is free, and it agrees times");

        return $this->entry->enter($turn, $step, $key, $heard);
    }

    /** @param array<string, float> $ranked what fits how well by its words alone, best first */
    public function of(Turn $turn, ListenStep $step, array $ranked, Hearing $hearing): ?Move
    {
        $asked = $this->askedAbout->topic($step, $ranked, $hearing);
        // 'How much will that be', once it is booked, books it no second time.
        if ($turn->state->finished !== [] && $this->wanting->about($hearing) && ($this->askedAbout->whatWasDone($hearing) || in_array($asked, $turn->state->finished, true))) {
            return null;
        }
        $prices = $asked === null ? [] : $this->askedAbout->prices($step, $hearing);
        if (count($prices) === 1) {
            $turn->trace->rule("topic {$prices[0]}: a price is asked for, and this one tells them");

            return $this->enter($turn, $step, $prices[0], $hearing);
        }
        if ($asked !== null) {
            $turn->state->leaning = $asked;
            $turn->trace->unanswered[] = ['question' => $hearing->heard->original, 'why' => 'not covered'];
            $turn->standing('no_answer');
            $hearing->dealtWith(ActKind::Question);

            return $this->ask($turn, $step, [$asked], "topic {$asked}: is only asked about, and begins nothing before a yes", $hearing);
        }

        return $this->sorted($turn, $step, $ranked, $hearing) ?? $this->named($turn, $step, $hearing) ?? $this->byMeaning($turn, $step, $hearing, max([0.0, ...array_values($ranked)]) === 0.0);
    }

    /**
     * A topic that is named is gone into, unless the whole of the words rather means another; what points at one or several is weighed.
     *
     * @param array<string, float> $ranked
     */
    private function sorted(Turn $turn, ListenStep $step, array $ranked, Hearing $hearing): ?Move
    {
        $keys = array_map(strval(...), array_keys($ranked));
        $top = $ranked[$keys[0] ?? ''] ?? 0.0;
        $next = $ranked[$keys[1] ?? ''] ?? 0.0;
        if ($top < Topics::NEAR || $top < Topics::FITS && $next < Topics::RIVAL && ! $this->onlyPoints($turn, $step, $hearing)) {
            return null;
        }
        if ($this->asksAfterwards($turn, $keys[0], $hearing)) {
            return null;
        }
        if ($top >= Topics::FITS && $top - $next >= Topics::LEAD) {
            return $this->fits($turn, $step, $ranked, $hearing);
        }
        $likely = $this->topics->meant($step->topics, $hearing->heard);
        $best = (string) array_key_first($likely->of);
        $shown = $best.' is meant to '.round(100 * $likely->of[$best]).' %';
        $turn->trace->sureness = round($likely->of[$best], 3);
        if ($top >= Topics::NAMED && $best !== $keys[0]) {
            return $this->ask($turn, $step, [$best, $keys[0]], "{$keys[0]} is named, {$shown}: asks", $hearing);
        }
        $dearer = $next >= Topics::RIVAL ? self::TWO_ARE_POINTED_AT : ($top < Topics::FITS ? self::ONE_WORD_POINTS : 1.0);
        if ($likely->taken(dearer: $dearer) !== null && ! $this->wanting->wonders($hearing)) {
            $turn->trace->rule("topic {$shown}");

            return $this->enter($turn, $step, $best, $hearing);
        }

        return $this->ask($turn, $step, $likely->asked(), "words point at a topic, {$shown}: asks", $hearing);
    }

    /**
     * A topic that fits alone; where it does not lead by far, and another is likelier by the whole of the words, both are asked about.
     *
     * @param array<string, float> $ranked
     */
    private function fits(Turn $turn, ListenStep $step, array $ranked, Hearing $hearing): Move
    {
        $keys = array_map(strval(...), array_keys($ranked));
        $top = $ranked[$keys[0] ?? ''] ?? 0.0;
        $next = $ranked[$keys[1] ?? ''] ?? 0.0;
        $turn->trace->rule("topic {$keys[0]}: fits ".number_format($top, 2).', the next '.number_format($next, 2));
        $turn->trace->sureness = self::sure($top);
        $standing = $this->standing->topics($step, $keys[0], $hearing);
        if ($standing !== null) {
            return $this->put($turn, $step, [...$standing, $keys[0]], "topic {$keys[0]} begins something, and something stands already: asks", $hearing);
        }
        // 'Can somebody tell me if I can take these with my tablets' shares a word with ordering tablets, and orders none.
        if ($top < Topics::NAMED && $this->wanting->wonders($hearing) && ! $this->topics->said($step->topics, $keys[0], $hearing->heard)) {
            $likely = $this->topics->meant($step->topics, $hearing->heard);
            $best = (string) array_key_first($likely->of);

            return $this->ask($turn, $step, array_values(array_unique([...$likely->asked(), $keys[0]])), "topic {$keys[0]} is only wondered about, {$best} is meant to ".round(100 * $likely->of[$best]).' %: asks', $hearing);
        }
        if ($top - $next < self::LEADS_BY_FAR && ! $this->topics->said($step->topics, $keys[0], $hearing->heard)) {
            $likely = $this->topics->meant($step->topics, $hearing->heard);
            $best = (string) array_key_first($likely->of);
            if ($best !== $keys[0] && $likely->of[$best] >= self::OUTWEIGHS) {
                return $this->ask($turn, $step, [$best, $keys[0]], "topic {$best} is meant to ".round(100 * $likely->of[$best]).' %: asks', $hearing);
            }
        }

        return $this->entry->enter($turn, $step, $keys[0], $hearing->heard);
    }

    /** Goes into a topic, unless it begins something and something stands already. */
    private function enter(Turn $turn, ListenStep $step, string $best, Hearing $hearing): Move
    {
        $standing = $this->standing->topics($step, $best, $hearing);

        return $standing === null
            ? $this->entry->enter($turn, $step, $best, $hearing->heard)
            : $this->put($turn, $step, [...$standing, $best], "topic {$best} begins something, and something stands already: asks", $hearing);
    }

    /** 'How much is the test', once it is booked, books no other. */
    private function asksAfterwards(Turn $turn, string $topic, Hearing $hearing): bool
    {
        return in_array($topic, $turn->state->finished, true) && $this->wanting->toKnow($hearing);
    }

    /** Whether words that point at one topic do nothing else: ask nothing, want nobody, name nothing that another topic asks for. */
    private function onlyPoints(Turn $turn, ListenStep $step, Hearing $hearing): bool
    {
        return ! $hearing->asks()
            && $hearing->act(ActKind::Person, ActKind::OffTopic, ActKind::Leaving) === null
            && $this->entry->implied($turn, $step, $hearing->heard, false) === null;
    }

    /** What no word of a topic tells: taken where its meaning is likely enough, asked about where it may be. */
    private function byMeaning(Turn $turn, ListenStep $step, Hearing $hearing, bool $ungrounded): ?Move
    {
        if ($turn->state->values !== [] && $this->corrections->sounded($hearing->heard) && $this->corrections->find($turn, $hearing->heard, array_reverse(array_keys($turn->state->values))) !== []) {
            return null;
        }
        if (
            count($step->topics) < 2
            || $hearing->elsewhere([ActKind::Question, ActKind::Complaint, ActKind::Thanks])
            || $this->phrases->content($hearing->heard->tokens) < ($hearing->asks() || ! $ungrounded ? 1 : self::WORDS_THAT_MEAN)
        ) {
            return null;
        }
        $likely = $this->topics->meant($step->topics, $hearing->heard);
        $best = (string) array_key_first($likely->of);
        $turn->trace->sureness = round($likely->of[$best], 3);
        $shown = $best.' is meant to '.round(100 * $likely->of[$best]).' %';
        if ($this->asksAfterwards($turn, $best, $hearing)) {
            return null;
        }
        // Whoever has got what they rang for and only wants to know something wants no topic: 'where are you exactly'.
        if (($turn->state->finished !== [] || $turn->state->booked !== []) && $hearing->statement->isEmpty() && $this->wanting->toKnow($hearing)) {
            return null;
        }
        $wonders = $this->wanting->wonders($hearing);
        if (! $wonders && $likely->taken(dearer: $ungrounded || $hearing->asks() ? Likelihoods::IN_DOUBT : 1.0) !== null) {
            $turn->trace->rule("topic {$shown}");

            return $this->enter($turn, $step, $best, $hearing);
        }
        $least = $wonders || $hearing->asks() && $this->wanting->toKnow($hearing) ? self::MAY_BE_ASKED : self::MAY_BE_MEANT;

        return $likely->noneMeant() || $likely->of[$best] < $least ? null : $this->ask($turn, $step, $likely->asked(), "topic {$shown}: asks", $hearing);
    }

    /** Words that name no topic but something a topic begins by asking for; or one topic that may be meant. */
    private function named(Turn $turn, ListenStep $step, Hearing $hearing): ?Move
    {
        $implied = $this->entry->implied($turn, $step, $hearing->heard, false);
        $standing = $implied === null ? null : $this->standing->topics($step, $implied, $hearing);
        if ($implied !== null && $standing !== null) {
            return $this->put($turn, $step, [...$standing, $implied], "what {$implied} asks for is named, and something stands already: asks", $hearing);
        }
        if ($implied !== null && ! $this->meantRather($step, $hearing, $implied)) {
            $this->entry->implied($turn, $step, $hearing->heard);
            $turn->trace->rule("topic {$implied}: what was named is what it asks for first");

            return $this->entry->enter($turn, $step, $implied, $hearing->heard);
        }
        $yes = $step->topics !== [] && ! $hearing->asks() && $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->value === true;
        if ($yes && $this->phrases->content($hearing->heard->tokens) <= 1) {
            $turn->trace->rule('a bare yes: asks what for');

            return Move::again();
        }

        return null;
    }

    /** 'A flat tyre on the dumper' names a machine and is about something else. */
    private function meantRather(ListenStep $step, Hearing $hearing, string $implied): bool
    {
        // 'I can't cope with the rabbits any more' names them, and wants none.
        $denies = $this->phrases->table('acts', 'wants_none')->in($hearing->heard->tokens);
        if (! $denies && $this->phrases->content($hearing->heard->tokens) <= self::WORDS_THAT_MEAN) {
            return false;
        }
        $likely = $this->topics->meant($step->topics, $hearing->heard);
        $best = (string) array_key_first($likely->of);

        return $best !== $implied && $likely->of[$best] >= self::MEANT_RATHER || $denies && ($likely->of[$implied] ?? 0.0) < self::LIKELY_ALL_THE_SAME;
    }

    /**
     * Asks which of some topics is meant, where the words do not tell far more of what one of them asks for.
     *
     * @param list<string> $keys
     */
    private function ask(Turn $turn, ListenStep $step, array $keys, string $why, Hearing $hearing): Move
    {
        $telling = $hearing->asks() && $this->wanting->toKnow($hearing) ? null : $this->toldMost($turn, $step, $keys, $hearing);
        if ($telling !== null) {
            $turn->trace->rule("topic {$telling}: the words tell what it asks for, and little of what the others do");

            return $this->enter($turn, $step, $telling, $hearing);
        }

        return $this->put($turn, $step, $keys, $why, $hearing);
    }

    /**
     * Puts the question which of some topics is meant, unless an adviser knows.
     *
     * @param list<string> $keys
     */
    private function put(Turn $turn, ListenStep $step, array $keys, string $why, Hearing $hearing): Move
    {
        $advised = $this->advised($turn, $step);
        if ($advised !== null) {
            $turn->trace->rule("topic {$advised}");

            return $this->entry->enter($turn, $step, $advised, $hearing->heard);
        }
        $turn->state->unsorted = ['words' => $hearing->heard->original, 'turn' => $turn->callerTurn];
        $turn->trace->rule($why);
        $wanted = array_values(array_diff($keys, $turn->state->refused));
        $this->others->ask($turn, $step, $wanted === [] ? $keys : $wanted);

        return Move::stay();
    }

    /**
     * The one of several topics of whose questions the words answer far more than of the others'.
     *
     * @param list<string> $keys
     */
    private function toldMost(Turn $turn, ListenStep $step, array $keys, Hearing $hearing): ?string
    {
        // 'It's about Friday, four of us' may be of something that stands.
        if (in_array('about', array_map(static fn (Token $token): string => $token->text, $hearing->heard->tokens), true)) {
            return null;
        }
        $told = [];
        foreach ($keys as $key) {
            $told[$key] = $this->entry->told($turn, $step, $key, $hearing->heard);
        }
        arsort($told);
        $counts = array_values($told);

        return count($counts) > 1 && $counts[0] - $counts[1] >= self::TELLS_MORE ? (string) array_key_first($told) : null;
    }

    /** Which topic of all an adviser says: it may know what the near ones are wrong about. */
    private function advised(Turn $turn, ListenStep $step): ?string
    {
        $choices = [];
        foreach ($step->topics as $topic) {
            $choices[$topic['key']] = $topic['label'].($topic['description'] === '' ? '' : ': '.$topic['description']);
        }

        return count($choices) < 2 ? null : $turn->advised(Purpose::Topic, 'What does the caller want?', $choices);
    }
}
