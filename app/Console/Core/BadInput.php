<?php

declare(strict_types=1);

namespace App\Console\Core;

/** Input that cannot be used: exit status 1; the message names file, line and field. */
final class BadInput extends \RuntimeException
{
}
