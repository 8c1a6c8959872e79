<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Document\Node;
use Ringo\Rehearsal\Input;

/** One thing the caller of a case does, in its order or tied to what is asked. */
final readonly class Line
{
    private const KINDS = ['say', 'key', 'silence', 'interrupt', 'hang_up', ...Input::STAFF];

    /** @param ?string $to the field or step it answers, whenever that is asked; null: in its order */
    public function __construct(public Input $input, public ?string $to = null)
    {
    }

    /** @return list<self> */
    public static function read(Node $case, string $key): array
    {
        $lines = [];
        $all = $case->raw($key);
        foreach (is_array($all) && array_is_list($all) ? $all : [] as $i => $one) {
            $read = is_string($one) ? Input::fromLines($one) : (is_array($one) ? self::object($one) : []);
            if (count($read) !== 1) {
                $case->problem("{$key}[{$i}]", 'must be words, “#1” for a key, “...” for silence, “--” to hang up, or an object with '.implode(', ', self::KINDS).' and perhaps “to”');

                continue;
            }
            $to = is_array($one) && is_string($one['to'] ?? null) ? $one['to'] : null;
            $lines[] = new self($read[0], $to);
        }
        if (! is_array($all) || ! array_is_list($all)) {
            $case->problem($key, 'must be the list of what the caller does');
        }

        return $lines;
    }

    /** @return string|array<string, mixed> */
    public function toArray(): string|array
    {
        $plain = match ($this->input->kind) {
            'say' => $this->input->text, 'key' => '#'.$this->input->text, 'hang_up' => '--',
            default => null,
        };
        if ($plain !== null && $this->to === null && Input::fromLines($plain) == [$this->input]) {
            return $plain;
        }
        $value = match ($this->input->kind) {
            'silence', 'interrupt' => $this->input->seconds, 'hang_up' => true,
            default => $this->input->text,
        };

        return ($this->to === null ? [] : ['to' => $this->to]) + [$this->input->kind => $value];
    }

    /**
     * @param array<array-key, mixed> $one
     *
     * @return list<Input>
     */
    private static function object(array $one): array
    {
        $kinds = array_values(array_diff(array_keys($one), ['to']));
        $kind = $kinds[0] ?? '';
        if (count($kinds) !== 1 || ! in_array($kind, self::KINDS, true)) {
            return [];
        }
        $value = $one[$kind];

        return [in_array($kind, ['silence', 'interrupt'], true) ? new Input($kind, '', is_numeric($value) ? (float) $value : 6.0) : new Input($kind, is_scalar($value) && ! is_bool($value) ? (string) $value : '')];
    }
}
