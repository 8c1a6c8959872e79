<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Appointments\AgreedFields;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Moments\Shift;
use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Speech\Speakable;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Readers\OptionNames;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Finds what a caller takes back: 'no, Tuesday', 'it's with a K', 'change the depot to Stanwick Cross'.
 *
 * The old value is put before the new words, so that the readers' own rules of repair decide what is replaced and what stays.
 */
final class Corrections
{
    /** Types whose values are mended in part. */
    private const MENDED = [ValueType::PersonName, ValueType::Email, ValueType::Phone, ValueType::Date, ValueType::DateTime, ValueType::Time, ValueType::Reference, ValueType::PostalAddress, ValueType::Duration, ValueType::Money];

    /** Types that are read as they are written; the others as they are spoken. */
    private const WRITTEN = [ValueType::Phone, ValueType::Email, ValueType::Reference, ValueType::Date, ValueType::PersonName, ValueType::PostalAddress];

    private const OPENERS = ['no', 'nope', 'actually', 'sorry', 'wait', 'hang on', 'hold on', 'i meant', 'i mean', 'make that', 'make it', 'change', 'change that', 'change it', 'can you change', 'could you change', 'can i change', 'could i change', 'can we change', "that's wrong", 'thats wrong', 'that should be', 'it should be', "it's not", 'its not', 'not', 'correction', 'scratch that', 'i said', 'on second thoughts', 'let me change', 'i need to change', "i'd like to change", 'instead', 'i was wrong', 'i got that wrong', 'my mistake', 'rather', 'can you make', 'could you make', 'can we make', "let's make it", 'better make it', 'i gave you the wrong', "you've got", 'you got', 'you have', 'by the way'];

    /** Words behind a 'not' that takes nothing back. */
    private const NO_DENIAL = ['yet', 'really', 'always', 'often', 'too', 'very', 'so', 'sure', 'bad', 'till', 'until', 'at'];

    private const STRONG = ['change', 'meant', 'no it should be', 'no that should be', 'wrong', 'correction', 'scratch', 'make it', 'make that', 'instead', 'mistake', 'on second thoughts', 'not ', 'i said', 'actually', 'better make'];

    /** @var Phrases<string> */
    private readonly Phrases $openers;

    private readonly AddressMended $addresses;

    /** Letters of the shortest name that is compared with another. */
    private const NAME_FROM = 3;

    /** Signs, letters and figures by which words may be about an e-mail address. */
    private const OF_AN_ADDRESS = '/@|\d|\b(?:dot|at|underscore|dash|hyphen|double|one word|with an? [a-z]|spel(?:t|led))\b|(?:\b[a-z]\b[ -]?){2,}/i';

    private const INSTEAD = 'instead';

    /** Figures and letters by which words may be about a reference. */
    private const OF_A_REFERENCE = '/\d|\b[b-hj-z]\b/i';

    public function __construct(private readonly Understanding $understanding, private readonly Collector $collector, private readonly Speakable $speakable, private readonly FieldNames $names, private readonly Shift $shift)
    {
        $this->openers = Phrases::listed(self::OPENERS);
        $this->addresses = new AddressMended($understanding);
    }

    /** Whether the words sound like taking something back. */
    public function sounded(Heard $heard): bool
    {
        $hit = $this->openers->first($heard->tokens);

        // 'Not yet, he gets them in January' takes nothing back.
        if ($hit !== null && $hit[0] === 'not' && in_array($heard->tokens[$hit[1] + 1]->text ?? '', self::NO_DENIAL, true)) {
            return false;
        }

        return $hit !== null && ($hit[1] <= 2 || in_array($hit[0], ['change', 'i meant', 'i mean', 'instead', 'should be', 'that should be', "that's wrong", 'actually', 'make that', 'make it'], true));
    }

    public function strong(Heard $heard): bool
    {
        $line = $heard->cleaned().' ';
        foreach (self::STRONG as $word) {
            if (str_contains($line, $word)) {
                return true;
            }
        }

        return false;
    }

    /**
     * New values for fields already held.
     *
     * @param list<string> $fields the fields to try, the likeliest first
     * @param bool $agreed whether what stands in a diary counts too: it is not to be written over
     *
     * @return array<string, Reading>
     */
    public function find(Turn $turn, Heard $heard, array $fields, bool $agreed = false): array
    {
        $fields = $agreed ? $fields : array_values(array_diff($fields, AgreedFields::of($turn)));
        $stretch = $this->collector->stretchAgain($turn, $heard);
        if ($stretch !== [] && array_diff(array_keys($stretch), $fields) === []) {
            return $stretch;
        }
        // 'No, and the floor is six' tells what nobody knew, and puts nothing right.
        $heard = $this->collector->known($turn, $heard);
        $named = $this->names->in($turn, $heard, $fields);
        $candidates = [];
        foreach ($named !== [] ? $named : $fields as $rank => $key) {
            $field = $turn->script->sheet->field($key);
            $held = $turn->state->values[$key] ?? null;
            $reading = $field === null || $held === null ? null : $this->corrected($turn, $field, $held, $heard, $named !== []);
            if ($reading !== null) {
                $candidates[] = [$key, $reading, $rank];
            }
        }
        // What explains most of the words wins; between equals, what was said last.
        usort($candidates, static fn (array $a, array $b): int => [$b[1]->end - $b[1]->start, $a[2]] <=> [$a[1]->end - $a[1]->start, $b[2]]);
        $found = [];
        foreach ($candidates as [$key, $reading]) {
            foreach ($found as $other) {
                if ($other->overlaps($reading)) {
                    continue 2;
                }
            }
            $found[$key] = $reading;
            if ($named === [] && ! $this->several($heard)) {
                break;
            }
        }

        return $found;
    }

