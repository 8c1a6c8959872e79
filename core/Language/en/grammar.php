<?php

declare(strict_types=1);

// Little grammar for values put into sentences: which words take 'an', and plurals that do not just add an s.
return [
    // By sound, against the first letter.
    'takes_an' => ['hour', 'hours', 'hourly', 'honest', 'honour', 'heir', 'mot', 'suv', 'x-ray', 'lcd', 'led', 'sms', 'mri', 'nhs', 'rspca', 'fbi', 'html', '8', '11', '18', 'eight', 'eleven', 'eighteen', 'eighty'],
    'takes_a' => ['one', 'once', 'one-way', 'uni', 'unit', 'union', 'unique', 'uniform', 'universal', 'university', 'used', 'useful', 'user', 'usual', 'utility', 'ute', 'european', 'euro', 'eulogy', 'u-bend', 'ukulele', 'uk', 'us', 'usb'],
    // What may stand beside the name of something offered and leaves it bare: 'the second hall please', 'it's about what is on'.
    'beside_an_offer' => ['a', 'an', 'the', 'please', 'thanks', 'thank', 'you', 'um', 'er', 'well', 'oh', "it's", 'just', 'about', 'then', 'yes', 'yeah'],
    'plurals' => ['person' => 'people', 'child' => 'children', 'man' => 'men', 'woman' => 'women', 'foot' => 'feet', 'tooth' => 'teeth', 'mouse' => 'mice', 'goose' => 'geese', 'half' => 'halves', 'shelf' => 'shelves', 'knife' => 'knives', 'leaf' => 'leaves', 'loaf' => 'loaves', 'life' => 'lives', 'wife' => 'wives', 'sheep' => 'sheep', 'fish' => 'fish', 'series' => 'series', 'photo' => 'photos', 'piano' => 'pianos', 'video' => 'videos', 'logo' => 'logos'],
];
