<?php

declare(strict_types=1);

namespace Ringo\Survey;

/** How a question of a survey is answered. */
enum QuestionKind: string
{
    case Scale = 'scale';
    case YesNo = 'yes_no';
    case Choice = 'choice';
    case Spoken = 'spoken';

    public function words(): string
    {
        return match ($this) {
            self::Scale => 'a number on a scale',
            self::YesNo => 'yes or no',
            self::Choice => 'one of several',
            self::Spoken => 'in their own words',
        };
    }
}
