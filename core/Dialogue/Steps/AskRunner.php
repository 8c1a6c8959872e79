<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Bounded;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Elsewhere;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Values\KeyedIn;
use Ringo\Dialogue\Values\LoneValue;
use Ringo\Dialogue\Values\NoAnswer;
use Ringo\Dialogue\Values\OptionByMeaning;
use Ringo\Dialogue\Values\Parting;
use Ringo\Dialogue\Values\Parts;
use Ringo\Dialogue\Values\RestOfOptions;
use Ringo\Dialogue\Values\YesNoMeant;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Step;
use Ringo\Sheet\Field;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Asks for one field: passes it by where its value is there, reads the answer, keeps what else was told. */
final readonly class AskRunner implements AskingRunner
{
    /** A value known from before the call is used as it is from this confidence on; below it is asked back. */
    private const KNOWN_WELL = 0.7;

    /** Types whose answers take long to say or have to be looked for. */
    private const LONG = [ValueType::Phone, ValueType::Email, ValueType::PostalAddress, ValueType::Reference, ValueType::Text];

    private const BY_KEYS = [ValueType::Phone, ValueType::Number, ValueType::Reference, ValueType::Date];

    /** Types of which nearly any words might be an answer. */
    private const LOOSE = [ValueType::Text, ValueType::YesNo];

    /** A yes or no as sure as this is the answer, whatever is told behind it: 'no, and my name is Dent'. */
    private const OUTRIGHT = 0.9;

    /** Options named as an example. */
    private const EXAMPLES = 3;

    public function __construct(
        private Puts $puts,
        private Collector $collector,
        private Keeper $keeper,
        private Parting $parting,
        private Parts $parts,
        private Elsewhere $elsewhere,
        private NoAnswer $noAnswer,
        private Bounded $bounded,
        private KeyedIn $keyedIn,
        private Replies $replies,
        private Acknowledgement $acknowledgement,
        private Turning $turning,
        private YesNoMeant $meant,
        private LoneValue $lone,
        private RestOfOptions $rest,
        private OptionByMeaning $byMeaning,
        private ToldBeside $beside,
        private NotOneValue $notOneValue,
        private WishAhead $wishAhead,
    ) {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof AskStep);
        $state = $turn->state;
        $held = $state->values[$step->field] ?? null;
        if ($held !== null && $held->origin !== Origin::Mentioned && ($held->origin !== Origin::Recognised || $step->known === 'skip' && $held->confidence >= self::KNOWN_WELL)) {
            $turn->trace->rule("{$step->field} is known ({$held->origin->value}): {$step->key()} is passed by");

            return Move::to($step->next);
        }
        if (in_array($step->field, $state->declined, true)) {
            $turn->trace->rule("{$step->field} was declined: {$step->key()} is passed by");

            return Move::to($step->next);
        }
        if (! $this->puts->visit($turn, $step)) {
            return Move::stay();
        }
        $state->askedAt[$step->field] = $step->key();
        $field = $turn->script->sheet->field($step->field);
        if ($held !== null && $field !== null && $held->origin === Origin::Mentioned) {
            $turn->trace->rule("{$step->field} was named in a question: asks whether it is meant");

            return $this->askBack($turn, $step, 'mentioned', ['it' => $turn->spoken($field, $held->value)]);
        }
        if ($held !== null && $field !== null && ($step->known === 'check' || $step->known === 'skip')) {
            $turn->trace->rule("{$step->field} is known from before: asks whether it still holds");

            return $this->askBack($turn, $step, 'still', ['title' => mb_strtolower($field->title), 'it' => $turn->spoken($field, $held->value)]);
        }
        $day = $field === null ? null : $this->parts->day($turn, $field, $this->collector->context($turn, $field));
        if ($day !== null) {
            $turn->standing('at_what_time_then', ['it' => $day], true);

            return Move::stay();
        }
        $second = $this->puts->again($turn, $step) ? $step->secondVisit : null;
        $turn->prompt($second ?? $step->prompt, $step->key(), true);

        return Move::stay();
    }

    /** @param array<string, string> $with */
    private function askBack(Turn $turn, AskStep $step, string $phrase, array $with): Move
    {
        $turn->state->mode = Mode::Confirm;
        $turn->state->pending = [$step->field];
        $turn->state->resume = $step->next;
        $turn->standing($phrase, $with, true);

        return Move::stay();
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        \assert($step instanceof AskStep);
        $field = $turn->script->sheet->field($step->field);

        return $field === null ? Reading::none() : $this->read($turn, $field, $this->parting->of($turn, $field, $hearing)->answer);
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof AskStep);
        $field = $turn->script->sheet->field($step->field);
        if ($field === null) {
            return Move::to($step->next);
        }
        $parted = $this->parting->of($turn, $field, $hearing);
        // A colour or a make may sound like a name: 'matt black'.
        $outright = $field->type === ValueType::YesNo && ($said = $this->collector->asked($turn, $field, $parted->answer))->found() && $said->confidence >= self::OUTRIGHT;
        $lone = in_array($field->type, self::LOOSE, true) && ! $outright && ! $this->collector->context($turn, $field)->thing
            ? $this->lone->ofAnother($turn, $field, $this->puts->question($step->prompt)->variants[0], $parted->answer)
            : [];
        if ($lone !== []) {
            $this->beside->keep($turn, $lone);

            return $this->notWhatWasAsked($turn, $step, $hearing, $parted->questions);
        }
        $reading = $this->read($turn, $field, $parted->answer);
        $taken = $reading->found() && $reading->confidence >= Collector::LEAST && ! ($field->type === ValueType::Text && $parted->questions !== [] && $parted->answer->isEmpty());
        $without = $this->noAnswer->kind($turn, $step, $field, $hearing, $taken);
        // 'Friday, any time' gives the day.
        $without = $without === 'any' && $this->parts->givesADay($turn, $field, $parted->answer, $this->collector->context($turn, $field)) ? null : $without;
        if ($without !== null) {
            $this->beside->keep($turn, $this->collector->volunteered($turn, $hearing->statement, $field, null));
            $this->serve($turn, $parted->questions, $hearing);

            return $this->noAnswer->move($turn, $step, $field, $without, $hearing);
        }
        $others = $this->beside->of($turn, $field, $parted, $hearing, $taken ? $reading : null);
        $turn->considered($field, $reading, $taken, $taken ? 'answers what was asked' : ($reading->doubt ?? ($reading->found() ? 'not sure enough' : 'nothing of this kind was heard')));
        $this->beside->keep($turn, $others);
        // 'Could we do Wednesday' gives half of a moment, and asks nothing the business could answer.
        $gives = ! $taken && $field->type === ValueType::DateTime && $hearing->asks() && $this->replies->answer($turn, $hearing->questions[0]) === null;
        if (
            ($gives || $parted->questions === [] && ! $hearing->asks() || ! $hearing->statement->isEmpty())
            && $this->parts->missing($turn, $field, $gives ? $hearing->heard : $parted->answer, $taken ? $reading : Reading::none($reading->doubt), $this->collector->context($turn, $field))
        ) {
            $this->serve($turn, $parted->questions, $hearing);

            return Move::stay();
        }
        if ($taken) {
            return $this->take($turn, $step, $field, $reading, $parted->questions, $hearing);
        }
        if ($field->type !== ValueType::Text && $this->elsewhere->points($parted->answer)) {
            $turn->trace->rule('the words point at something that is not here');
            $turn->standing('not_here');

            return Move::again();
        }
        $others = $others === [] ? $this->lone->ofAnother($turn, $field, '', $parted->answer) : $others;
        if ($others !== []) {
            $this->beside->keep($turn, $others);

            return $this->notWhatWasAsked($turn, $step, $hearing, $parted->questions);
        }

        return ($reading->doubt === null ? $this->meant($turn, $step, $field, $parted->answer, $hearing) : null)
            ?? $this->notOneValue->move($turn, $step, $reading, $parted->answer)
            ?? ($hearing->asks() ? null : $this->wishAhead->move($turn, $step, $parted->answer));
    }

    /** 'This would be my first time' is a no to 'have you been here before', 'his nan' is somebody else: put back in words to confirm. */
    private function meant(Turn $turn, AskStep $step, Field $field, Heard $words, Hearing $hearing): ?Move
    {
        if ($hearing->asks() || $this->lone->in($turn, $words) !== null || $hearing->alone(...ActKind::cases()) !== null) {
            return null;
        }
        $rest = $this->rest->reading($field, $words);
        $byMeaning = $this->byMeaning->reading($field, $words, $rest->found());
        $guessed = match (true) {
            $field->type === ValueType::YesNo => $this->meant->guessed($turn, $words),
            $byMeaning->found() => $byMeaning,
            default => $rest,
        };
        if (! $guessed->found()) {
            return null;
        }
        $turn->considered($field, $guessed, true, $field->type === ValueType::YesNo || $byMeaning->found() ? 'by its meaning, given the question' : 'none of the others, so the rest of them');
        $this->keeper->take($turn, $field, $guessed, Origin::Asked, $guessed->confidence < YesNoMeant::ADVISED);

        return Move::on($step->next);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof AskStep);
        if ($digits === $step->repeatKey) {
            $turn->trace->rule("key {$digits}: the question again");
            $turn->repeat();

            return Move::stay();
        }
        $field = $turn->script->sheet->field($step->field);
        $reading = $field === null ? null : $this->keyedIn->reading($turn, $field, $digits);
        if ($field === null || $reading === null) {
            return null;
        }
        $turn->considered($field, $reading, $reading->found(), $reading->found() ? 'keyed in' : ($reading->doubt ?? 'no such value'));
        if (! $reading->found()) {
            return null;
        }
        $broken = $this->bounded->broken($turn, $field, $reading->value);
        if ($broken !== null) {
            return $this->bounded->move($turn, $step, $field, $broken);
        }
        $this->keeper->take($turn, $field, $reading, Origin::Keyed);

        return Move::on($step->next);
    }

    public function short(Turn $turn, Step $step): Prompt
    {
        \assert($step instanceof AskStep);

        return $step->again ?? $this->puts->question($step->prompt);
    }

    public function help(Turn $turn, Step $step): Help
    {
        \assert($step instanceof AskStep);
        if ($step->help !== null) {
            $turn->prompt(Prompt::of($step->help), $step->key().'.help');

            return Help::Hint;
        }
        $field = $turn->script->sheet->field($step->field);
        $example = $field === null ? null : ($field->type === ValueType::Choice ? $turn->listed(array_column(array_slice($field->options, 0, self::EXAMPLES), 'label')) : $field->example);
        if ($example === null) {
            return Help::None;
        }
        $turn->standing('example', ['it' => $example]);

        return Help::Hint;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        \assert($step instanceof AskStep);
        $type = $turn->script->sheet->field($step->field)->type ?? ValueType::Text;
        $keys = match (true) {
            in_array($type, self::BY_KEYS, true) => '0123456789#',
            $type === ValueType::YesNo => '12',
            default => '',
        };

        return new Waiting($type->value, in_array($type, self::LONG, true) ? Waiting::LONG : Waiting::SHORT, $keys);
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        \assert($step instanceof AskStep);
        $own = $missed === Missed::Nonsense ? ($step->reprompts[$turn->state->failures - 1] ?? null) : null;

        return $own === null ? null : Prompt::of($own);
    }

    private function read(Turn $turn, Field $field, Heard $words): Reading
    {
        if ($words->isEmpty()) {
            return Reading::none();
        }
        $pointed = $this->elsewhere->reading($turn, $field, $words);
        if ($pointed !== null) {
            return $pointed;
        }
        if ($field->type === ValueType::Text && $this->elsewhere->points($words)) {
            return $this->collector->asked($turn, $field, $words);
        }

        $words = $this->collector->own($turn, $field, $words);
        $alone = $words->isEmpty() ? Reading::none() : $this->collector->asked($turn, $field, $words);

        return isset($turn->state->parts[$field->key]) ? $this->parts->joined($turn, $field, $words, $alone, $this->collector->context($turn, $field)) : $alone;
    }

    /** @param list<Heard> $questions */
    private function take(Turn $turn, AskStep $step, Field $field, Reading $reading, array $questions, Hearing $hearing): Move
    {
        $broken = $this->bounded->broken($turn, $field, $reading->value);
        if ($broken !== null) {
            return $this->bounded->move($turn, $step, $field, $broken);
        }
        $hearing->dealtWith(ActKind::AlreadyTold);
        $this->keeper->take($turn, $field, $reading, Origin::Asked);
        $answered = $this->serve($turn, $questions, $hearing);
        if (! $answered && $turn->state->pending === []) {
            $this->acknowledgement->of($turn, $field, $reading);
        }

        return $field->type === ValueType::Text ? ($this->turning->after($turn, $hearing, $step->next) ?? Move::on($step->next)) : Move::on($step->next);
    }

    /** @param list<Heard> $questions */
    private function serve(Turn $turn, array $questions, Hearing $hearing): bool
    {
        if ($questions === [] || $this->replies->serve($turn, $questions, false) === null) {
            return false;
        }
        $turn->trace->rule('in the same breath as an answer');
        $hearing->dealtWith(ActKind::Question);

        return true;
    }

    /** @param list<Heard> $questions */
    private function notWhatWasAsked(Turn $turn, AskStep $step, Hearing $hearing, array $questions): Move
    {
        $turn->trace->rule('not what was asked, but it is kept');
        $answered = $this->serve($turn, $questions, $hearing);
        if ($turn->state->pending !== []) {
            return Move::on($step->key());
        }
        if ($answered) {
            return Move::backToIt();
        }
        $turn->standing('acknowledge_words');

        return Move::again();
    }
}
