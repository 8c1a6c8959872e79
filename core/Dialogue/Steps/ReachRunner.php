<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\RingAgain;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Token;
use Ringo\Script\Steps\Reach\ReachStep;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** Finds out who picked up an outbound call. */
final readonly class ReachRunner implements AskingRunner
{
    /** Last words of a saying behind which a sentence may go on. */
    private const OPEN = ['is', 'am', 'are', 'have', 'her', 'him'];

    /** A no that says what somebody cannot do, and not who they are. */
    private const OF_THEMSELVES = ["i can't", "i won't", "i haven't", "i didn't", "we can't", "we haven't", 'i cannot'];

    public function __construct(private Puts $puts, private Understanding $understanding, private Phrasebook $phrases, private RingAgain $again, private Replies $replies)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof ReachStep);
        if ($this->puts->visit($turn, $step)) {
            $turn->prompt($step->prompt, $step->key(), true);
        }

        return Move::stay();
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        return $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain());
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof ReachStep);
        $heard = $hearing->heard;
        if ($this->says($heard, 'voicemail')) {
            return $this->voicemail($turn, $step);
        }
        if ($this->says($heard, 'wrong_number')) {
            $turn->trace->rule('wrong number');

            return $this->ended($turn, $step->wrongNumber, 'reach_wrong', 'wrong number');
        }
        if ($this->says($heard, 'fetching') || $hearing->alone(ActKind::Hold, ActKind::Handover) !== null) {
            $hearing->dealtWith(ActKind::Hold, ActKind::Handover);
            $turn->trace->rule('the person is being fetched');
            $turn->state->holding = true;
            $turn->standing('reach_wait');

            return Move::stay();
        }
        if ($heard->tokens !== [] && $this->phrases->table('outbound', 'for_whom')->without($heard->tokens) === []) {
            $turn->trace->rule('asks for whom the call is: said again');
            $turn->repeat();

            return Move::stay();
        }
        $yes = $this->reading($turn, $step, $hearing);
        // 'No, this is her mum' is not her.
        $another = $this->says($heard, 'somebody_else') && $yes->value !== true;
        if ($another || $this->says($heard, 'not_here') || $yes->value === false && ! $this->isSpeaking($heard) && ! $this->speaksOfThemselves($heard, $yes)) {
            return $this->somebodyElse($turn, $step, $heard);
        }
        if ($yes->value === true && ! $this->goesOn($heard, $yes) || $this->isSpeaking($heard) || $this->gaveTheName($turn, $heard)) {
            $turn->trace->rule('the right person');
            // 'Speaking, who's that?'
            if ($hearing->questions !== [] && $this->replies->serve($turn, $hearing->questions, false) !== null) {
                $hearing->dealtWith(ActKind::Question);
            }
            $turn->state->tags = array_values(array_unique([...$turn->state->tags, 'reached']));

            return Move::to($step->next);
        }

        return null;
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof ReachStep);

        return rtrim($digits, '#') === '1' ? Move::to($step->next) : null;
    }

    public function short(Turn $turn, Step $step): Prompt
    {
        return $this->puts->question($step->prompt());
    }

    public function help(Turn $turn, Step $step): Help
    {
        $turn->standing('who');

        return Help::Hint;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        return new Waiting('yes_no', Waiting::SHORT, '12');
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        return null;
    }

    private function says(Heard $heard, string $section): bool
    {
        return $this->phrases->table('outbound', $section)->in($heard->tokens) || $this->phrases->table('outbound', $section)->in($heard->all);
    }

    /** 'It is' and 'I am' say so at their end alone: 'it is not', 'I am her boss'. */
    private function isSpeaking(Heard $heard): bool
    {
        $t = $heard->tokens === [] ? $heard->all : $heard->tokens;
        foreach ($this->phrases->table('outbound', 'speaking')->all($t) as [, $place, $length]) {
            $next = $t[$place + $length] ?? null;
            $goesOn = $next !== null && ! $next->afterBreak();
            $open = in_array($t[$place + $length - 1]->text, self::OPEN, true);
            if (! $goesOn || ! $open && $next->text !== 'not') {
                return true;
            }
        }

        return false;
    }

    /** 'I can't do it all today' is no 'that is not me'. */
    private function speaksOfThemselves(Heard $heard, Reading $no): bool
    {
        $behind = array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $no->end);

        return count($behind) > 1 && in_array(mb_strtolower((string) $no->said), self::OF_THEMSELVES, true);
    }

    /** Whether a yes is only the beginning of something else: 'you have reached the Grange Hotel'. */
    private function goesOn(Heard $heard, Reading $yes): bool
    {
        $behind = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $yes->end))[0] ?? null;
        $words = explode(' ', mb_strtolower((string) $yes->said));

        return $behind !== null && ! $behind->afterBreak() && in_array(end($words), self::OPEN, true);
    }

    private function voicemail(Turn $turn, ReachStep $step): Move
    {
        $turn->trace->rule($step->voicemail === null ? 'a voicemail: hangs up' : 'a voicemail: leaves its message');
        if ($step->voicemail !== null) {
            $turn->prompt($step->voicemail, $step->key().'.voicemail');
        }
        $turn->state->outcome = null;
        $turn->end('voicemail');

        return Move::stay();
    }

    private function somebodyElse(Turn $turn, ReachStep $step, Heard $heard): Move
    {
        $turn->trace->rule('somebody else, and the person is not to be had');
        $field = $step->ringAgain === null ? null : $turn->script->sheet->field($step->ringAgain);
        $when = $field === null ? null : $this->again->moment($turn, $heard);
        if ($field !== null && $when !== null) {
            $turn->hold($field, new Held($when, 0.85, Origin::Volunteered, $turn->callerTurn, $heard->original));
            $turn->standing('reach_again', ['when' => 'at '.$turn->sayTyped(new Typed(ValueType::DateTime, $when))]);
        }

        return $this->ended($turn, $step->somebodyElse, $when === null ? 'goodbye' : null, 'not reached');
    }

    private function gaveTheName(Turn $turn, Heard $heard): bool
    {
        $name = mb_strtolower((string) ($turn->state->caller['first_name'] ?? ''));

        return $name !== '' && in_array($name, array_map(static fn ($token): string => $token->text, $heard->tokens), true) && count($heard->tokens) <= 5;
    }

    private function ended(Turn $turn, ?string $to, ?string $phrase, string $outcome): Move
    {
        if ($to !== null) {
            return Move::to($to);
        }
        $turn->standing($phrase ?? 'goodbye');
        if ($phrase === 'reach_wrong') {
            $turn->standing('goodbye');
        }
        $turn->end($turn->state->outcome ?? $outcome);

        return Move::stay();
    }
}
