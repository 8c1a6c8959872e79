<?php

declare(strict_types=1);

// Words by which yes, no and neither are told apart (Ringo\Understanding\YesNo\Features).

return [
    'against' => ['no', 'not', 'never', 'none', 'nothing', 'nobody', 'neither', 'nor', 'nope', 'nah', 'without', 'hardly', 'barely', 'cannot'],
    'minding' => ['mind', 'objection', 'problem', 'trouble', 'bother', 'object'],
    'small' => ['is', 'are', 'was', 'were', 'am', 'do', 'does', 'did', 'have', 'has', 'had', 'can', 'could', 'will', 'would', 'shall', 'should', 'may', 'might', 'any', 'anybody', 'anyone', 'ever', 'still', 'yet', 'already', 'all', 'only', 'just', 'the', 'a', 'an', 'i', 'you', 'it', 'we', 'they', 'he', 'she', 'that', 'this', 'there', 'my', 'your', 'our', 'his', 'her', 'their', 'of', 'to', 'in', 'on', 'at', 'for', 'with', 'and', 'or', 'but', 'if', 'so', 'been', 'be', "i'm", "it's", "i've", "we've", "that's", "isn't", "aren't", "don't", "doesn't", "didn't", "haven't", "hasn't", "can't", "won't", "wouldn't", "you're", "you've", "there's", 'got', 'not', 'no', 'yes', 'yeah', 'never', 'both', 'same', 'first', 'last', 'once', 'until', 'before', 'since', 'know', 'think', 'sure', 'depends', 'maybe', 'what', 'why', 'how', 'who', 'when', 'which', 'sorry', 'please', 'course', 'too', 'very', 'quite', 'some', 'one', 'two', 'three'],
];
