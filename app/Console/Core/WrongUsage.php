<?php

declare(strict_types=1);

namespace App\Console\Core;

/** A command called the wrong way: exit status 2. */
final class WrongUsage extends \RuntimeException
{
}
