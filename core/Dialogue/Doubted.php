<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Advice\Doubt;

/**
 * A step was broken off because a second opinion is wanted first.
 *
 * @internal to the engine
 */
final class Doubted extends \RuntimeException
{
    public function __construct(public readonly Doubt $doubt)
    {
        parent::__construct('A second opinion is wanted.');
    }
}
