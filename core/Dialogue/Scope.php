<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Script\Script;
use Ringo\Sheet\Field;
use Ringo\Speech\Display;
use Ringo\Speech\Locale;
use Ringo\Speech\Speakable;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/**
 * What prompts and conditions can refer to in a call: fields, the caller, the agent, facts, the time.
 *
 * `now` is the moment of the turn in the agent's time zone.
 */
final readonly class Scope
{
    public \DateTimeImmutable $now;

    public Locale $locale;

    public function __construct(private Script $script, private CallState $state, private Speakable $speakable, private Display $display)
    {
        $start = (new \DateTimeImmutable($state->startedAt))->setTimezone(new \DateTimeZone($script->agent->tz));
        $this->now = $start->setTimestamp($start->getTimestamp() + (int) $state->clock);
        $this->locale = new Locale($this->now, $script->agent->country, $script->agent->spelling);
    }

    /** The spoken words for a placeholder's path, or null where it is empty. */
    public function words(string $path): ?string
    {
        $parts = explode('.', $path, 2);
        $head = $parts[0];
        $rest = $parts[1] ?? null;
        $field = $this->script->sheet->field($head);
        if ($field !== null) {
            return $this->ofField($field, $rest);
        }
        $raw = $this->named($path) ?? match ($head) {
            'caller' => $this->state->caller[$rest ?? ''] ?? null,
            'fact' => $this->script->facts[$rest ?? ''] ?? null,
            default => $this->looked($head, $rest ?? '', fn (Typed $typed): string => $this->speakable->say($typed, $this->locale)),
        };

        return is_scalar($raw) && ! is_bool($raw) && trim((string) $raw) !== '' ? trim((string) $raw) : null;
    }

    private function ofField(Field $field, ?string $fact): ?string
    {
        $held = $this->state->values[$field->key] ?? null;
        if ($held === null) {
            return null;
        }

        return $fact === null
            ? $this->speakable->say($field->typed($held->value), $this->locale)
            : $this->fact($field->key, (string) (is_scalar($held->value) ? $held->value : ''), $fact);
    }

    private function named(string $path): ?string
    {
        return match ($path) {
            'business', 'business.name' => $this->script->agent->business,
            'agent', 'agent.name' => $this->script->agent->name,
            'today' => $this->speakable->say(new Typed(ValueType::Date, $this->now->format('Y-m-d')), $this->locale),
            'now' => $this->speakable->say(new Typed(ValueType::Time, $this->now->format('H:i')), $this->locale),
            'time_of_day' => $this->timeOfDay(),
            'caller.number' => $this->state->from === null ? null : $this->speakable->say(new Typed(ValueType::Phone, $this->state->from), $this->locale),
            default => null,
        };
    }

    /** The words for a placeholder in a written message: figures and dates as one writes them. */
    public function written(string $path): ?string
    {
        $field = $this->script->sheet->field($path);
        $held = $field === null ? null : ($this->state->values[$path] ?? null);
        if ($field !== null && $held !== null) {
            return $this->display->show($field->typed($held->value));
        }

        return match ($path) {
            'today' => $this->display->show(new Typed(ValueType::Date, $this->now->format('Y-m-d'))),
            'now' => $this->now->format('H:i'),
            'caller.number' => $this->state->from === null ? null : $this->display->show(new Typed(ValueType::Phone, $this->state->from)),
            default => $this->writtenFound($path) ?? $this->words($path),
        };
    }

    /** The bare value at a path, for conditions. */
    public function value(string $path): mixed
    {
        if (isset($this->state->values[$path])) {
            return $this->state->values[$path]->value;
        }
        [$head, $rest] = explode('.', $path, 2) + [1 => ''];

        return match ($head) {
            'call' => $this->ofCall($rest),
            'caller' => $this->ofCaller($rest),
            'fact' => $this->script->facts[$rest] ?? null,
            'tag' => in_array($rest, $this->state->tags, true) ? true : null,
            'declined' => in_array($rest, $this->state->declined, true) ? true : null,
            'outcome' => $this->state->outcome,
            'priority' => $this->state->priority,
            'tries' => $this->state->failures,
            'topic' => $this->state->topic,
            'frustration' => $this->state->frustration,
            default => $this->found($head, $rest),
        };
    }

    /** What an errand came back with: its status, or a value of its answer. */
    private function found(string $errand, string $name): mixed
    {
        $looked = $this->state->looked[$errand] ?? null;

        return $looked === null ? null : ($name === 'status' ? $looked['status'] : ($looked['row'][$name]['value'] ?? null));
    }

    private function writtenFound(string $path): ?string
    {
        [$errand, $name] = [...explode('.', $path, 2), ''];

        return $this->looked($errand, $name, $this->display->show(...));
    }

    /** @param \Closure(Typed): string $say */
    private function looked(string $errand, string $name, \Closure $say): ?string
    {
        $found = $this->state->looked[$errand]['row'][$name] ?? null;

        return $found === null ? null : $say(new Typed(ValueType::from($found['type']), $found['value']));
    }

    private function ofCall(string $name): mixed
    {
        return match ($name) {
            'open' => $this->script->hours->openAt($this->now),
            'hour' => (int) $this->now->format('G'),
            'weekday' => strtolower($this->now->format('D')),
            'date' => $this->now->format('Y-m-d'),
            'time' => $this->now->format('H:i'),
            'direction' => $this->script->agent->direction,
            'line' => $this->state->to,
            'minutes' => intdiv((int) $this->state->clock, 60),
            'turns' => $this->state->heard,
            default => null,
        };
    }

    private function ofCaller(string $name): mixed
    {
        return match ($name) {
            'known' => (bool) ($this->state->caller['known'] ?? false),
            'number' => $this->state->from,
            default => $this->state->caller[$name] ?? null,
        };
    }

    /** The number at a path, for what is worked out: a number, an amount of money, the days of a duration, a fact of an option. */
    public function amount(string $path): ?float
    {
        $parts = explode('.', $path, 2);
        $value = isset($parts[1]) && $this->script->sheet->field($parts[0]) !== null ? $this->factOf($parts[0], $parts[1]) : $this->value($path);
        if (is_array($value)) {
            $value = $value['amount'] ?? null;
        }
        if (is_string($value) && preg_match('/^P(?:(\d+)W)?(?:(\d+)D)?$/', $value, $m) === 1) {
            return 7.0 * (int) ($m[1] ?? 0) + (int) ($m[2] ?? 0);
        }

        return is_numeric($value) ? (float) $value : null;
    }

    private function factOf(string $field, string $name): ?string
    {
        $option = $this->state->values[$field]->value ?? null;

        return is_string($option) ? $this->fact($field, $option, $name) : null;
    }

    /** A fact of an option: `[equipment.day_rate]`. */
    public function fact(string $field, string $option, string $name): ?string
    {
        $definition = $this->script->sheet->field($field);
        if ($name === 'label') {
            return $definition?->label($option);
        }
        $fact = $definition?->facts[$option][$name] ?? null;

        return $fact === null ? null : (string) $fact;
    }

    private function timeOfDay(): string
    {
        $hour = (int) $this->now->format('G');

        return match (true) {
            $hour < 12 => 'morning', $hour < 18 => 'afternoon', default => 'evening',
        };
    }
}
