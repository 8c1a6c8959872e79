<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Advice\Purpose;
use Ringo\Dialogue\Turn;
use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\YesNo\Model;
use Ringo\Value\ValueType;

/**
 * Yes and no by meaning, given what was asked: a plain yes or no stands; one that stands inside other words, and a reply that only
 * means one ('this would be my first time'), is put back in words the caller can simply confirm.
 */
final readonly class YesNoMeant
{
    /** A short reply: what follows a yes or no in it belongs to it. */
    private const SHORT = 6;

    /** A reply that begins or ends with a yes is believed unless it means a no so surely: 'yeah, it's fine now' after 'is it leaking'. */
    private const AGAINST_YES = 0.8;

    /** The same of a no, which more often only leads into words of agreement: 'no problem', 'no, that's perfect'. */
    private const AGAINST_NO = 0.65;

    /** A longer reply that begins with a yes or no is believed where its meaning agrees so far: 'no it's just me out here with the dog'. */
    private const BORNE_OUT = 0.6;

    /** A yes or no inside other words is believed where the whole means the same so surely. */
    private const AGREED = 0.95;

    /** How sure a value is that is only meant: always read back. */
    private const UNSURE = 0.5;

    /** How sure a value is that an adviser reads the same way or decides: not read back where only doubt is. */
    public const ADVISED = 0.8;

    /** How sure a value is where the reply says one of the two again that were asked about. */
    private const RESTATED = 0.9;

    /** From here on a reply that holds no yes or no is taken to mean one. */
    private const MEANT = 0.55;

    /** @var array<string, true> words that are a yes or a no wherever they begin a reply */
    private array $plain;

    /** @var array<string, true> */
    private array $littleWords;

    private PlainQuestion $plainQuestion;

    private YesNoFigures $figures;

    /** @var Phrases<mixed> */
    private Phrases $acknowledges;

    /** Words that may stand before a yes or a no. */
    private const BEFORE_IT = ['oh', 'hello', 'hi', 'hiya', 'well', 'um', 'er', 'erm', 'ah', 'ooh', 'right', 'so', 'and', 'morning', 'afternoon', 'good', 'actually'];

    private const WHETHER_THERE_IS = '/^(?:are there|is there|have you(?: got)?|do you have|any)\\b(?!.*\\b(?:been|ever|had|done|told|tried|managed|put|found|asked|seen)\\b)/i';

    private const THERE_IS = '/^(?:well |oh |yeah )?(?:i\'ve|we\'ve|i have|we have|he\'s got|she\'s got|there\'s|there is|there are)(?: got)? (?:an? |one |two |three |four |some |my |our |a couple )/i';

    public function __construct(private Model $model, private Vocabulary $vocabulary)
    {
        $words = $vocabulary;
        $this->plainQuestion = new PlainQuestion($words);
        $this->figures = new YesNoFigures($words);
        $this->acknowledges = $words->phrases('questions', 'acknowledgements');
        $this->littleWords = $words->set('function_words');
        $this->plain = array_fill_keys($words->section('yes_no', 'plain'), true);
    }

    /** A yes or no that was read, with how sure it is given the question. */
    public function weighed(Turn $turn, Reading $read, Heard $heard): Reading
    {
        $restated = $this->restated($turn, $heard);
        if ($restated->found()) {
            return $restated;
        }
        // 'Yes, actually no' is a no, whatever is said of it.
        if ($read->found() && $this->vocabulary->phrases('yes_no', 'changes_mind')->in($heard->tokens)) {
            return $read;
        }
        $given = $this->given($read, $heard, $this->question($turn));

        return $given->found() && $given->confidence <= self::UNSURE && $given !== $read ? $this->advised($turn, $given, $heard) : $given;
    }

    /** The same where an adviser was asked whether it is a yes or a no. */
    private function advised(Turn $turn, Reading $reading, Heard $heard): Reading
    {
        $choice = $turn->advised(
            Purpose::YesNo,
            'The agent asked: "'.$this->question($turn).'" Does the reply say yes or no to it?',
            ['yes' => 'the reply means yes', 'no' => 'the reply means no'],
        );

        return $choice === null ? $reading : Reading::of($choice === 'yes', self::ADVISED, $heard->original, 0, strlen($heard->original));
    }

    /** What a reply comes to, given the question: a yes or no read in it, or meant by it. */
    public function judged(Reading $read, Heard $heard, string $question): Reading
    {
        return $read->found() ? $this->given($read, $heard, $question) : $this->guess($heard, $question);
    }

    private function given(Reading $read, Heard $heard, string $question): Reading
    {
        if (! is_bool($read->value) || $question === '') {
            return $read;
        }
        if ($read->value && $this->onlyAcknowledges($heard, $question)) {
            return Reading::of(true, min($read->confidence, self::UNSURE), $read->said, $read->start, $read->end);
        }
        $meant = $this->model->of($heard->cleaned(), $question, $read->value);
        [$for, $against] = $read->value ? [$meant->yes, $meant->no] : [$meant->no, $meant->yes];
        $first = $this->firstThatTells($heard);
        $opens = $first !== null && isset($this->plain[$first->text]);
        // 'She is, yes' ends with it.
        $last = $heard->tokens[count($heard->tokens) - 1] ?? null;
        $short = count($heard->tokens) <= self::SHORT;
        $ends = $short && $last !== null && isset($this->plain[$last->text]) && $last->end <= $read->end;
        // 'No hot water since last night' says no to nothing.
        $whole = $for >= self::BORNE_OUT && $heard->explained($read->start, $read->end, $this->vocabulary) >= 1.0;
        $stands = $ends || $whole || $opens && $this->endsThere($read, $heard);
        $apart = $opens && ! ($first->text === 'no' && $this->belongs($heard->tokens[1] ?? null));
        if ($stands && $against < ($read->value ? self::AGAINST_YES : self::AGAINST_NO) || $for >= ($apart ? self::BORNE_OUT : self::AGREED)) {
            return $read;
        }
        $value = $meant->sureness() >= self::MEANT ? $meant->leans() : $read->value;

        return Reading::of($value, min($read->confidence, self::UNSURE), $read->said, $read->start, $read->end);
    }

    /** 'Ok thank you' to 'is anybody hurt' hears the question out and answers nothing; to 'shall I book it' it agrees. */
    private function onlyAcknowledges(Heard $heard, string $question): bool
    {
        $fact = preg_match('/^(?:\S+ ){0,3}?(?:is|are|was|were|has|have|had|did|does|do)\b(?!.*\b(?:ok|okay|all right|alright|fine|good|convenient|suit|happy|content|agree|mind|like|want|right|correct)\b)/i', $question) === 1;

        return $fact && $this->acknowledges->without($heard->tokens) === [];
    }

    /** What a reply without a yes or no means; nothing where it may mean neither. */
    public function guessed(Turn $turn, Heard $heard): Reading
    {
        $restated = $this->restated($turn, $heard);
        if ($restated->found()) {
            return $restated;
        }
        $question = $this->question($turn);
        if ($this->figures->ofTime($heard, $question)) {
            return $this->figures->agrees($question) ? $this->unsure(true, $heard) : Reading::none();
        }
        $guess = $this->figures->counts($heard, $question) ? $this->unsure(true, $heard) : $this->guess($heard, $question);

        return $guess->found() ? $this->advised($turn, $guess, $heard) : $guess;
    }

    private function unsure(bool $value, Heard $heard): Reading
    {
        return Reading::of($value, self::UNSURE, $heard->original, 0, strlen($heard->original));
    }

    private function restated(Turn $turn, Heard $heard): Reading
    {
        $step = $turn->step();
        $value = $step instanceof AskStep ? $this->plainQuestion->restated($turn, $step, $heard) : null;

        return $value === null ? Reading::none() : Reading::of($value, self::RESTATED, $heard->original, 0, strlen($heard->original));
    }

    private function guess(Heard $heard, string $question): Reading
    {
        if ($question === '' || $heard->isEmpty()) {
            return Reading::none();
        }
        // 'I've a toddler and a cat' to 'are there any pets or children?'
        if (preg_match(self::WHETHER_THERE_IS, $question) === 1 && preg_match(self::THERE_IS, $heard->cleaned()) === 1) {
            return $this->unsure(true, $heard);
        }
        $meant = $this->model->of($heard->cleaned(), $question, null);

        return $meant->sureness() >= self::MEANT ? Reading::of($meant->leans(), self::UNSURE, $heard->original, 0, strlen($heard->original)) : Reading::none();
    }

    /** The first word behind a greeting and the like: 'oh hello, yes'. */
    private function firstThatTells(Heard $heard): ?Token
    {
        $tokens = $heard->tokens === [] ? $heard->all : $heard->tokens;
        foreach ($tokens as $token) {
            if (! in_array($token->text, self::BEFORE_IT, true)) {
                return $token;
            }
        }

        return $tokens[0] ?? null;
    }

    /** Whether a word behind a 'no' is what there is none of. */
    private function belongs(?Token $next): bool
    {
        return $next !== null && ! $next->afterBreak() && ! isset($this->littleWords[$next->text]);
    }

    /** Whether a pause, or nothing, follows the yes or no. */
    private function endsThere(Reading $read, Heard $heard): bool
    {
        foreach ($heard->tokens as $token) {
            if ($token->start >= $read->end) {
                return $token->afterBreak() || count($heard->tokens) <= self::SHORT;
            }
        }

        return true;
    }

    /** What was asked, or the part of it that the field is about where it asked which of two. */
    private function question(Turn $turn): string
    {
        $step = $turn->step();
        if ($step instanceof AskStep && $this->plainQuestion->either($turn, $step)) {
            return $this->plainQuestion->of($turn, $step);
        }
        $last = PlainQuestion::last($turn->state->lastQuestion);

        if (str_ends_with($last, '?')) {
            return $last;
        }

        // 'A yes or a no will do' asks the same again.
        return $step instanceof AskStep && $turn->script->sheet->field($step->field)?->type === ValueType::YesNo ? $this->plainQuestion->of($turn, $step) : '';
    }
}
