<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

/** What a way from one step to another is: the way on, one of several options, or the way out where the step came to nothing. */
enum WayRole: string
{
    case On = 'on';
    case Option = 'option';
    case Out = 'out';
}
