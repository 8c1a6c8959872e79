<?php

declare(strict_types=1);

// Number words of English.
return [
    'zero' => ['zero' => 0, 'oh' => 0, 'o' => 0, 'nought' => 0, 'naught' => 0, 'nil' => 0, 'zilch' => 0],
    'units' => ['one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'niner' => 9],
    'teens' => ['ten' => 10, 'eleven' => 11, 'twelve' => 12, 'thirteen' => 13, 'fourteen' => 14, 'fifteen' => 15, 'sixteen' => 16, 'seventeen' => 17, 'eighteen' => 18, 'nineteen' => 19],
    'tens' => ['twenty' => 20, 'thirty' => 30, 'forty' => 40, 'fourty' => 40, 'fifty' => 50, 'sixty' => 60, 'seventy' => 70, 'eighty' => 80, 'ninety' => 90],
    'scales' => ['hundred' => 100, 'thousand' => 1000, 'grand' => 1000, 'million' => 1_000_000, 'billion' => 1_000_000_000],
    'ordinals' => [
        'first' => 1, 'second' => 2, 'third' => 3, 'fourth' => 4, 'fifth' => 5, 'sixth' => 6, 'seventh' => 7, 'eighth' => 8, 'ninth' => 9,
        'tenth' => 10, 'eleventh' => 11, 'twelfth' => 12, 'thirteenth' => 13, 'fourteenth' => 14, 'fifteenth' => 15, 'sixteenth' => 16,
        'seventeenth' => 17, 'eighteenth' => 18, 'nineteenth' => 19, 'twentieth' => 20, 'thirtieth' => 30, 'fortieth' => 40, 'fiftieth' => 50,
    ],
    'collective' => ['dozen' => 12, 'couple' => 2, 'pair' => 2, 'score' => 20, 'brace' => 2],
    'fractions' => ['half' => 0.5, 'quarter' => 0.25, 'third' => 0.3333333333, 'thirds' => 0.3333333333, 'quarters' => 0.25, 'halves' => 0.5, 'tenth' => 0.1, 'tenths' => 0.1],
    // Places in an order that are told without a number.
    'nth' => ['ground' => 0, 'basement' => -1],
    'lone' => ['none' => 0, 'both' => 2, 'single' => 1, 'nothing' => 0, 'once' => 1, 'twice' => 2],
    'several_of_a_digit' => ['noughts' => '0', 'zeros' => '0', 'zeroes' => '0', 'ohs' => '0', "o's" => '0', 'ones' => '1', 'twos' => '2', 'threes' => '3', 'fours' => '4', 'fives' => '5', 'sixes' => '6', 'sevens' => '7', 'eights' => '8', 'nines' => '9'],
    'multiples' => ['double' => 2, 'dubble' => 2, 'triple' => 3, 'treble' => 3, 'quadruple' => 4],
    // What recognisers write for a digit; believed only between other digits.
    'soundalikes' => ['to' => 2, 'too' => 2, 'for' => 4, 'fore' => 4, 'ate' => 8, 'won' => 1, 'tree' => 3, 'sex' => 6, 'nein' => 9, 'owe' => 0, 'free' => 3],
    'point' => ['point', 'dot'],
    'minus' => ['minus', 'negative'],
    'vague' => [
        'a few', 'few', 'several', 'some', 'a handful', 'handful', 'lots', 'loads', 'a lot', 'many', 'plenty', 'numerous', 'a bunch', 'dozens', 'hundreds', 'thousands', 'tons',
        'a couple or so', 'umpteen', 'any number', 'no idea', 'not many', 'a load', 'most', 'enough',
    ],
    'odd' => ['odd', 'something', 'ish', 'plus', 'somethings'],
    'bounds' => [
        'at least', 'at most', 'more than', 'less than', 'fewer than', 'over', 'under', 'up to', 'no more than', 'no less than', 'no fewer than', 'not more than', 'not less than',
        'above', 'below', 'upwards of', 'north of', 'anything up to', 'a maximum of', 'a minimum of', 'minimum', 'maximum', 'getting on for', 'nearly', 'almost', 'just over', 'just under', 'well over', 'somewhere between',
    ],
    // What comes near a figure, and is read back as that figure.
    'nearly' => ['round', 'nice round', 'nearly', 'very nearly', 'almost', 'just over', 'just under', 'just about', 'coming up to', 'coming up for', 'coming on for', 'getting on for', 'going on for', 'going on', 'a bit over', 'a bit under', 'a bit more than', 'a bit less than', 'a little over', 'a little under', 'a little more than', 'slightly over', 'slightly under', 'slightly more than', 'just shy of', 'a shade over', 'a shade under', 'a touch over', 'knocking on for', 'knocking on', 'pushing', 'not far off', 'close to', 'close on', 'not quite', 'and a bit', 'and change', 'or thereabouts', 'give or take', 'must be', 'well over'],
    // Bounds that are the answer where the most of something is asked for.
    'from_up' => ['nothing under', 'nothing less than', 'nothing below', 'no less than', 'not less than', 'no lower than', 'not under', 'not below', 'at least', 'at the least', 'at the very least', 'anything over', 'anything above', 'anything from', 'over', 'upwards of', 'minimum of', 'a minimum of', 'not a penny under', 'not a penny less than', 'or more', 'or above', 'or better', 'and up', 'and upwards', 'upwards', 'minimum', 'as a minimum', 'starting from', 'from'],
    'up_to' => ['at the outside', 'at a push', "wouldn't pay more than", "wouldn't want to pay more than", "don't want to pay more than", "can't pay more than", "couldn't pay more than", "won't pay more than", 'not pay more than', "wouldn't go over", "can't go over", "won't go over", 'not go over', 'hoping not to go over', "wouldn't spend more than", "don't want to spend more than", "can't spend more than", 'not spend more than', 'up to', 'anything up to', 'no more than', 'not more than', 'at most', 'at the most', 'at the very most', 'a maximum of', 'maximum', 'max', 'tops', 'under', 'below', 'less than', 'i could go to', 'i could stretch to', 'absolute tops', 'i don\'t want to go over', 'don\'t want to go over', 'not want to go over', 'wouldn\'t want to go over', 'rather not go over', 'not go over', 'won\'t go over', 'can\'t go over', 'not over', 'nothing over', 'not above', 'no higher than', 'wouldn\'t go above', 'don\'t want to pay over', 'don\'t want to spend over', 'nothing more than'],
    // Words for people that are counted in groups, and for somebody who comes along.
    'behind_an_hour' => ["o'clock", 'oclock', 'am', 'pm', 'a.m', 'p.m'],
    'before_an_hour' => ['from', 'until', 'till', 'by', 'at', 'past', 'before', 'after'],
    'counts_nothing' => ['every', 'the', 'that', 'this', 'which', 'another', 'any', 'last', 'next', 'other', 'big', 'small', 'blue', 'red', 'new', 'old'],
    // What stands right before and right behind an age.
    'age' => [
        'before' => ['is', "he's", "she's", "they're", "it's", "i'm", "we're", "who's", 'am', 'are', 'was', 'be', 'being', 'aged', 'age', 'turned', 'turning', 'turns', 'just', 'nearly', 'almost', 'only', 'now', 'both', 'about', 'around', 'roughly', 'over', 'under'],
        'behind' => ['year', 'years', 'yr', 'yrs', 'year-old', 'years-old'],
    ],
    'people' => ['adult', 'adults', 'child', 'children', 'kid', 'kids', 'baby', 'babies', 'toddler', 'toddlers', 'infant', 'infants', 'grown-up', 'grown-ups', 'grownup', 'grownups', 'man', 'men', 'woman', 'women', 'lady', 'ladies', 'gentleman', 'gentlemen', 'boy', 'boys', 'girl', 'girls', 'teenager', 'teenagers', 'teens', 'pensioner', 'pensioners', 'senior', 'seniors', 'student', 'students', 'friend', 'friends', 'guest', 'guests', 'colleague', 'colleagues', 'grandchildren', 'youngsters'],
    // Right behind numbers that are told by where the things are: 'two upstairs and one down'.
    'by_place' => ['at', 'in', 'on', 'upstairs', 'downstairs', 'up', 'down', 'outside', 'inside', 'out'],
    // Before a pause, whatever number is told behind it.
    'none_first' => ['none', 'none yet', 'none so far', 'none at the moment', 'none just now', 'no none', 'not any', 'not any yet', 'zero', 'nil', 'nought'],
    // What children are called where they are counted.
    'children' => [
        'asked' => ['children', 'kids', 'little ones', 'youngsters'],
        'each' => ['child', 'children', 'kid', 'kids', 'boy', 'boys', 'girl', 'girls', 'son', 'sons', 'daughter', 'daughters', 'baby', 'babies', 'toddler', 'toddlers', 'lad', 'lads', 'lass', 'lasses', 'teenager', 'teenagers', 'infant', 'infants', 'newborn', 'newborns'],
        'others' => ['adult', 'adults', 'grown-ups', 'grownups', 'grown-up'],
        'born_together' => ['twins' => 2, 'triplets' => 3],
    ],
    'kin' => ['wife', 'husband', 'partner', 'girlfriend', 'boyfriend', 'mum', 'mam', 'mother', 'dad', 'father', 'son', 'daughter', 'sister', 'brother', 'friend', 'mate', 'fiancé', 'fiancee', 'fiance', 'fiancée', 'nan', 'gran', 'grandson', 'granddaughter', 'colleague', 'boss', 'neighbour', 'missus', 'hubby'],
];
