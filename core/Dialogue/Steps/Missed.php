<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

/** Why a question was not answered. */
enum Missed: string
{
    case Silence = 'silence';
    case Nonsense = 'nonsense';
    case WrongKey = 'wrong_key';
}
