<?php

declare(strict_types=1);

// How stand-in callers talk. Written apart from what the readers know, so that the one does not merely echo the other.
return [
    // What a caller comes with; [it] is the matter in the words of the script or of its trade.
    'open' => ['[it]', 'hello, [it]', "hi there, I'm ringing because [it]", 'good morning, [it] please', "yes hello, it's about this: [it]", 'er, [it]', 'I was hoping you could help, [it]', 'hi, [it], if you can', 'afternoon. [it]', 'right, so [it]'],
    'open_plain' => ["I'm ringing about [it]", "it's to do with [it]", 'I want to talk about [it]', 'could you help me with [it]', "it's about [it]", 'I need some help with [it]', "I've got a question about [it]"],
    // How a value is put where it is asked for; [it] is the value.
    'answer' => ['[it]', '[it] please', "it's [it]", "that's [it]", '[it], thanks', 'er, [it]', "that'd be [it]", 'yeah [it]', 'let me think, [it]', 'I believe [it]', '[it] I think you will find', 'it should be [it]'],
    'answer_name' => ['[it]', "it's [it]", 'my name is [it]', "I'm [it]", 'the name is [it]', '[it] speaking', 'put it under [it]', "that's [it]"],
    'answer_brief' => ['[it]'],
    // Beside a value, from somebody who likes to talk.
    'chatter' => ['we had one from you last year', "the weather has been dreadful, hasn't it", 'my neighbour told me to ring you', 'I tried your web page first', 'sorry about the noise, I am in the van', 'it has been one of those weeks'],
    // From somebody who tells what they have not been asked yet: by type; [it] is the value, [title] what the record calls it.
    'ahead' => [
        'date' => ['on [it]', 'it would be on [it]', 'the [title] would be [it]'],
        'time' => ['at [it]', 'the [title] is [it]'],
        'duration' => ['for [it]', 'I would want it for [it]', 'the [title] is [it]'],
        'number' => ['the [title] is [it]', 'the [title] would be [it]'],
        'money' => ['the [title] is [it]'],
        'choice' => ['the [title] is [it]', 'it would be [it]', "it's for [it]"],
        'several' => ['the [title] would be [it]'],
        'person_name' => ['my name is [it]', 'this is [it]', "I'm [it]"],
        'phone' => ['my number is [it]', 'you can ring me on [it]'],
        'email' => ['my e-mail is [it]'],
        'reference' => ['the [title] is [it]', 'my [title] is [it]'],
        'postal_address' => ["it's at [it]", 'the [title] is [it]'],
    ],
    'ahead_joins' => [', ', ' and ', '. ', ', and ', '. Oh and '],
    // From somebody who says why, or what else there was: by type.
    'reasons' => [
        'date' => ['[it], we are away till then', '[it], because the builders are in the week before', '[it], my husband gets back the night before', 'it was going to be sooner but [it] now', '[it], that is the day after my birthday', "[it], I've got the morning off work", '[it] if I have read my calendar right', "it'll have to be [it], I'm working the rest of that week"],
        'time' => ['[it], I drop the children off before that', '[it], after that I have a meeting', '[it] or I miss my bus', "[it], it's when I have my break"],
        'duration' => ['[it], my brother says half that but I do not believe him', '[it], the last one took two days longer than they said', '[it] to be on the safe side', '[it], same as I had two years ago', 'my wife says less but I say [it]'],
        'number' => ['[it], if you count the baby', '[it], there were more but one dropped out', "[it], I've just counted them twice", '[it], my wife said fewer', '[it], and that is all of them'],
        'money' => ['[it], it was more last year', '[it], and not a penny more', "[it], I've got the letter here"],
        'choice' => ['[it], my neighbour has the same', '[it], I think, my wife would know better', '[it], we had the other kind before and it was no good', "[it], it's what it says on the box", '[it], the others are too dear for us'],
        'several' => ['[it], the rest can wait', '[it], and that is enough for one day'],
        'person_name' => ['[it], I rang last week as well', "[it], it's my own account, not my husband's", '[it], same as on the letter', "it's [it], you have spoken to my mother before"],
        'phone' => ['[it], that is my mobile', "[it], leave a message if I don't pick up", '[it], but not before nine', "[it], it's the best one to get me on"],
        'email' => ['[it], all small letters', '[it], I look at it in the evenings'],
        'reference' => ["[it], it's on the top of the letter", '[it], I think that is the one', '[it], the one before has run out'],
        'postal_address' => ["[it], it's the one with the green door", '[it], you turn left by the church', '[it], we moved here in March'],
        'yes' => ['yes, we have done for years', 'yes, since March', "yes, though my sister says I shouldn't", 'yes, as far as I know'],
        'no' => ['no, not since we moved', 'no, my husband has though', 'no, it was too dear', 'no, not as far as I know'],
    ],
    'vague' => ["I'm not quite sure yet", 'hm, I would have to look', 'difficult to say', 'some time soon', 'that depends', 'let me see', 'I have it here somewhere'],
    'side_questions' => ['what time do you close', 'are you open on Saturdays', 'do you take cards', 'is there parking', 'how much is it', 'where are you exactly', 'how long does it take', 'do you do this at weekends as well', 'can I cancel it later', 'who am I speaking to'],
    'off_topic' => ['did you see the match last night', 'you sound just like my sister', 'do you know any good recipes', 'what do you think of the new road', 'is it raining where you are'],
    'cross' => ['this is taking far too long', 'for goodness sake', 'I have told you this already', 'honestly, is it so hard', 'I have been on the line for ages'],
    'again' => ['sorry, what was that', 'could you say that again', 'pardon', 'say it once more please', "I didn't catch that"],
    'person' => ['can I speak to a person please', 'put me through to somebody', "I'd rather talk to a human being", 'is there anybody there I can speak to'],
    'yes' => ['yes', 'yes please', 'yeah', "that's right", 'correct', 'yep', 'yes, that is right', 'exactly', 'mm-hm yes', 'that is fine'],
    'no' => ['no', 'no thanks', 'nope', "no, it isn't", 'no, not really', 'not at all', 'no no'],
    'wrong' => ["no, it's [it]", 'no, [it]', "that's not right, it's [it]", 'no no, I said [it]', 'not quite. [it]'],
    'mind' => ['actually, make that [it]', 'sorry, can you change that to [it]', 'hold on, [it] would be better', 'actually I meant [it]'],
    'slip' => ['[wrong], no sorry, [it]', '[wrong], I mean [it]', '[wrong], no wait, [it]'],
    'done' => ["no, that's all, thank you", "no that's everything thanks", 'nothing else, thank you very much', "no, I'm done", "that's it, cheers", 'no thank you, goodbye'],
    'first' => ['the first one', 'the first one please', 'the first of those', "I'll take the first"],
    'whenever' => ['some time next week', 'whenever you have something free', 'next week would be good', 'as soon as you can'],
    'unknown' => ["I'm afraid I don't have that", "I don't know it", "I haven't got that to hand"],
    'lets_go' => ['never mind', "I'll leave it, goodbye", 'forget it'],
    // Words that stand for one another on a bad line.
    'misheard' => ['fifteen' => 'fifty', 'fifty' => 'fifteen', 'thirteen' => 'thirty', 'thirty' => 'thirteen', 'sixteen' => 'sixty', 'seventy' => 'seventeen', 'nine' => 'five', 'five' => 'nine', 'for' => 'four', 'to' => 'two', 'eight' => 'ate', 'one' => 'won', 'their' => 'there', 'hire' => 'higher', 'tuesday' => 'chews day', 'thursday' => 'thirsty', 'week' => 'weak', 'please' => 'pleas', 'right' => 'write', 'four' => 'for', 'two' => 'to', 'no' => 'know', 'would' => 'wood', 'b' => 'p', 'p' => 'b', 'd' => 't', 't' => 'd', 'm' => 'n', 'n' => 'm', 's' => 'f', 'f' => 's', 'broken' => 'brokan', 'deliver' => 'delivery', 'account' => 'a count', 'site' => 'sight', 'need' => 'knead', 'pay' => 'bay', 'card' => 'cart'],
    'um' => ['um', 'er', 'uh', 'you know', 'like'],
    'ones' => ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve', 'thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen'],
    'tens' => [2 => 'twenty', 3 => 'thirty', 4 => 'forty', 5 => 'fifty', 6 => 'sixty', 7 => 'seventy', 8 => 'eighty', 9 => 'ninety'],
    'ordinals' => [1 => 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth', 'eleventh', 'twelfth', 'thirteenth', 'fourteenth', 'fifteenth', 'sixteenth', 'seventeenth', 'eighteenth', 'nineteenth', 'twentieth', 'twenty first', 'twenty second', 'twenty third', 'twenty fourth', 'twenty fifth', 'twenty sixth', 'twenty seventh', 'twenty eighth', 'twenty ninth', 'thirtieth', 'thirty first'],
    'units' => ['D' => ['day', 'days'], 'W' => ['week', 'weeks'], 'M' => ['month', 'months']],
    'streets' => ['Mill Lane', 'Station Road', 'Church Street', 'Heron Close', 'Orchard Way', 'Quarry Hill', 'Bridge Street', 'The Avenue'],
    'towns' => ['Oldmere', 'Stanwick Cross', 'Tarn Bridge', 'Pellbrook', 'Harrowell', 'Quillmoor'],
    // What somebody says where words of their own are wanted.
    'texts' => ['the small one by the door', 'it has stopped and makes a noise', 'could somebody ring me back about the invoice', 'we would like it before the weekend', 'the blue one we talked about', 'it is leaking at the back', 'please tell them I called about the order', 'the same as the last time'],
];
