<?php

declare(strict_types=1);

// Words that hold a sentence together: what is done with words is told by them themselves, not by what they are like.
return [
    'a' => true, 'about' => true, 'actually' => true, 'after' => true, 'again' => true, 'ah' => true, 'all' => true, 'already' => true, 'always' => true,
    'am' => true, 'an' => true, 'and' => true, 'another' => true, 'any' => true, 'anyway' => true, 'are' => true, "aren't" => true, 'as' => true,
    'at' => true, 'be' => true, 'because' => true, 'been' => true, 'before' => true, 'being' => true, 'both' => true, 'but' => true, 'by' => true,
    'bye' => true, 'can' => true, "can't" => true, 'cheers' => true, 'come' => true, 'could' => true, "couldn't" => true, 'did' => true, "didn't" => true,
    'do' => true, 'does' => true, "doesn't" => true, 'doing' => true, "don't" => true, 'done' => true, 'down' => true, 'each' => true, 'either' => true,
    'er' => true, 'every' => true, 'few' => true, 'fine' => true, 'for' => true, 'from' => true, 'gave' => true, 'get' => true, 'give' => true, 'go' => true,
    'going' => true, 'gonna' => true, 'good' => true, 'got' => true, 'had' => true, "hadn't" => true, 'has' => true, "hasn't" => true, 'have' => true,
    "haven't" => true, 'having' => true, 'he' => true, "he's" => true, 'hello' => true, 'her' => true, 'here' => true, 'hey' => true, 'hi' => true,
    'him' => true, 'his' => true, 'how' => true, "how's" => true, 'i' => true, "i'd" => true, "i'll" => true, "i'm" => true, "i've" => true, 'if' => true,
    'in' => true, 'into' => true, 'is' => true, "isn't" => true, 'it' => true, "it's" => true, 'just' => true, 'know' => true, 'let' => true, "let's" => true,
    'like' => true, 'little' => true, 'look' => true, 'make' => true, 'many' => true, 'may' => true, 'maybe' => true, 'me' => true, 'might' => true,
    'mine' => true, 'more' => true, 'most' => true, 'much' => true, 'must' => true, 'my' => true, 'need' => true, 'neither' => true, 'never' => true,
    'no' => true, 'none' => true, 'nope' => true, 'nor' => true, 'not' => true, 'now' => true, 'of' => true, 'off' => true, 'oh' => true, 'ok' => true,
    'okay' => true, 'on' => true, 'one' => true, 'only' => true, 'or' => true, 'other' => true, 'ought' => true, 'our' => true, 'out' => true, 'over' => true,
    'own' => true, 'perhaps' => true, 'please' => true, 'probably' => true, 'put' => true, 'really' => true, 'right' => true, 'said' => true, 'same' => true,
    'say' => true, 'see' => true, 'shall' => true, 'she' => true, "she's" => true, 'should' => true, "shouldn't" => true, 'so' => true, 'some' => true,
    'sorry' => true, 'still' => true, 'sure' => true, 'ta' => true, 'take' => true, 'tell' => true, 'than' => true, 'thank' => true, 'thanks' => true,
    'that' => true, "that's" => true, 'the' => true, 'their' => true, 'them' => true, 'then' => true, 'there' => true, "there's" => true, 'these' => true,
    'they' => true, "they're" => true, "they've" => true, 'think' => true, 'this' => true, 'those' => true, 'to' => true, 'told' => true, 'too' => true,
    'uh' => true, 'um' => true, 'up' => true, 'us' => true, 'very' => true, 'wanna' => true, 'want' => true, 'was' => true, "wasn't" => true, 'we' => true,
    "we'd" => true, "we'll" => true, "we're" => true, "we've" => true, 'well' => true, 'were' => true, "weren't" => true, 'what' => true, "what's" => true,
    'when' => true, 'where' => true, "where's" => true, 'which' => true, 'while' => true, 'who' => true, "who's" => true, 'whom' => true, 'whose' => true,
    'why' => true, 'will' => true, 'with' => true, "won't" => true, 'would' => true, "wouldn't" => true, 'yeah' => true, 'yep' => true, 'yes' => true,
    'yet' => true, 'you' => true, "you'd" => true, "you'll" => true, "you're" => true, "you've" => true, 'your' => true, 'yours' => true,
];
