<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

/** A file that cannot be read, with the reason and what to do, fit to show. */
final class UnreadableSource extends \DomainException
{
}