    public function corrected(Turn $turn, Field $field, Held $held, Heard $heard, bool $named): ?Reading
    {
        if ($field->type === ValueType::YesNo || $field->type === ValueType::Text && ! $named) {
            return null;
        }
        $moved = $this->shift->from($field, $held->value, $heard);
        if ($moved !== null) {
            return $moved;
        }
        $context = $this->collector->context($turn, $field, $field->type !== ValueType::Choice || $named);
        $alone = $this->understanding->read($field->type, $this->stripped($heard), $context);
        $anew = $named && ! $alone->found() ? $this->behindTo($heard) : null;
        $alone = $anew === null ? $alone : $this->understanding->read($field->type, $anew, $context);
        if (! $named && ! $this->maySpeakOf($turn, $field, $heard, $alone, $context)) {
            return null;
        }
        $joined = in_array($field->type, self::MENDED, true) && ! ($alone->found() && $this->wholeDay($turn, $field, $held, $heard)) ? $this->joined($turn, $field, $held, $heard, $context) : null;
        $mends = $joined !== null && $joined->found() && $joined->value !== $held->value && ! $this->otherSideOfToday($turn, $field, $held->value, $joined->value);
        $reading = $mends ? $joined : $alone;
        // 'I'm not quite sure' makes no 'none' of what was chosen.
        $none = array_column(array_filter($field->options, fn (array $option): bool => OptionNames::isNone($option, $this->understanding->words)), 'key');
        if (! $named && $none !== [] && array_intersect((array) $reading->value, $none) !== []) {
            return null;
        }
        // The no of 'Friday's no good' counts nothing.
        if ($field->type === ValueType::Number && $reading->value === 0 && preg_match('/\b(?:none|zero|nought|nil|nobody|0)\b/i', $heard->original) !== 1) {
            return null;
        }
        if (! $reading->found() || $reading->value === $held->value || ! $named && $this->otherSideOfToday($turn, $field, $held->value, $reading->value)) {
            return null;
        }
        if ($alone->found()) {
            return Reading::of($reading->value, max(0.82, $reading->confidence), $alone->said, $alone->start, $alone->end);
        }
        // Words that only mend a value explain little by themselves: any field they read for outright comes first.
        $start = $heard->tokens[0]->start ?? 0;

        return Reading::of($reading->value, max(0.82, $reading->confidence), $heard->original, $start, $start + 1);
    }

    /** A day that has been takes the place of no day to come, nor the other way round. */
    private function otherSideOfToday(Turn $turn, Field $field, mixed $before, mixed $after): bool
    {
        $today = $turn->scope()->now->format('Y-m-d');

        return in_array($field->type, [ValueType::Date, ValueType::DateTime], true) && is_string($before) && is_string($after)
            && ($before < $today) !== ($after < $today) && substr($before, 0, 10) !== $today && substr($after, 0, 10) !== $today;
    }

    /** 'Make that six' speaks of what was told before, whatever is asked now. */
    public function ofBefore(Heard $heard): bool
    {
        return preg_match('/\b(?:make that|change that|i meant?)\b/i', $heard->cleaned()) === 1;
    }

    /** Whether a month is named, and so a day by itself: the year of one that is further off than a year is kept, no other. */
    private function wholeDay(Turn $turn, Field $field, Held $held, Heard $heard): bool
    {
        $months = $this->understanding->words->section('calendar', 'months');
        $named = array_filter($heard->tokens, static fn (Token $token): bool => isset($months[$token->text])) !== [];

        return $named && in_array($field->type, [ValueType::Date, ValueType::DateTime], true) && is_string($held->value)
            && $turn->scope()->now->modify('+1 year')->format('Y-m-d') > substr($held->value, 0, 10);
    }

