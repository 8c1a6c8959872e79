<?php

declare(strict_types=1);

// Letters as they are spoken: the phonetic alphabet, common stand-ins, and the names recognisers write.
return [
    // ITU/ICAO spelling alphabet.
    'alphabet' => [
        'alpha' => 'a', 'alfa' => 'a', 'bravo' => 'b', 'charlie' => 'c', 'delta' => 'd', 'echo' => 'e', 'foxtrot' => 'f', 'golf' => 'g', 'hotel' => 'h', 'india' => 'i', 'juliet' => 'j', 'juliett' => 'j', 'kilo' => 'k', 'lima' => 'l', 'mike' => 'm',
        'november' => 'n', 'oscar' => 'o', 'papa' => 'p', 'quebec' => 'q', 'romeo' => 'r', 'sierra' => 's', 'tango' => 't', 'uniform' => 'u', 'victor' => 'v', 'whiskey' => 'w', 'whisky' => 'w', 'xray' => 'x', 'x-ray' => 'x', 'yankee' => 'y', 'zulu' => 'z',
    ],
    'names' => [
        'ay' => 'a', 'bee' => 'b', 'cee' => 'c', 'see' => 'c', 'sea' => 'c', 'dee' => 'd', 'ee' => 'e', 'eff' => 'f', 'ef' => 'f', 'gee' => 'g', 'jee' => 'g', 'aitch' => 'h', 'haitch' => 'h', 'eye' => 'i', 'jay' => 'j', 'kay' => 'k', 'el' => 'l', 'ell' => 'l', 'em' => 'm', 'en' => 'n',
        'pee' => 'p', 'queue' => 'q', 'cue' => 'q', 'ar' => 'r', 'are' => 'r', 'ess' => 's', 'es' => 's', 'tee' => 't', 'tea' => 't', 'yew' => 'u', 'you' => 'u', 'vee' => 'v', 'ex' => 'x', 'why' => 'y', 'wye' => 'y', 'zed' => 'z', 'zee' => 'z',
    ],
    'for' => ['for', 'as in', 'like', 'as', 'is for', 'for the'],
    // Words a fussy speller uses to read back, one for each letter, plain style.
    'plain' => [
        'a' => 'apple', 'b' => 'bread', 'c' => 'cup', 'd' => 'dog', 'e' => 'egg', 'f' => 'fish', 'g' => 'green', 'h' => 'house', 'i' => 'ink', 'j' => 'jam', 'k' => 'king', 'l' => 'lemon', 'm' => 'mother', 'n' => 'nut', 'o' => 'orange', 'p' => 'paper', 'q' => 'queen',
        'r' => 'river', 's' => 'sugar', 't' => 'table', 'u' => 'uncle', 'v' => 'velvet', 'w' => 'water', 'x' => 'x-ray', 'y' => 'yellow', 'z' => 'zebra',
    ],
    'phonetic' => [
        'a' => 'alpha', 'b' => 'bravo', 'c' => 'charlie', 'd' => 'delta', 'e' => 'echo', 'f' => 'foxtrot', 'g' => 'golf', 'h' => 'hotel', 'i' => 'india', 'j' => 'juliet', 'k' => 'kilo', 'l' => 'lima', 'm' => 'mike', 'n' => 'november', 'o' => 'oscar', 'p' => 'papa', 'q' => 'quebec',
        'r' => 'romeo', 's' => 'sierra', 't' => 'tango', 'u' => 'uniform', 'v' => 'victor', 'w' => 'whiskey', 'x' => 'x-ray', 'y' => 'yankee', 'z' => 'zulu',
    ],
    'case' => ['capital', 'capitals', 'upper case', 'uppercase', 'lower case', 'lowercase', 'small', 'big', 'in caps', 'all caps', 'letter', 'the letter'],
    'dash' => ['dash', 'hyphen', 'minus', 'stroke dash', 'tack'],
    'slash' => ['slash', 'stroke', 'forward slash', 'oblique'],
    'dot' => ['dot', 'point', 'full stop', 'period', 'fullstop'],
    'underscore' => ['underscore', 'under score', 'underline', 'underbar'],
    'at' => ['at', 'at sign', 'at symbol', 'the at sign', 'a with a circle'],
    'plus' => ['plus', 'plus sign'],
    // Before a figure of an address.
    'leads_to_a_figure' => ['the number', 'the figure', 'the digit', 'number', 'figure', 'digit', 'then a', 'then the', 'then the number', 'then the figure', 'then the digit', 'then number', 'and the number', 'and then', 'and then the number', 'and then a', 'the numbers', 'then the numbers', 'then'],
    // By these words are part of an e-mail address.
    'signs_of_an_address' => ['at', 'dot', 'underscore', 'hyphen', 'dash', '@'],
    'joined' => ['all one word', 'one word', 'all together', 'no spaces', 'no space', 'altogether', 'all lower case', 'all lowercase', 'lower case', 'lowercase', 'all small', 'all in lower case', 'no dots', 'no dot', 'no gaps', 'all joined up', 'joined up', 'no punctuation', 'no capitals', 'in lower case'],
];
