<?php

declare(strict_types=1);

namespace Ringo\Diary;

/** Where an appointment takes place. */
enum Place: string
{
    case Here = 'here';
    /** At the caller's: travel counts. */
    case Visit = 'visit';
    case Phone = 'phone';
}
