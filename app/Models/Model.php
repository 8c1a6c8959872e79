<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BootsByName;
use App\Models\Concerns\ReadsPlainly;

/** What all rows of the application share. */
abstract class Model extends \Illuminate\Database\Eloquent\Model
{
    use BootsByName;
    use ReadsPlainly;
}
