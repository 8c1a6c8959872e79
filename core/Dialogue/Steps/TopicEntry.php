<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Values\LoneValue;
use Ringo\Dialogue\Values\Volunteer;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\Tone;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Goes into a topic: meets it in its tone, keeps what was told, and does not run a finished path again on what it already knows. */
final readonly class TopicEntry
{
    /** Words up to which a bare name of something may stand for the topic that asks for it. */
    private const FEW_WORDS = 9;

    /** From here on a name was said as it is written. */
    private const PLAINLY = 0.8;

    /** So few words are the name itself, however it was heard. */
    private const ALONE = 2;

    /** What was named is read back below this. */
    private const SURE = 0.75;

    /** How sure a contact fact of an earlier matter still holds: asked back rather than asked. */
    private const STILL = 0.6;

    private const CONTACT = [ValueType::PersonName, ValueType::Phone, ValueType::Email, ValueType::PostalAddress];

    public function __construct(
        private Understanding $understanding,
        private Collector $collector,
        private Keeper $keeper,
        private Volunteer $volunteer,
        private Tone $tone,
        private LoneValue $lone,
    ) {
    }

    public function enter(Turn $turn, ListenStep $step, string $key, ?Heard $heard = null): Move
    {
        $topic = $step->topic($key);
        $before = $turn->state->unsorted;
        $turn->state->unsorted = null;
        $turn->state->refused = [];
        if ($topic === null) {
            return Move::again();
        }
        if (in_array($key, $turn->state->finished, true)) {
            $this->afresh($turn, $topic['next']);
        }
        $turn->state->topic = $key;
        $first = $before === null ? null : Heard::of($before['words'], $this->understanding->words);
        $this->tone->meet($turn, $topic['tone'], $first ?? $heard);
        $told = $first === null ? [] : $this->toldBefore($turn, $first, $before['turn'] ?? null, $topic['next']);
        if ($first !== null && $heard !== null) {
            foreach ($this->answer($turn, $heard, $topic['next']) as $field => $reading) {
                $of = $turn->script->sheet->field($field);
                if ($of !== null) {
                    $turn->considered($of, $reading, true, 'answers what the topic asks first');
                    $this->keeper->take($turn, $of, $reading, Origin::Volunteered);
                    $told[] = $field;
                }
            }
        }
        if ($heard !== null) {
            $told = [...$told, ...$this->volunteer->from($turn, $heard, $topic['next'], false)];
        }
        $this->volunteer->echo($turn, array_values(array_unique($told)));

        return Move::on($topic['next']);
    }

    /**
     * What the words told that could not be sorted until it was asked which was meant; told in their own turn.
     *
     * @return list<string> the fields
     */
    private function toldBefore(Turn $turn, Heard $heard, ?int $said, string $from): array
    {
        $now = $turn->callerTurn;
        $turn->callerTurn = $said;
        $told = $this->volunteer->from($turn, $heard, $from, false);
        $turn->callerTurn = $now;

        return $told;
    }

    /** Whether a topic comes to agreeing a time for something new before the next open question. */
    public function books(Turn $turn, ListenStep $step, string $key): bool
    {
        return BooksAhead::from($turn, $step->topic($key)['next'] ?? '', ['book']);
    }

    /** @return array<string, Reading> what words answer of the first question from a step on; a name where a name is all they are */
    private function answer(Turn $turn, Heard $heard, string $from): array
    {
        $key = $this->collector->askedFrom($turn, $from)[0] ?? '';
        $field = $turn->script->sheet->field($key);
        if ($field?->type !== ValueType::PersonName) {
            return $this->collector->answersFirst($turn, $heard, $from);
        }

        return isset($turn->state->values[$key]) || $this->lone->in($turn, $heard) !== ValueType::PersonName ? [] : [$key => $this->collector->asked($turn, $field, $heard)];
    }

    /** Whether words answer what a topic asks first. */
    public function answers(Turn $turn, ListenStep $step, string $key, Heard $heard): bool
    {
        $first = $this->collector->askedFrom($turn, $step->topic($key)['next'] ?? '')[0] ?? '';
        $field = $turn->script->sheet->field($first);
        if ($field === null || in_array($field->type, [ValueType::Text, ValueType::YesNo], true)) {
            return false;
        }
        if ($field->type === ValueType::PersonName) {
            return $this->lone->in($turn, $heard) === ValueType::PersonName;
        }
        $reading = $this->collector->asked($turn, $field, $heard);

        return $reading->found() && $reading->confidence >= Collector::SURE;
    }

    /** Whether words answer what a topic asks first by their form alone: no other thing is written like a booking number. */
    public function answersByForm(Turn $turn, ListenStep $step, string $key, Heard $heard): bool
    {
        $field = $turn->script->sheet->field($this->collector->askedFrom($turn, $step->topic($key)['next'] ?? '')[0] ?? '');

        return $field?->type === ValueType::Reference && $field->pattern !== null && $this->answers($turn, $step, $key, $heard);
    }

    /**
     * The one topic that begins by asking for something the caller has named: 'I want a water pump'.
     *
     * @param bool $take whether what was named is kept
     */
    public function implied(Turn $turn, ListenStep $step, Heard $heard, bool $take = true): ?string
    {
        $one = $this->oneNamed($turn, $step, $heard);
        if ($one === null) {
            return null;
        }
        [$key, $field, $named] = $one;
        if (! $take) {
            return $key;
        }
        $turn->considered($field, $named, true, 'named where a topic was asked for');
        $this->keeper->take($turn, $field, $named, Origin::Volunteered, $named->confidence < self::SURE);

        return $key;
    }

    /** How many of the things a topic asks for the words tell: 'a double for two nights from Friday' tells three of booking a room. */
    public function told(Turn $turn, ListenStep $step, string $key, Heard $heard): int
    {
        $next = $step->topic($key)['next'] ?? null;

        return $next === null ? 0 : count($this->collector->volunteered($turn, $heard, null, null, $next));
    }

    /**
     * The words that name what the one implied topic begins by asking for.
     *
     * @return list<string> none where no one topic is implied
     */
    public function nameOf(Turn $turn, ListenStep $step, Heard $heard): array
    {
        $said = $this->oneNamed($turn, $step, $heard)[2]->said ?? '';

        return $said === '' ? [] : explode(' ', mb_strtolower($said));
    }

    /** @return array{string, Field, Reading}|null the one topic, what it begins by asking for, and how that is named */
    private function oneNamed(Turn $turn, ListenStep $step, Heard $heard): ?array
    {
        $found = [];
        foreach ($step->topics as $topic) {
            $first = $turn->script->steps[$topic['next']] ?? null;
            $field = $first instanceof AskStep ? $turn->script->sheet->field($first->field) : null;
            $named = $field === null || $field->type !== ValueType::Choice ? null : $this->named($turn, $field, $heard);
            if ($field !== null && $named !== null && $named->found()) {
                $found[] = [$topic['key'], $field, $named];
            }
        }

        return count($found) === 1 ? $found[0] : null;
    }

    /** 'Digger. Mini one. Monday.': few words name it as an answer would; 'the second one' names nothing yet. */
    private function named(Turn $turn, Field $field, Heard $heard): Reading
    {
        $named = $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, false));
        if ($named->found() || count($heard->tokens) > self::FEW_WORDS) {
            return $named;
        }
        $short = $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, true));

        $position = preg_match('/^(?:the )?(?:first|second|third|fourth|fifth|last|one|two|three|four|five|six|seven|eight|nine|\d+)(?: one)?$/i', trim((string) $short->said)) === 1;
        // One short word that is only like a name of something is a name where something was asked for, and not before.
        $like = str_word_count((string) $short->said) === 1 && count($heard->tokens) > self::ALONE && ($short->confidence < self::PLAINLY || ! $this->isWhole($field, $short, $heard));

        return $position || $like ? $named : $short;
    }

    /**
     * Whether a word is all that an option is called, or one of the things it is called: 'heating', and not 'water', of 'heating or hot water';
     * or all of several words stand there, such as the dining and the chairs of 'dining room chairs'.
     */
    private function isWhole(Field $field, Reading $reading, Heard $heard): bool
    {
        $stemmer = new Stemmer;
        $there = array_map(static fn (Token $token): string => $stemmer->stem($token->text), $heard->tokens);
        $said = $stemmer->stems((string) $reading->said);
        foreach ($field->options as $option) {
            foreach ($option['key'] === $reading->value ? [...(preg_split('/,|\/|\bor\b|\band\b/', $option['label']) ?: []), ...$option['phrases']] : [] as $name) {
                $words = $stemmer->stems((string) preg_replace('/^\s*(?:an?|the)\b/i', '', $name));
                if ($words === $said || count($words) > 1 && array_diff($words, $there) === []) {
                    return true;
                }
            }
        }

        return false;
    }

    /** The same matter a second time: its answers are asked again, who is calling is only asked back. */
    private function afresh(Turn $turn, string $from): void
    {
        foreach ($this->collector->askedFrom($turn, $from) as $key) {
            $field = $turn->script->sheet->field($key);
            $held = $turn->state->values[$key] ?? null;
            $turn->state->declined = array_values(array_diff($turn->state->declined, [$key]));
            if ($field === null || $held === null) {
                continue;
            }
            $turn->forget($key);
            if (in_array($field->type, self::CONTACT, true)) {
                $turn->state->values[$key] = new Held($held->value, $field->fromCaller === null && $field->type === ValueType::PersonName ? self::STILL : $held->confidence, Origin::Recognised, $held->turn, $held->said, true);
            }
        }
        $turn->trace->rule('this matter was finished once: it is asked afresh');
    }
}