    /** Whether words that do not name the field may be about it at all. */
    private function maySpeakOf(Turn $turn, Field $field, Heard $heard, Reading $alone, Context $context): bool
    {
        if ($field->type === ValueType::PersonName && ! $this->soundsLikeAName($turn, $field, $heard)) {
            return false;
        }
        if (in_array($field->type, [ValueType::Choice, ValueType::Several], true) && $this->tellsADay($turn, $heard)) {
            return false;
        }
        if ($alone->found()) {
            // 'Could we make it one o'clock' counts nothing.
            $hour = preg_match('/\b(?:o\W?clock|[ap]\.?m)\b/i', $heard->original) === 1;

            return $field->type !== ValueType::Number || ! $hour && ! $this->partOfDay($turn, $heard, $context);
        }
        $fits = match ($field->type) {
            ValueType::PostalAddress => preg_match("/^(?:(?:no|sorry|its|it's|number|actually|make|it|not)\\s)*\\d+\\s?[a-z]?$/", $heard->cleaned()) === 1
                || in_array($field->key, $turn->state->pending, true) && $this->addresses->isPart($this->stripped($heard), $context),
            // 'No, that's brilliant' is no part of an address.
            ValueType::Email => preg_match(self::OF_AN_ADDRESS, $heard->cleaned()) === 1,
            // 'Actually yes, there are three steps' is no figure of one.
            ValueType::Reference => preg_match(self::OF_A_REFERENCE, $heard->cleaned()) === 1 || $this->understanding->words->phrases('acts', 'of_its_parts')->in($heard->tokens),
            ValueType::Phone => preg_match('/\d{2}|(?:\b(?:oh|zero|one|two|three|four|five|six|seven|eight|nine|double|triple)\b.*){2}/', $heard->cleaned()) === 1,
            default => true,
        };

        return $fits && (! in_array($field->type, self::MENDED, true) || $this->sounded($heard) || in_array($field->key, $turn->state->pending, true));
    }

    /** 'The nineteenth of November' is a day of the calendar, where one was told before, and no weekday among options. */
    private function tellsADay(Turn $turn, Heard $heard): bool
    {
        $told = array_filter(array_keys($turn->state->values), static fn (string $key): bool => in_array($turn->script->sheet->field($key)?->type, [ValueType::Date, ValueType::DateTime], true));

        return $told !== [] && $this->understanding->words->phrases('calendar', 'months')->in($heard->tokens);
    }

    /** 'Whichever of the others' names nobody: a name is known as one, is written like one, is spelled, or is near to the one that was held. */
    private function soundsLikeAName(Turn $turn, Field $field, Heard $heard): bool
    {
        $words = $this->understanding->words;
        [$given, $surnames, $everyday] = [$words->set('given_names'), $words->set('surnames'), $words->set('everyday_words')];
        $calendar = $words->section('calendar', 'weekdays') + $words->section('calendar', 'months');
        $held = $turn->state->values[$field->key]->value ?? '';
        $before = explode(' ', mb_strtolower(is_string($held) ? $held : ''));
        foreach ($heard->tokens as $token) {
            if (isset($calendar[(string) preg_replace("/'s$/", '', $token->text)])) {
                continue;
            }
            if ($token->isLetter() || (isset($given[$token->text]) || isset($surnames[$token->text])) && ! isset($everyday[$token->text]) || preg_match('/^\p{Lu}\p{Ll}/u', $token->original) === 1 && $token->start > 0 && ! isset($calendar[$token->text])) {
                return true;
            }
            foreach ($before as $name) {
                if (strlen($name) >= self::NAME_FROM && strlen($token->text) >= self::NAME_FROM && levenshtein(substr($name, 0, 60), substr($token->text, 0, 60)) <= intdiv(strlen($name), 2)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** The value as it was with the new words after it, read together: the readers' own rules decide what is replaced. */
    private function joined(Turn $turn, Field $field, Held $held, Heard $heard, Context $context): Reading
    {
        $old = in_array($field->type, self::WRITTEN, true)
            ? (is_scalar($held->value) ? (string) $held->value : '')
            : $this->speakable->say($field->typed($held->value), $turn->locale());
        $words = implode(' ', array_map(static fn ($token): string => $token->gap === ' ' || $token->gap === '' ? $token->original : $token->gap.$token->original, $this->stripped($heard)->tokens));

        return $this->understanding->read($field->type, $old.', no, '.$words, $context);
    }

    private function stripped(Heard $heard): Heard
    {
        $tokens = $heard->tokens;
        for ($i = 0; $i < 4 && ($hit = $this->openers->at($tokens, 0)) !== null && isset($tokens[$hit[1]]) && $hit[0] !== 'not' && $hit[0] !== "it's not" && $hit[0] !== 'its not'; $i++) {
            $tokens = array_slice($tokens, $hit[1]);
        }
        if (count($tokens) > 1 && $tokens[count($tokens) - 1]->text === self::INSTEAD) {
            array_pop($tokens);
        }

        return $heard->only(array_values($tokens));
    }

    /** What stands behind the 'to' of 'change the name to Ann Grey'; null without one. */
    private function behindTo(Heard $heard): ?Heard
    {
        $texts = array_map(static fn (Token $token): string => $token->text, $heard->tokens);
        $at = array_search('to', $texts, true);

        return $at === false || ! isset($heard->tokens[$at + 1]) ? null : $heard->only(array_slice($heard->tokens, $at + 1));
    }

    private function partOfDay(Turn $turn, Heard $heard, Context $context): bool
    {
        return $this->understanding->read(ValueType::Date, $heard, $context)->found() || $this->understanding->read(ValueType::Duration, $heard, $context)->found();
    }

    private function several(Heard $heard): bool
    {
        return in_array('and', array_map(static fn ($token): string => $token->text, $heard->tokens), true);
    }
}
