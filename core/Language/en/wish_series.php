<?php

declare(strict_types=1);

// Appointments that come again: 'every other Thursday, six times'.
return [
    'every' => ['every', 'each'],
    'other' => ['other' => 2, 'second' => 2, 'third' => 3, 'fourth' => 4, 'alternate' => 2],
    // A unit of the rhythm, in weeks or months.
    'units' => ['week' => ['weeks', 1], 'weeks' => ['weeks', 1], 'fortnight' => ['weeks', 2], 'fortnights' => ['weeks', 2], 'month' => ['months', 1], 'months' => ['months', 1]],
    'rhythms' => ['weekly' => ['weeks', 1], 'once a week' => ['weeks', 1], 'fortnightly' => ['weeks', 2], 'once a fortnight' => ['weeks', 2], 'biweekly' => ['weeks', 2], 'monthly' => ['months', 1], 'once a month' => ['months', 1], 'alternate weeks' => ['weeks', 2], 'on alternate weeks' => ['weeks', 2], 'in alternate weeks' => ['weeks', 2], 'every two weeks' => ['weeks', 2], 'every three weeks' => ['weeks', 3], 'every four weeks' => ['weeks', 4], 'every six weeks' => ['weeks', 6]],
    'again_and_again' => ['standing appointment', 'standing booking', 'regular', 'regularly', 'a regular slot', 'on a regular basis', 'a series', 'series of', 'a course', 'course of', 'weekly', 'every week', 'each week', 'from then on', 'ongoing', 'repeating', 'recurring'],
    'counts' => ['times', 'sessions', 'session', 'appointments', 'visits', 'lessons', 'weeks running', 'treatments', 'slots', 'classes', 'occasions', 'dates', 'bookings', 'goes', 'deliveries', 'collections'],
    'beside' => ['more', 'or', 'separate', 'different', 'weekly', 'fortnightly', 'monthly', 'such'],
    'adverbs' => ['twice' => 2, 'thrice' => 3],
];
