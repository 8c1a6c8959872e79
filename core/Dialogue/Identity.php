<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Who is calling: opens the call by what the number told, asks who of several it is, and checks a caller against a known fact.
 *
 * What is said to be checked is kept out of transcript and trace.
 */
final readonly class Identity
{
    public function __construct(private Understanding $understanding, private Walker $walker)
    {
    }

    /** The first words by who is calling. Returns whether the call goes on at the script's first step. */
    public function open(Turn $turn): bool
    {
        $state = $turn->state;
        $kind = (string) ($state->caller['kind'] ?? (($state->caller['known'] ?? false) ? 'known' : ($state->from === null ? 'withheld' : 'unknown')));
        $recognition = $turn->script->recognition;
        if ($kind === 'blocked') {
            $turn->trace->rule('recognition: this number is blocked');
            if ($recognition->blocked === 'words') {
                $turn->script->agent->greeting['blocked'] === null ? $turn->standing('blocked') : $turn->prompt($turn->script->agent->greeting['blocked'], 'greeting');
            }
            $turn->end('blocked');

            return false;
        }
        $recent = $recognition->recentHours > 0 && is_string($state->caller['last_reason'] ?? null) && is_numeric($state->caller['last_hours'] ?? null) && $state->caller['last_hours'] <= $recognition->recentHours;
        foreach ([$kind, ...($recent ? ['recent'] : [])] as $one) {
            $state->priority = max($state->priority, $recognition->priority[$one] ?? 0);
            foreach ($recognition->tags[$one] ?? [] as $tag) {
                $state->tags[] = $tag;
            }
        }
        $turn->trace->rule('recognition: '.$this->inWords($kind, $recent));
        $greeting = $turn->script->agent->greeting;
        $who = $kind === 'shared' || $kind === 'organisation' ? ($greeting[$kind] !== null ? $kind : 'unknown') : ($kind === 'withheld' && $greeting['withheld'] === null ? 'unknown' : $kind);
        $prompt = ($recent && $kind === 'known' ? $greeting['recent'] : null) ?? $greeting[$who] ?? null;
        if ($prompt !== null) {
            $turn->trace->rule("greeting for a caller who is {$who}");
            $turn->prompt($prompt, 'greeting');
        }
        if ($kind === 'shared' && count($state->people) > 1) {
            $state->mode = 'identify';
            $state->step = null;
            $turn->standing('who_is_it', [], true);

            return false;
        }
        if ($recent && $kind === 'known') {
            $state->mode = 'recent';
            $turn->standing('recent', ['it' => (string) $state->caller['last_reason']], true);

            return false;
        }

        return true;
    }

    /** The answer to who it is, on a number that several people share. */
    public function who(Turn $turn, Heard $heard): void
    {
        $state = $turn->state;
        $reading = $this->understanding->read(ValueType::PersonName, $heard, new Context($turn->scope()->now, $turn->script->agent->country));
        $said = $reading->found() ? (string) $reading->value : $heard->cleaned();
        $fits = array_values(array_filter($state->people, fn (array $person): bool => $this->named((string) ($person['name'] ?? ''), $said)));
        $turn->trace->reading('caller', 'person_name', $reading, $said, count($fits) === 1, count($fits) === 1 ? 'one of the people at this number' : 'nobody, or not one alone, of the people at this number');
        if (count($fits) === 1) {
            $this->adopt($turn, $fits[0]);

            return;
        }
        $state->failures++;
        if ($state->failures === 1) {
            // First names alone: who else uses the telephone is not told to a stranger.
            $names = array_values(array_unique(array_map(static fn (array $person): string => (string) ($person['first_name'] ?? explode(' ', (string) ($person['name'] ?? ''))[0]), $state->people)));
            if (count($names) > 1 && count($names) <= 3 && $fits === [] && ! $reading->found()) {
                $turn->standing('who_of', ['names' => $this->walker->listed($names)], true);

                return;
            }
        }
        $turn->trace->rule('not one of the people at this number: a stranger');
        $state->people = [];
        $state->mode = 'answer';
        $field = $this->nameField($turn);
        if ($reading->found() && $field !== null) {
            $turn->hold($field, new Held($reading->value, $reading->confidence, Origin::Volunteered, $turn->callerTurn, $reading->said));
        }
        $this->walker->go($turn, $turn->script->first);
    }

    /** The answer to 'are you calling back about …?'. */
    public function again(Turn $turn, Heard $heard): bool
    {
        $state = $turn->state;
        $state->mode = 'answer';
        $yes = $this->understanding->read(ValueType::YesNo, $heard, new Context($turn->scope()->now, $turn->script->agent->country));
        if ($yes->value === true) {
            $turn->trace->rule('it is about the same: on to that topic');
            $topic = (string) ($state->caller['last_topic'] ?? '');
            foreach ($turn->script->steps as $step) {
                $found = $step instanceof ListenStep && $topic !== '' ? $step->topic($topic) : null;
                if ($found !== null) {
                    $state->topic = $topic;
                    $this->walker->go($turn, $found['next']);

                    return true;
                }
            }
            $this->walker->go($turn, $turn->script->first);

            return true;
        }
        $turn->trace->rule($yes->value === false ? 'it is about something else' : 'the caller says what it is about');
        $this->walker->go($turn, $turn->script->first);

        // 'No, I need a digger' answers the open question that follows.
        return $yes->value === false && count($heard->tokens) <= 3;
    }

    /** Puts a verify step, or passes on where nothing can be checked. Returns the step to go on to, null where the caller is asked. */
    public function ask(Turn $turn, VerifyStep $step): ?string
    {
        $state = $turn->state;
        if ($state->verified) {
            $turn->trace->rule("{$step->key()}: checked already in this call");

            return $step->next;
        }
        if (($state->caller['locked'] ?? false) || in_array('locked_out', $state->tags, true)) {
            $turn->trace->rule("{$step->key()}: the tries are used up");

            return $step->locked;
        }
        $expected = $this->expected($turn, $step);
        if ($expected === null) {
            $turn->trace->rule("{$step->key()}: nothing on file to check by {$step->by}");

            return $step->failed;
        }
        if ($step->by === 'code' && ! isset($state->verifying[$step->key()])) {
            $to = (string) ($state->caller['phone_on_file'] ?? $state->from);
            $turn->send(new Send('text', $to, null, "Your code for {$turn->script->agent->business} is {$expected}.", null, $step->key(), true));
            $turn->standing('code_sent');
        }
        $state->verifying[$step->key()] ??= 0;
        $state->step = $step->key();
        $state->path[] = $step->key();
        $state->visits[$step->key()] = ($state->visits[$step->key()] ?? 0) + 1;
        $state->failures = 0;
        $state->silences = 0;
        $turn->prompt($step->prompt, $step->key(), true);

        return null;
    }

    /** Checks what was said or keyed. Only whether it was right is told. */
    public function check(Turn $turn, VerifyStep $step, string $words): void
    {
        $state = $turn->state;
        $turn->trace->mask();
        $right = $this->matches($turn, $step, $words);
        $state->verifying[$step->key()] = ($state->verifying[$step->key()] ?? 0) + ($right ? 0 : 1);
        if ($right) {
            $state->verified = true;
            $turn->trace->rule("{$step->key()}: checked by {$step->by}");
            $turn->standing('verified');
            $this->walker->go($turn, $step->next);

            return;
        }
        $tries = $state->verifying[$step->key()];
        $turn->trace->rule("{$step->key()}: does not match, {$tries} of {$step->tries}");
        if ($tries >= $step->tries) {
            $state->tags[] = 'locked_out';
            $this->walker->go($turn, $step->locked);

            return;
        }
        $turn->standing('not_verified');
        $turn->prompt($step->prompt, $step->key().'.again', true);
    }

    private function matches(Turn $turn, VerifyStep $step, string $words): bool
    {
        $expected = $this->expected($turn, $step);
        if ($expected === null) {
            return false;
        }
        $heard = $this->understanding->hear($words);
        $context = new Context($turn->scope()->now, $turn->script->agent->country);
        if ($step->by === 'birth_date') {
            return $this->understanding->read(ValueType::Date, $heard, $context)->value === $expected;
        }
        $bare = static fn (string $text): string => strtoupper((string) preg_replace('/[^a-z0-9]/i', '', $text));
        $reading = $this->understanding->read(ValueType::Reference, $heard, $context);
        $tries = array_filter([$bare($words), $reading->found() ? $bare((string) $reading->value) : '', $bare((string) $this->understanding->read(ValueType::Phone, $heard, $context)->value)], static fn (string $one): bool => $one !== '');
        foreach (array_unique($tries) as $try) {
            if ($step->by === 'pin' ? password_verify($try, $expected) : hash_equals($bare($expected), $try)) {
                return true;
            }
        }

        return false;
    }

    private function expected(Turn $turn, VerifyStep $step): ?string
    {
        $caller = $turn->state->caller;
        $fact = match ($step->by) {
            'pin' => $caller['pin_hash'] ?? null,
            'birth_date' => $caller['birth_date'] ?? null,
            'code' => ($caller['known'] ?? false) || $turn->state->from !== null ? sprintf('%06d', crc32($turn->state->seed.'|'.$step->key().'|code') % 1_000_000) : null,
            default => $caller['postcode'] ?? null,
        };

        return is_string($fact) && trim($fact) !== '' ? trim($fact) : null;
    }

    /** @param array<string, scalar|null> $person */
    private function adopt(Turn $turn, array $person): void
    {
        $state = $turn->state;
        $state->caller = [...$state->caller, ...$person, 'known' => true, 'kind' => 'known'];
        $state->people = [];
        $state->mode = 'answer';
        $turn->trace->rule('recognised by name: '.($person['name'] ?? ''));
        foreach ((new Opening($turn->script))->values($state->caller, $state->from, $turn->scope()->now) as $key => $held) {
            $state->values[$key] ??= $held;
        }
        $greeting = $turn->script->agent->greeting['known'];
        if ($greeting !== null) {
            $turn->prompt($greeting, 'greeting');
        }
        $this->walker->go($turn, $turn->script->first);
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

    private function nameField(Turn $turn): ?\Ringo\Sheet\Field
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
