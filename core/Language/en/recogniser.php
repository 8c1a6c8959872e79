<?php

declare(strict_types=1);

// What a recogniser with a grammar may hear for answers of one kind. Each rule is a list of alternatives; <name> stands for another rule, + for once or more, [ ] for what may be left out.
return [
    'kinds' => [
        'yes_no' => 'yes_no', 'phone' => 'digits', 'reference' => 'digits', 'date' => 'day', 'datetime' => 'day',
    ],
    'rules' => [
        'yes_no' => ['yes', 'yeah', 'yes please', 'yes it is', 'that is right', 'correct', 'no', 'no thank you', 'no thanks', 'nope', 'no it is not', 'that is wrong'],
        'digit' => ['zero', 'oh', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'],
        'digits' => ['([double|triple] <digit>)+'],
        'weekday' => ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'],
        'month' => ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'],
        'ordinal' => ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth', 'eleventh', 'twelfth', 'thirteenth', 'fourteenth', 'fifteenth', 'sixteenth', 'seventeenth', 'eighteenth', 'nineteenth', 'twentieth', 'twenty first', 'twenty second', 'twenty third', 'twenty fourth', 'twenty fifth', 'twenty sixth', 'twenty seventh', 'twenty eighth', 'twenty ninth', 'thirtieth', 'thirty first'],
        'day' => ['today', 'tomorrow', 'the day after tomorrow', '[on|next|this] <weekday> [morning|afternoon]', '[on] [<weekday>] the <ordinal> [of <month>]', '<ordinal> of <month>', 'next week'],
    ],
];
