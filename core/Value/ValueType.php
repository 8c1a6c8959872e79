<?php

declare(strict_types=1);

namespace Ringo\Value;

/** The types a value heard in a call can have, by the names of the exchange formats. */
enum ValueType: string
{
    case PersonName = 'person_name';
    case Phone = 'phone';
    case Email = 'email';
    case Date = 'date';
    case Time = 'time';
    case DateTime = 'datetime';
    case Number = 'number';
    case Money = 'money';
    case Duration = 'duration';
    case Reference = 'reference';
    case YesNo = 'yes_no';
    case Choice = 'choice';
    case PostalAddress = 'postal_address';
    /** As many of a choice's options as were meant. */
    case Several = 'several';
    case Text = 'text';
    /** Several of the same: a list of what one round of questions left. */
    case Items = 'items';

    /** @throws \InvalidArgumentException naming the types there are */
    public static function named(string $name): self
    {
        return self::tryFrom($name)
            ?? throw new \InvalidArgumentException("There is no value type “{$name}”. The types are: ".implode(', ', array_column(self::cases(), 'value')).'.');
    }
}
