<?php

declare(strict_types=1);

namespace Ringo\Advice;

/** What a second opinion may be asked about. */
enum Purpose: string
{
    /** Which topic of a listen step the caller's words are about. */
    case Topic = 'topic';
    /** Which team a call is for. */
    case Team = 'team';
    /** Which sentence of what a business has written answers a question. */
    case Answer = 'answer';
    /** Whether a reply means yes or no. */
    case YesNo = 'yes_no';
    /** Which words of a finished call hold the value of a field. */
    case Field = 'field';

    public function words(): string
    {
        return match ($this) {
            self::Topic => 'which topic is meant',
            self::Team => 'which team a call is for',
            self::Answer => 'which sentence answers a question',
            self::YesNo => 'whether a reply means yes or no',
            self::Field => 'a field of the record that is in doubt',
        };
    }
}
