<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

/** What a caller does with words, beside answering what was asked. */
enum ActKind: string
{
    case Leaving = 'leaving';
    case StopCalling = 'stop calling';
    case Person = 'person';
    case Hold = 'hold';
    case Presence = 'presence';
    case Repeat = 'repeat';
    case Slower = 'slower';
    case StartAgain = 'start again';
    case Back = 'back';
    case Why = 'why';
    case Meaning = 'meaning';
    case Handover = 'handover';
    case AlreadyTold = 'already told';
    case DontKnow = 'does not know';
    case DontMind = 'does not mind';
    case Refuse = 'refuses';
    case NothingMore = 'nothing more';
    case Thanks = 'thanks';
    case Complaint = 'complaint';
    case Frustration = 'frustration';
    case Profanity = 'strong words';
    case OffTopic = 'off topic';
    case Question = 'question';
}
