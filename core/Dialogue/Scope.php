<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Script\Script;
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
            $held = $this->state->values[$head] ?? null;
            if ($held === null) {
                return null;
            }
            if ($rest !== null) {
                return $this->fact($head, (string) (is_scalar($held->value) ? $held->value : ''), $rest);
            }

            return $this->speakable->say($field->typed($held->value), $this->locale);
        }
        $value = match ($path) {
            'business', 'business.name' => $this->script->agent->business,
            'agent', 'agent.name' => $this->script->agent->name,
            'today' => $this->speakable->say(new Typed(ValueType::Date, $this->now->format('Y-m-d')), $this->locale),
            'now' => $this->speakable->say(new Typed(ValueType::Time, $this->now->format('H:i')), $this->locale),
            'time_of_day' => $this->timeOfDay(),
            'caller.number' => $this->state->from === null ? null : $this->speakable->say(new Typed(ValueType::Phone, $this->state->from), $this->locale),
            default => null,
        };
        if ($value !== null) {
            return $value;
        }
        $raw = match ($head) {
            'caller' => $this->state->caller[$rest ?? ''] ?? null,
            'fact' => $this->script->facts[$rest ?? ''] ?? null,
            default => null,
        };

        return is_scalar($raw) && ! is_bool($raw) && trim((string) $raw) !== '' ? trim((string) $raw) : null;
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
            default => $this->words($path),
        };
    }

    /** The bare value at a path, for conditions. */
    public function value(string $path): mixed
    {
        if (isset($this->state->values[$path])) {
            return $this->state->values[$path]->value;
        }
        $parts = explode('.', $path, 2);
        $head = $parts[0];
        $rest = $parts[1] ?? '';

        return match (true) {
            $path === 'caller.known' => (bool) ($this->state->caller['known'] ?? false),
            $path === 'caller.number' => $this->state->from,
            $path === 'call.open' => $this->script->hours->openAt($this->now),
            $path === 'call.hour' => (int) $this->now->format('G'),
            $path === 'call.weekday' => strtolower($this->now->format('D')),
            $path === 'call.date' => $this->now->format('Y-m-d'),
            $path === 'call.time' => $this->now->format('H:i'),
            $path === 'call.direction' => $this->script->agent->direction,
            $path === 'outcome' => $this->state->outcome,
            $path === 'call.line' => $this->state->to,
            $path === 'call.minutes' => intdiv((int) $this->state->clock, 60),
            $path === 'call.turns' => $this->state->heard,
            $path === 'priority' => $this->state->priority,
            $path === 'tries' => $this->state->failures,
            $path === 'topic' => $this->state->topic,
            $path === 'frustration' => $this->state->frustration,
            $head === 'tag' => in_array($rest, $this->state->tags, true) ? true : null,
            $head === 'declined' => in_array($rest, $this->state->declined, true) ? true : null,
            $head === 'caller' => $this->state->caller[$rest] ?? null,
            $head === 'fact' => $this->script->facts[$rest] ?? null,
            default => null,
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
