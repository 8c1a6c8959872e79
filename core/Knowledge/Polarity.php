<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Vocabulary;

/** Whether a sentence answers a question with yes or with no; null where it says so itself or it cannot be told. */
final readonly class Polarity
{
    private Days $days;

    public function __construct(private Vocabulary $words, private Terms $terms)
    {
        $this->days = new Days($words);
    }

    /** Rules on which a yes can be relied; what only sounds like one is left to the words themselves. */
    private const SURE_OF_YES = ['days', 'hours', 'charge', 'need'];

    /** A no must be about what was asked. */
    private const NO_COVERS = 0.45;

    /** Of the words of a denial so many must have been asked about. */
    private const DENIES = 0.34;

    /**
     * Yes or no where that is sure; null where the words had better speak for themselves.
     *
     * @param float $covered share of the question's words that the sentence says, 0 to 1
     */
    public function sure(Question $question, string $sentence, float $covered): ?bool
    {
        $decided = $this->decided($question, $sentence);

        return match (true) {
            $decided === null => null,
            $decided[0] => in_array($decided[1], self::SURE_OF_YES, true) && preg_match('/\b(?:only|except|unless|apart from|but)\b/i', $sentence) !== 1 ? true : null,
            $decided[1] === 'denied' => $covered >= self::NO_COVERS && $this->deniesThat($question, $sentence) ? false : null,
            default => in_array($decided[1], ['days', 'hours'], true) || $covered >= self::NO_COVERS ? false : null,
        };
    }

    public function of(Question $question, string $sentence): ?bool
    {
        return $this->decided($question, $sentence)[0] ?? null;
    }

    /** @return array{bool, string}|null what it says, and by which rule */
    private function decided(Question $question, string $sentence): ?array
    {
        $line = ' '.$this->figures(mb_strtolower(str_replace('’', "'", $sentence))).' ';
        if (preg_match('/^\s*(?:yes|no|sorry|unfortunately|of course|certainly)\b/', $line) === 1) {
            return null;
        }
        $asked = ' '.mb_strtolower($question->asked).' ';
        $not = $this->denied($question, $line);
        $days = $this->days->in($sentence);
        if ($question->days !== [] && $days !== []) {
            $inside = array_diff($question->days, $days) === [];
            $shut = preg_match('/\b(?:closed|shut|not open|no (?:deliveries|collections|service)|except)\b/', $line) === 1;
            if ($shut && preg_match('/\b(?:open|am|pm|\d[:.]\d\d)\b/', $line) === 1 && preg_match('/\d/', $line) === 1) {
                // 'Open Monday to Saturday, closed Sunday': the part that names the day decides.
                foreach (preg_split('/[,;.]| and | but /', $line) ?: [] as $part) {
                    $named = $this->days->in($part);
                    if ($named !== [] && array_intersect($question->days, $named) !== []) {
                        return [preg_match('/\b(?:closed|shut|except)\b/', $part) !== 1, 'days'];
                    }
                }
            }

            $flips = preg_match('/\b(?:closed|shut)\b/', $asked) === 1;
            $minute = Clock::meant($question->said);
            $hours = $minute === null || $shut || ! $inside ? null : Clock::inside($sentence, $minute);

            return [($shut ? ! $inside : $inside && $hours !== false) !== $flips, $hours === null ? 'days' : 'hours'];
        }
        $months = $this->days->months($sentence);
        if ($question->months !== [] && $months !== [] && preg_match('/\b(?:closed|shut)\b/', $line) === 1) {
            return [array_diff($question->months, $months) !== [], 'days'];
        }
        $compared = $this->compared($question, $line);
        if ($compared !== null) {
            return [$compared, 'bound'];
        }
        // 'Is there a charge?' – 'Delivery is free.'
        $free = preg_match('/\b(?:free|no (?:extra )?charge|no cost|included|complimentary|nothing to pay)\b/', $line) === 1;
        $asksCharge = preg_match('/\b(?:charge|fee|cost|extra|pay for|pay to)\b/', $asked) === 1;
        $asksFree = preg_match('/\b(?:free|included|include)\b/', $asked) === 1;
        if ($asksCharge && ! $asksFree && ($free || preg_match('/[£$€]\s?\d|\d\s?(?:pounds|euros|dollars|pence|p\b)/u', $line) === 1)) {
            return [! $free, 'charge'];
        }
        if ($asksFree && preg_match('/[£$€]\s?\d/u', $line) === 1 && ! $free) {
            return [false, 'charge'];
        }
        if (preg_match('/\b(?:only|unless|except|depends|may|subject to|by arrangement|in some cases)\b/', $line) === 1 && preg_match('/\b(?:you (?:may|can)|may be)\b/', $line) !== 1) {
            return null;
        }
        // 'Do I need to book?' – 'You can just turn up' says no without a no.
        if (preg_match('/\b(?:need|have to|must|required|necessary|supposed to|got to)\b/', $asked) === 1) {
            if ($not || preg_match('/\b(?:optional|just turn up|turn up|walk in|no need|not required|welcome without)\b/', $line) === 1) {
                return [false, 'need'];
            }

            return preg_match('/\b(?:must|need|needs|required|require|requires|have to|has to|please|always|essential|compulsory|necessary|should)\b/', $line) === 1 ? [true, 'need'] : null;
        }
        if ($question->negated) {
            return $not ? (preg_match('/\b(?:no need|not need|do not need|don\'t need|not required|no appointment|not necessary|without)\b/', $line) === 1 ? [true, 'denied'] : null) : null;
        }
        if ($not) {
            return preg_match('/\bnot only\b|\bno later than\b|\bno more than\b|\bno problem\b|\bno need\b|\bno limit\b|\bnot (?:to|be) worry\b|\bno extra\b|\bno charge\b|\bno minimum\b|\bnot included\b/', $line) === 1 ? (preg_match('/\bno problem\b|\bno limit\b|\bno need\b|\bno extra\b|\bno charge\b/', $line) === 1 ? [true, 'denied'] : null) : [false, 'denied'];
        }

        return preg_match("/\b(?:can|may|do|does|is|are|will|have|has|offer|offers|accept|accepts|accepted|provide|provides|welcome|available|allowed|include|includes|included|sell|sells|stock|take|takes|cover|covers|we'll|there is|there are|we|you)\b/", $line) === 1 ? [true, 'affirms'] : null;
    }

    /** Whether the sentence says no to what was asked: a denial in the clause that speaks of it. */
    private function denied(Question $question, string $line): bool
    {
        $denials = $this->words->section('knowledge', 'denials');
        $stems = array_column(array_filter($question->units, static fn (array $unit): bool => ! $unit['generic']), 'stem');
        $rings = array_merge([], ...array_column($question->units, 'rings'));
        $parts = preg_split('/;|,\s*(?:but|and|however|although)\s|\bbut\b|\bhowever\b|\bif\b|\bunless\b|\bwhen\b|\bwho\b|\bwhich\b/', $line) ?: [$line];
        foreach ($parts as $part) {
            $no = preg_match('/\bun(?:paid|available|able|suitable|safe|guarded|staffed|heated)\b/', $part) === 1;
            foreach ($denials as $word) {
                if (preg_match('/(?<![\w\'])'.preg_quote((string) $word, '/').'(?![\w\'])/', $part) === 1) {
                    $no = true;

                    break;
                }
            }
            if (! $no) {
                continue;
            }
            if (count($parts) === 1) {
                return true;
            }
            foreach ($this->terms->of(trim($part)) as $unit) {
                if (in_array($unit['stem'], $stems, true) || array_intersect($unit['rings'], $rings) !== []) {
                    return true;
                }
            }
        }

        return false;
    }

    /** 'Never run a generator indoors' is no answer to whether there is one: what is denied must be what was asked, for the most part. */
    private function deniesThat(Question $question, string $sentence): bool
    {
        $stems = array_column($question->units, 'stem');
        $rings = array_merge([], ...array_column($question->units, 'rings'));
        $said = array_values(array_filter($this->terms->of($sentence), static fn (array $unit): bool => ! $unit['generic']));
        $asked = array_filter($said, static fn (array $unit): bool => in_array($unit['stem'], $stems, true) || array_intersect($unit['rings'], $rings) !== []);

        return $said === [] || count($asked) / count($said) >= self::DENIES;
    }

    /** Number words as figures: 'sixteen or over' is a bound as '16 or over' is. */
    private function figures(string $line): string
    {
        $values = $this->words->section('numbers', 'units') + $this->words->section('numbers', 'teens') + $this->words->section('numbers', 'tens');

        return (string) preg_replace_callback('/\b([a-z]+)(?:[ -](one|two|three|four|five|six|seven|eight|nine))?\b/', static function (array $m) use ($values): string {
            if (! isset($values[$m[1]]) || in_array($m[1], ['one', 'a', 'an', 'oh', 'o'], true)) {
                return $m[0];
            }
            $value = (int) $values[$m[1]];

            return isset($m[2]) && $value >= 20 ? (string) ($value + (int) $values[$m[2]]) : $value.(isset($m[2]) ? ' '.$m[2] : '');
        }, $line);
    }

    /** 'Can a sixteen-year-old hire?' against 'You must be 18 or over': a bound decides. */
    private function compared(Question $question, string $line): ?bool
    {
        if (count($question->numbers) !== 1) {
            return null;
        }
        $asked = $question->numbers[0];
        // 'Children under eight must be with an adult': whoever is under the bound may not do without.
        if (preg_match('/\b(?:under|below|younger than)\s+(?:the age of\s+)?(\d+)s?\b.*\b(?:must|need|cannot|may not|not allowed|are not|only)\b/', $line, $m) === 1 && in_array($question->kind, ['may', 'polar'], true)) {
            return $asked >= (float) $m[1];
        }
        if (preg_match('/\b(?:at least|minimum(?: \w+){0,3}(?: is| of)?|must be|aged|over|from age|older than|no younger than|from)\s+(?:age\s+|the age of\s+)?(\d+(?:\.\d+)?)|(\d+(?:\.\d+)?)\s*(?:\w+\s)?(?:or over|and over|or older|and older|or more|or above|and above|\+)/', $line, $m) === 1) {
            $bound = (float) ($m[1] !== '' ? $m[1] : $m[2]);
            $strict = preg_match('/\b(?:over|older than)\s+\d/', $m[0]) === 1;

            return $strict ? $asked > $bound : $asked >= $bound;
        }
        if (preg_match('/\b(?:up to|maximum(?: \w+){0,3}(?: is| of)?|no more than|at most|limit(?: is| of)?|under|below|within|less than|not exceed(?:ing)?)\s+(?:a |an )?(\d+(?:\.\d+)?)|(\d+(?:\.\d+)?)\s*(?:\w+\s)?(?:or under|and under|or less|or fewer|maximum|max)/', $line, $m) === 1) {
            $bound = (float) ($m[1] !== '' ? $m[1] : $m[2]);
            $strict = preg_match('/\b(?:under|below|less than)\s+\d/', $m[0]) === 1;

            return $strict ? $asked < $bound : $asked <= $bound;
        }

        return null;
    }
}
