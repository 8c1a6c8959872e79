<?php

declare(strict_types=1);

// What people who are rung have against it, by kind, as they say it in any trade: written in bulk, none taken from a call.
return [
    'price' => ['label' => 'the price', 'sayings' => [
        'it is too expensive', 'you are too dear', 'that is a lot of money', 'we have no budget for it', 'there is no money left this quarter', 'I cannot spend that much', 'cheaper elsewhere', 'your prices are too high', 'we are saving at the moment', 'that is out of our reach', 'it would cost us too much', 'I could get two for that', 'we cannot justify the cost', 'the fee puts me off', 'I am on a pension, I cannot pay for such things', 'not at that rate', 'we had a quote for half of that', 'it does not pay for us', 'the purse strings are tight', 'I would want a discount first',
    ]],
    'has_supplier' => ['label' => 'they have somebody already', 'sayings' => [
        'we already have somebody for that', 'we use another company', 'we have a regular man for it', 'my son does it for us', 'we are under contract with somebody', 'we found somebody else in the meantime', 'I went with another firm', 'our own people do it', 'we have had the same supplier for ten years', 'that is taken care of by our agency', 'a friend of mine is in the trade', 'we booked it somewhere else', 'head office arranges it with their own contractor', 'we are satisfied with who we have', 'somebody comes every month for that', 'the council does that here', 'we do our own', 'I ordered it from a different shop', 'another team looks after it', 'we are tied in for two more years',
    ]],
    'no_time' => ['label' => 'no time for it', 'sayings' => [
        'I do not have time for this', 'we are too busy', 'I am snowed under', 'there is no time to look into it', 'this is our busiest month', 'I have my hands full', 'we are short of staff as it is', 'I cannot take anything else on', 'not with all that is going on here', 'I am rushed off my feet', 'we have enough to do without it', 'it is a bad year for that', 'with the baby I cannot think about it', 'we are in the middle of the harvest', 'I have other things to worry about', 'we are just moving premises', 'my diary is full for weeks', 'life is too hectic for that now', 'we have no capacity for it', 'it would take up too much of my time',
    ]],
    'not_mine' => ['label' => 'somebody else decides', 'sayings' => [
        'I am not the one who decides', 'you would have to speak to the owner', 'my wife sees to that', 'that is for the manager to say', 'I have to ask my husband', 'only the director can sign that', 'it is not my department', 'my father handles the money', 'the landlord would have to agree', 'I am only the receptionist', 'the board decides on that', 'I would need to run it past my partner', 'the person in charge is away', 'that is above my pay grade', 'my colleague deals with suppliers', 'the vicar has the last word', 'purchasing does all that', 'I cannot agree to anything on my own', 'we decide such things together', 'the tenant has to say yes',
    ]],
    'distrust' => ['label' => 'they do not trust such calls', 'sayings' => [
        'I do not trust calls like this', 'is this some kind of fraud', 'I never buy on the telephone', 'you could be anybody', 'I do not talk to computers', 'I would rather speak to a real human', 'put it in a letter', 'I do not give details over the phone', 'we were cheated once', 'I know these tricks', 'how did you get hold of my number, I do not like that', 'sounds fishy to me', 'I only deal with people I know', 'my bank told me not to answer such calls', 'I do not believe a word of it', 'robots should not ring people', 'send me something official', 'I want it in writing', 'there is a catch somewhere', 'I am wary of cold calls',
    ]],
    'no_need' => ['label' => 'they do not need it', 'sayings' => [
        'we do not need it any longer', 'there is no need', 'it is not necessary any more', 'we have no use for it', 'I no longer want it', 'we decided against it', 'the problem went away', 'it works again', 'we gave up on the idea', 'the event was cancelled', 'we sold the house', 'we have shut down', 'I would not use it', 'we are fine without', 'that has been dealt with', 'it was only an idea', 'I was just looking', 'the plan fell through', 'we borrowed one instead', 'I am not interested in it any more',
    ]],
    'thinking' => ['label' => 'they want to think it over', 'sayings' => [
        'I need to think about it', 'let me sleep on it', 'I am not sure yet', 'we have not made up our minds', 'give me some time to consider', 'I want to compare first', 'we are still looking around', 'it is too early to say', 'I would like to read up on it first', 'I cannot say yes just like that', 'we want to wait and see', 'maybe next year', 'I will come back to you when I know', 'we are in two minds about it', 'let me talk it through at home', 'I do not want to rush into it', 'we are weighing it up', 'ask me again in the spring', 'I have my doubts', 'no decision has been made',
    ]],
    'bad_experience' => ['label' => 'it went badly before', 'sayings' => [
        'last time it went wrong', 'you let us down before', 'I was not happy with you', 'the machine you sent broke down', 'nobody ever called me back', 'you were late the last time', 'I had nothing but trouble with it', 'your people were rude', 'I am still waiting for my refund', 'we complained and heard nothing', 'the quality was poor', 'it was a shambles in the summer', 'once bitten twice shy', 'you charged me twice', 'I read bad reviews about you', 'my neighbour had a terrible time with you', 'you promised the same last year', 'the work had to be done again', 'we stopped using you for a reason', 'I will not make that mistake again',
    ]],
];
