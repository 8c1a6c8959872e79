<?php

declare(strict_types=1);

// How a yes-or-no question becomes the statement its answer makes (Ringo\\Speech\\AsStatement).

return [
    'denied' => ['are' => 'are not', 'is' => 'is not', 'was' => 'was not', 'were' => 'were not', 'have' => 'have not', 'has' => 'has not', 'had' => 'had not', 'do' => 'do not', 'does' => 'does not', 'did' => 'did not', 'can' => 'cannot', 'could' => 'could not', 'will' => 'will not', 'would' => 'would not'],
    'subjects' => ['you', 'it', 'that', 'this', 'there', 'they', 'he', 'she', 'anybody', 'anyone', 'anything', 'somebody', 'everybody', 'everyone', 'both'],
    // Subjects that ask of some and say so of none.
    'indefinite' => [
        'anybody' => ['some' => 'somebody', 'none' => 'nobody'],
        'anyone' => ['some' => 'someone', 'none' => 'no one'],
        'anything' => ['some' => 'something', 'none' => 'nothing'],
        'anywhere' => ['some' => 'somewhere', 'none' => 'nowhere'],
    ],
    // Questions whose answer is passed on as it was said, and may be a question itself.
    'of_a_message' => ['pass on', 'like to know', 'want to know', 'shall i ask', 'should i ask', 'like to ask', 'shall i say', 'should i say', 'is it about', 'is this about', 'the message', 'a message', 'your message', 'shall i tell', 'should i tell', 'your question', 'your query', 'your enquiry', 'regarding', 'in connection with'],
    // Words of a question that counts people, that asks for what lies behind, and that show it lies ahead all the same.
    'of_people' => ['people', 'persons', 'guests', 'party', 'players', 'passengers', 'diners', 'covers', 'visitors', 'attendees', 'travellers', 'travelling', 'bowlers', 'participants', 'delegates', 'heads', 'walkers', 'riders', 'climbers', 'skaters', 'seats', 'places', 'tickets'],
    'behind' => ['did', 'was', 'were', 'happened', 'happen', 'born', 'birth', 'bought', 'began', 'started', 'noticed', 'last', 'since', 'missed'],
    // What is paid in hundreds, and what is paid by the piece.
    'large_sums' => ['excess', 'premium', 'pension', 'claim', 'claimed', 'bill', 'arrears', 'overdraft', 'balance', 'tax', 'insurance', 'rent', 'month', 'monthly', 'year', 'yearly', 'annual', 'salary', 'income', 'wages', 'deposit', 'budget', 'insured', 'value', 'worth', 'mortgage', 'loan', 'spend', 'limit', 'repair', 'damage', 'house', 'flat', 'car', 'holiday', 'wedding', 'quote', 'debt', 'owe', 'savings'],
    'small_sums' => ['hour', 'hourly', 'head', 'each', 'person', 'mile', 'ticket', 'copy', 'portion', 'fare', 'tip', 'item', 'piece', 'night', 'litre'],
    // Words of what has been.
    'has_been' => ['was', 'were', 'been', 'since', 'ago', 'had', 'did', "didn't", "hasn't", "haven't", "wasn't", 'went', 'came', 'got', 'fell', 'broke', 'left', 'lost', 'began', 'gave', 'took', 'hit', 'hurt', 'cut', 'felt', 'stood', 'blew', 'woke', 'bought', 'found', 'saw', 'rang', 'put', 'ran', 'gone', 'done', 'ever'],
    // What leads up to a day that is wished for, and not told of.
    'wishes_a_day' => ['can', 'could', 'would', 'want', 'need', 'like', 'please', 'any chance', 'possible', 'able to', 'hoping', 'looking for', 'appointment for', 'book'],
    // 'Should it have been': a thing that was to be, and is over.
    'should_have' => ['may' => ['should', 'could', 'would', 'might', 'must', 'may'], 'done' => ['been', 'had', 'come', 'gone', 'got', 'left', 'begun', 'paid', 'gotten', 'run', 'taken'], 'ends' => 'ed'],
    'ahead' => ['mind', 'like', 'want', 'wanted', 'hoping', 'thinking', 'looking', 'planning', 'after', 'prefer', 'suit', 'suits', 'need', 'next', 'would', 'could', 'shall', 'should', 'will', 'expect'],
    // Words of a question that wants a few words which name something.
    'of_a_thing' => ['make', 'model', 'breed', 'colour', 'color', 'brand', 'type', 'kind', 'sort', 'size', 'flavour', 'registration', 'reg', 'number plate', 'what car', 'which car', 'what vehicle', 'variety', 'material', 'style', 'postcode', 'serial number', 'job title', 'company', 'firm', 'organisation', 'occupation', 'profession', 'employer', 'title of', 'name of', 'called'],
    // Words of a question that asks when something ends which has begun.
    'of_an_end' => ['leave', 'leaving', 'return', 'returning', 'bring back', 'bringing it back', 'back', 'until', 'till', 'end', 'ends', 'ending', 'last day', 'last night', 'check out', 'checkout', 'checking out', 'depart', 'departing', 'departure', 'fetch', 'fetching', 'collect them', 'collect it', 'collecting', 'pick them up', 'picking them up', 'pick it up', 'going home', 'finish', 'finishing', 'hand back', 'off hire', 'home again'],
    // Words that take note of what was said without answering it.
    'acknowledgements' => ['ok', 'okay', 'right', 'great', 'lovely', 'fine', 'good', 'brilliant', 'perfect', 'cheers', 'ta', 'thanks', 'thank you', 'thanks very much', 'thank you very much', "that's great", "that's lovely", "that's fine", "that's good", 'all right', 'alright', 'bye', 'bye bye', 'goodbye', 'then', 'love', 'oh', 'well', 'so', 'i see', 'understood'],
];
