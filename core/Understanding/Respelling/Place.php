<?php

declare(strict_types=1);

namespace Ringo\Understanding\Respelling;

/** Where in a word a remark says letters are. */
enum Place
{
    case Anywhere;
    case Start;
    case End;
}
