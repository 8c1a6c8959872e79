<?php

declare(strict_types=1);

// The phrases of wish_series.php by their words; written by tools/phrase-trees.php.

return [
    'every' => ['every' => ['' => 'every'], 'each' => ['' => 'each']],
    'other' => ['other' => ['' => 2], 'second' => ['' => 2], 'third' => ['' => 3], 'fourth' => ['' => 4], 'alternate' => ['' => 2]],
    'units' => ['week' => ['' => ['weeks', 1]], 'weeks' => ['' => ['weeks', 1]], 'fortnight' => ['' => ['weeks', 2]], 'fortnights' => ['' => ['weeks', 2]], 'month' => ['' => ['months', 1]], 'months' => ['' => ['months', 1]]],
    'rhythms' => ['weekly' => ['' => ['weeks', 1]], 'once' => ['a' => ['week' => ['' => ['weeks', 1]], 'fortnight' => ['' => ['weeks', 2]], 'month' => ['' => ['months', 1]]]], 'fortnightly' => ['' => ['weeks', 2]], 'biweekly' => ['' => ['weeks', 2]], 'monthly' => ['' => ['months', 1]], 'alternate' => ['weeks' => ['' => ['weeks', 2]]], 'on' => ['alternate' => ['weeks' => ['' => ['weeks', 2]]]], 'in' => ['alternate' => ['weeks' => ['' => ['weeks', 2]]]], 'every' => ['two' => ['weeks' => ['' => ['weeks', 2]]], 'three' => ['weeks' => ['' => ['weeks', 3]]], 'four' => ['weeks' => ['' => ['weeks', 4]]], 'six' => ['weeks' => ['' => ['weeks', 6]]]]],
    'again_and_again' => ['standing' => ['appointment' => ['' => 'standing appointment'], 'booking' => ['' => 'standing booking']], 'regular' => ['' => 'regular'], 'regularly' => ['' => 'regularly'], 'a' => ['regular' => ['slot' => ['' => 'a regular slot']], 'series' => ['' => 'a series'], 'course' => ['' => 'a course']], 'on' => ['a' => ['regular' => ['basis' => ['' => 'on a regular basis']]]], 'series' => ['of' => ['' => 'series of']], 'course' => ['of' => ['' => 'course of']], 'weekly' => ['' => 'weekly'], 'every' => ['week' => ['' => 'every week']], 'each' => ['week' => ['' => 'each week']], 'from' => ['then' => ['on' => ['' => 'from then on']]], 'ongoing' => ['' => 'ongoing'], 'repeating' => ['' => 'repeating'], 'recurring' => ['' => 'recurring']],
    'counts' => ['times' => ['' => 'times'], 'sessions' => ['' => 'sessions'], 'session' => ['' => 'session'], 'appointments' => ['' => 'appointments'], 'visits' => ['' => 'visits'], 'lessons' => ['' => 'lessons'], 'weeks' => ['running' => ['' => 'weeks running']], 'treatments' => ['' => 'treatments'], 'slots' => ['' => 'slots'], 'classes' => ['' => 'classes'], 'occasions' => ['' => 'occasions'], 'dates' => ['' => 'dates'], 'bookings' => ['' => 'bookings'], 'goes' => ['' => 'goes'], 'deliveries' => ['' => 'deliveries'], 'collections' => ['' => 'collections']],
    'beside' => ['more' => ['' => 'more'], 'or' => ['' => 'or'], 'separate' => ['' => 'separate'], 'different' => ['' => 'different'], 'weekly' => ['' => 'weekly'], 'fortnightly' => ['' => 'fortnightly'], 'monthly' => ['' => 'monthly'], 'such' => ['' => 'such']],
    'adverbs' => ['twice' => ['' => 2], 'thrice' => ['' => 3]],
];
