<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\PersonWanted;

final readonly class PersonRequest implements Request
{
    public function __construct(private PersonWanted $person)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): Move
    {
        $turn->trace->rule('the caller asks for a person');

        return $this->person->move($turn);
    }
}
