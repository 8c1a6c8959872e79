<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Acts\Wanting;
use Ringo\Dialogue\EventKind;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Replies\Reply;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Volunteer;
use Ringo\Dialogue\Walk\Move;
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
    /** Words that may stand beside a thing somebody asks whether there is. */
    private const BESIDE_A_THING = ['available', 'free', 'spare', 'going', 'left', 'out', 'hire', 'rent', 'sale', 'now', 'please'];

    /** Telling words beside which a no is still a plain no: 'no, not today'. */
    private const WORDS_BESIDE_NO = 1;

    /** Topics that the trace tells of. */
    private const TOLD = 3;

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
        private TopicSorting $sorting,
        private TakingUp $taking,
    ) {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof ListenStep);
        $turn->state->unsorted = null;
        $turn->state->refused = [];
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
        // 'Nothing else' is nothing more, though 'something else' is a topic.
        $over = $hearing->alone(ActKind::NothingMore);
        $bare = $over !== null && $this->phrases->content($over->rest->tokens) === 0;
        if ($step->nothing !== null && ($bare || $top < Topics::FITS) && $this->nothingMore($turn, $step, $hearing)) {
            $hearing->dealtWith(ActKind::NothingMore, ActKind::Thanks);
            $turn->trace->rule('nothing more is wanted');

            return Move::to($step->nothing);
        }
        $this->tell($turn, $step, $ranked, $hearing);
        $told = $this->toldAndAsked($turn, $step, $hearing);
        if ($told !== null) {
            return $told;
        }
        $wanted = $this->sorting->freeTimes($turn, $step, $hearing) ?? $this->taking->move($turn, $step, $hearing, $top);
        if ($wanted !== null) {
            return $wanted;
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

        return $this->sorting->of($turn, $step, $ranked, $hearing);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        return null;
    }

    public function short(Turn $turn, Step $step): Prompt
    {
        \assert($step instanceof ListenStep);

        $first = $this->puts->question($step->prompt);
        // 'Is there anything else' asks nothing of whom nothing was done for yet.
        $asks = str_ends_with($first->variants[0] ?? '', '?');

        return $step->again === null || $asks && $this->nothingDone($turn) ? $first : $step->again;
    }

    private function nothingDone(Turn $turn): bool
    {
        $state = $turn->state;

        return $state->topic === null && $state->outcome === null && $state->known === null && $state->lastReply === null && $turn->trace->unanswered === [];
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

    private function nothingMore(Turn $turn, ListenStep $step, Hearing $hearing): bool
    {
        if ($hearing->asks()) {
            return false;
        }

        // 'It won't start' says no to nothing: only a no that stands nearly alone ends the call.
        $no = $this->phrases->content($hearing->heard->tokens) <= self::WORDS_BESIDE_NO && $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->value === false;

        // Thanks for something that was looked up meanwhile end nothing.
        $said = $turn->trace->event === EventKind::Said->value;

        return $hearing->alone(ActKind::NothingMore) !== null || $no
            || ($turn->state->outcome !== null || $said && ($this->puts->again($turn, $step) || ($turn->state->again[$step->key()] ?? 0) > 0)) && $hearing->alone(ActKind::Thanks) !== null;
    }

    /** @param array<string, float> $ranked */
    private function tell(Turn $turn, ListenStep $step, array $ranked, Hearing $hearing): void
    {
        $best = array_key_first($ranked);
        foreach (array_slice($ranked, 0, self::TOLD, true) as $key => $fit) {
            if ($fit > 0) {
                $reading = Reading::of((string) $key, TopicSorting::sure($fit), $hearing->heard->original, 0, strlen($hearing->heard->original));
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
        if (($ranked[$best] ?? 0.0) < Topics::FITS || $ranked[$best] - (array_values($ranked)[1] ?? 0.0) < Topics::LEAD || $this->wanting->wonders($hearing)) {
            return null;
        }
        if ($this->replies->serve($turn, $hearing->questions, false) === null) {
            return null;
        }
        $hearing->dealtWith(ActKind::Question);

        $turn->trace->sureness = TopicSorting::sure($ranked[$best]);

        return $this->entry->enter($turn, $step, $best, $hearing->statement);
    }

    /** What answers the words, where they ask rather than want something done. */
    private function reply(Turn $turn, ListenStep $step, Hearing $hearing, float $top): ?Reply
    {
        $wonders = $this->wanting->wonders($hearing);
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
        $toKnow = $this->wanting->toKnow($hearing);
        if ($reply->asksBack()) {
            return $toKnow || $wonders && $top < Topics::FITS ? $reply : null;
        }
        $sure = $known->confidence >= ($wonders || $toKnow ? self::SURE_WHERE_ASKED : self::SURE_ANSWER);

        return $top < Topics::FITS || $sure && ($known->informs && $top < Topics::CLEAR || $wonders || $toKnow) ? $reply : null;
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
}
