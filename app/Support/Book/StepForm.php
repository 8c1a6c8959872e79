<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Design\ScriptDocument;
use Ringo\Script\Condition;
use Ringo\Value\ValueType;

/** What the form of a step in the prompt book holds, as a step of a script document. */
final readonly class StepForm
{
    /** Comparisons by what they are called in the builder. */
    public const COMPARISONS = ['is' => 'is', 'is_not' => 'is not', 'one_of' => 'is one of', 'more_than' => 'is more than', 'less_than' => 'is less than', 'before' => 'is before', 'after' => 'is after', 'contains' => 'contains', 'known' => 'is known', 'unknown' => 'is not known'];

    /** Facts of the call that conditions may look at, beside fields. */
    public const CALL_VALUES = ['caller.known' => 'the caller is known', 'caller.number' => 'the caller’s number', 'call.open' => 'we are open', 'call.hour' => 'the hour of the call', 'call.weekday' => 'the weekday (mon … sun)', 'call.date' => 'the date of the call', 'call.time' => 'the time of the call', 'topic' => 'the topic', 'outcome' => 'the outcome so far', 'frustration' => 'signs of frustration', 'tries' => 'misses at this question', 'priority' => 'the caller’s priority', 'call.line' => 'the number that was called', 'call.minutes' => 'minutes into the call', 'call.turns' => 'how often the caller spoke'];

    private const YES_NO = ['caller.known', 'call.open'];

    public function __construct(private ScriptDocument $document)
    {
    }

    /**
     * @param array<string, mixed> $form
     * @param array<string, mixed> $old the step as it was written; what it spells out stays spelled out
     *
     * @return array<string, mixed>
     */
    public function step(string $kind, array $form, array $old = []): array
    {
        $new = $this->read($kind, $form);
        $usual = ['tries' => 3, 'confirm' => 'unsure', 'known' => 'skip', 'way_out' => ['then' => 'leave']];
        foreach ($usual as $key => $value) {
            if (! array_key_exists($key, $new) && ($old[$key] ?? null) === $value) {
                $new[$key] = $value;
            }
        }
        if ($kind === 'ask' && array_key_exists('required', $old) && ! array_key_exists('required', $new) && ($old['field'] ?? null) === $new['field']) {
            $new['required'] = filter_var($form['required'] ?? false, FILTER_VALIDATE_BOOLEAN);
        }

        return $new;
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, mixed>
     */
    private function read(string $kind, array $form): array
    {
        $step = ['key' => trim($this->text($form, 'key')), 'kind' => $kind] + $this->optional(['scene' => $this->text($form, 'scene')]);

        return $step + match ($kind) {
            'ask' => $this->ask($form),
            'choose' => $this->choose($form),
            'listen' => $this->listen($form),
            'branch' => ['ways' => $this->ways($form), 'otherwise' => $this->text($form, 'otherwise')],
            'note' => $this->note($form),
            'send' => ['by' => $this->text($form, 'by', 'text'), 'to' => $this->text($form, 'to')] + $this->optional(['subject' => $this->text($form, 'subject'), 'file' => $this->text($form, 'file'), 'otherwise' => $this->text($form, 'otherwise')]) + ['words' => $this->text($form, 'words'), 'next' => $this->text($form, 'next')],
            'verify' => ['by' => $this->text($form, 'by', 'postcode'), 'prompt' => $this->variants($form, 'prompt'), 'tries' => max(1, min(5, (int) $this->text($form, 'tries', '3'))), 'next' => $this->text($form, 'next'), 'failed' => $this->text($form, 'failed'), 'locked' => $this->text($form, 'locked')],
            'transfer' => $this->optional(['prompt' => $this->variants($form, 'prompt'), 'to' => $this->text($form, 'to')]) + ['otherwise' => $this->text($form, 'otherwise')] + $this->optional(['promised' => $this->text($form, 'promised')]),
            'finish' => ['prompt' => $this->variants($form, 'prompt')] + $this->optional(['outcome' => $this->text($form, 'outcome')]),
            default => ['prompt' => $this->variants($form, 'prompt'), 'next' => $this->text($form, 'next')],
        };
    }

    /**
     * The field of a question, as its property of the record sheet; null where the form does not change it.
     *
     * @param array<string, mixed> $form
     *
     * @return array{string, array<string, mixed>, bool}|null key, property, whether it is required
     */
    public function field(array $form): ?array
    {
        $key = trim($this->text($form, 'field')) === '+new' ? $this->newField($this->text($form, 'new_field')) : trim($this->text($form, 'field'));
        $sheet = $form['sheet'] ?? null;
        if ($key === '' || ! is_array($sheet)) {
            return null;
        }
        $old = $this->document->toArray()['sheet']['properties'][$key] ?? [];
        // The rest of the form belongs to the field it was filled in for.
        if (($sheet['of'] ?? $key) !== $key && $old !== []) {
            return null;
        }
        $type = ValueType::tryFrom($this->text($sheet, 'type')) ?? ValueType::Text;
        $property = array_diff_key($old, array_flip(['type', 'format', 'enum', 'x-labels', 'x-phrases', 'title', 'examples', 'pattern', 'description', 'x-cues']));
        $property = FieldType::schema($type) + $this->optional(['title' => trim($this->text($sheet, 'title')) ?: ucfirst(str_replace('_', ' ', $key)), 'description' => $this->text($sheet, 'description')]) + $property;
        $example = trim($this->text($sheet, 'example'));
        if ($example !== '') {
            $property['examples'] = [$example];
        }
        if (trim($this->text($sheet, 'pattern')) !== '') {
            $property['pattern'] = trim($this->text($sheet, 'pattern'));
        }
        $cues = $this->words($sheet, 'cues');
        if ($cues !== []) {
            $property['x-cues'] = $cues;
        }
        if ($type === ValueType::Choice) {
            $property = array_diff_key($property, ['type' => 1]) + ['type' => 'string'] + $this->choices($sheet);
            if ($property['enum'] === []) {
                $property['enum'] = ['first'];
                $property['x-labels'] = ['first' => '{first option}'];
            }
        } elseif (isset($old['x-phrases']) && $type === ValueType::YesNo) {
            $property['x-phrases'] = $old['x-phrases'];
        }

        // In the order it was written in, so that two versions compare well.
        $property = array_intersect_key(array_replace(array_intersect_key($old, $property), $property), $property);

        return [$key, $property, filter_var($sheet['required'] ?? false, FILTER_VALIDATE_BOOLEAN)];
    }

    /** @param array<string, mixed> $form */
    public function fieldKey(array $form): string
    {
        return trim($this->text($form, 'field')) === '+new' ? $this->newField($this->text($form, 'new_field')) : trim($this->text($form, 'field'));
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, mixed>
     */
    private function ask(array $form): array
    {
        $field = $this->fieldKey($form);
        $required = filter_var($form['sheet']['required'] ?? ($this->document->script->sheet->field($field)->required ?? false), FILTER_VALIDATE_BOOLEAN);
        $mustAnswer = filter_var($form['required'] ?? false, FILTER_VALIDATE_BOOLEAN);
        $confirm = $this->text($form, 'confirm', 'unsure');
        $known = $this->text($form, 'known', 'skip');
        $tries = max(1, min(9, (int) $this->text($form, 'tries', '3')));

        return ['field' => $field, 'prompt' => $this->variants($form, 'prompt')]
            + $this->optional(['again' => $this->variants($form, 'again'), 'reprompts' => $this->texts($form, 'reprompts'), 'help' => $this->text($form, 'help'), 'why' => $this->text($form, 'why')])
            + ($confirm === 'unsure' ? [] : ['confirm' => $confirm])
            + ($mustAnswer === $required ? [] : ['required' => $mustAnswer])
            + ($known === 'skip' ? [] : ['known' => $known])
            + ($tries === 3 ? [] : ['tries' => $tries])
            + $this->wayOut($form)
            + ['next' => $this->text($form, 'next')];
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, mixed>
     */
    private function choose(array $form): array
    {
        $options = [];
        foreach ($this->rows($form, 'options') as $i => $row) {
            $label = trim($this->text($row, 'label'));
            $options[] = ['key' => $this->itemKey($row, $label, array_column($options, 'key'), 'option_'.($i + 1)), 'label' => $label === '' ? '{option}' : $label] + $this->optional(['phrases' => $this->words($row, 'phrases')]) + ['digit' => trim($this->text($row, 'digit')) ?: (string) ($i + 1), 'next' => $this->text($row, 'next')];
        }
        $reprompts = [];
        foreach (['silence', 'nonsense', 'wrong_key'] as $name) {
            $texts = $this->texts(is_array($form['reprompts'] ?? null) ? $form['reprompts'] : [], $name);
            if ($texts !== []) {
                $reprompts[$name] = $texts;
            }
        }
        $tries = max(1, min(9, (int) $this->text($form, 'tries', '3')));

        return $this->optional(['field' => $this->text($form, 'field')]) + ['prompt' => $this->variants($form, 'prompt')] + $this->optional(['again' => $this->variants($form, 'again'), 'reprompts' => $reprompts])
            + ['options' => $options] + $this->optional(['repeat_key' => trim($this->text($form, 'repeat_key'))]) + ($tries === 3 ? [] : ['tries' => $tries]) + $this->wayOut($form);
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, mixed>
     */
    private function listen(array $form): array
    {
        $topics = [];
        foreach ($this->rows($form, 'topics') as $i => $row) {
            $label = trim($this->text($row, 'label'));
            $topics[] = ['key' => $this->itemKey($row, $label, array_column($topics, 'key'), 'topic_'.($i + 1)), 'label' => $label === '' ? '{topic}' : $label]
                + $this->optional(['description' => $this->text($row, 'description'), 'phrases' => $this->words($row, 'phrases')])
                + array_filter(['anywhere' => $this->text($row, 'reach') === 'anywhere', 'urgent' => $this->text($row, 'reach') === 'urgent'])
                + ['next' => $this->text($row, 'next')];
        }
        $tries = max(1, min(9, (int) $this->text($form, 'tries', '3')));

        return ['prompt' => $this->variants($form, 'prompt')] + $this->optional(['again' => $this->variants($form, 'again'), 'reprompts' => $this->texts($form, 'reprompts')])
            + ['topics' => $topics] + $this->optional(['nothing' => $this->text($form, 'nothing')]) + ($tries === 3 ? [] : ['tries' => $tries]) + $this->wayOut($form);
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return list<array<string, mixed>>
     */
    public function ways(array $form): array
    {
        $ways = [];
        foreach ($this->rows($form, 'ways') as $row) {
            $when = $this->condition($row);
            if ($when !== null) {
                $ways[] = ['when' => $when, 'next' => $this->text($row, 'next')];
            }
        }

        return $ways;
    }

    /**
     * @param array<string, mixed> $row join, parts of value, comparison and than; or `kept`, a condition too deep for the builder
     *
     * @return array<string, mixed>|null
     */
    public function condition(array $row): ?array
    {
        if (trim($this->text($row, 'kept')) !== '') {
            $kept = json_decode($this->text($row, 'kept'), true);

            return is_array($kept) ? $kept : null;
        }
        $parts = [];
        foreach ($this->rows($row, 'parts') as $part) {
            $value = trim($this->text($part, 'value'));
            $kind = $this->text($part, 'comparison', 'is');
            if ($value === '' || ! isset(self::COMPARISONS[$kind])) {
                continue;
            }
            $than = trim($this->text($part, 'than'));
            $parts[] = ['value' => $value] + match ($kind) {
                'known' => ['known' => true],
                'unknown' => ['known' => false],
                'one_of' => ['one_of' => array_map(fn (string $one): mixed => $this->typed($value, $one), $this->split($than))],
                default => [$kind => $this->typed($value, $than)],
            };
        }

        return match (count($parts)) {
            0 => null,
            1 => $parts[0],
            default => [$this->text($row, 'join', 'all') === 'any' ? 'any' : 'all' => $parts],
        };
    }

    /** Whether the builder can show a condition: one comparison, or some joined once. */
    public static function simple(Condition $condition): bool
    {
        return $condition->depth() <= 2;
    }

    private function typed(string $value, string $than): mixed
    {
        $field = $this->document->script->sheet->field($value);
        if (in_array($value, self::YES_NO, true) || $field?->type === ValueType::YesNo || preg_match('/^(?:tag|declined)\./', $value) === 1) {
            return ! in_array(mb_strtolower($than), ['no', 'false', 'not', '0', ''], true);
        }
        if (is_numeric($than) && ($field === null || in_array($field->type, [ValueType::Number, ValueType::Money], true)) && ! in_array($value, ['call.time', 'call.date', 'caller.number'], true)) {
            return $than + 0;
        }
        // An option may be named by its label.
        foreach ($field->options ?? [] as $option) {
            if (mb_strtolower($option['label']) === mb_strtolower($than)) {
                return $option['key'];
            }
        }

        return $than;
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, mixed>
     */
    private function note(array $form): array
    {
        $set = [];
        foreach ($this->rows($form, 'set') as $row) {
            $field = trim($this->text($row, 'field'));
            if ($field !== '') {
                $set[$field] = $this->typed($field, trim($this->text($row, 'value')));
            }
        }

        return $this->optional(['set' => $set, 'forget' => $this->words($form, 'forget'), 'tag' => $this->text($form, 'tag'), 'outcome' => $this->text($form, 'outcome')]) + ['next' => $this->text($form, 'next')];
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return array<string, mixed>
     */
    private function wayOut(array $form): array
    {
        $way = is_array($form['way_out'] ?? null) ? $form['way_out'] : [];

        return match ($this->text($way, 'then', 'leave')) {
            'go' => ['way_out' => ['then' => 'go', 'step' => $this->text($way, 'step')]],
            'finish' => ['way_out' => ['then' => 'finish', 'outcome' => trim($this->text($way, 'outcome')) ?: 'gave up']],
            default => [],
        };
    }

    /**
     * @param array<string, mixed> $sheet one option a line: `key = label, phrase, phrase`, the key left out where it is new
     *
     * @return array{enum: list<string>, x-labels: array<string, string>, x-phrases?: array<string, list<string>>}
     */
    private function choices(array $sheet): array
    {
        $labels = [];
        $phrases = [];
        foreach (preg_split('/\R/', $this->text($sheet, 'options')) ?: [] as $line) {
            if (trim($line) === '') {
                continue;
            }
            $parts = explode('=', $line, 2);
            $words = $this->split(array_pop($parts));
            $label = (string) array_shift($words);
            $key = FieldType::key($parts[0] ?? $label);
            if ($key === '' || isset($labels[$key])) {
                continue;
            }
            $labels[$key] = $label;
            if ($words !== []) {
                $phrases[$key] = $words;
            }
        }

        return ['enum' => array_map(strval(...), array_keys($labels)), 'x-labels' => $labels] + ($phrases === [] ? [] : ['x-phrases' => $phrases]);
    }

    private function newField(string $wanted): string
    {
        return FieldType::key($wanted);
    }

    /**
     * @param array<string, mixed> $row
     * @param list<string> $taken
     */
    private function itemKey(array $row, string $label, array $taken, string $fallback): string
    {
        $key = trim($this->text($row, 'key'));
        $key = $key === '' ? FieldType::key($label) : $key;
        $key = $key === '' ? $fallback : $key;
        for ($base = $key, $n = 2; in_array($key, $taken, true); $n++) {
            $key = $base.'_'.$n;
        }

        return $key;
    }

    /**
     * @param array<string, mixed> $form
     *
     * @return string|list<string>
     */
    private function variants(array $form, string $name): string|array
    {
        $texts = $this->texts($form, $name);

        return count($texts) === 1 ? $texts[0] : ($texts === [] ? '' : $texts);
    }

    /**
     * @param array<array-key, mixed> $form
     *
     * @return list<string>
     */
    private function texts(array $form, string $name): array
    {
        $value = $form[$name] ?? [];
        $texts = is_array($value) ? array_filter($value, is_string(...)) : [is_string($value) ? $value : ''];

        return array_values(array_filter(array_map(static fn (string $text): string => trim((string) preg_replace('/\s+/u', ' ', $text)), $texts), static fn (string $text): bool => $text !== ''));
    }

    /**
     * @param array<array-key, mixed> $form words set apart by commas
     *
     * @return list<string>
     */
    private function words(array $form, string $name): array
    {
        return $this->split($this->text($form, $name));
    }

    /** @return list<string> */
    private function split(string $text): array
    {
        return array_values(array_unique(array_filter(array_map(trim(...), preg_split('/[,\n]/', $text) ?: []), static fn (string $word): bool => $word !== '')));
    }

    /**
     * @param array<array-key, mixed> $form
     *
     * @return list<array<string, mixed>>
     */
    private function rows(array $form, string $name): array
    {
        return array_values(array_filter(is_array($form[$name] ?? null) ? $form[$name] : [], is_array(...)));
    }

    /** @param array<array-key, mixed> $form */
    private function text(array $form, string $name, string $default = ''): string
    {
        $value = $form[$name] ?? $default;

        return is_string($value) ? $value : (is_scalar($value) ? (string) $value : $default);
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return array<string, mixed> those that hold something
     */
    private function optional(array $values): array
    {
        return array_filter(array_map(static fn (mixed $value): mixed => is_string($value) ? trim($value) : $value, $values), static fn (mixed $value): bool => $value !== '' && $value !== []);
    }
}
