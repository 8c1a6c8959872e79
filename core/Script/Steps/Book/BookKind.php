<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Book;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

final readonly class BookKind implements StepKind
{
    public const NAME = 'book';

    private const MOST_TRIES = 9;

    private const MOST_NOTICE = 720;

    private const MOST_SERIES = 52;

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'agrees a free time, or changes or cancels one';
    }

    public function silent(): string
    {
        return 'asks nothing yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): BookStep
    {
        $one = $node->node;
        $does = $one->oneOf('does', BookStep::DOES, 'book');
        $field = $one->optional('field');
        if ($field !== null && $sheet->field($field) === null) {
            $node->unknownField($sheet, 'field', $field);
        } elseif ($field !== null && ! in_array($sheet->field($field)?->type, [ValueType::DateTime, ValueType::Text], true)) {
            $one->problem('field', "“{$field}” cannot hold a day and time; give it the format date-time");
        }
        foreach (['service_field', 'area_field', 'reference_field'] as $other) {
            $name = $one->optional($other);
            if ($name !== null && $sheet->field($name) === null) {
                $node->unknownField($sheet, $other, $name);
            }
        }
        $service = $one->optional('service');
        $chosen = $one->optional('service_field');
        if ($does === 'book' && $service === null && $chosen === null) {
            $one->problem('service', 'say which service is booked, or by service_field which field chooses it');
        }

        $find = $one->has('find') ? $one->strings('find') : ['number'];
        if (array_diff($find, BookStep::FIND) !== [] || $find === []) {
            $one->problem('find', 'a booking is found by '.implode(', ', BookStep::FIND).'; name at least one');
        }
        $series = (int) $one->number('series', 0, 0, self::MOST_SERIES);
        if ($series === 1) {
            $one->problem('series', 'a series has two appointments or more; 0 or nothing: none are made');
        }
        foreach (['series', 'waiting'] as $other) {
            if ($does !== 'book' && $one->has($other)) {
                $one->problem($other, "only a step that books has “{$other}”");
            }
        }

        return new BookStep($key, $does, $service, $chosen, $one->optional('area_field'), $field, $node->words(), $node->tries(4, self::MOST_TRIES), (int) $one->number('notice_hours', 0, 0, self::MOST_NOTICE), $node->next(), $node->next('none'), $one->has('missing') ? $node->next('missing') : null, $find, $series, $one->has('waiting') ? $node->next('waiting') : null, $one->optional('reference_field'));
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('does', Schema::oneOf(BookStep::DOES), 'does')
            ->with('service', Schema::text('key of a service of the diary'), 'service')
            ->with('service_field', Schema::text('field whose value is the key of the service'), 'service by field')
            ->with('area_field', Schema::text('field that tells where a visit is'), 'area by field')
            ->with('field', Schema::text('field that takes the start that was agreed'), 'fills')
            ->with('reference_field', Schema::text('field that takes the reference of the booking'), 'reference into')
            ->saying('prompt', 'says')
            ->with('tries', Schema::whole(1, self::MOST_TRIES), 'tries')
            ->with('notice_hours', Schema::whole(0, self::MOST_NOTICE), 'hours before')
            ->with('find', Schema::texts('by what a booking is found: number, reference, name'), 'finds by')
            ->with('series', Schema::whole(0, self::MOST_SERIES), 'series of at most')
            ->next('none', 'nothing agreed')->next('missing', 'no booking')->next('waiting', 'on the waiting list')->next()
            ->naming('field', 'service_field', 'area_field', 'reference_field')
            ->requiring('prompt', 'next', 'none');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['does' => 'book', 'service' => 'appointment', 'prompt' => 'When would suit you?', 'next' => $next, 'none' => $next]);
    }
}
