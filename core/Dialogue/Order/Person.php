<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\PersonWanted;

/** A request for a person beside other words that came to nothing. */
final readonly class Person implements Consideration
{
    public function __construct(private PersonWanted $person)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($hearing->act(ActKind::Person) === null) {
            return null;
        }
        $hearing->dealtWith(ActKind::Person);
        $turn->trace->rule('the caller asks for a person');

        return $this->person->move($turn);
    }
}
