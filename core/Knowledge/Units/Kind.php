<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Units;

/** What an answer can be taken from. */
enum Kind: string
{
    case Sentence = 'sentence';
    /** An item of a list, or 'Monday to Friday: 8 am to 4 pm': a lead and a value. */
    case Item = 'item';
    /** One of several values a sentence holds, with the words that belong to it. */
    case Clause = 'clause';
    /** One value of a table, with its row and column. */
    case Cell = 'cell';
    /** A row of a table, whole. */
    case Row = 'row';
    /** The answer to a written question. */
    case Reply = 'reply';
}
