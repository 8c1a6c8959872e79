<?php

declare(strict_types=1);

/** How people name several options at once, and leave some out. */
return [
    'all' => ['all', 'all of them', 'all of those', 'everything', 'every one', 'the lot', 'the whole lot', 'any', 'any of them', 'any of those', 'anywhere', 'whichever', "i don't mind", "i'm easy", 'all three', 'all four', 'both', 'anything else', 'any other', 'any of the others', 'the others', 'the rest', 'any other day', 'any other time', 'either of the others'],
    // Beside these an 'all' means none of them.
    'not_all' => ['at all', 'not all', 'all right', 'all fine', 'all good', 'all ok', 'all okay', 'all well', 'all gone', 'all one word', 'all in one word', 'all lower case', 'all in lower case', 'all small letters', 'all together', 'all in capitals', 'all capitals', 'after all', "that's all", "that's the lot", 'that is the lot', "that's everything", 'that is everything', "that'll be everything", 'all the best', 'all done'],
    // What an option is called that stands for none of the others.
    'none' => ['none', 'nothing', 'neither', 'nobody', 'no one', 'none of these', 'none of those', 'none of them', 'none of the above', 'none of that', 'none of it', 'nothing at all', 'not at all', 'no', 'nil', 'nothing special', 'none at all', 'no preference', 'nothing extra', 'nothing else', 'nothing more', 'no extras', 'none needed', 'nothing needed', 'nothing wrong', 'nothing like that'],
    // What an option is called that stands for not knowing.
    'not_known' => ['unknown', 'not known', 'not sure', 'not certain', 'unsure', 'uncertain', "don't know", 'dont know', 'do not know', "doesn't know", 'no idea', 'undecided', 'not decided', 'unclear', "can't say", 'not yet known', 'not sure yet', 'not known yet'],
    'except' => ['anything but', 'any but', 'anywhere but', 'all but', 'everything but', 'any day but', 'every day but', 'except', 'except for', 'apart from', 'other than'],
    'denials' => ['no', 'nobody', "nobody's", 'none', 'not', "don't", "doesn't", "won't", "can't", "isn't", "aren't", 'without', 'never', 'neither', 'nor', 'leave'],
    'out' => ['is out', 'are out', 'is no good', 'are no good', "doesn't suit", "don't suit", "won't work", "don't work", "doesn't work"],
];
