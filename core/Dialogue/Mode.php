<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

/** What the caller's next words are taken as; each case has its class in Modes. */
enum Mode: string
{
    /** An answer to the step the call stands at. */
    case Answer = 'answer';
    /** A yes or no to what was read back. */
    case Confirm = 'confirm';
    /** Which of two topics is meant. */
    case Clarify = 'clarify';
    /** Who of several people on one number it is. */
    case Identify = 'identify';
    /** Whether it is about the same as the last call. */
    case Recent = 'recent';
    /** Which of several teams is meant. */
    case WhichTeam = 'which_team';
    /** When a call-back would suit. */
    case CallBack = 'call_back';
    /** Words while somebody is being rung. */
    case Ringing = 'ringing';
    /** Words while an errand is on its way. */
    case LookingUp = 'looking_up';
    /** Words to a colleague. */
    case Connected = 'connected';
    /** Somebody else is coming to the telephone. */
    case Handover = 'handover';
}
