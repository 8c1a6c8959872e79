<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Replies;

use Ringo\Dialogue\Acts\Questions;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Ports\Known;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Fit\Topics;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;

/**
 * Answers side questions from the script's standing replies, from hours and calendar, and from knowledge. Nothing is invented: no reply, no answer.
 */
final readonly class Replies
{
    private WrittenReplies $written;

    private BuiltInReplies $builtIn;

    private KnownReplies $known;

    public function __construct(private Understanding $understanding, Phrasebook $phrases, Collector $collector, Questions $questions, Topics $topics, ?Knowledge $knowledge = null)
    {
        $this->written = new WrittenReplies($understanding, $collector, $questions, $topics);
        $this->builtIn = new BuiltInReplies($understanding, $phrases);
        $this->known = new KnownReplies($questions, $knowledge);
    }

    /** What answers: the script's own replies first, then what every agent knows of itself and the hours, then the business's knowledge. */
    public function answer(Turn $turn, Heard $question): ?Reply
    {
        return $this->written->answer($turn, $question) ?? $this->builtIn->answer($turn, $question) ?? $this->known->answer($turn, $question);
    }

    /**
     * Answers what is asked, each question once, and speaks the answers; null where nothing answers any of them.
     *
     * @param list<Heard> $questions
     * @param bool $mayAsk whether it may ask back which of several is meant; beside an answer the likeliest is said, with what it is about
     */
    public function serve(Turn $turn, array $questions, bool $mayAsk = true): ?Reply
    {
        $last = null;
        $said = [];
        foreach ($questions as $question) {
            $reply = $this->answer($turn, $question);
            if ($reply === null || isset($said[$reply->text])) {
                continue;
            }
            $reply = $reply->asksBack() && ! $mayAsk ? $this->likeliest($turn, $reply) : $reply;
            $said[$reply->text] = true;
            $turn->trace->rule($reply->rule);
            $this->told($turn, $reply);
            $turn->speak($reply->text, $turn->state->step);
            $last = $last === null || $reply->to !== null || $reply->asksBack() ? $reply : $last;
            if ($reply->asksBack()) {
                break;
            }
        }

        return $last;
    }

    /**
     * Which of the readings that were offered in the last turn the caller means: by its place, by its words, or by a yes where there is
     * one. Null where the words are about something else.
     */
    public function chosen(Turn $turn, Heard $heard): ?Reply
    {
        $offers = $this->offered($turn);
        if ($offers === []) {
            return null;
        }
        $n = (new OfferedReadings($this->understanding))->meant($turn, $heard, $offers);
        if ($n === null) {
            return null;
        }
        $one = $offers[$n];

        return new Reply($one['text'], "means {$one['label']}: {$one['source']}", null, new Known($one['text'], $one['source'], $one['label'], 1.0, null, $one['more'], null, true));
    }

    /** What was asked where the caller means none of the readings that were offered in the last turn; else null. */
    public function noneMeant(Turn $turn, Heard $heard): ?string
    {
        return $this->offered($turn) !== [] && (new OfferedReadings($this->understanding))->none($turn, $heard) ? $turn->state->known['question'] ?? '' : null;
    }

    /** @return list<array{source: string, label: string, text: string, more: list<string>}> the readings that were offered in the last turn */
    private function offered(Turn $turn): array
    {
        $last = $turn->state->known;

        return $last !== null && $turn->state->heard === ($last['turn'] ?? -1) + 1 ? $last['offers'] ?? [] : [];
    }

    /** Notes and speaks what was chosen. */
    public function say(Turn $turn, Reply $reply): void
    {
        $turn->trace->rule($reply->rule);
        $this->told($turn, $reply);
        $turn->speak($reply->text, $turn->state->step);
    }

    /** The first of several readings, said with what it is about. */
    private function likeliest(Turn $turn, Reply $reply): Reply
    {
        $one = $reply->known->offers[0] ?? throw new \LogicException('It offers nothing.');

        return new Reply($turn->phrase('on_this', ['name' => $one['label'], 'it' => $one['text']]), $reply->rule, null, new Known($one['text'], $one['source'], $one['label'], $reply->known->confidence, null, $one['more'], null, true));
    }

    /** Notes where an answer came from, once it is spoken. */
    private function told(Turn $turn, Reply $reply): void
    {
        $known = $reply->known;
        if (! $known instanceof Known || $known->text === null) {
            return;
        }
        if ($known->source !== '' && $known->offers === []) {
            $turn->trace->sources[] = $known->source;
        }
        $turn->trace->sureness = $known->refusal === null ? round($known->confidence, 3) : null;
        if ($known->refusal !== null && $known->offers === []) {
            $turn->trace->unanswered[] = ['question' => $turn->trace->heard, 'why' => $known->refusal];
        }
        $turn->state->known = ['text' => $known->text, 'source' => $known->source, 'name' => $known->name, 'more' => $known->more, 'offers' => $known->offers, 'turn' => $turn->state->heard, 'question' => $turn->trace->heard];
    }
}
