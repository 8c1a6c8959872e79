<?php

declare(strict_types=1);

/** Words the inspection of a design goes by. Patterns are regular expressions without delimiters unless they carry their own. */
return [
    // What a question asks for, by its words.
    'asks_for' => [
        'person_name' => ['\b(?:your|the|whose|what) (?:full |first |last |sur)?name\b(?! of (?:the|your) (?:street|road|company|firm|business|organisation|shop|machine|product|town))', 'who am i speaking', 'who is (?:calling|speaking)', 'whom am i'],
        'phone' => ['\b(?:phone|telephone|mobile|contact|call ?back) number\b', 'number (?:can|should|may) (?:we|i) (?:call|ring|reach)', 'what number (?:is|can|should)', 'best number', 'number to (?:ring|call|reach)'],
        'email' => ['\be-?mail\b'],
        'date' => ['\bwhat (?:date|day)\b', '\bwhich (?:date|day)\b', '\b(?:date of|on what date)\b', '\bwhen (?:would|do|should|shall|can|did|will|is|was|are)\b', 'from when', 'until when'],
        'time' => ['\bwhat time\b', '\bat which time\b', '\bwhich time\b', '\bfrom when\b', '\b(?:un)?till? when\b', '\bwhen (?:would|do|should|shall|can|did|will|is|was|are)\b'],
        'datetime' => ['\bfrom when\b', '\buntil when\b', '\bwhen (?:would|do|should|shall|can|did|will|is|was|are)\b', '\b(?:day|date) and time\b'],
        'number' => ['\bhow many\b', '\bwhat (?:quantity|size)\b', '\bon a scale\b', '\bfrom (?:one|1|zero|0) to (?:five|ten|5|10)\b', '\bhow old\b'],
        'money' => ['\bhow much (?:money|would you|did|do you|is your|can you)\b', '\bbudget\b', '\bwhat (?:amount|price)\b'],
        'duration' => ['\bhow long\b', '\bfor how (?:long|many (?:days|weeks|hours|months))\b'],
        'reference' => ['\b(?:reference|account|order|policy|contract|hire|booking|invoice|customer|membership|serial|case|ticket) (?:number|reference|code)\b', '\breference\b', '\bpostcode\b'],
        'postal_address' => ['\b(?:your|the|what|which) (?:full |home |postal |delivery |site |billing )?address\b', '\bwhere (?:should|shall|do) we (?:deliver|send|bring|come|collect)'],
    ],
    // Promises to send something; what is only asked or reported is no promise.
    'promises' => [
        'text' => ["\\b(?:we'll|i'll|we will|i will|i am going to|i'm going to|we're going to|going to|shall|i can|i have|i've|we have|we've|let me) (?:just |also |now |then )*(?:text|send(?: you)? (?:a|the|that by|it by) (?:text|message|text message)|text you|sent you a text|texted)\\b", "\\byou(?:'ll| will| should) (?:shortly |soon |also |then )*(?:get|receive|have) (?:a|the|our) (?:confirmation |short )?text\\b", '\\b(?:send|sent|sending) (?:you |it |that |this |the details |a link |a confirmation )*(?:by|in a|as a|a) text\\b'],
        'email' => ["\\b(?:we'll|i'll|we will|i will|i am going to|i'm going to|we're going to|going to|shall|i can|i have|i've|we have|we've|let me) (?:just |also |now |then )*(?:e-?mail|send(?: you)? (?:an|the|that by|it by) e-?mail|e-?mailed|sent you an e-?mail)\\b", "\\byou(?:'ll| will| should) (?:shortly |soon |also |then )*(?:get|receive|have) (?:an|the|our) (?:confirmation |short )?e-?mail\\b", '\\b(?:send|sent|sending) (?:you |it |that |this |the details |a link |a confirmation |the quote )*(?:by|in an|as an|an) e-?mail\\b'],
        'booked' => ["\\b(?:i have|i've|we have|we've|i will|i'll|we will|we'll) (?:just |also |now |then |got )*(?:booked|book|reserved|reserve|put you down for|scheduled|schedule|made (?:you )?(?:an?|the|your) (?:appointment|booking|reservation))\\b", "\\byou(?:'re| are) (?:all |now )*(?:booked|reserved|down for|scheduled)\\b", '\\b(?:your|the) (?:appointment|booking|reservation|table|place|slot|visit|room) (?:is|has been) (?:now |all )*(?:booked|made|reserved|confirmed|set|fixed)\\b'],
        'ring_back' => ["\\b(?:somebody|someone|we|i|they|a colleague|the team|our team|one of us|he|she)(?:'ll| will| is going to| are going to) (?:then |also |just |soon |shortly )*(?:ring|call|phone|telephone) (?:you )?(?:back|again|up)\\b", "\\byou(?:'ll| will) (?:then |also |soon )*(?:be (?:rung|called|phoned|telephoned)|(?:get|have|receive) a (?:call|ring) back|hear (?:back )?from (?:us|them|somebody|someone))\\b", "\\b(?:somebody|someone|we|a colleague|the team|our team)(?:'ll| will) (?:be|get) (?:back )?in touch\\b"],
        'put_through' => ["\\byou(?:'re| are) (?:now )?being (?:put through|connected|transferred)\\b", "\\b(?:i'll|i will|i am|i'm|we'll|we will|let me) (?:just |now )*(?:put|putting|connect|connecting|transfer|transferring) (?:you|the call|this call)(?: straight| right| on| over)? ?(?:through|to|with|now)\\b"],
    ],
    'leftovers' => ['\blorem\b', '\bipsum\b', '\btodo\b', '\btbc\b', '\bxx+\b', '\byour (?:business|company) name\b', '\b(?:business|company|agent) name here\b', '\bsample (?:text|price|prompt|business|name)\b', '\bplaceholder\b', '\bfill (?:this|me) in\b', '\binsert (?:name|business|text|price)\b'],
    // What a voice says badly, and what to write instead; null where only the author knows.
    'spoken_as' => [
        '/\be\.\s?g\.,?/ui' => 'for example',
        '/\bi\.\s?e\.,?/ui' => 'that is',
        '/\betc\b\.?/ui' => 'and so on',
        '/\bapprox\b\.?/ui' => 'about',
        '/\basap\b/ui' => 'as soon as possible',
        '/\bappt\b\.?/ui' => 'appointment',
        '/\binfo\b(?!@)/ui' => 'information',
        '/\bno\.\s?(?=\d)/ui' => 'number ',
        '/\btel\b\.?(?=\s?[:\d])/ui' => 'telephone',
        '/\bmins\b\.?/ui' => 'minutes',
        '/\bhrs\b\.?/ui' => 'hours',
        '/\s&\s/u' => ' and ',
        '/(?<=\pL)&(?=\pL)/u' => ' and ',
        '/\b24\/7\b/u' => 'day and night',
        '/\band\/or\b/ui' => 'or',
        '/\b(Mon|Tue|Tues|Wed|Thu|Thur|Thurs|Fri|Sat|Sun)\s?[-–—]\s?(Mon|Tue|Tues|Wed|Thu|Thur|Thurs|Fri|Sat|Sun)\b/u' => '$1 to $2',
        '/\bMon\b(?!\pL)/u' => 'Monday',
        '/\bTues?\b(?!\pL)/u' => 'Tuesday',
        '/\bWed\b(?!\pL)/u' => 'Wednesday',
        '/\bThu(?:rs?)?\b(?!\pL)/u' => 'Thursday',
        '/\bFri\b(?!\pL)/u' => 'Friday',
        '/(?<=\d)\s?%/u' => ' per cent',
        '/(?<=\d)\s?[-–—]\s?(?=\d)/u' => ' to ',
        '/(?<=\d)\s?(?:kg)\b/u' => ' kilos',
        '/(?<=\d)\s?(?:km)\b/u' => ' kilometres',
        '/https?:\/\/\S+|\bwww\.\S+/ui' => null,
        '/[#*_~]{2,}|[<>|\\\\^=]/u' => null,
        '/\s[+@#]\s/u' => null,
    ],
    'discloses' => [
        'machine' => ['\bautomat', '\bvirtual\b', '\bdigital (?:assistant|agent)\b', '\brobot', '\bcomputer', '\bA\.?I\b', '\bartificial', '\bnot a (?:person|human)\b', '\bvoice assistant\b', '\bmachine\b'],
        'recording' => ['\brecord(?:ed|ing)\b', '\bis being recorded\b'],
    ],
    'opt_out' => ['\bstop (?:these|the|our|further|any|future|all)?\s?(?:calls|calling|ringing|reminders|messages)\b', '\bopt(?:ing)?[ -]?out\b', '\bno (?:more|further) (?:calls|reminders)\b', '\bnot (?:want|wish|like) (?:to be called|any more calls|these calls|us to (?:call|ring))\b', '\bdo not call\b', "\\b(?:don't|do not) want (?:these|any more|further|more) calls\\b", '\btake you off\b', '\bnot be called\b', "\\bwon't (?:call|ring) (?:you )?again\\b"],
    'small' => ['the', 'a', 'an', 'i', 'you', 'it', 'is', 'to', 'me', 'my', 'that', 'this', 'can', 'could', 'would', 'we', 'do', 'with', 'for', 'of', 'on', 'in', 'at', 'and', 'or', 'but', 'just', 'there', 'be', 'will', 'have', 'like', 'want', 'wants', 'need', 'needs', 'get', 'our', 'your', 'us', 'as', 'if', 'about', 'some', 'somebody', 'someone', 'something', 'what', 'when', 'how', 'who', 'which', 'not', 'no', 'are', 'was', 'been', 'they', 'their', 'them', 'from', 'up', 'out', 'so', 'one', 'any', 'caller', 'callers', 'asks', 'asking', 'ask', 'call', 'calling', 'customer', 'customers', 'person', 'people', 'anything', 'other', 'else', 'by', 'more'],
];
