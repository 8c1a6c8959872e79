<?php

declare(strict_types=1);

// What callers say about the spelling of a word they have said (Ringo\Understanding\Respelling).
return [
    'with' => ['with a', 'with an', 'with an extra', 'with the', 'with', 'has a', 'has an', 'has the', 'got a', "it's got a", 'and a', 'and an', 'but with a', 'but with an', "it's with a", "it's with an", "that's with a", "that's with an", 'plus a'],
    'without' => ['no', 'without a', 'without an', 'without the', 'without', 'minus the', "there's no", 'there is no', 'and no', 'but no', 'drop the', 'lose the', 'not'],
    'once' => ['one', 'just one', 'only one', 'with one', 'a single', 'single', 'with only one', 'with just one', 'just the one', 'the one'],
    'twice' => ['two', 'with two', 'with double', "it's two", 'and two', 'has two', 'two of the'],
    'end' => ['on the end', 'at the end', 'at the back', 'to finish', 'on the back', 'to end', 'at the finish'],
    'start' => ['at the front', 'at the start', 'at the beginning', 'to start', 'to begin', 'in front', 'on the front'],
    'middle' => ['in the middle', 'in it', 'in there', 'inside'],
    'ends' => ['ends', 'ending', 'ends in', 'ending in', 'ends with', 'ending with', 'ends in an', 'ends in a', 'ends with a', 'ends with an', 'finishing', 'finishes'],
    'starts' => ['starts with a', 'starts with an', 'starts with', 'beginning with a', 'beginning with', 'begins with', 'begins with a', 'starting with', 'starting with a'],
    'before' => ['before'],
    'after' => ['after'],
    'instead' => ['instead of a', 'instead of an', 'instead of', 'rather than a', 'rather than', 'not a', 'not an', 'not'],
    'explains' => ['as in', 'like in', 'like', 'same as', 'short for', 'for short', 'rhymes with'],
    'sounds' => ["it's said", 'you say it', 'pronounced', "it's pronounced", 'said like', 'sounds like', "it's pronounced like", 'we say it', 'say it'],
    'joined' => ['one word', 'all one word', 'all run together', 'run together', 'all joined up', 'two words', 'all together', 'in one word', 'as one word', 'is one word', 'with an apostrophe', 'no apostrophe', 'no hyphen', 'no dash', 'no space', 'no gap', 'the normal way', 'the usual way', 'the usual spelling', 'double barrelled'],
    'apostrophe' => ['apostrophe'],
    // Words that only carry an explanation on: 'as in the colour', 'like a street'.
    'carries' => ['the', 'a', 'an', 'go', 'in', 'you', 'my', 'to', 'of'],
    // Words beside a name that are no part of it.
    'beside' => ['spelled', 'spelt', 'spelling', 'spell', "that's", 'thats', "it's", 'its', 'is', 'but', 'and', 'then', 'so', 'right', 'just', 'letters', 'letter', 'please', 'yes', 'um', 'uh', 'er'],
];
