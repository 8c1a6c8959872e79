<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Steps\ChooseRunner;
use Ringo\Dialogue\Steps\MatterWished;
use Ringo\Dialogue\Steps\OtherTopics;
use Ringo\Dialogue\Steps\TopicEntry;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\LoneValue;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Topics;
use Ringo\Language\Token;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Readers\OptionPlaces;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Which of the topics that fit is meant; words that say something else are heard as at an open question. */
final readonly class Clarifying implements ModeHandler
{
    /** What a reply may do and still be about the matter. */
    private const OF_THE_MATTER = [ActKind::Complaint, ActKind::Thanks, ActKind::Frustration, ActKind::DontKnow, ActKind::DontMind];

    /** What the first words weigh beside the reply. */
    private const BEFORE = 0.15;

    /** Words of substance beside which a no to several topics is no more than that; with more it goes on to say which. */
    private const BARE_NO = 2;

    /** Who says what they would do says more than a name. */
    private const WHO_SPEAKS = ['i', 'we', "i'd", "we'd"];

    /** Words of substance up to which a day is all that is told. */
    private const A_DAY = 5;

    /** How much likelier a topic is whose first question the reply answers: 'three boxes please', where boxes are asked for. */
    private const ANSWERS_IT = 4.0;

    /** And where its form alone tells that: a booking number, where only one topic asks for one first. */
    private const SETTLES_IT = 100.0;

    /** Likelihood that nothing falls below. */
    private const TRACE = 0.02;

    public function __construct(
        private Understanding $understanding,
        private Phrasebook $phrases,
        private Topics $topics,
        private Replies $replies,
        private TopicEntry $entry,
        private ChooseRunner $choices,
        private LoneValue $lone,
        private Answering $answering,
        private OtherTopics $others,
        private MatterWished $matters,
    ) {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::Whole;
    }

    public function answer(Turn $turn, Hearing $hearing): ?Move
    {
        $state = $turn->state;
        $step = $turn->step();
        $candidates = $state->candidates;
        $state->mode = Mode::Answer;
        $state->candidates = [];
        if ($step instanceof ChooseStep) {
            return $this->option($turn, $step, $candidates, $hearing) ?? $this->answering->answer($turn, $hearing);
        }
        if (! $step instanceof ListenStep) {
            return null;
        }
        $reading = $this->which($turn, $step, $candidates, $hearing);
        if ($reading->found()) {
            // 'The first' is one of those, and no first of the month.
            $byPlace = (new OptionPlaces($this->understanding->words))->in($hearing->heard->tokens, $turn->plain()->withOptions($this->offered($step, $candidates)), $hearing->heard) !== null;
            // 'No, I want to hire one' shares a word with 'a machine on hire' and is about another matter.
            $other = $byPlace ? null : $this->matters->beside($step, $hearing, $candidates);
            if ($other !== null) {
                $turn->trace->rule("topic {$other}: none of those, and named");

                return $this->entry->enter($turn, $step, $other, $hearing->heard);
            }
            $turn->trace->rule("topic {$reading->value}: the caller said which");

            return $this->entry->enter($turn, $step, (string) $reading->value, $byPlace ? null : $hearing->heard);
        }
        $other = $this->others->wanted($hearing) ? $this->others->move($turn, $step, $candidates, $hearing) : null;
        if ($other !== null) {
            return $other;
        }
        $narrowed = $this->narrowed($turn, $step, $candidates, $hearing);
        if ($narrowed !== null) {
            return $this->entry->enter($turn, $step, $narrowed, $hearing->heard);
        }
        $state->unsorted = null;

        return $this->answering->answer($turn, $hearing);
    }

    /**
     * The option that was asked about, where the caller says yes, or goes on about the matter without saying no or naming another.
     *
     * @param list<string> $candidates
     */
    private function option(Turn $turn, ChooseStep $step, array $candidates, Hearing $hearing): ?Move
    {
        $yes = $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain());
        $goesOn = ! $yes->found() && ! $hearing->elsewhere(self::OF_THE_MATTER) && ! $hearing->asks() && ! $this->choices->reading($turn, $step, $hearing)->found();

        return $candidates !== [] && ($yes->value === true || $goesOn) ? $this->choices->chosen($turn, $step, $candidates[0], $hearing->heard) : null;
    }

    /**
     * The topic that is likeliest by all that was said so far, where the reply tells more of the matter without saying which:
     * 'it's the pipe in the loft'. Nothing where the reply says no, asks, or is about another topic.
     *
     * @param list<string> $candidates
     */
    private function narrowed(Turn $turn, ListenStep $step, array $candidates, Hearing $hearing): ?string
    {
        $before = $turn->state->unsorted['words'] ?? '';
        $no = $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->value === false
            && (count($candidates) === 1 || $this->phrases->content($hearing->heard->tokens) <= self::BARE_NO);
        $unsure = $hearing->alone(ActKind::DontKnow, ActKind::DontMind) !== null;
        $answered = $hearing->asks() && $this->replies->answer($turn, $hearing->questions[0]) !== null;
        $otherwise = $answered || $hearing->elsewhere(self::OF_THE_MATTER);
        if ($before === '' || $candidates === [] || $no || $otherwise || $this->another($step, $candidates, $hearing->heard)) {
            return null;
        }
        $urgent = array_values(array_filter($candidates, static fn (string $key): bool => $step->topic($key)['urgent'] ?? false));
        if ($unsure && $urgent !== []) {
            $turn->trace->rule("topic {$urgent[0]}: it is urgent and the caller is not sure");

            return $urgent[0];
        }
        $first = $this->topics->meant($step->topics, $this->understanding->hear($before))->of;
        // A name, a number or a day tells nothing of the matter: then what was said first decides.
        $mute = $unsure || $this->lone->in($turn, $hearing->heard) !== null || $this->onlyADay($turn, $hearing->heard);
        $now = $mute ? [] : $this->topics->meant($step->topics, $hearing->heard)->of;
        $of = [];
        foreach ($candidates as $key) {
            // What was said first did not tell them apart, so the reply counts more.
            $answers = match (true) {
                $unsure => 1.0,
                $this->entry->answersByForm($turn, $step, $key, $hearing->heard) => self::SETTLES_IT,
                $this->entry->answers($turn, $step, $key, $hearing->heard), $this->entry->told($turn, $step, $key, $hearing->heard) > 0 => self::ANSWERS_IT,
                default => 1.0,
            };
            $of[$key] = $answers * (($now[$key] ?? 0.0) + self::TRACE) * (($first[$key] ?? 0.0) + self::TRACE) ** ($mute ? 1.0 : self::BEFORE);
        }
        arsort($of);
        $best = (string) array_key_first($of);
        $turn->trace->rule("topic {$best}: not said which, likeliest by all that was said");
        $turn->trace->sureness = round($of[$best] / array_sum($of), 3);

        return $best;
    }

    /** 'Tomorrow after five, or Wednesday'. */
    private function onlyADay(Turn $turn, Heard $heard): bool
    {
        $day = $this->understanding->read(ValueType::Date, $heard, $turn->plain());

        return ($day->found() || $day->doubt !== null) && $this->phrases->content($heard->tokens) <= self::A_DAY;
    }

    /** @param list<string> $candidates */
    private function another(ListenStep $step, array $candidates, Heard $heard): bool
    {
        $ranked = $this->topics->rank($step->topics, $heard);
        $best = (string) array_key_first($ranked);
        $meant = $this->topics->meant($step->topics, $heard)->taken();

        return ($ranked[$best] ?? 0.0) >= Topics::FITS && ! in_array($best, $candidates, true) || $meant !== null && ! in_array($meant, $candidates, true);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return $this->answering->missed($turn, $hearing);
    }

    public function keyed(Turn $turn, string $digits): ?Move
    {
        return null;
    }

    public function silent(Turn $turn): Move
    {
        return $this->answering->silent($turn);
    }

    public function again(Turn $turn): bool
    {
        $turn->speak($turn->state->lastQuestion, $turn->state->step, true);

        return $turn->state->lastQuestion !== '';
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('topic');
    }

    /**
     * @param list<string> $candidates
     *
     * @return list<array{key: string, label: string, phrases: list<string>}>
     */
    private function offered(ListenStep $step, array $candidates): array
    {
        $options = [];
        foreach ($candidates as $key) {
            $topic = $step->topic($key);
            if ($topic !== null) {
                $options[] = ['key' => $key, 'label' => $topic['label'], 'phrases' => $topic['phrases']];
            }
        }

        return $options;
    }

    /**
     * 'I could walk the dogs on a Saturday' names a dog, and is about helping.
     *
     * @param list<string> $candidates
     */
    private function meansAnother(ListenStep $step, array $candidates, string $implied, Hearing $hearing): bool
    {
        // 'A breaker I think it's called' names it and no more.
        $told = $this->phrases->phrases('soft', 'about', 'corrections')->without($hearing->heard->tokens);
        $says = array_filter($told, static fn (Token $token): bool => in_array($token->text, self::WHO_SPEAKS, true));
        if ($says === [] || $this->phrases->content($hearing->heard->tokens) <= self::BARE_NO) {
            return false;
        }
        $of = $this->topics->meant($step->topics, $hearing->heard)->of;
        $others = array_map(static fn (string $key): float => $of[$key] ?? 0.0, array_values(array_diff($candidates, [$implied])));

        return max([0.0, ...$others]) > ($of[$implied] ?? 0.0);
    }

    /** @param list<string> $candidates */
    private function which(Turn $turn, ListenStep $step, array $candidates, Hearing $hearing): Reading
    {
        $implied = $this->entry->implied($turn, $step, $hearing->heard);
        if ($implied !== null && in_array($implied, $candidates, true) && ! $this->meansAnother($step, $candidates, $implied, $hearing)) {
            return Reading::of($implied, 0.9, $hearing->heard->original, 0, strlen($hearing->heard->original));
        }
        $options = $this->offered($step, $candidates);
        $reading = $this->understanding->read(ValueType::Choice, $hearing->heard, $turn->plain()->withOptions($options));
        $yes = count($candidates) === 1 ? $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain()) : null;

        return $yes?->value === true ? Reading::of($candidates[0], $yes->confidence, $yes->said, $yes->start, $yes->end) : $reading;
    }
}
