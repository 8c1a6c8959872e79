<?php

declare(strict_types=1);

// How callers wish for times (Ringo\Understanding\When\Wishes).
return [
    // Parts of the day: from and to in minutes of the day, and how an hour without am or pm is read there.
    'parts' => [
        'morning' => [0, 720, 'am'], 'mornings' => [0, 720, 'am'], 'am' => [0, 720, 'am'], 'a.m.' => [0, 720, 'am'], 'early morning' => [0, 600, 'am'], 'early doors' => [0, 600, 'am'], 'early in the morning' => [0, 600, 'am'], 'mid morning' => [570, 690, 'am'], 'mid-morning' => [570, 690, 'am'], 'midmorning' => [570, 690, 'am'], 'late morning' => [630, 720, 'am'], 'before lunch' => [0, 720, 'am'], 'before noon' => [0, 720, 'am'],
        'lunchtime' => [720, 840, null], 'lunchtimes' => [720, 840, null], 'lunch time' => [720, 840, null], 'lunch' => [720, 840, null], 'over lunch' => [720, 840, null], 'lunch hour' => [720, 840, null], 'around midday' => [690, 750, null], 'middle of the day' => [690, 840, null],
        'afternoon' => [720, 1020, 'pm'], 'afternoons' => [720, 1020, 'pm'], 'pm' => [720, 1020, 'pm'], 'p.m.' => [720, 1020, 'pm'], 'early afternoon' => [720, 900, 'pm'], 'mid afternoon' => [840, 960, 'pm'], 'mid-afternoon' => [840, 960, 'pm'], 'late afternoon' => [900, 1050, 'pm'], 'late in the afternoon' => [900, 1050, 'pm'], 'after lunch' => [780, 1020, 'pm'], 'teatime' => [960, 1080, 'pm'], 'tea time' => [960, 1080, 'pm'],
        'evening' => [1020, 1440, 'pm'], 'evenings' => [1020, 1440, 'pm'], 'tonight' => [1020, 1440, 'pm'], 'early evening' => [1020, 1140, 'pm'], 'late evening' => [1200, 1440, 'pm'], 'night' => [1080, 1440, 'pm'], 'nights' => [1080, 1440, 'pm'],
        'end of the day' => [900, 1440, 'pm'], 'end of day' => [900, 1440, 'pm'], 'last thing' => [900, 1440, 'pm'], 'late in the day' => [900, 1440, 'pm'], 'late on' => [900, 1440, 'pm'], 'a late appointment' => [900, 1440, 'pm'], 'late appointment' => [900, 1440, 'pm'], 'late appointments' => [900, 1440, 'pm'], 'a late slot' => [900, 1440, 'pm'], 'late slot' => [900, 1440, 'pm'], 'end of the working day' => [900, 1440, 'pm'], 'close of business' => [900, 1440, 'pm'], 'before the school run' => [0, 510, 'am'], 'after the school run' => [555, 720, 'am'], 'after school' => [930, 1440, 'pm'], 'after work' => [1020, 1440, 'pm'], 'before work' => [0, 540, 'am'], 'out of hours' => [1020, 1440, 'pm'],
    ],
    // The first free start of a day, if it is early.
    'first_thing' => ['first thing', 'first thing in the morning', 'first appointment', 'first slot of the day', 'first one of the day', 'crack of dawn', 'nice and early', 'bright and early', 'first appointment of the day', 'as soon as you open', 'when you open'],
    'earliest' => ['earliest', 'as soon as you like', 'as soon as ever you can', 'as soon as you possibly can', 'soon as you like', 'your very next', 'the very next one', 'whatever comes first', 'whatever is first', 'the first there is', 'the first you have', "the first you've got", 'the sooner the better', 'sooner the better', 'sooner rather than later', 'the earlier the better', 'quickest you can', 'as early as you can', 'as early as possible', 'as early as', 'the earliest', 'soonest', 'the soonest', 'as soon as possible', 'as soon as you can', 'asap', 'a s a p', 'first available', 'next available', 'first you have', 'first one you have', 'next one you have', 'next you have', 'the first free', 'quickest', 'the next free', 'right away', 'straight away', 'as quickly as possible', 'as quick as you can', 'soon as possible', 'soon as you can', 'first free'],
    'latest' => ['latest you have', 'the latest', 'latest possible', 'last appointment', 'last slot', 'last one of the day', 'as late as possible', 'as late as you can', 'last of the day', 'latest appointment', 'latest slot', 'latest one', 'the last one you have'],
    'any_day' => ["i don't mind which day", "don't mind which day", 'i do not mind which day', "doesn't matter which day", "don't mind the day", "i'm easy about the day", 'not fussy which day', 'any day you like', 'any day', 'whichever day', "the day doesn't matter", 'any day at all', 'whatever day', 'no matter which day', 'any day will do'],
    // Before a part of a day.
    'other' => ['any other', 'another', 'some other', 'a different'],
    // Behind 'the next Saturday': the first that is free.
    'to_be_had' => ['you', "you've", 'available', 'free', 'going', 'that', "that's", 'there', "there's", 'with'],
    'other_day' => ['any other day', 'another day', 'some other day', 'a different day', 'a day other than that', 'any of the other days'],
    // Like the last appointment: its hour, its weekday, whose it was.
    'last_time' => ['same time as last time', 'same time as before', 'same time again', 'same hour as last time', 'same time as the last one', 'same time as always', 'same time as usual', 'my usual time', 'the usual time', 'same as last time', 'my usual slot', 'the usual slot', 'same slot as last time', 'same slot as before'],
    'last_day' => ['same day as last time', 'same day as before', 'same weekday', 'same day of the week', 'same day and time', 'same as last time', 'my usual slot', 'the usual slot', 'my usual day', 'the usual day', 'same slot as last time', 'same slot as before'],
    'last_one' => ['same person', 'same one as last time', 'same lady', 'same man', 'same chap', 'same woman', 'same gentleman', 'same girl', 'same fellow', 'same tuner', 'same engineer', 'same fitter', 'whoever came last time', 'whoever i had last time', 'whoever i saw last time', 'who came last time', 'the one i had last time', 'the one who came before', 'the one i saw last time', 'my usual person', 'my usual one', 'the usual one', 'the usual person', 'same as last time'],
    'any_time' => ["i don't mind what time", "i don't mind when", "don't mind what time", "doesn't matter what time", "don't mind the time", 'not fussy about the time', 'any time', 'anytime', 'the whole day', 'whole day', 'all that day', 'any time of day', "the time doesn't matter", 'whatever time', 'any time of the day', 'all day', 'any time that day'],
    'any' => ['any time whatever', 'whenever', "i don't mind", 'i do not mind', 'do not mind', "don't mind", 'either', 'no preference', "doesn't matter", 'does not matter', "don't care", 'not fussy', 'not bothered', 'any day any time', 'whatever you have', 'anything you have', "i'm easy", 'i am easy', "i'm flexible", 'i am flexible', 'anything', 'up to you', 'any of them'],
    'later' => ['later', 'something later', 'anything later', 'later on', 'later that day', 'later on that day', 'later in the day', 'a bit later', 'bit later', 'a little later', 'later the same day', 'later than that', 'slightly later', 'something later that day', 'anything later that day', 'later in that day'],
    'earlier' => ['earlier', 'something earlier', 'anything earlier', 'earlier that day', 'earlier on that day', 'earlier in the day', 'a bit earlier', 'bit earlier', 'a little earlier', 'earlier the same day', 'earlier than that', 'slightly earlier', 'something earlier that day', 'anything earlier that day', 'anything sooner', 'sooner', 'earlier on'],
    'later_in_week' => ['later in the week', 'later on in the week', 'anything later in the week', 'something later in the week', 'later that week', 'later in that week', 'later this week', 'further into the week', 'towards the end of that week'],
    'earlier_in_week' => ['earlier in the week', 'anything earlier in the week', 'something earlier in the week', 'earlier that week', 'earlier in that week', 'earlier on in the week'],
    'day_after' => ['the day after that', 'the day after', 'day after that', 'day after', 'the next day', 'next day', 'the following day', 'following day', 'a day later', 'one day later'],
    'day_before' => ['the day before that', 'the day before', 'day before that', 'day before', 'a day earlier', 'the previous day'],
    'week_after' => ['the one after', 'the one after that', 'the week after that', 'the week after', 'week after that', 'week after', 'the following week', 'following week', 'a week later', 'the week following', 'one week later'],
    'this_one' => ['not this one', 'not this coming one', 'not the coming one', 'not the one coming', 'not the very next one'],
    'week_before' => ['the week before that', 'the week before', 'week before'],
    // Weeks counted from this one.
    'weeks' => ['this week' => 0, 'sometime this week' => 0, 'all week' => 0, 'all this week' => 0, 'the whole week' => 0, 'next week' => 1, 'the next week' => 1, 'sometime next week' => 1, 'the week after next' => 2, 'week after next' => 2, 'in two weeks time' => 2, 'the week beginning next' => 1],
    'months' => ['this month' => 0, 'next month' => 1, 'the month after next' => 2, 'month after next' => 2, 'the following month' => 1],
    // Feasts of several days: days before and after Easter Sunday.
    'feasts' => ['easter' => [-2, 1]],
    'weeks_of_month' => ['first week of' => 1, 'the first week of' => 1, 'first week in' => 1, 'the first week in' => 1, 'second week of' => 2, 'the second week of' => 2, 'second week in' => 2, 'third week of' => 3, 'the third week of' => 3, 'third week in' => 3, 'last week of' => -1, 'the last week of' => -1, 'last week in' => -1, 'the last week in' => -1],
    'nth_weeks' => ['the first week' => 1, 'first week' => 1, 'the second week' => 2, 'second week' => 2, 'the third week' => 3, 'third week' => 3, 'the fourth week' => 4, 'the last week' => -1],
    'weekend' => ['weekend', 'the weekend', 'a weekend', 'at the weekend', 'over the weekend', 'this weekend', 'on the weekend', 'the coming weekend', 'this coming weekend'],
    'midweek' => ['midweek', 'mid week', 'mid-week', 'the middle of a week', 'in the middle of the working week'],
    'weekends' => ['weekends', 'at weekends', 'any weekend', 'on weekends', 'only weekends', 'a weekend day'],
    'next_weekend' => ['next weekend', 'the weekend after', 'the following weekend', 'weekend after', 'the weekend after next'],
    'weekdays' => ['weekday', 'weekdays', 'a weekday', 'during the week', 'in the week', 'on a weekday', 'any weekday', 'monday to friday', 'midweek', 'week days', 'working day', 'working days', 'a week day'],
    // So many days or weeks from today.
    'within' => ['in the next', 'within the next', 'over the next', 'within', 'in the coming', 'during the next', 'some time in the next', 'inside', 'the next'],
    // Before a week or a month: its beginning, middle or end.
    'begins' => ['beginning of', 'start of', 'early in', 'early on in', 'early', 'at the beginning of', 'at the start of', 'the beginning of', 'the start of', 'towards the beginning of', 'first few days of'],
    'middles' => ['middle of', 'mid', 'the middle of', 'in the middle of', 'around the middle of'],
    'first_halves' => ['first half of', 'the first half of', 'early half of', 'first part of', 'the first part of'],
    'halves' => ['second half of', 'the second half of', 'latter half of', 'the latter half of', 'latter part of', 'the latter part of'],
    'ends' => ['end of', 'the end of', 'at the end of', 'late in', 'towards the end of', 'late', 'last few days of', 'later in', 'back end of'],
    'rest' => ['rest of', 'the rest of', 'later', 'remainder of'],
    // Parts of the week or month that is spoken of, where they end what is said.
    'bare_parts' => [
        'the beginning of it' => 'begins', 'the start of it' => 'begins', 'early on' => 'begins', 'the beginning' => 'begins', 'at the beginning' => 'begins', 'the start' => 'begins', 'at the start' => 'begins',
        'the middle of it' => 'middles', 'around the middle' => 'middles', 'the middle' => 'middles', 'in the middle' => 'middles', 'middle' => 'middles',
        'the end of it' => 'ends', 'at the end' => 'ends', 'towards the end' => 'ends', 'the end' => 'ends', 'the back end of it' => 'ends',
        'the first half' => 'first_halves', 'the first half of it' => 'first_halves', 'the second half' => 'halves', 'the second half of it' => 'halves',
    ],
    'week_of' => ['in the week of', 'some time in the week of', 'during the week of', 'in the week beginning', 'in the week commencing', 'week of', 'the week of', 'week commencing', 'the week commencing', 'week beginning', 'the week beginning', 'week starting', 'the week starting', 'week with', 'that week of', 'the week that has'],
    // What stands before a day or a time and says how it is meant.
    'without' => ['not', 'not on', 'any day but', 'any day except', 'any other day than', 'anything but', 'except', 'except for', 'apart from', 'other than', 'but not', 'but not on', "can't do", 'cannot do', "can't make", 'cannot make', "can't manage", 'cannot manage', 'avoid', 'no', 'not in', 'not at', 'never', 'anything except', 'any time but', 'any time except', "don't want", 'do not want', 'rather not', 'rather not on', 'never on', 'never in', 'every day but', 'every day except', 'all but', "i can't on", 'i cannot on', "can't on", 'cannot on', 'anywhere but', 'bar', 'excluding', 'save', 'anytime but', 'anytime except', 'not any', 'not a', "can't come", "can't come on", 'cannot come on', "can't in", "can't at", 'steer clear of', 'nothing', "i'm away", 'i am away', "we're away", 'we are away', "i'm busy", 'i am busy', "we're busy", "i'm tied up", "i'm abroad", "i'm on holiday", "we're on holiday", "i'm unavailable", "i'm not around", "i'm not free", 'i am not free', "i'm working"],
    'after' => ['the other side of', 'other side of', 'on the far side of', 'after', 'is there nothing after', 'have you nothing after', 'have you got nothing after', "haven't you anything after", "haven't you got anything after", 'any time after', 'anytime after', 'anything after', 'some time after', 'sometime after', 'later than', 'only after', 'just after', 'it has to be after', 'soon after', 'straight after', 'past'],
    'from' => ['from', 'away until', 'away till', 'on holiday until', 'on holiday till', 'not back until', 'not back till', 'busy until', 'busy till', 'not free until', 'not free till', 'not available until', 'not before', 'no earlier than', 'starting', 'starting from', 'from about', 'on or after', 'not until', 'not till', 'as from', 'beginning', 'earliest', 'as of', 'at the earliest', 'anything from', 'not earlier than', 'since', 'wait until', 'wait till', 'leave it until', 'leave it till', 'hold off until', 'hold on until', 'put it off until', 'nothing before', 'nothing earlier than', 'nothing until', 'nothing till'],
    'before' => ['before', 'this side of', 'any time this side of', 'anything this side of', 'is there nothing before', 'have you nothing before', 'have you got nothing before', "haven't you anything before", "haven't you got anything before", 'any time before', 'anytime before', 'earlier than', 'anything before', 'some time before', 'sometime before', 'ahead of', 'not after', 'nothing after', 'nothing later than', 'prior to', 'only before', 'just before'],
    'by' => ['by', 'until', 'till', 'up to', 'up to and including', 'up until', 'to be done by', 'finished by', 'done by', 'over by', 'out by', 'finish by', 'away by', 'be done by', 'be finished by'],
    'to_start' => ['no later than', 'not later than', 'at the latest', 'latest', 'on or before', 'at the very latest'],
    'around' => ['around', 'about', 'roughly', 'approximately', 'round about', 'somewhere around', 'somewhere near', 'near', 'close to', 'say about', 'ish', 'round', 'circa', 'some time around', 'sometime around', 'at about', 'at around', 'thereabouts'],
    'between' => ['between', 'from', 'somewhere between', 'any time between', 'anytime between', 'some time between', 'sometime between'],
    'joins' => ['and', 'to', 'till', 'until', 'through', 'thru', 'up to', '-', 'or so to'],
    // Behind a day: from the one after it on.
    'after_that' => ['so some time after that', 'some time after that', 'so sometime after that', 'sometime after that', 'so after then', 'any time after then', 'so any time after then', 'so any date after that', 'so a day or two after that', 'so not long after that', 'so once that is over', 'so afterwards', 'so any time afterwards', 'any time afterwards', 'so any time after that', 'any time after that', 'anytime after that', 'anything after that', 'so after that', 'and after that', 'so any day after that', 'any day after that', 'so anything after that', 'or any time after that'],
    'onwards' => ['onwards', 'onward', 'or later', 'or after', 'and after', 'at the earliest', 'and later', 'plus', 'or onwards', 'or any time after'],
    // Behind a day or an hour: not it.
    'that_day' => ['so that day', 'so that one', 'so that would suit', 'so that would be ideal', 'so that would be good', "so that's ideal", "so that's the day", 'so then would be good', 'so then would suit', 'so that would do', "so that'll do"],
    // Before so many weeks that are to go by.
    'to_go_by' => ['leave it', 'leave it for', 'leave it for about', 'wait', 'wait for', 'give it', 'give it about', 'hold off', 'hold off for', 'put it off', 'put it off for'],
    'not_then' => ['so not then', 'but not then', 'so any time but then', 'so any time except then', 'so apart from then', 'so avoid that', 'so not that day', 'so not that', 'so that is out', "so that's out", "so that's no good", 'so not during that'],
    // Behind a day or an hour: before it.
    'before_that' => ['so before that', 'so before then', 'so any time before that', 'so any time before then', 'so well before that', 'so well before then', 'so some time before that', 'so some time before then', 'so it has to be before then', 'so it must be before then', "so it's got to be before then", 'so it has to be before that', 'so it would have to be before that', "so it'd have to be before that", 'any time before that', 'any time before then', 'anything before that', 'anything before then', 'so earlier than that', 'so anything before that', 'so beforehand'],
    'or_before' => ['or earlier', 'or before', 'at the latest', 'and earlier', 'or sooner', 'at the very latest'],
    'ish' => ['ish', 'or so', 'or thereabouts', 'or around then', 'or near', 'or roughly then'],
    // What stands behind a day or a time and takes it out.
    'bad' => ['is no good', "isn't good", 'is bad', "doesn't work", 'does not work', "won't work", 'will not work', 'is out', "doesn't suit", 'does not suit', "i can't", 'i cannot', "we can't", 'no good', 'is no use', "isn't any good", 'is difficult', 'is impossible', "i can't do", 'i cannot do', "i can't make", 'is not good', 'is a bad day', "isn't possible", 'is not possible', "'s no good", "'s out", 'is tricky', "i'm away", 'i am away', "won't do", 'will not do', "isn't great", 'is not great', 'are no good', 'are bad', "don't work", 'are out', "don't suit", 'are difficult', 'is a no', 's no good'],
    // Where what follows tells why, and wishes for nothing.
    'reasons' => ['if you', 'if she', 'if he', 'if they', 'because', 'cause', 'i work', 'i start work', 'i finish', 'i get off', "i'm at work", 'i am at work', 'i get home', "i'm working", 'i am working', 'i pick up', 'i drop', 'i have to pick', 'i have to drop', 'i have to be', 'i have to leave', "i've got to", 'my shift', 'my husband', 'my wife', 'my mother', 'my mum', 'my son', 'my daughter', 'my partner', 'my boss', 'my train', 'my lift', 'my bus', 'the kids', 'the children', 'as i', 'since i', "i'm on", 'i am on', 'she works', 'he works', 'we work', "he's at", "she's at", 'i leave', 'i leave work', 'i teach', 'i have a meeting', "i've a meeting", 'i have a', "i've a", 'i have work', 'i have college', 'i have school', "i've got a", "i've got work", 'i do the school run', 'it takes me', 'the baby', 'the school', 'the shop', 'i open the shop', 'i close', 'we open', 'we close', 'they work', 'due to', "that's when", 'when i', 'so i can', 'then i', 'i look after', 'i only got', 'i booked'],
    // Where a wish goes on after a reason.
    'goes_on' => ['otherwise', 'failing', 'or', 'so', 'but', 'then', 'therefore', 'could', 'can', 'please'],
    'denying' => ['not', 'except', 'no', 'but', 'never', 'closed', 'without'],
    // Behind these 'one' is no hour.
    'before_hour_one' => ['at', 'by', 'after', 'before', 'till', 'until', 'to', 'from', 'past', 'around', 'about', 'between', 'and', 'or', 'for', 'than', 'say', 'not', 'but', 'maybe', 'perhaps', 'probably', 'roughly', 'approximately', 'gone', 'only', 'just', 'then', 'well', 'yes', 'no', 'ok', 'okay', 'um', 'er', 'half', 'quarter', 'today', 'tomorrow', 'tonight', 'morning', 'afternoon', 'evening', 'please', 'it'],
    'before_one' => ['the', 'this', 'that', 'which', 'another', 'any', 'every', 'each', 'other', 'last', 'first', 'next', 'earlier', 'later', 'only', 'no', 'old', 'new', 'same', 'wrong', 'right', 'my', 'your', "there's", "there'd", "isn't", 'got', 'get', 'want', 'need', 'had', 'take'],
    // What is eaten in the evening: 'dinner at seven'.
    'evening_meals' => ['dinner', 'supper', 'evening meal', 'dine', 'dining'],
    'few' => ['few' => 3, 'couple' => 2],
    'hours_ish' => ['one' => 'one', 'two' => 'two', 'three' => 'three', 'four' => 'four', 'five' => 'five', 'six' => 'six', 'seven' => 'seven', 'eight' => 'eight', 'eightt' => 'eight', 'nine' => 'nine', 'ten' => 'ten', 'tenn' => 'ten', 'eleven' => 'eleven', 'elevenn' => 'eleven', 'twelve' => 'twelve', 'noon' => 'noon', '9' => '9', '10' => '10', '11' => '11', '2' => '2', '3' => '3', '4' => '4'],
    'somebody' => ['with', 'see', 'seeing', 'have', 'by', 'for', 'from', 'get'],
    'every' => ['a', 'an', 'any', 'every', 'each', 'some'],
    // Little words between a cue and what it is about.
    'between_words' => ['on', 'the', 'in', 'at', 'of', 'a', 'any', 'about', 'say', 'maybe', 'this', 'that', 'like', 'it', 'is'],
];
