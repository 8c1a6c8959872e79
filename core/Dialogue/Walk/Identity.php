<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

use Ringo\Dialogue\Held;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Who is calling: opens the call by what the number told, and asks who of several it is. */
final readonly class Identity
{
    public function __construct(private Understanding $understanding)
    {
    }

    /** The first words by who is calling, and what follows them. */
    public function open(Turn $turn): Move
    {
        $state = $turn->state;
        $kind = (string) ($state->caller['kind'] ?? (($state->caller['known'] ?? false) ? 'known' : ($state->from === null ? 'withheld' : 'unknown')));
        if ($kind === 'blocked') {
            return $this->blocked($turn);
        }
        $recent = $this->rangLately($turn);
        $this->marked($turn, [$kind, ...($recent ? ['recent'] : [])]);
        $turn->trace->rule('recognition: '.$this->inWords($kind, $recent));
        $this->greeted($turn, $kind, $recent);
        if ($kind === 'shared' && count($state->people) > 1) {
            $state->mode = Mode::Identify;
            $state->step = null;
            $turn->standing('who_is_it', [], true);

            return Move::stay();
        }
        if ($recent && $kind === 'known') {
            $state->mode = Mode::Recent;
            $turn->standing('recent', ['it' => (string) $state->caller['last_reason']], true);

            return Move::stay();
        }

        return Move::to($turn->first());
    }

    private function blocked(Turn $turn): Move
    {
        $turn->trace->rule('recognition: this number is blocked');
        if ($turn->script->recognition->blocked === 'words') {
            $words = $turn->script->agent->greeting['blocked'];
            $words === null ? $turn->standing('blocked') : $turn->prompt($words, 'greeting');
        }
        $turn->end('blocked');

        return Move::stay();
    }

    /** Whether the same caller rang a short while ago, as short as the script says. */
    private function rangLately(Turn $turn): bool
    {
        $most = $turn->script->recognition->recentHours;
        $caller = $turn->state->caller;

        return $most > 0 && is_string($caller['last_reason'] ?? null) && is_numeric($caller['last_hours'] ?? null) && $caller['last_hours'] <= $most;
    }

    /** @param list<string> $kinds */
    private function marked(Turn $turn, array $kinds): void
    {
        $recognition = $turn->script->recognition;
        foreach ($kinds as $kind) {
            $turn->state->priority = max($turn->state->priority, $recognition->priority[$kind] ?? 0);
            array_push($turn->state->tags, ...($recognition->tags[$kind] ?? []));
        }
    }

    private function greeted(Turn $turn, string $kind, bool $recent): void
    {
        $greeting = $turn->script->agent->greeting;
        // Who has no words of their own is greeted as a stranger.
        $who = in_array($kind, ['shared', 'organisation', 'withheld'], true) && $greeting[$kind] === null ? 'unknown' : $kind;
        $prompt = ($recent && $kind === 'known' ? $greeting['recent'] : null) ?? $greeting[$who] ?? null;
        if ($prompt !== null) {
            $turn->trace->rule("greeting for a caller who is {$who}");
            $turn->prompt($prompt, 'greeting');
        }
    }

    /** The answer to who it is, on a number that several people share. */
    public function who(Turn $turn, Heard $heard): Move
    {
        $state = $turn->state;
        $reading = $this->understanding->read(ValueType::PersonName, $heard, new Context($turn->scope()->now, $turn->script->agent->country));
        $said = $reading->found() ? (string) $reading->value : $heard->cleaned();
        $fits = array_values(array_filter($state->people, fn (array $person): bool => $this->named((string) ($person['name'] ?? ''), $said)));
        $turn->trace->reading('caller', 'person_name', $reading, $said, count($fits) === 1, count($fits) === 1 ? 'one of the people at this number' : 'nobody, or not one alone, of the people at this number');
        if (count($fits) === 1) {
            return $this->adopt($turn, $fits[0]);
        }
        $state->failures++;
        if ($state->failures === 1) {
            // First names alone: who else uses the telephone is not told to a stranger.
            $names = array_values(array_unique(array_map(static fn (array $person): string => (string) ($person['first_name'] ?? explode(' ', (string) ($person['name'] ?? ''))[0]), $state->people)));
            if (count($names) > 1 && count($names) <= 3 && $fits === [] && ! $reading->found()) {
                $turn->standing('who_of', ['names' => $turn->listed($names)], true);

                return Move::stay();
            }
        }
        $turn->trace->rule('not one of the people at this number: a stranger');
        $state->people = [];
        $state->mode = Mode::Answer;
        $field = $this->nameField($turn);
        if ($reading->found() && $field !== null) {
            $turn->hold($field, new Held($reading->value, $reading->confidence, Origin::Volunteered, $turn->callerTurn, $reading->said));
        }

        return Move::to($turn->first());
    }

    /** The answer to 'are you calling back about …?'; null where the words say what it is about instead. */
    public function again(Turn $turn, Heard $heard): ?Move
    {
        $state = $turn->state;
        $state->mode = Mode::Answer;
        $yes = $this->understanding->read(ValueType::YesNo, $heard, new Context($turn->scope()->now, $turn->script->agent->country));
        if ($yes->value === true) {
            $turn->trace->rule('it is about the same: on to that topic');
            $topic = (string) ($state->caller['last_topic'] ?? '');
            foreach ($turn->script->steps as $step) {
                $found = $step instanceof ListenStep && $topic !== '' ? $step->topic($topic) : null;
                if ($found !== null) {
                    $state->topic = $topic;

                    return Move::to($found['next']);
                }
            }

            return Move::to($turn->first());
        }
        $turn->trace->rule($yes->value === false ? 'it is about something else' : 'the caller says what it is about');

        // 'No, I need a digger' answers the open question that follows.
        return $yes->value === false && count($heard->tokens) <= 3 ? Move::to($turn->first()) : null;
    }

    /** @param array<string, scalar|null> $person */
    private function adopt(Turn $turn, array $person): Move
    {
        $state = $turn->state;
        $state->caller = [...$state->caller, ...$person, 'known' => true, 'kind' => 'known'];
        $state->people = [];
        $state->mode = Mode::Answer;
        $turn->trace->rule('recognised by name: '.($person['name'] ?? ''));
        foreach ((new Opening($turn->script))->values($state->caller, $state->from, $turn->scope()->now) as $key => $held) {
            $state->values[$key] ??= $held;
        }
        $greeting = $turn->script->agent->greeting['known'];
        if ($greeting !== null) {
            $turn->prompt($greeting, 'greeting');
        }

        return Move::to($turn->first());
    }

    private function named(string $name, string $said): bool
    {
        $parts = array_filter(explode(' ', mb_strtolower($name)), static fn (string $part): bool => mb_strlen($part) > 1);
        $words = preg_split('/[^\p{L}\']+/u', mb_strtolower($said), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($parts as $part) {
            foreach ($words as $word) {
                if ($part === $word || mb_strlen($part) > 3 && levenshtein($part, $word) <= 1 || mb_strlen($part) > 3 && metaphone($part) === metaphone($word) && $part[0] === $word[0]) {
                    return true;
                }
            }
        }

        return false;
    }

    private function nameField(Turn $turn): ?Field
    {
        foreach ($turn->script->sheet->fields as $field) {
            if ($field->type === ValueType::PersonName && $field->fromCaller === 'name') {
                return $field;
            }
        }

        return null;
    }

    private function inWords(string $kind, bool $recent): string
    {
        return ['known' => 'a caller we know', 'shared' => 'a number several people share', 'organisation' => 'the switchboard of an organisation', 'withheld' => 'a withheld number', 'unknown' => 'a number we do not know'][$kind].($recent ? ', who called lately' : '');
    }
}
