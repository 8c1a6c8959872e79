<?php

declare(strict_types=1);

// How often something happens, as times a year.
return [
    'how_often' => [
        'adverbs' => ['daily' => 365.0, 'weekly' => 52.0, 'fortnightly' => 26.0, 'biweekly' => 26.0, 'bi-weekly' => 26.0, 'monthly' => 12.0, 'quarterly' => 4.0, 'yearly' => 1.0, 'annually' => 1.0, 'annual' => 1.0],
        'units' => ['day' => 365.0, 'days' => 365.0, 'week' => 52.0, 'weeks' => 52.0, 'fortnight' => 26.0, 'month' => 12.0, 'months' => 12.0, 'quarter' => 4.0, 'year' => 1.0, 'years' => 1.0],
        // Behind 'every'.
        'steps' => ['other' => 2, 'second' => 2, 'third' => 3, 'fourth' => 4, 'single' => 1],
        'times' => ['once' => 1, 'twice' => 2, 'thrice' => 3],
    ],
    'each' => ['every', 'each'],
    'alternate' => ['alternate'],
    // Behind a number: three times, two days.
    'counted' => ['times', 'time', 'day', 'days', 'visits', 'visit', 'sessions', 'lessons'],
    'per' => ['a', 'an', 'per', 'each', 'every'],
];
