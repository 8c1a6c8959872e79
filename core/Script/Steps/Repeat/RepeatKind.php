<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Repeat;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

final readonly class RepeatKind implements StepKind
{
    public const NAME = 'repeat';

    private const USUAL_MOST = 5;

    private const MOST = 20;

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'keeps a round of answers in a list and asks for another';
    }

    public function silent(): string
    {
        return 'asks nothing yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): RepeatStep
    {
        $one = $node->node;
        $list = $node->field($sheet, 'list');
        if ($list !== null && $list->type !== ValueType::Items) {
            $one->problem('list', "the field “{$list->key}” is no list; its type is array, with items of type object");
        }
        $fields = $one->strings('fields');
        foreach ($fields as $i => $field) {
            if ($sheet->field($field) === null) {
                $node->unknownField($sheet, "fields[{$i}]", $field);
            } elseif ($list !== null && $list->type === ValueType::Items && ! in_array($field, array_column($list->items, 'key'), true)) {
                $one->problem("fields[{$i}]", "items of “{$list->key}” have no “{$field}”");
            }
        }
        if ($fields === []) {
            $one->problem('fields', 'names no field that an item takes');
        }

        return new RepeatStep($key, $one->string('list'), $fields, $node->words(), $node->next('first'), (int) $one->number('most', self::USUAL_MOST, 2, self::MOST), $node->next());
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('list', Schema::text('The field that holds the list: an array of objects'), 'list')
            ->with('fields', Schema::listOf(Schema::text(), 1), 'each item takes')
            ->saying('prompt', 'asks for another')
            ->next('first', 'another begins at')
            ->with('most', Schema::whole(2, self::MOST), 'items at most')
            ->next()
            ->requiring('list', 'fields', 'prompt', 'first', 'next')
            ->naming('list', 'fields[]');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        $document = $blank->document;
        $properties = $document['sheet']['properties'] ?? [];
        $field = array_key_first(array_filter($properties, static fn (mixed $one): bool => is_array($one) && ($one['type'] ?? '') !== 'array')) ?? 'item';
        $properties[$field] ??= ['type' => 'string', 'title' => 'Item'];
        $list = 'items';
        for ($n = 2; isset($properties[$list]); $n++) {
            $list = 'items_'.$n;
        }
        $properties[$list] = ['type' => 'array', 'title' => 'Items', 'items' => ['type' => 'object', 'properties' => [$field => $properties[$field]]]];
        $document['sheet'] = ['properties' => $properties] + ($document['sheet'] ?? []) + ['type' => 'object'];

        return (new Blank($blank->step, $document))->with(['list' => $list, 'fields' => [(string) $field], 'prompt' => 'Is there another one?', 'first' => $next, 'next' => $next]);
    }
}
