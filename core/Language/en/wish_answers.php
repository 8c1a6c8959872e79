<?php

declare(strict_types=1);

// What callers say to times that were offered.
return [
    'with_whom' => ['who would that be', 'who would it be', 'who is that with', "who's that with", 'who with', 'with whom', 'who would come', 'who comes', "who's coming", 'who is coming', 'who will it be', 'which of you'],
    'is_earliest' => ['is that the earliest', 'is that your earliest', 'is that the soonest', 'is that your soonest', 'is that the very first', 'is that as early as', 'is that as soon as', 'is that the best you', 'nothing sooner', 'nothing earlier', 'nothing before that', 'nothing before then'],
    'would_wait' => ['waiting list', 'wait list', 'waitlist', 'cancellation list', 'standby list', 'reserve list', 'if anything comes up', 'if something comes up', 'if anything comes free', 'if something comes free', 'if anything becomes free', 'if somebody cancels', 'if someone cancels', 'if anybody cancels', 'if anyone cancels', 'if you get a cancellation', 'if there is a cancellation', "if there's a cancellation", 'if a slot opens', 'if something opens up', 'if anything opens up', 'when something comes free', 'in case of a cancellation', 'if one comes up'],
    'lacks' => ["i don't have it", "i don't have one", "don't have a reference", "don't have that", "haven't got it", "haven't got one", "haven't got that", "can't find it", 'cannot find it', "don't know it", "don't know", 'do not know', 'not to hand', "haven't got the", "don't have the", 'lost it', 'never got one', "didn't get one", 'no reference', 'no idea', "can't remember", 'cannot remember', "don't remember"],
    'places' => ['the first', 'the first one', 'first one', 'the second', 'the second one', 'second one', 'the third', 'the third one', 'third one', 'the last', 'the last one', 'last one', 'number one', 'number two', 'number three', 'the former', 'the latter', 'the middle one', 'option one', 'option two', 'option three', 'first', 'second', 'third', 'the earlier one', 'the later one'],
    'place_numbers' => ['first' => 0, 'second' => 1, 'third' => 2, 'last' => -1, 'former' => 0, 'latter' => -1, 'middle' => 1, 'one' => 0, 'two' => 1, 'three' => 2, 'earlier' => 0, 'later' => -1],
    'beside' => ['yes', 'yeah', 'please', 'then', "i'll", 'take', 'have', 'ok', 'okay', 'go', 'for', 'of', 'those', 'them', 'these', 'would', 'be', 'is', 'fine', 'good', 'great', 'perfect', 'lovely', 'thanks', 'suits', 'me', 'best', 'book', 'um', 'i', 'think', 'like', "i'd", 'do', "let's", 'will', 'can', 'could', 'we', 'well', 'right', 'with', 'works', 'one', 'you', 'mentioned', 'said', 'offered', 'sounds', 'ideal', 'it', 'and', 'that'],
    'none' => ['none of those', 'none of them', 'neither', 'none', 'no good', "they're no good", 'not those', 'no not those', "can't do any of those", 'cannot do any of those', "can't make any of those", 'nothing else', 'anything else', 'something else', 'what else', 'any others', 'any other times', 'others', 'other times', "don't suit", 'none of these', 'not really'],
];
