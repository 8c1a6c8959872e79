<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;

/** Reads yes and no in their many dressings; doubt, deferral and refusal to say are neither. */
final readonly class YesNoReader implements Reader
{
    /** @var Phrases<string> */
    private Phrases $phrases;

    /** 'Not too bad' is a yes to how somebody feels, and a no to whether it hurts: no table tells. */
    private const BY_QUESTION = 'by_question';

    /** Words of a no behind a yes with which more is told. */
    private const SAYS_WHY = ['never', "i've", 'ive', "we've", 'weve', "haven't", 'havent', "hadn't", "didn't", "i'm", "we're", "don't", "can't"];

    /** Last words of a saying behind which a sentence may go on. */
    private const GOES_ON = ['will', 'would', 'is', 'are', 'was', 'were', 'do', 'does', 'did', 'have', 'has', 'had', 'can', 'could', 'am'];

    public function __construct(private Vocabulary $words)
    {
        $this->phrases = $words->composed('yes_no', static fn (): array => self::table($words));
    }

    /** @return array<string, string> what is said for yes, for no, for neither, and what is either by the question */
    public static function table(Vocabulary $words): array
    {
        $table = [];
        foreach (['neither', 'no', 'yes'] as $side) {
            foreach ($words->section('yes_no', $side) as $phrase) {
                $table[$phrase] ??= $side;
            }
        }
        foreach ($words->section('yes_no', 'by_question') as $phrase) {
            $table[$phrase] = self::BY_QUESTION;
        }
        foreach ($words->section('yes_no', 'flip') as $phrase => $yes) {
            $table[$phrase] = $yes ? 'yes' : 'no';
        }

        return $table;
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{string, int, int}>
     */
    private function told(array $t): array
    {
        return array_values(array_filter($this->phrases->all($t), static fn (array $hit): bool => $hit[0] !== self::BY_QUESTION));
    }

    public function read(Heard $heard, Context $context): Reading
    {
        if (! $context->asked) {
            return Reading::none();
        }
        $t = $heard->tokens === [] ? $heard->all : $heard->tokens;
        $hits = $this->told($t);
        if ($hits === []) {
            // Noises that are fillers elsewhere: 'mm hmm', 'uh huh'.
            $hits = $this->told($heard->all);
            $t = $heard->all;
        }
        if ($hits === []) {
            return Reading::none();
        }
        $first = $hits[0];
        $decided = null;
        $doubted = null;
        $changed = false;
        foreach ($hits as $n => [$side, $place, $length]) {
            if ($side === 'neither') {
                // 'hang on', 'sorry' and the like only make way for what follows; real doubt after an answer unsays it.
                if (! in_array($t[$place]->text, ['sorry', 'hang', 'hold', 'wait', 'what', 'pardon', 'who', 'how', 'let'], true) || count($hits) === 1) {
                    $doubted = [$place, $length, $n];
                }

                continue;
            }
            $word = $t[$place]->text;
            // 'Yes, but not before ten' keeps the yes; what follows narrows it.
            if ($decided !== null && $this->narrowed($t, $decided[1] + $decided[2], $place)) {
                continue;
            }
            // Lone weak words inside a sentence are no answer: 'the right depot', 'not the big one', 'do you have'.
            if ($length === 1 && ! $this->counts($t, $place, $decided !== null)) {
                continue;
            }
            if ($length > 1 && $this->asks($t, $place, $length)) {
                continue;
            }
            // 'Yes, actually no, they will be tired': what goes on behind it says why, and nothing else.
            $next = $t[$place + $length] ?? null;
            if ($decided !== null && $decided[0] !== $side && $length > 1 && $next !== null && ! $next->afterBreak() && in_array($t[$place + $length - 1]->text, self::GOES_ON, true)) {
                continue;
            }
            if ($decided !== null && $decided[0] !== $side) {
                // 'No, that's fine' keeps the no; 'yes, no, wait, yes' ends with the last.
                $firm = in_array($word, ['yes', 'no', 'yeah', 'nope', 'yep', 'nah', 'actually'], true) || ($decided[0] === 'yes' && $side === 'no');
                $soft = in_array(implode(' ', array_map(static fn (Token $x): string => $x->text, array_slice($t, $place, $length))), ["that's fine", 'thats fine', 'fine', 'thats ok', "that's ok", "that's okay", "that's all right", "that's alright", 'ok', 'okay', 'all right', 'alright', 'good', "that's great", 'great', 'perfect', "that's right", "that's correct", "don't worry", 'please', "that's it", 'no problem', 'no worries', 'not a problem', "i'm good", 'never mind', 'lovely', 'right', 'i do', 'i am', 'i have', 'it is', 'it was', "it's fine", 'we do', 'we are', 'we have', 'i think so', 'fine by me', "that's good", 'not yet'], true);
                $repair = $this->repaired($t, $place);
                // 'Yes. I haven't got the time myself' says something else by its no.
                if (! $repair && $decided[0] === 'yes' && $length > 1 && isset($t[$place + $length]) && ! $t[$place + $length]->afterBreak() && $this->newSentence($t, $decided[1], $place)) {
                    continue;
                }
                // 'Yes, I've never been' goes on behind its no: it says why it is a yes.
                if (
                    ! $repair
                    && $decided[0] === 'yes'
                    && in_array($word, self::SAYS_WHY, true)
                    && isset($t[$place + $length])
                    && ! $t[$place + $length]->afterBreak()
                ) {
                    continue;
                }
                if (! $repair && ($soft || ! $firm)) {
                    continue;
                }
                $changed = true;
            }
            $decided = [$side, $place, $length, $n];
        }
        if ($doubted !== null && ($decided === null || $doubted[2] > $decided[3] && ! in_array($t[$doubted[0]]->text, ['why', 'maybe', 'possibly', 'perhaps', 'could', 'do'], true) || $doubted[2] < $decided[3] && $decided[0] === 'yes' && $this->weak($t, $decided))) {
            return Reading::none('neither a yes nor a no');
        }
        if ($decided === null) {
            return Reading::none();
        }
        [$side, $place, $length] = $decided;
        $from = $t[$place]->start;
        $to = $t[$place + $length - 1]->end;
        $confidence = 0.95 - ($changed ? 0.12 : 0) - ($place > 3 ? 0.08 : 0) - ($this->weak($t, [$side, $place, $length]) ? 0.1 : 0);
        if (count($t) > 12 && $first[1] > 2) {
            $confidence -= 0.1;
        }

        return Reading::of($side === 'yes', $confidence, $heard->between($from, $to), $from, $to);
    }

    /** @param list<Token> $t */
    private function counts(array $t, int $place, bool $already): bool
    {
        $word = $t[$place]->text;
        $next = $t[$place + 1] ?? null;
        $opens = $place === 0 || ($t[$place] ?? null)?->afterBreak() === true || in_array($t[$place - 1]->text ?? '', ['oh', 'well', 'um', 'uh', 'yes', 'yeah', 'no', 'so', 'and', 'er', 'but', 'then', 'okay', 'ok', 'ah', 'actually', 'wait', 'sorry', 'hmm', 'think', 'say', 'said', 'please', 'just'], true);
        $closes = $next === null || $next->afterBreak();
        if (in_array($word, ['yes', 'yeah', 'yep', 'yup', 'nope', 'nah', 'no', 'aye', 'yea', 'definitely', 'absolutely', 'certainly'], true)) {
            if ($word === 'no' && $next !== null && in_array($next->text, ['idea', 'clue', 'rush', 'more', 'hurry'], true)) {
                return false;
            }

            return $opens || $closes || $word !== 'no';
        }
        if (in_array($word, ['not', 'none', 'nothing', 'stop', 'do', 'quite', 'right', 'good', 'fine', 'grand', 'super', 'true', 'great', 'mm', 'please', 'likely', 'always', 'probably', 'lovely', 'perfect', 'positive', "can't", "won't", "couldn't", "i've", 'speaking', 'cannot', "don't", 'dont', 'wrong', 'naturally', 'obviously', 'decline', 'neither', 'indeed', "let's"], true)) {
            return match ($word) {
                "don't", 'dont', "can't", "won't", 'cannot', "couldn't" => $opens,
                'please' => $opens && $closes && ! $already,
                'not' => $opens && ! $closes && ! in_array($next?->text, ['the', 'a', 'my', 'on', 'in', 'for', 'until'], true),
                default => $opens && $closes,
            };
        }

        return $opens;
    }

    /** @param list<Token> $t 'can you tell me', 'do I have to': a question back is no answer */
    private function asks(array $t, int $place, int $length): bool
    {
        $line = implode(' ', array_map(static fn (Token $x): string => $x->text, array_slice($t, $place, $length)));
        $next = $t[$place + $length]->text ?? '';
        $question = str_ends_with($line, ' you') ? false : in_array($line, ['you can', 'you have', 'you do', 'you are', 'you could', 'you may', 'it is', 'it was', 'it does', 'it has', 'they are', 'they do', 'there is', 'there are', 'i am', 'i have', 'i can', 'i was', 'i will', 'i would', 'i did', 'i do', 'we are', 'we have', 'we will', 'we can', 'he is', 'she is', 'he has', 'she has', 'it will', 'it can', 'it would', 'we would', 'i could', 'we do', 'they have', 'they will', 'there was', 'he will', 'she will', 'we did', 'they did', 'he did', 'she did'], true);
        if (! $question) {
            return false;
        }
        $opens = $place === 0 || ($t[$place] ?? null)?->afterBreak() === true || in_array($t[$place - 1]->text ?? '', ['yes', 'yeah', 'and', 'well', 'oh', 'actually', 'no', 'think', 'believe', 'so', 'sure', 'indeed', 'guess', 'suppose'], true);
        // 'I have a question', 'it is on the left' say something else; 'I have, yes' and 'it is the same one' answer.
        $goesOn = $next !== '' && ! $t[$place + $length]->afterBreak();
        if (! $opens) {
            return true;
        }
        // 'I will collect it' says what will be done; 'I will, yes' and 'I will need it' answer.
        if ($goesOn && in_array($line, ['i will', 'we will', 'i would', 'we would', 'i can', 'we can', 'i could', 'he will', 'she will', 'they will'], true)
            && ! in_array($next, ['need', 'want', 'have', 'be', 'do', 'yes', 'yeah', 'please', 'indeed', 'actually', 'definitely', 'certainly', 'thanks', 'thank', 'like', 'too', 'then', 'probably', 'always', 'love', 'prefer', 'appreciate', 'still', 'ta', 'cheers', 'if', 'but', 'and'], true)) {
            return true;
        }

        return $goesOn && in_array($next, ['a', 'an', 'going', 'looking', 'trying', 'calling', 'at', 'on', 'in', 'question', 'to', 'been', 'my', 'just', 'wondering', 'some', 'two', 'three', 'ringing', 'phoning', 'not', 'about', 'also'], true);
    }

    /**
     * @param array{string, int, int, 3?: int} $hit
     * @param list<Token> $t
     */
    private function weak(array $t, array $hit): bool
    {
        return $hit[2] === 1 && in_array($t[$hit[1]]->text, ['please', 'right', 'ok', 'okay', 'fine', 'good', 'mm', 'always', 'likely', 'probably', 'quite', 'lovely', 'great', 'alright', 'sure', 'yeah', 'indeed'], true);
    }

    /** @param list<Token> $t */
    private function newSentence(array $t, int $from, int $to): bool
    {
        for ($i = $from + 1; $i <= $to; $i++) {
            if (preg_match('/[.!?]/', $t[$i]->gap) === 1) {
                return true;
            }
        }

        return false;
    }

    /** @param list<Token> $t whether a 'but' or 'as long as' stands between */
    private function narrowed(array $t, int $from, int $to): bool
    {
        for ($i = $from; $i < $to; $i++) {
            if (in_array($t[$i]->text, ['but', 'although', 'though', 'except', 'provided', 'unless', 'only'], true)) {
                return true;
            }
        }

        return false;
    }

    /** @param list<Token> $t whether a repair stands right before: 'no, wait, yes' */
    private function repaired(array $t, int $place): bool
    {
        $before = array_map(static fn (Token $x): string => $x->text, array_slice($t, max(0, $place - 3), min(3, $place)));

        return array_intersect($before, ['wait', 'actually', 'sorry', 'mean', 'meant', 'hang', 'hold', 'scratch', 'rather']) !== [];
    }
}
