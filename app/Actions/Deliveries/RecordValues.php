<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Models\Call;

/** What conditions, templates and mappings can refer to once a call is over: fields of its record, caller, call, business. */
final readonly class RecordValues
{
    public function __construct(public Call $call)
    {
    }

    /** The bare value at a path, for conditions and mappings. */
    public function value(string $path): mixed
    {
        $call = $this->call;
        $placed = $call->placedAt();
        $rest = str_contains($path, '.') ? explode('.', $path, 2)[1] : '';

        return match (true) {
            isset($call->record->cells[$path]) => $call->record->cells[$path]['value'],
            $path === 'outcome' => $call->outcome,
            $path === 'summary' => $call->record?->summary,
            $path === 'next_actions' => implode(' ', $call->record->next_actions ?? []) ?: null,
            $path === 'doubtful' => $call->record->doubtful ?? false,
            $path === 'caller.known' => $call->contact_id !== null,
            $path === 'caller.number' => $call->from,
            $path === 'caller.name' => $call->caller_name,
            $path === 'caller.email' => $call->contact?->email ?: null,
            $path === 'call.id' => $call->ref,
            $path === 'call.hour' => (int) $placed->format('G'),
            $path === 'call.weekday' => strtolower($placed->format('D')),
            $path === 'call.date' => $placed->format('Y-m-d'),
            $path === 'call.time' => $placed->format('H:i'),
            $path === 'call.at' => $placed->format('c'),
            $path === 'call.minutes' => intdiv((int) $call->seconds, 60),
            $path === 'call.direction' => $call->direction,
            $path === 'call.line' => $call->to,
            $path === 'business', $path === 'business.name' => $call->business->name,
            $path === 'agent', $path === 'agent.name' => $call->agent->name,
            str_starts_with($path, 'fact.') => $call->scriptText->script()->facts[$rest] ?? null,
            str_starts_with($path, 'caller.') => $call->contact?->facts[$rest] ?? null,
            str_starts_with($path, 'declined.') => in_array($rest, $call->record->declined ?? [], true) ? true : null,
            default => null,
        };
    }

    /** The field that a column of a mapping names, without the form it asks for: `start_date|words` names start_date. */
    public static function field(string $path): string
    {
        return explode('|', $path, 2)[0];
    }

    /** For a column of a web request: bare, or in words where it asks for them. */
    public function given(string $path): mixed
    {
        return str_ends_with($path, '|words') ? $this->written(self::field($path)) : $this->value($path);
    }

    /** For a column of rows: days and times in ISO form, unless the column asks for words with `path|words`. */
    public function cell(string $path): string
    {
        [$path, $form] = explode('|', $path, 2) + [1 => ''];
        $value = $this->call->record->cells[$path]['value'] ?? null;
        $iso = is_string($value) && preg_match('/^\d{4}-\d{2}-\d{2}(?:T\d{2}:\d{2})?$/', $value) === 1;

        return $iso && $form !== 'words' ? $value : ($this->written($path) ?? '');
    }

    /** As one writes it: dates and sums in words and figures. */
    public function written(string $path): ?string
    {
        $cell = $this->call->record->cells[$path] ?? null;
        $value = $cell === null ? $this->value($path) : $cell['display'];

        return match (true) {
            $path === 'call.at' => $this->call->placedAt()->format('Y-m-d H:i'),
            $value === null || $value === '' => null,
            is_bool($value) => $value ? 'yes' : 'no',
            is_scalar($value) => (string) $value,
            default => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
        };
    }
}
