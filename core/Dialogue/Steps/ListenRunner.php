<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Advice\Purpose;
use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Acts\Wanting;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Replies\Reply;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\Volunteer;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Likelihoods;
use Ringo\Fit\Topics;
use Ringo\Language\Token;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** An open question: sorts what was said into topics, answers what was asked, keeps what was told. */
final readonly class ListenRunner implements AskingRunner
{
    /** Telling words from which the meaning of what was said is weighed. */
    private const WORDS_THAT_MEAN = 2;

    /** Words that may stand beside a thing somebody asks whether there is. */
    private const BESIDE_A_THING = ['available', 'free', 'spare', 'going', 'left', 'out', 'hire', 'rent', 'sale', 'now', 'please'];

    /** Telling words beside which a no is still a plain no: 'no, not today'. */
    private const WORDS_BESIDE_NO = 1;

    /** Another topic so likely is meant, whatever thing was named. */
    private const MEANT_RATHER = 0.7;

    /** From here on a topic may be meant, and is asked about. */
    private const MAY_BE_MEANT = 0.1;

    /** The same of a question that nothing answers. */
    private const MAY_BE_ASKED = 0.3;

    /** Topics that the trace tells of. */
    private const TOLD = 3;

    /** Where a topic is quite sure, whatever else might fit. */
    private const SUREST = 0.99;

    /** A fit from which there is no doubt. */
    private const SURE_FIT = 1.2;

    /** A topic that fits as well as this is meant, whatever a reply would say to the words. */
    private const BEYOND_REPLIES = 1.3;

    /** How sure knowledge must be of its answer where a topic fits too; less where the words open like a question. */
    private const SURE_ANSWER = 0.75;

    private const SURE_WHERE_ASKED = 0.65;

    /** Topics named as an example of what may be said. */
    private const EXAMPLES = 4;

    public function __construct(
        private Puts $puts,
        private Understanding $understanding,
        private Phrasebook $phrases,
        private Topics $topics,
        private Replies $replies,
        private Volunteer $volunteer,
        private TopicEntry $entry,
        private Wanting $wanting,
        private Corrections $corrections,
    ) {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof ListenStep);
        $turn->state->unsorted = null;
        if ($this->puts->visit($turn, $step)) {
            $again = $this->puts->again($turn, $step) && $turn->state->heard > 0 ? $step->again : null;
            $turn->prompt($again ?? $step->prompt, $step->key(), true);
        }

        return Move::stay();
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        return Reading::none();
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof ListenStep);
        $ranked = $this->topics->rank($step->topics, $hearing->heard);
        $keys = array_map(strval(...), array_keys($ranked));
        $top = $ranked[$keys[0] ?? ''] ?? 0.0;
        if ($step->nothing !== null && $top < Topics::FITS && $this->nothingMore($turn, $hearing)) {
            $hearing->dealtWith(ActKind::NothingMore, ActKind::Thanks);
            $turn->trace->rule('nothing more is wanted');

            return Move::to($step->nothing);
        }
        $this->tell($turn, $step, $ranked, $hearing);
        $told = $this->toldAndAsked($turn, $step, $hearing);
        if ($told !== null) {
            return $told;
        }
        $reply = $this->reply($turn, $step, $hearing, $top);
        if ($reply !== null) {
            $this->volunteer->from($turn, $hearing->heard, $step->key(), true);
            $served = $this->replies->serve($turn, $hearing->questions === [] ? [$hearing->heard] : $hearing->questions) ?? $reply;
            $hearing->dealtWith(ActKind::Question);
            // 'How much is a mini digger' leans to the topic that begins by asking for the machine.
            $turn->state->leaning = $top >= Topics::FITS ? $keys[0] : $this->entry->implied($turn, $step, $hearing->heard, false) ?? $turn->state->leaning;

            if ($served->asksBack()) {
                return Move::stay();
            }

            return $served->to === null ? Move::backToIt() : Move::aside($served->to);
        }

        return $this->sorted($turn, $step, $ranked, $hearing) ?? $this->takesUp($turn, $step, $hearing) ?? $this->named($turn, $step, $hearing) ?? $this->byMeaning($turn, $step, $hearing, $top === 0.0);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        return null;
    }

    public function short(Turn $turn, Step $step): Prompt
    {
        \assert($step instanceof ListenStep);

        return $step->again ?? $this->puts->question($step->prompt);
    }

    public function help(Turn $turn, Step $step): Help
    {
        \assert($step instanceof ListenStep);
        if ($step->topics === []) {
            return Help::None;
        }
        $turn->standing('example', ['it' => $turn->listed(array_column(array_slice($step->topics, 0, self::EXAMPLES), 'label'))]);

        return Help::Hint;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        return new Waiting('topic');
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        \assert($step instanceof ListenStep);
        $own = $missed === Missed::Nonsense ? ($step->reprompts[$turn->state->failures - 1] ?? null) : null;

        return $own === null ? null : Prompt::of($own);
    }

    private function nothingMore(Turn $turn, Hearing $hearing): bool
    {
        if ($hearing->asks()) {
            return false;
        }

        // 'It won't start' says no to nothing: only a no that stands nearly alone ends the call.
        $no = $this->phrases->content($hearing->heard->tokens) <= self::WORDS_BESIDE_NO && $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->value === false;

        return $hearing->alone(ActKind::NothingMore) !== null || $no
            || $turn->state->outcome !== null && $hearing->alone(ActKind::Thanks) !== null;
    }

    /** @param array<string, float> $ranked */
    private function tell(Turn $turn, ListenStep $step, array $ranked, Hearing $hearing): void
    {
        $best = array_key_first($ranked);
        foreach (array_slice($ranked, 0, self::TOLD, true) as $key => $fit) {
            if ($fit > 0) {
                $reading = Reading::of((string) $key, $this->sure($fit), $hearing->heard->original, 0, strlen($hearing->heard->original));
                $turn->trace->reading('topic', 'topic', $reading, $step->topic((string) $key)['label'] ?? '', $key === $best, 'fit '.number_format($fit, 2));
            }
        }
    }

    /** 'I want to join, how much is it': the question is answered, and the matter that was told is gone into. */
    private function toldAndAsked(Turn $turn, ListenStep $step, Hearing $hearing): ?Move
    {
        if (! $hearing->asks() || $hearing->statement->isEmpty()) {
            return null;
        }
        $ranked = $this->topics->rank($step->topics, $hearing->statement);
        $best = (string) array_key_first($ranked);
        if (($ranked[$best] ?? 0.0) < Topics::FITS || $ranked[$best] - (array_values($ranked)[1] ?? 0.0) < Topics::LEAD || $this->wonders($hearing)) {
            return null;
        }
        if ($this->replies->serve($turn, $hearing->questions, false) === null) {
            return null;
        }
        $hearing->dealtWith(ActKind::Question);

        $turn->trace->sureness = $this->sure($ranked[$best]);

        return $this->entry->enter($turn, $step, $best, $hearing->statement);
    }

    private function sure(float $fit): float
    {
        return round(min(self::SUREST, $fit / self::SURE_FIT), 3);
    }

    /** What answers the words, where they ask rather than want something done. */
    private function reply(Turn $turn, ListenStep $step, Hearing $hearing, float $top): ?Reply
    {
        $wonders = $this->wonders($hearing);
        $question = $hearing->questions[0] ?? ($wonders || $turn->state->lastReply !== null && $top < Topics::FITS ? $hearing->heard : null);
        $reply = $question === null ? null : $this->replies->answer($turn, $question);
        $known = $reply?->known;
        if ($reply === null || $known === null) {
            return $reply !== null && ($wonders || $hearing->statement->isEmpty() && $hearing->asks() || $top < self::BEYOND_REPLIES) ? $reply : null;
        }
        if ($this->wanting->done($hearing)) {
            $turn->trace->rule('wants something done: what is known of it waits');

            return null;
        }
        if ($this->onlyNames($turn, $step, $hearing)) {
            $turn->trace->rule('asks whether there is one: taken up');

            return null;
        }
        if ($reply->asksBack()) {
            return ($wonders || $this->wanting->toKnow($hearing)) && $top < Topics::FITS ? $reply : null;
        }
        $sure = $known->confidence >= ($wonders ? self::SURE_WHERE_ASKED : self::SURE_ANSWER);

        return $top < Topics::FITS || $sure && ($known->informs && $top < Topics::CLEAR || $wonders || $this->wanting->toKnow($hearing)) ? $reply : null;
    }

    /** 'Do you have mini diggers' is said by whoever wants one, where a topic begins by asking for it. */
    private function onlyNames(Turn $turn, ListenStep $step, Hearing $hearing): bool
    {
        $tokens = $hearing->heard->tokens;
        $opening = $this->phrases->table('acts', 'whether_there_is')->first($tokens);

        if ($opening === null || $this->phrases->content(array_slice($tokens, 0, $opening[1])) > 0) {
            return false;
        }
        $name = $this->entry->nameOf($turn, $step, $hearing->heard);
        $known = [...$name, ...self::BESIDE_A_THING];
        $tells = fn (Token $token): bool => ! in_array($token->text, $known, true) && $this->phrases->content([$token]) > 0;
        $beside = array_filter(array_slice($tokens, $opening[1] + $opening[2]), $tells);

        return $name !== [] && $beside === [];
    }

    /** 'What happens if I bring it back late?' wants to know, whatever words of a topic stand in it. */
    private function wonders(Hearing $hearing): bool
    {
        $opening = $this->phrases->table('acts', 'wants_to_know')->first($hearing->heard->tokens);
        $asks = $this->phrases->table('acts', 'wonders')->first($hearing->heard->tokens);

        return $opening !== null && $this->phrases->content(array_slice($hearing->heard->tokens, 0, $opening[1])) === 0
            || $asks !== null && $this->phrases->content(array_slice($hearing->heard->tokens, 0, $asks[1])) === 0;
    }

    /** @param array<string, float> $ranked */
    private function sorted(Turn $turn, ListenStep $step, array $ranked, Hearing $hearing): ?Move
    {
        $keys = array_map(strval(...), array_keys($ranked));
        $top = $ranked[$keys[0] ?? ''] ?? 0.0;
        $next = $ranked[$keys[1] ?? ''] ?? 0.0;
        if ($top >= Topics::FITS && $top - $next >= Topics::LEAD) {
            $turn->trace->rule("topic {$keys[0]}: fits ".number_format($top, 2).', the next '.number_format($next, 2));
            $turn->trace->sureness = $this->sure($top);

            return $this->entry->enter($turn, $step, $keys[0], $hearing->heard);
        }
        if ($top >= Topics::NEAR && $next >= Topics::RIVAL && count($keys) > 1) {
            return $this->ask($turn, $step, array_slice($keys, 0, 2), 'two topics fit: asks which', $hearing);
        }
        if ($top >= Topics::NEAR && $top < Topics::FITS && ! $hearing->asks() && $hearing->act(ActKind::Person, ActKind::OffTopic, ActKind::Leaving) === null && $this->entry->implied($turn, $step, $hearing->heard, false) === null) {
            return $this->ask($turn, $step, [$keys[0]], 'one word points at a topic: asks whether it is meant', $hearing);
        }
        if ($top >= Topics::FITS) {
            $turn->trace->sureness = $this->sure($top);

            return $this->entry->enter($turn, $step, $keys[0], $hearing->heard);
        }

        return null;
    }

    /** What no word of a topic tells: taken where its meaning is likely enough, asked about where it may be. */
    private function byMeaning(Turn $turn, ListenStep $step, Hearing $hearing, bool $ungrounded): ?Move
    {
        if ($this->corrections->sounded($hearing->heard)) {
            return null;
        }
        $otherwise = array_filter($hearing->acts, static fn (Act $act): bool => $act->kind === ActKind::Person || $act->alone && ! in_array($act->kind, [ActKind::Question, ActKind::Complaint, ActKind::Thanks], true));
        if (count($step->topics) < 2 || $otherwise !== [] || $this->wonders($hearing) || $this->phrases->content($hearing->heard->tokens) < self::WORDS_THAT_MEAN) {
            return null;
        }
        $likely = $this->topics->meant($step->topics, $hearing->heard);
        $best = (string) array_key_first($likely->of);
        $turn->trace->sureness = round($likely->of[$best], 3);
        $shown = $best.' is meant to '.round(100 * $likely->of[$best]).' %';
        if ($likely->taken(dearer: $ungrounded || $hearing->asks() ? Likelihoods::IN_DOUBT : 1.0) !== null) {
            $turn->trace->rule("topic {$shown}");

            return $this->entry->enter($turn, $step, $best, $hearing->heard);
        }

        $least = $hearing->asks() && $this->wanting->toKnow($hearing) ? self::MAY_BE_ASKED : self::MAY_BE_MEANT;

        return $likely->noneMeant() || $likely->of[$best] < $least ? null : $this->ask($turn, $step, $likely->asked(), "topic {$shown}: asks", $hearing);
    }

    /** 'Put me down for one then': what the last question was about. */
    private function takesUp(Turn $turn, ListenStep $step, Hearing $hearing): ?Move
    {
        $leaning = $turn->state->leaning;
        if ($leaning === null || $step->topic($leaning) === null || $hearing->asks() || ! $this->phrases->table('acts', 'takes_up')->in($hearing->heard->tokens)) {
            return null;
        }
        $turn->trace->rule("topic {$leaning}: taken up after a question about it");

        return $this->entry->enter($turn, $step, $leaning, $hearing->heard);
    }

    /** Words that name no topic but something a topic begins by asking for; or one topic that may be meant. */
    private function named(Turn $turn, ListenStep $step, Hearing $hearing): ?Move
    {
        $implied = $this->entry->implied($turn, $step, $hearing->heard, false);
        if ($implied !== null && ! $this->meantRather($step, $hearing, $implied)) {
            $this->entry->implied($turn, $step, $hearing->heard);
            $turn->trace->rule("topic {$implied}: what was named is what it asks for first");

            return $this->entry->enter($turn, $step, $implied, $hearing->heard);
        }
        $yes = $step->topics !== [] && $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->value === true;
        if ($yes && $this->phrases->content($hearing->heard->tokens) <= 1) {
            $turn->trace->rule('a bare yes: asks what for');

            return Move::again();
        }

        return null;
    }

    /** 'A flat tyre on the dumper' names a machine and is about something else. */
    private function meantRather(ListenStep $step, Hearing $hearing, string $implied): bool
    {
        if ($this->phrases->content($hearing->heard->tokens) <= self::WORDS_THAT_MEAN) {
            return false;
        }
        $likely = $this->topics->meant($step->topics, $hearing->heard);
        $best = (string) array_key_first($likely->of);

        return $best !== $implied && $likely->of[$best] >= self::MEANT_RATHER;
    }

    /** @param list<string> $keys */
    private function ask(Turn $turn, ListenStep $step, array $keys, string $why, Hearing $hearing): Move
    {
        $advised = $this->advised($turn, $step, $keys);
        if ($advised !== null) {
            $turn->trace->rule("topic {$advised}");

            return $this->entry->enter($turn, $step, $advised, $hearing->heard);
        }
        $turn->state->mode = Mode::Clarify;
        $turn->state->candidates = $keys;
        $turn->state->unsorted = ['words' => $hearing->heard->original, 'turn' => $turn->callerTurn];
        $turn->trace->rule($why);
        $turn->standing('clarify', ['options' => $turn->listed(array_map(static fn (string $key): string => $step->topic($key)['label'] ?? $key, $keys))], true);

        return Move::stay();
    }

    /**
     * Which topic an adviser says: of those that are near, or of all where only one may be meant.
     *
     * @param list<string> $keys
     */
    private function advised(Turn $turn, ListenStep $step, array $keys): ?string
    {
        $choices = [];
        foreach ($step->topics as $topic) {
            if (count($keys) < 2 || in_array($topic['key'], $keys, true)) {
                $choices[$topic['key']] = $topic['label'].($topic['description'] === '' ? '' : ': '.$topic['description']);
            }
        }

        return count($choices) < 2 ? null : $turn->advised(Purpose::Topic, 'What does the caller want?', $choices);
    }
}
