<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Token;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Sheet\Field;
use Ringo\Speech\Prompt;
use Ringo\Value\ValueType;

/** A caller without an answer: does not mind, does not know, would rather not say, has nothing to add. */
final readonly class NoAnswer
{
    /** Words of substance beyond which a free text that holds such a saying is an answer all the same. */
    private const FREE_WORDS = 8;

    /** What somebody may not have one of. */
    private const NONE_OF_THEM = [ValueType::Email, ValueType::Reference];

    /** What can be told roughly. */
    private const FIGURES = [ValueType::Number, ValueType::Money, ValueType::Duration, ValueType::Date, ValueType::Time, ValueType::DateTime];

    private const DENIES = ['no', 'none', 'not', 'nope', 'nah', 'neither', 'never'];

    /** Words of substance that a 'nothing' may give as its reason. */
    private const REASON = 2;

    /** A required value refused or not known so often is given up. */
    private const MOST_REFUSALS = 2;

    public function __construct(private Phrasebook $phrases)
    {
    }

    /** Which of any, unknown, undecided, refused the words are; null where they answer. */
    public function kind(Turn $turn, AskStep $step, Field $field, Hearing $hearing, bool $taken): ?string
    {
        $free = $field->type === ValueType::Text;
        if ($free && $this->nothingToSay($step, $hearing)) {
            return 'refused';
        }
        $act = static fn (ActKind $kind): bool => ($free ? $hearing->alone($kind) : $hearing->act($kind)) !== null;
        if ($taken && ! $free || $free && $this->phrases->content($hearing->heard->tokens) > self::FREE_WORDS) {
            return null;
        }

        return match (true) {
            ! $taken && in_array($field->type, self::FIGURES, true) && $this->undecided($hearing) => 'undecided',
            ! $taken && $field->type === ValueType::YesNo && $this->phrases->table('acts', 'neither_yet')->in($hearing->heard->tokens) => 'undecided',
            ! $taken && $this->noneThere($turn, $step, $field, $hearing) => 'unknown',
            // One word among others refuses nothing: 'can you pass on a message'.
            $hearing->alone(ActKind::Refuse) !== null, $act(ActKind::Refuse) && count($hearing->act(ActKind::Refuse)->words->tokens ?? []) > 1 => 'refused',
            $act(ActKind::DontKnow), isset($turn->state->parts[$field->key]) && $hearing->alone(ActKind::NothingMore) !== null => 'unknown',
            $act(ActKind::DontMind) && $field->type !== ValueType::YesNo && ! $this->ofAnotherMatter($field, $hearing) && ! $this->denied($hearing) && ! $this->ofSomeDays($field, $hearing) => 'any',
            default => null,
        };
    }

    private function undecided(Hearing $hearing): bool
    {
        $rest = $this->phrases->table('acts', 'undecided')->without($hearing->heard->tokens);

        return count($rest) < count($hearing->heard->tokens) && $this->phrases->content($rest) === 0;
    }

    /** 'No' to 'is there a limit we should keep to' and 'have you a reference': there is none. */
    private function noneThere(Turn $turn, AskStep $step, Field $field, Hearing $hearing): bool
    {
        if (in_array($field->type, [ValueType::YesNo, ValueType::Text, ValueType::Choice], true) || $step->required || $hearing->asks()) {
            return false;
        }
        // 'None' to an e-mail address.
        if (in_array($field->type, self::NONE_OF_THEM, true) && $hearing->heard->tokens !== [] && $this->phrases->table('acts', 'none_of_it')->without($hearing->heard->tokens) === []) {
            return true;
        }
        // 'I've not had one', to when the last one was; 'Monday is never good' is of a day to come.
        if (! $this->ofSomeDays($field, $hearing) && in_array($field->type, [ValueType::Date, ValueType::DateTime, ValueType::Duration], true) && $this->phrases->table('acts', 'never_was')->in($hearing->heard->tokens)) {
            return true;
        }
        $question = PlainQuestion::last($step->prompt->filled(0, $turn->scope()->words(...)));
        $whether = preg_match('/^(?!(?:and |so |but )?(?:when|what|which|where|who|how|why)\b)(?:\S+ ){0,2}?(?:is there|are there|have you|do you|did you|does (?:it|he|she)|was there|would you like|any)\b/i', $question) === 1;

        $denies = in_array($hearing->heard->tokens[0]->text ?? '', self::DENIES, true) && $this->phrases->content($hearing->heard->tokens) <= self::REASON;

        return $whether && ($denies || $this->phrases->only($hearing->heard, 'nothing_more'));
    }

    /** 'Any day but Thursday' minds. */
    private function ofSomeDays(Field $field, Hearing $hearing): bool
    {
        return in_array($field->type, [ValueType::Date, ValueType::DateTime], true)
            && ($this->phrases->table('calendar', 'weekdays')->in($hearing->heard->tokens) || $this->phrases->table('calendar', 'contracted')->in($hearing->heard->tokens));
    }

    /** 'She's never done any' minds nothing of the kind. */
    private function denied(Hearing $hearing): bool
    {
        $any = $hearing->act(ActKind::DontMind)?->words->tokens[0] ?? null;
        $before = $any === null ? [] : array_values(array_filter($hearing->heard->tokens, static fn (Token $token): bool => $token->end <= $any->start));

        return array_filter($before, static fn (Token $token): bool => $token->text === 'never' || $token->text === 'without' || str_ends_with($token->text, "n't")) !== [];
    }

    /** 'Any time next week' minds nothing where a day is asked for, and says nothing of a place. */
    private function ofAnotherMatter(Field $field, Hearing $hearing): bool
    {
        $tokens = $hearing->heard->tokens;

        return ! in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Text], true)
            && ($this->phrases->table('calendar', 'of_days')->in($tokens) || ! in_array($field->type, [ValueType::Choice, ValueType::Several], true) && $this->phrases->table('talk', 'any_time')->in($tokens));
    }

    public function move(Turn $turn, AskStep $step, Field $field, string $kind, Hearing $hearing): Move
    {
        $hearing->dealtWith(ActKind::Refuse, ActKind::DontKnow, ActKind::DontMind, ActKind::NothingMore);
        if ($kind === 'undecided' && $turn->state->failures === 0) {
            $turn->state->failures++;
            $turn->trace->rule("{$step->field}: not decided, so a rough idea is asked for");
            $turn->standing($field->type === ValueType::YesNo ? 'which_rather' : 'roughly');

            return $field->type === ValueType::YesNo ? Move::stay() : Move::again();
        }
        $kind = $kind === 'undecided' ? 'unknown' : $kind;
        $instead = $step->instead[$kind] ?? null;
        if ($instead !== null && $instead->value !== null) {
            $turn->trace->rule("{$step->field}: the caller {$kind}, so it takes the value for that");
            $turn->hold($field, new Held($instead->value, 1.0, Origin::Set, $turn->callerTurn, $hearing->heard->original));
        }
        if ($instead !== null) {
            $turn->state->declined[] = $step->field;

            return Move::on($instead->step ?? $step->next);
        }

        return $step->required ? $this->insist($turn, $step, $kind) : $this->leave($turn, $step, $kind);
    }

    private function leave(Turn $turn, AskStep $step, string $kind): Move
    {
        $turn->trace->rule($step->field.' is left open: '.['any' => 'the caller does not mind', 'unknown' => 'the caller does not know', 'refused' => 'declined'][$kind]);
        $turn->state->declined[] = $step->field;
        // The day that was told without its hour is not lost.
        if (isset($turn->state->parts[$step->field])) {
            $turn->state->unused[] = $turn->state->parts[$step->field];
            unset($turn->state->parts[$step->field]);
        }
        $turn->standing(['any' => 'any_noted', 'unknown' => 'unknown_noted', 'refused' => 'declined'][$kind]);

        return Move::on($step->next);
    }

    private function insist(Turn $turn, AskStep $step, string $kind): Move
    {
        $state = $turn->state;
        $state->failures++;
        if ($state->failures >= self::MOST_REFUSALS) {
            $turn->trace->rule("{$step->field} is required, and the caller has no answer twice");
            $state->declined[] = $step->field;

            return Move::out();
        }
        $turn->trace->rule("{$step->field} is required: says why");
        if ($kind === 'any') {
            $turn->standing('any_needs_one');

            return Move::help();
        }
        $step->why !== null ? $turn->prompt(Prompt::of($step->why), $step->key().'.why') : $turn->standing('needed');

        return Move::again();
    }

    /** Whether a question that may be left open is answered with 'no, nothing special' or 'I'm good'. */
    private function nothingToSay(AskStep $step, Hearing $hearing): bool
    {
        $opens = $hearing->act(ActKind::NothingMore);
        $first = $hearing->heard->tokens[0] ?? null;
        $said = $opens === null ? null : ($opens->words->tokens[0] ?? null);
        // 'Nothing, leave it plain.'
        $nothing = $opens !== null && $first !== null && $said !== null && $first->start === $said->start && ($opens->rest->tokens[0] ?? null)?->afterBreak() === true && $this->phrases->content($opens->rest->tokens) <= self::REASON;

        return ! $step->required && ($nothing || $this->phrases->is($hearing->heard, 'nothing_to_add') || $this->phrases->only($hearing->heard, 'nothing_more'));
    }
}
