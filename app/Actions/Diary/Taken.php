<?php

declare(strict_types=1);

namespace App\Actions\Diary;

/** A place is not free any more: what was begun with it is taken back. */
final class Taken extends \RuntimeException
{
}
