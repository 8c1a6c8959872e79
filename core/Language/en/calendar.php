<?php

declare(strict_types=1);

// Words for days and times of English.
return [
    'months' => [
        'january' => 1, 'february' => 2, 'march' => 3, 'april' => 4, 'may' => 5, 'june' => 6, 'july' => 7, 'august' => 8, 'september' => 9, 'october' => 10, 'november' => 11, 'december' => 12,
        'jan' => 1, 'feb' => 2, 'mar' => 3, 'apr' => 4, 'jun' => 6, 'jul' => 7, 'aug' => 8, 'sep' => 9, 'sept' => 9, 'oct' => 10, 'nov' => 11, 'dec' => 12, 'febuary' => 2,
    ],
    // Days with a verb joined on: 'Friday's fine'.
    'contracted' => ["monday's" => 'monday', "tuesday's" => 'tuesday', "wednesday's" => 'wednesday', "thursday's" => 'thursday', "friday's" => 'friday', "saturday's" => 'saturday', "sunday's" => 'sunday', "tomorrow's" => 'tomorrow', "today's" => 'today'],
    'weekdays' => [
        'monday' => 1, 'tuesday' => 2, 'wednesday' => 3, 'thursday' => 4, 'friday' => 5, 'saturday' => 6, 'sunday' => 7,
        'mon' => 1, 'tue' => 2, 'tues' => 2, 'wed' => 3, 'weds' => 3, 'thu' => 4, 'thur' => 4, 'thurs' => 4, 'fri' => 5, 'sat' => 6, 'sun' => 7, 'wensday' => 3,
        'mondays' => 1, 'tuesdays' => 2, 'wednesdays' => 3, 'thursdays' => 4, 'fridays' => 5, 'saturdays' => 6, 'sundays' => 7,
    ],
    // Whole phrases for one day, counted from today.
    'relative' => [
        'today' => 0, 'tonight' => 0, 'this morning' => 0, 'this afternoon' => 0, 'this evening' => 0, 'now' => 0, 'right now' => 0, 'straight away' => 0, 'later today' => 0, 'later on today' => 0, 'same day' => 0, 'this minute' => 0, 'just this minute' => 0, 'this second' => 0, 'just this second' => 0, 'moments ago' => 0, 'a minute ago' => 0, 'a moment ago' => 0, 'an hour ago' => 0, 'half an hour ago' => 0, 'a few minutes ago' => 0, 'a couple of minutes ago' => 0, 'ten minutes ago' => 0, 'twenty minutes ago' => 0, 'five minutes ago' => 0,
        'tomorrow' => 1, 'tommorow' => 1, 'tomorow' => 1, 'tomoz' => 1, 'the day after tomorrow' => 2, 'day after tomorrow' => 2, 'the day after' => null,
        'yesterday' => -1, 'last night' => -1, 'the day before yesterday' => -2, 'day before yesterday' => -2,
    ],
    // What joins the first day of a stretch to its last; and what may stand beside either.
    'until_a_day' => ['to', 'till', 'til', 'until', 'through', 'through to', 'right through to', 'up to', 'up until', '-', '–', 'back'],
    'beside_a_day' => ['morning', 'afternoon', 'evening', 'night', 'lunchtime', 'teatime', 'the', 'on', 'early', 'late', 'first', 'thing', 'in', 'about', 'i', 'think', 'say', 'probably'],
    // The moment of the call; and words by which it is another after all.
    'at_once' => ['now', 'right now', 'straight away', 'straightaway', 'right away', 'immediately', 'as soon as possible', 'as soon as you can', 'soon as you can', 'soon as possible', 'asap', 'as soon as you like', 'this minute', 'this second', 'at once', 'quick as you can', 'quickly as you can', 'quickly as possible'],
    'not_at_once' => ['from now', 'until now', 'by now', 'not now', 'for now', 'after', 'later', 'tomorrow', 'next', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday', 'week', 'till', 'until', 'before', 'at the moment', 'now and again', 'just now', 'up to now', 'now that', 'now then', 'right now i'],
    // What leads up to a year of birth, and what tells that a birthday has been.
    'born' => ['born', 'birth', 'hatched', 'built', 'made', 'installed', 'fitted', 'put', 'registered', 'manufactured', 'brand-new', 'new', 'laid', 'planted', 'founded', 'opened', 'plate'],
    'turned_already' => ['was', 'were', 'turned', 'became', 'been'],
    // Fixed feasts: month and day.
    'feasts' => [
        'christmas day' => [12, 25], 'christmas' => [12, 25], 'xmas' => [12, 25], 'xmas day' => [12, 25], 'christmas eve' => [12, 24], 'xmas eve' => [12, 24], 'boxing day' => [12, 26],
        'new years day' => [1, 1], "new year's day" => [1, 1], 'new year day' => [1, 1], 'new years eve' => [12, 31], "new year's eve" => [12, 31], 'new year eve' => [12, 31],
        'valentines day' => [2, 14], "valentine's day" => [2, 14], "valentine's" => [2, 14], 'halloween' => [10, 31], 'bonfire night' => [11, 5], 'saint patricks day' => [3, 17], "st patrick's day" => [3, 17],
        'independence day' => [7, 4], 'april fools day' => [4, 1], "april fool's day" => [4, 1], 'midsummers day' => [6, 24], 'leap day' => [2, 29], 'veterans day' => [11, 11],
    ],
    // What is one day only beside another: 'the first Monday after New Year', but not 'in the new year'.
    'turns' => ['new year' => [1, 1], 'the new year' => [1, 1]],
    // Feasts that move with Easter: days after Easter Sunday.
    'easter' => ['good friday' => -2, 'easter saturday' => -1, 'easter sunday' => 0, 'easter monday' => 1, 'easter day' => 0, 'ash wednesday' => -46, 'shrove tuesday' => -47, 'pancake day' => -47],
    // Days told by the one named before them, and how many later they are.
    'next_to' => ['the day after that' => '+1', 'the day after' => '+1', 'day after that' => '+1', 'the next day' => '+1', 'the following day' => '+1', 'the day before that' => '-1', 'the day before' => '-1', 'day before that' => '-1', 'a day later' => '+1', 'the day following' => '+1'],
    // Days told by another: how many after it, and the part of the day.
    'beside_the_first' => [
        'same day' => [0, ''], 'same morning' => [0, 'in the morning'], 'same afternoon' => [0, 'in the afternoon'], 'same evening' => [0, 'in the evening'], 'same night' => [0, 'at night'],
        'that afternoon' => [0, 'in the afternoon'], 'that evening' => [0, 'in the evening'], 'that night' => [0, 'at night'], 'later that day' => [0, ''], 'that day' => [0, ''],
        'day after next' => [2, ''], 'next morning' => [1, 'in the morning'], 'next afternoon' => [1, 'in the afternoon'], 'next evening' => [1, 'in the evening'], 'next day' => [1, ''],
        'morning after' => [1, 'in the morning'], 'evening after' => [1, 'in the evening'], 'day after' => [1, ''], 'following morning' => [1, 'in the morning'], 'following evening' => [1, 'in the evening'], 'following day' => [1, ''],
        'a day later' => [1, ''], 'one day later' => [1, ''], 'two days later' => [2, ''], 'two days after' => [2, ''], 'three days later' => [3, ''], 'a week later' => [7, ''], 'one week later' => [7, ''], 'a fortnight later' => [14, ''], 'two weeks later' => [14, ''], 'week after' => [7, ''], 'following week' => [7, ''],
    ],
    'counted' => ['day' => 'day', 'days' => 'day', 'week' => 'week', 'weeks' => 'week', 'fortnight' => 'fortnight', 'fortnights' => 'fortnight', 'month' => 'month', 'months' => 'month', 'year' => 'year', 'years' => 'year'],
    'clock_units' => ['hour' => 60, 'hours' => 60, 'hr' => 60, 'hrs' => 60, 'minute' => 1, 'minutes' => 1, 'min' => 1, 'mins' => 1],
    // Behind these an hour is not of the part of the day that stands before.
    'parting' => ['or', 'so', 'but', 'otherwise', 'else'],
    'day_parts' => [
        'in the morning' => 'am', 'the morning' => 'am', 'morning' => 'am', 'this morning' => 'am', 'am' => 'am', 'a.m' => 'am', 'a.m.' => 'am',
        'in the afternoon' => 'pm', 'the afternoon' => 'pm', 'afternoon' => 'pm', 'this afternoon' => 'pm', 'pm' => 'pm', 'p.m' => 'pm', 'p.m.' => 'pm',
        'in the evening' => 'pm', 'the evening' => 'pm', 'evening' => 'pm', 'this evening' => 'pm', 'at night' => 'night', 'tonight' => 'pm', 'night' => 'night', 'in the night' => 'am',
        'after lunch' => null, 'before lunch' => null, 'early doors' => null,
    ],
    // Asked of opening hours: days that are two, days no calendar here tells, hours at the ends of a day.
    'weekends' => ['weekend', 'weekends', 'at the weekend', 'at weekends', 'saturdays and sundays', 'saturday and sunday', 'saturday or sunday', 'saturday or a sunday', 'a saturday or sunday'],
    'days_untold' => ['bank holiday', 'bank holidays', 'public holiday', 'public holidays', 'the holidays', 'holidays', 'half term', 'easter', 'christmas', 'new year', 'over christmas', 'over easter', 'the festive'],
    'hours_apart' => ['evenings', 'in the evening', 'in the evenings', 'late', 'early', 'nights', 'at night', 'twenty four hours', '24 hours', 'all day', 'all night', 'lunchtime', 'lunchtimes', 'over lunch', 'through lunch', 'mornings', 'afternoons'],
    // Words that speak of days.
    'of_days' => ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday', 'this week', 'next week', 'the week after', 'any day', 'any time', 'anytime', 'any morning', 'any afternoon', 'any evening', 'weekend', 'tomorrow', 'next month', 'whenever you have', "whenever you've", 'whenever you can'],
    // Days, and hours, of which one has to be chosen.
    // Words by which any of several days is told and not any at all.
    'parts_of_days' => ['mornings', 'afternoons', 'evenings', 'nights', 'lunchtimes', 'weekends', 'weekdays'],
    'tells_when' => ['since', 'ago', 'last night', 'last week', 'last month', 'yesterday', 'tomorrow', 'next week', 'next month', 'this week', 'this morning', 'this afternoon', 'tonight', 'this evening', 'on monday', 'on tuesday', 'on wednesday', 'on thursday', 'on friday', 'on saturday', 'on sunday'],
    'whole_days' => ['full day', 'full days', 'a full day', 'all day', 'the whole day', 'whole day', 'whole days', 'the full day', 'all of the day'],
    // What stands between the hours of an option, and how a caller would say it.
    'from_to' => [' to ', ' till '],
    // 'The end of May' is a day where nothing leaves it open.
    // What begins in the evening where nothing else is said, and what says otherwise.
    'of_evenings' => ['things' => ['performance', 'show', 'concert', 'gig', 'play', 'film', 'screening', 'dinner', 'supper', 'table', 'party', 'quiz', 'disco', 'cocktails'], 'earlier' => ['breakfast', 'brunch', 'lunch', 'lunchtime', 'coffee', 'morning', 'matinee', 'matinée', 'tea', 'child', 'children']],
    'month_end' => ['ends' => ['end'], 'open' => ['towards', 'toward', 'near', 'nearer', 'around', 'about', 'sometime', 'time', 'before', 'till', 'until', 'after', 'roughly', 'week', 'either']],
    'narrows' => ['week', 'weekend', 'month', 'fortnight', 'before', 'january', 'february', 'march', 'april', 'june', 'july', 'august', 'september', 'october', 'november', 'december'],
    'some_days' => [
        'week', 'weekend', 'weekends', 'weekdays', 'week day', 'month', 'fortnight', 'half term', 'half-term', 'summer', 'autumn', 'winter', 'spring', 'in the new year', 'new year', 'early january', 'school holidays', 'summer holidays', 'easter', 'whitsun', 'bank holiday',
        'any day', 'most days', 'some day', 'one day', 'soon', 'as soon as possible', 'soon as you can', 'as soon as you can',
    ],
    'some_hours' => [
        'morning', "morning's", 'mornings', "afternoon's", 'afternoons', "evening's", 'evenings', 'in the morning', 'afternoon', 'in the afternoon', 'evening', 'in the evening', 'after work', 'before work', 'after lunch', 'before lunch', 'after school', 'before school', 'after the school run', 'before the school run',
        'school run', 'after dinner', 'after tea', 'breakfast time', 'bedtime', 'late', 'early', 'after dark', 'daytime',
    ],
    // A day told by its evening.
    'morning' => ['morning', 'mornings', 'first thing', 'breakfast', 'am', 'good morning', 'good evening', 'afternoon'],
    'evening' => ['tonight', 'this evening', 'evening', 'for dinner', 'dinner', 'supper'],
    'clock_words' => [
        'noon' => '12:00', 'midday' => '12:00', 'mid day' => '12:00', 'twelve noon' => '12:00', '12 noon' => '12:00', 'twelve midday' => '12:00', 'midnight' => '00:00', 'twelve midnight' => '00:00', '12 midnight' => '00:00',
        'first thing' => '09:00', 'first thing in the morning' => '09:00', 'twelve at night' => '00:00', '12 at night' => '00:00', '12 midday' => '12:00',
    ],
    'oclock' => ["o'clock", 'oclock', "o'clocks", "o'"],
    // Words that make a time no time of its own.
    'vague_times' => [
        'lunchtime', 'lunch time', 'teatime', 'tea time', 'dinner time', 'any time', 'anytime', 'whenever', 'some time', 'sometime', 'end of the day', 'end of day', 'close of business', 'close of play', 'mid morning', 'mid afternoon', 'midmorning',
        'dawn', 'dusk', 'first light', 'last thing', 'as soon as possible', 'asap',
    ],
    'vague_days' => [
        'some day', 'someday', 'any day', 'any time', 'anytime', 'whenever', 'soon', 'the weekend', 'weekend', 'this week', 'next week', 'next month', 'this month', 'later this week', 'one day', 'every day', 'weekdays', 'weekday',
        'as soon as possible', 'asap', 'sometime', 'some time', 'the other day', 'a few days', 'few days', 'couple of days or so',
    ],
    'bounds' => ['before', 'after', 'between', 'until', 'till', 'not before', 'not after', 'no later than', 'no earlier than', 'earlier than', 'later than', 'at the earliest', 'at the latest', 'onwards', 'or later', 'or earlier', 'past', 'since'],
];
