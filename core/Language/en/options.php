<?php

declare(strict_types=1);

// Common kinds of options: words by which an option is of the kind, and what people say for it when they are asked.
return [
    'kinds' => [
        // What a call is for; told by how it opens.
        ['opens' => '1', 'option' => 'cancel, cancellation, cancelling', 'said' => "cancel, cancelling, call it off, don't want it any more, end my, close my account, stop my"],
        ['opens' => '1', 'option' => 'reschedule, change booking, change appointment, amend, amendment, change, move booking, rearrange, postpone', 'said' => "reschedule, rearrange, move my appointment, move my booking, change my appointment, change my booking, change the date, change the time, change the day, move it to, put it back, bring it forward, postpone, can't make it, can't make my, a different day, a different time"],
        ['opens' => '1', 'option' => 'complaint, complain', 'said' => 'complaint, complain, complaining, not happy with, very unhappy, really unhappy, disgusted, appalled, unacceptable, appalling service, speak to a manager'],
        ['opens' => '1', 'option' => 'repair, breakdown, fault, broken down, fix, mend, not working, technical problem, technical', 'said' => "broken, broken down, broke down, packed up, packed in, conked out, stopped working, not working, isn't working, doesn't work, won't work, won't start, won't turn on, won't switch on, won't come on, no hot water, no heating, leaking, making a noise, making a funny noise, gone wrong, faulty, a fault, needs fixing, needs repairing, needs mending, repaired, died on me, playing up, keeps cutting out, error code, come off, fallen off, snapped, cracked, smashed"],
        ['opens' => '1', 'option' => 'quote, quotation, estimate, price enquiry, pricing', 'said' => 'a quote, quote for, quotation, an estimate, estimate for, price for, how much would it be, how much would you charge, what would it cost, rough idea of the cost, rough price, ballpark'],
        ['opens' => '1', 'option' => 'billing, bill, invoice, payment query, account query, charge', 'said' => 'my bill, the bill, a bill, invoice, been charged, charged me, charged twice, overcharged, my statement, direct debit, refund, a payment, payment that'],
        ['opens' => '1', 'option' => 'delivery, order status, where is my order, tracking, late delivery, missing order', 'said' => "where's my order, where is my order, where's my parcel, where is my parcel, hasn't arrived, not arrived, hasn't turned up, never turned up, never arrived, supposed to come, was due, still waiting for my, track my, tracking"],
        ['opens' => '1', 'option' => 'sick leave, sickness, sick, absence, absent, illness', 'said' => "not well, unwell, not feeling well, not very well, poorly, off sick, i'm ill, i'm sick, been sick, been ill, throwing up, can't come in, cannot come in, won't be in, not coming in, not be coming in, a temperature, a stomach bug, the flu, a migraine, signed off"],
        ['opens' => '1', 'option' => 'booking, new booking, appointment, new appointment, reservation, book', 'said' => 'book, booking, make an appointment, get an appointment, an appointment, a reservation, reserve, book in, booked in, fit me in, see someone, see somebody'],
        // How somebody came to us.
        ['option' => 'friend, friends, family, word of mouth, recommendation, recommended, referral, referred, personal recommendation', 'said' => "my sister, my brother, my mum, my mom, my dad, my mother, my father, my wife, my husband, my partner, my friend, a friend, friends of ours, friends of mine, my mate, a mate, my neighbour, my neighbor, a neighbour, the neighbours, next door, next door's, my neighbour's, the neighbour's, my colleague, a colleague, someone at work, somebody at work, a lady at work, a chap at work, my boss, my son, my daughter, my auntie, my aunt, my uncle, my cousin, my nan, my gran, told me about you, told us about you, recommended, recommended you, recommendation, speaks highly, spoke highly, word of mouth, heard good things, used you before me, swears by you, a customer of yours, passed me your number, gave me your number, gave me your name"],
        ['option' => 'web, website, online, internet, search, web search, search engine', 'said' => 'online, website, web site, your site, on the web, internet, the net, searched, search engine, searching, looked you up, looked it up, looked you up on my phone, first result, first one that came up, top of the list, browsing, on my phone, on the computer, found you online, saw you online'],
        ['option' => 'social media, social', 'said' => 'social media, on social, a post, a reel, in a group, local group, community group, someone posted, somebody posted, followed you'],
        ['option' => 'leaflet, flyer, brochure, mailshot, post', 'said' => 'leaflet, flyer, through the door, through the letterbox, in the post, brochure, a card through, came with the paper, your catalogue'],
        ['option' => 'newspaper, magazine, press, local paper', 'said' => 'paper, newspaper, magazine, local rag, parish magazine, advert in, ad in, article'],
        ['option' => 'radio', 'said' => 'radio, on the wireless, on the air'],
        ['option' => 'television, tv', 'said' => 'telly, television, tv, on the box'],
        ['option' => 'drive by, drove past, passing, walked past, walk in, sign, signage, van, vehicle, shopfront, saw us, seen locally', 'said' => 'drove past, driving past, drive past, walked past, walking past, walk past, went past, passing, pass it every, live round the corner, saw the sign, saw your sign, your sign, the board outside, saw your van, your van, one of your vans, your lorry, saw you working, working on a house, saw the shop, saw your shop, on my way to work'],
        ['option' => 'returning, existing, previous customer, used before, past customer, repeat', 'said' => "you put in, you put our, you fixed, you installed, you fitted, you came out, you came to us, you sorted, you built, you've done work, you've been out, used you before, used you last, been before, been coming, dealt with you before, a customer already, already a customer, you did my, you did our, always used you, come to you for years, had you before, i'm a regular"],
        ['option' => 'event, show, exhibition, fair, trade show', 'said' => 'at a show, at the show, exhibition, trade fair, the fair, an event, the fete, open day, your stand, your stall'],
        ['option' => 'advert, advertisement, ad, advertising, poster, billboard', 'said' => 'advert, an ad, your ad, advertisement, poster, billboard, on the bus, side of a bus'],
        // Ways to pay.
        ['option' => 'card, credit card, debit card, by card', 'said' => 'card, debit card, credit card, on my card, over the phone now, pay by card, contactless, chip and pin, company card'],
        ['option' => 'cash', 'said' => "cash, in cash, ready money, notes, i'll bring cash, cash on the day, cash in hand"],
        ['option' => 'bank transfer, transfer, bacs, wire', 'said' => 'bank transfer, transfer, online banking, straight into your account, pay it into, wire it, send it over from the bank, bacs'],
        ['option' => 'cheque, check', 'said' => 'cheque, cheque book, write you a cheque, write you a check, mail a check'],
        ['option' => 'direct debit, standing order, monthly payments', 'said' => 'direct debit, standing order, monthly, by the month, comes out of the bank, out of my account every month, spread it'],
        ['option' => 'invoice, on account, account, bill', 'said' => 'invoice, send me a bill, send us a bill, send the bill, bill me, bill us, bill the company, on account, on our account, put it on the account, on the account, charge it to the account, thirty days, purchase order'],
        ['option' => 'finance, instalments, payment plan', 'said' => 'finance, instalments, in instalments, payment plan, spread the cost, pay it off, so much a month'],
        // What is to be done about it.
        ['option' => 'refund, money back', 'said' => 'money back, my money, refund, refunded, refund me, reimburse, reimbursed, pay me back, back on my card, put it back on my card'],
        ['option' => 'replacement, replace, exchange, resend', 'said' => 'replace, replaced, replacement, send another, another one, a new one, new ones, send it again, resend, swap it, swap them, exchange, different one, right one, right size'],
        ['option' => 'credit, voucher, store credit, credit note', 'said' => 'credit note, store credit, a credit, credit to my account, voucher, off my next'],
        // Ways to reach somebody.
        ['option' => 'phone, telephone, call, by phone', 'said' => 'ring me, call me, phone me, give me a ring, give me a call, by phone, on the phone, phone, telephone, a call, a ring, call is best, ring my mobile, bell me'],
        ['option' => 'text, sms, text message', 'said' => 'text, text me, a text, by text, message me, drop me a text, ping me a text, sms, send me a message'],
        ['option' => 'email, e mail', 'said' => 'email, e-mail, email me, by email, drop me an email, send me an email, in writing, pop it on an email'],
        ['option' => 'post, mail, letter, by post', 'said' => 'post, by post, in the post, a letter, write to me, through the post, in the mail, by mail'],
        // How much it presses.
        ['option' => 'emergency, critical, immediate, very urgent', 'said' => "emergency, right now, straight away, straightaway, immediately, this minute, this instant, can't wait, cannot wait, right away, asap, as soon as possible, pouring, flooding, dangerous, somebody could get hurt, someone could get hurt"],
        ['option' => 'urgent, high, today, soon', 'said' => "very, extremely, really urgent, super urgent, pretty, urgent, pretty urgent, quite urgent, today, tonight, as soon as, asap, soon, fairly soon, quite soon, wants doing soon, needs doing soon, sooner rather than later, the sooner the better, can't really wait, quickly, quite pressing, in a hurry"],
        ['option' => 'routine, low, normal, not urgent, non urgent, standard, no rush, whenever, flexible', 'said' => "no rush, not very, not that urgent, not particularly, not especially, not at all, not really, no hurry, not urgent, isn't urgent, whenever, when you can, can wait, in your own time, no great rush, not in a hurry, any time, anytime, not desperate, nothing urgent, when you're next, when somebody is free"],
        // When.
        ['option' => 'morning, am, mornings', 'said' => "morning, mornings, am, before lunch, before noon, before midday, first thing, early, nine, ten, eleven, start of the day, once i've dropped the kids, after the school run"],
        ['option' => 'afternoon, pm, afternoons', 'said' => 'afternoon, afternoons, pm, after lunch, after midday, after dinner, two, three, two ish, three ish, before the school run'],
        ['option' => 'evening, evenings, night', 'said' => "evening, evenings, after work, after six, after tea, after five, tonight, night, when i'm home from work, once i'm home"],
        ['option' => 'weekend, weekends, saturday or sunday', 'said' => 'weekend, weekends, saturday, sunday, a saturday, a sunday, saturdays'],
        ['option' => 'weekday, weekdays, during the week', 'said' => 'weekday, weekdays, in the week, during the week, midweek, monday to friday'],
        ['option' => 'any, no preference, anytime, flexible, either, any time', 'said' => "any, any time, anytime, don't mind, no preference, either, whenever, whatever suits, whatever's easiest, i'm easy, not bothered, all the same to me, up to you, doesn't matter, flexible, i'm flexible, makes no odds"],
        // How often.
        ['option' => 'once, one off, one time, single', 'said' => 'one off, one-off, just once, just the once, only once, one time, just this once, a single, just the one'],
        ['option' => 'daily, every day', 'said' => 'every day, daily, each day, seven days, monday to friday'],
        ['option' => 'weekly, every week', 'said' => 'every week, weekly, once a week, each week, one day a week, every monday, every tuesday, every wednesday, every thursday, every friday, week in week out'],
        ['option' => 'fortnightly, every two weeks, biweekly, bi weekly', 'said' => 'every two weeks, every fortnight, fortnightly, every other week, once a fortnight, alternate weeks, twice a month, every second week'],
        ['option' => 'monthly, every month', 'said' => 'every month, monthly, once a month, each month, every four weeks'],
        ['option' => 'quarterly', 'said' => 'every three months, quarterly, once a quarter, four times a year'],
        ['option' => 'yearly, annual, annually', 'said' => 'every year, yearly, once a year, annually, annual, each year'],
        // Who is calling, and for what kind of place.
        ['option' => 'business, commercial, company, trade, office', 'said' => "business, commercial, office, offices, company, firm, shop, unit, warehouse, factory, restaurant, it's for work, for work, trade, we're a company, we're builders, i'm a builder, school, workplace, limited company"],
        ['option' => 'home, residential, domestic, private, personal, household', 'said' => "home, my house, our house, the house, house, flat, bungalow, residential, domestic, private, personal, just me, where i live, it's my home, for myself, at home, just for us"],
        ['option' => 'owner, homeowner, owner occupier, own', 'said' => "i own it, we own it, own, owner, bought it, it's ours, it's mine, our own, mortgage, homeowner"],
        ['option' => 'tenant, renting, rent, rented', 'said' => 'rent, renting, tenant, tenants, landlord, letting agent, housing association, council'],
        ['option' => 'landlord', 'said' => 'landlord, i let it, i rent it out, we rent it out, my tenants, buy to let, let it out'],
        ['option' => 'new, new customer, new client, new patient, first time', 'said' => "new, first time, never used you, never been, haven't used you, not been before, just moved, not a customer"],
        // Buildings.
        ['option' => 'house, detached, semi, terraced, terrace', 'said' => 'house, detached, semi, semi-detached, terrace, terraced, end of terrace, townhouse, town house, cottage'],
        ['option' => 'flat, apartment', 'said' => 'flat, apartment, maisonette, studio, penthouse, first floor, second floor, third floor, top floor, block'],
        ['option' => 'bungalow', 'said' => 'bungalow, all on one level, one storey'],
        // Sizes and grades.
        ['option' => 'small', 'said' => 'small, little, tiny, smallest, the small one, not very big, a small, titchy, compact'],
        ['option' => 'medium', 'said' => 'medium, middle, the middle one, average, normal, medium sized, in between, mid'],
        ['option' => 'large, big', 'said' => 'large, big, biggest, the big one, huge, massive, the largest, a big one'],
        // How it went.
        ['option' => 'very good, excellent, very satisfied, very happy', 'said' => "excellent, brilliant, fantastic, very good, really good, superb, couldn't fault, can't fault, very happy, really happy, delighted, over the moon, spot on, first class, top notch, amazing"],
        ['option' => 'good, satisfied, happy', 'said' => 'good, happy, pleased, fine, all right, no complaints, satisfied, pretty good, not bad'],
        ['option' => 'average, neutral, fair, ok, okay', 'said' => 'so so, so-so, ok, okay, average, alright, neither here nor there, middling, could be better, nothing special, fair'],
        ['option' => 'poor, bad, dissatisfied, unhappy', 'said' => 'poor, bad, not good, not happy, unhappy, disappointed, disappointing, let down, not great, rubbish, not impressed'],
        ['option' => 'very poor, very bad, terrible, very dissatisfied, very unhappy', 'said' => 'terrible, awful, dreadful, appalling, disgusting, disgraceful, shocking, very poor, very bad, really bad, worst, furious, livid'],
        // Yes, no and neither as options.
        ['option' => 'yes', 'said' => "yes, yeah, yep, yes please, aye, i do, i am, i have, we do, we have, we are, it is, it does, they are, of course, definitely, certainly, absolutely, that's right, correct"],
        ['option' => 'no, none', 'said' => "no, nope, nah, no thanks, no thank you, not really, i don't, i'm not, i haven't, we don't, we haven't, it isn't, it doesn't, not yet, never, none"],
        ['option' => 'unsure, not sure, unknown, dont know, do not know, maybe, undecided', 'said' => "not sure, i'm not sure, don't know, i don't know, no idea, couldn't tell you, couldn't say, unsure, haven't decided, undecided, maybe, perhaps, might do, possibly, depends, it depends, not a clue, haven't a clue"],
    ],
];
