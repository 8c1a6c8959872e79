<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** Where an errand goes. */
enum Reach: string
{
    /** An HTTP request to another system. */
    case Request = 'request';
    /** A table kept with the business. */
    case Table = 'table';
    /** The callers of the business. */
    case Callers = 'callers';
}
