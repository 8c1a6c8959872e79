<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Choose;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\Field;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

/** @phpstan-import-type Option from ChooseStep */
final readonly class ChooseKind implements StepKind
{
    public const NAME = 'choose';

    /** A menu by key has no more than the keys 1 to 9. */
    private const MOST_OPTIONS = 9;

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'a menu by voice or key';
    }

    public function silent(): string
    {
        return 'offers nothing yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): ChooseStep
    {
        $one = $node->node;
        $options = $this->options($node);
        $field = $one->optional('field');
        if ($field !== null) {
            $this->checkField($node, $sheet, $field, $options);
        }
        $reprompts = $one->child('reprompts');
        $step = new ChooseStep(
            key: $key,
            prompt: $node->words(),
            again: $node->wordsOrNone('again'),
            options: $options,
            field: $field,
            repeatKey: $node->digit('repeat_key'),
            silence: $reprompts->strings('silence'),
            nonsense: $reprompts->strings('nonsense'),
            wrongKey: $reprompts->strings('wrong_key'),
            tries: $node->tries(),
            wayOut: $node->wayOut(),
        );
        $reprompts->noMore();

        return $step;
    }

    public function keys(): Keys
    {
        $option = Schema::object(['key' => Schema::text(), 'label' => Schema::text(), 'phrases' => Schema::texts(), 'digit' => Schema::digit(), 'next' => Schema::ref('target')], ['key', 'label', 'next']);

        return Keys::none()
            ->with('field', Schema::text(), 'fills')
            ->saying('prompt', 'says')->saying('again', 'short form')
            ->with('reprompts', Schema::object(['silence' => Schema::texts(), 'nonsense' => Schema::texts(), 'wrong_key' => Schema::texts()]), 'reprompts')
            ->with('options', Schema::listOf($option, 2, self::MOST_OPTIONS), 'options')->leading('options[].next')
            ->with('repeat_key', Schema::digit(), 'key that repeats')
            ->wayOut()
            ->requiring('prompt', 'options')
            ->naming('field');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['prompt' => '{what may the caller choose?}', 'options' => [
            ['key' => 'first', 'label' => '{first option}', 'phrases' => [], 'digit' => '1', 'next' => $next],
            ['key' => 'second', 'label' => '{second option}', 'phrases' => [], 'digit' => '2', 'next' => $next],
        ], 'repeat_key' => '9']);
    }

    /** @return list<Option> */
    private function options(StepNode $node): array
    {
        $options = [];
        foreach ($node->node->children('options') as $i => $one) {
            $digit = (new StepNode($one))->digit('digit') ?? (string) ($i + 1);
            $options[] = ['key' => $one->string('key'), 'label' => $one->string('label'), 'phrases' => $one->strings('phrases'), 'digit' => $digit, 'next' => $one->string('next')];
            $one->noMore();
        }
        if (count($options) < 2 || count($options) > self::MOST_OPTIONS) {
            $node->node->problem('options', 'a menu has 2 to '.self::MOST_OPTIONS.' options, not '.count($options));
        }

        return $options;
    }

    /** @param list<Option> $options */
    private function checkField(StepNode $node, RecordSheet $sheet, string $name, array $options): void
    {
        $field = $sheet->field($name);
        if (! $field instanceof Field) {
            $node->unknownField($sheet, 'field', $name);

            return;
        }
        foreach ($field->type === ValueType::Choice ? $options : [] as $i => $option) {
            if (! in_array($option['key'], array_column($field->options, 'key'), true)) {
                $node->node->problem("options[{$i}].key", "the field “{$name}” has no value “{$option['key']}”");
            }
        }
    }
}
