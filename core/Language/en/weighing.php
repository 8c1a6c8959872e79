<?php

declare(strict_types=1);

/** Words around a value that speak for or against it, whatever the field. */
$around = [
    'past' => ['was', 'were', 'used to', 'last year', 'last time', 'last winter', 'last summer', 'originally', 'before', 'had', 'until now', 'previously', 'formerly'],
    'denied' => ['not', 'no', "isn't", "wasn't", "don't", "can't", "won't", 'never', 'anything but', 'any but', 'except', 'instead of', 'rather than', 'apart from', 'without'],
    'either' => ['or', 'between', 'either', 'maybe', 'perhaps', 'not sure', 'somewhere', 'might'],
    'limit' => ['up to', 'at most', 'no more than', 'not more than', 'under', 'maximum', 'max', 'tops', 'ceiling', 'limit', 'at the outside', 'over', 'anything over', 'above', 'not going over', 'no later than', 'latest', 'before', 'at least', 'minimum'],
    'settles' => ['so', 'then', "let's say", 'say', 'make it', 'call it', 'put', 'go for', "i'll take", 'actually', 'better', 'i mean', 'in the end', 'now'],
    'considered' => ['was going to', 'were going to', 'thought', 'thinking', 'was hoping', 'could', 'would be', 'if', 'ideally', 'wanted', 'might', 'says', 'said'],
    'others' => ['my colleague', 'your colleague', 'my husband', 'my wife', 'my partner', 'my daughter', 'my son', 'my sister', 'my brother', 'my mum', 'my dad', 'his', 'her', 'their', 'he', 'she', 'they'],
    'hours' => ['closed', 'open', 'shut', 'closes', 'opens', 'opening', 'closing', 'no longer work', 'do not work', "don't work", 'not in on'],
    'mine' => ["i'm", 'i am', 'my', "it's", 'this is', "i'd", "i've", 'we', "we're", "we've", 'us', 'me'],
];

$tables = ['around' => $around];
// What makes a value a bound; and what a field is called that holds one.
$tables['bounds'] = ['up to', 'at most', 'at the most', 'no more than', 'not more than', 'not going over', 'not over', 'under', 'maximum', 'max', 'a maximum of', 'tops', 'at the outside', 'over', 'anything over', 'anything above', 'above', 'more than', 'no later than', 'not later than', 'at the latest', 'at least', 'minimum', 'not before', 'no earlier than', 'before', 'by', 'within', 'until', 'till'];
$tables['amounts'] = ['a', 'an', 'half', 'quarter', 'couple', 'dozen', 'both', 'hundred', 'thousand', 'million', 'fortnight', 'pair', 'single', 'double', 'twice', 'once', 'grand', 'none', 'no'];
$tables['limit_fields'] = ['budget', 'limit', 'maximum', 'max', 'most', 'at most', 'highest', 'up to', 'not exceed', 'above which', 'over which', 'ceiling', 'latest', 'no later than', 'deadline', 'by when', 'needed by', 'start by', 'out by', 'must be', 'at least', 'minimum', 'lowest', 'least', 'earliest', 'not before', 'cap'];
foreach ($around as $name => $phrases) {
    $tables['around_'.$name] = array_combine($phrases, $phrases);
}

return $tables;
