<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Readers\OptionNames;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A plain no to options of which one is none of the others: 'not really, no' to 'a trailer, child seats, or nothing extra?'. */
final readonly class NoneOfOptions
{
    /** How sure the option that stands for none is. */
    private const SURE = 0.85;

    public function __construct(private Understanding $understanding)
    {
    }

    public function reading(Field $field, Heard $heard, Context $context): ?Reading
    {
        $none = array_values(array_filter($field->options, fn (array $option): bool => OptionNames::isNone($option, $this->understanding->words)));
        if (count($none) !== 1 || count($field->options) < 3) {
            return null;
        }
        $no = $this->understanding->read(ValueType::YesNo, $heard, $context);

        return $no->value === false ? Reading::of($field->type === ValueType::Several ? [$none[0]['key']] : $none[0]['key'], min($no->confidence, self::SURE), (string) $no->said, $no->start, $no->end) : null;
    }
}
