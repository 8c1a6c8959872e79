<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;

/** Days, hours and counts in reply to a question that a yes or a no answers. */
final readonly class YesNoFigures
{
    /** A reply of so few words is an hour and nothing else. */
    private const SHORT = 6;

    /** Words that stand around days and hours. */
    private const AROUND_DAYS = [
        'next',
        'this',
        'on',
        'or',
        'and',
        'the',
        'a',
        'after',
        'before',
        'at',
        'then',
        'please',
        'early',
        'late',
        'would',
        'be',
        'best',
        'good',
        'is',
        'are',
        'maybe',
        'any',
        'half',
        'past',
        'o\'clock',
        'morning',
        'mornings',
        'afternoon',
        'afternoons',
        'evening',
        'one',
        'two',
        'three',
        'four',
        'five',
        'six',
        'seven',
        'eight',
        'nine',
        'ten',
        'eleven',
        'twelve',
        'some',
        'time',
        'week',
    ];

    /** Other words that may stand beside them. */
    private const LITTLE_BESIDE = 1;

    /** Questions that offer to do something at some time. */
    private const OFFERS = '/\b(?:shall|should|can|could|may|would you like|do you want)\b.*\b(?:ring|call|phone|come|visit|speak|talk|deliver|collect|fetch|book)/i';

    /** Words behind a number that is no count. */
    private const OF_AN_HOUR = ["o'clock", 'am', 'pm', 'thirty', 'fifteen', 'ish', 'past', 'to'];

    private const BEFORE_A_COUNT = ['oh', 'the', 'well', 'i', 'we', "i've", "we've", "he's", "she's", 'have', 'had', 'got', 'there', "there's", 'are', 'were', 'about', 'just', 'only', 'another', 'at', 'least'];

    /** @var Phrases<mixed> words that speak of days */
    private Phrases $days;

    private Numerals $numerals;

    public function __construct(Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->days = $words->phrases('calendar', 'of_days');
    }

    /** Whether a reply tells days or hours, where none were asked for. */
    public function ofTime(Heard $heard, string $question): bool
    {
        return $this->onlyDays($heard, $question) || $this->onlyHours($heard);
    }

    /** Whether telling when agrees: 'after five' to 'shall she ring you'. */
    public function agrees(string $question): bool
    {
        return preg_match(self::OFFERS, $question) === 1;
    }

    /** 'Two, but they will be shut in' to 'do you have a dog'. */
    public function counts(Heard $heard, string $question): bool
    {
        $asksWhether = preg_match('/\b(?:do you have|have you|are there|is there|has (?:he|she|it)|does (?:he|she|it) have|will there be|would you like an?|do you want an?|do you need an?|will you need an?)\b/i', $question) === 1;
        $at = 0;
        // 'We've had three'
        while (in_array($heard->tokens[$at]->text ?? '', self::BEFORE_A_COUNT, true)) {
            $at++;
        }
        $number = ! isset($heard->tokens[$at]) || ! $asksWhether ? null : $this->numerals->cardinal($heard->tokens, $at);
        $next = $number === null ? null : ($heard->tokens[$at + $number->length]->text ?? '');

        return $number !== null && $number->value >= 1 && $number->isWhole() && ! in_array($next, self::OF_AN_HOUR, true);
    }

    /** 'Next Thursday or Friday' to 'are you registered' is about something else; to 'have you a day in mind' it is a yes. */
    private function onlyDays(Heard $heard, string $question): bool
    {
        $days = $this->days->in($heard->tokens);
        $ofTime = preg_match('/\b(?:when|day|days|date|time|times|week|month|morning|afternoon|evening|today|tomorrow|appointment|free|available|soon|long|before|since|ago|recent|recently|lately|yet|regular|often|suit|convenient)\b/i', $question) === 1;
        $beside = array_filter($this->days->without($heard->tokens), static fn (Token $token): bool => ! in_array($token->text, self::AROUND_DAYS, true));

        return $days && ! $ofTime && count($beside) <= self::LITTLE_BESIDE;
    }

    /** 'After five', 'about half nine': an hour and nothing else. */
    private function onlyHours(Heard $heard): bool
    {
        return preg_match('/^(?:any ?time )?(?:after|before|around|about|from|until|till|by) (?:about )?(?:half (?:past )?|quarter (?:past|to) )?(?:\d{1,2}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|noon|lunch|midday|work|school)\b/', $heard->cleaned()) === 1
            && count($heard->tokens) <= self::SHORT;
    }
}
