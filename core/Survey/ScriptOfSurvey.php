<?php

declare(strict_types=1);

namespace Ringo\Survey;

use Ringo\Speech\NumberWords;

/** Writes a survey as a script: welcome, consent, each question with its keys, another try and a way past it, thanks. */
final readonly class ScriptOfSurvey
{
    /** What ends a survey, as outcomes of its calls. */
    public const COMPLETE = 'survey complete';

    public const DECLINED = 'survey declined';

    /** The field that keeps whether they agreed. */
    public const AGREED = 'agreed';

    public const PERSON = 'wants a call';

    private const TRIES = 2;

    /** The key that says a question again; on a scale every digit is an answer. */
    private const AGAIN = '*';

    /** Seconds a question takes with its answer, for 'how long does it take'. */
    private const SECONDS_EACH = 14;

    private NumberWords $numbers;

    public function __construct()
    {
        $this->numbers = new NumberWords;
    }

    /**
     * @param array{name: string, business: string, country: string, tz: string, voice: array<string, mixed>} $agent
     *
     * @return array<string, mixed> a script document
     */
    public function of(Survey $survey, array $agent): array
    {
        $first = $this->begins(array_values($survey->questions)[0]);
        $who = "This is {$agent['name']}, the automated assistant of {$agent['business']}.";
        $minutes = max(1, (int) ceil(count($survey->questions) * self::SECONDS_EACH / 60));

        return [
            'format' => 'ringo-script/1',
            'agent' => ['name' => $agent['name'], 'business' => $agent['business'], 'direction' => 'outbound', 'language' => 'en', 'country' => $agent['country'], 'tz' => $agent['tz'], 'voice' => $agent['voice'], 'manner' => ['formality' => 'plain', 'acknowledges' => 'little', 'spelling' => 'plain'], 'speaks_first' => 'agent'],
            'limits' => ['turns' => 40 + 6 * count($survey->questions), 'minutes' => 20, 'repeats' => 5],
            'standing' => [
                'person' => 'person', 'patience' => 2, 'must_say' => ['machine'],
                'words' => ['who' => $who, 'machine' => "I am the automated assistant of {$agent['business']}, and ask some short questions."],
                'replies' => [
                    ['key' => 'length', 'when' => ['how long does it take', 'how long is it', 'how many questions'], 'say' => 'It takes about '.($minutes === 1 ? 'a minute' : $this->numbers->cardinal($minutes).' minutes').'.'],
                    ['key' => 'use', 'when' => ['what is it for', 'what happens with my answers', 'is it anonymous', 'who sees my answers'], 'means' => 'what the answers are used for and who gets to see them', 'say' => $survey->use],
                ],
            ],
            'sheet' => ['$schema' => 'https://json-schema.org/draft/2020-12/schema', 'type' => 'object', 'title' => $survey->title, 'properties' => [self::AGREED => ['title' => 'Agreed to be asked', 'type' => 'string', 'enum' => ['yes', 'no', 'stop'], 'x-labels' => ['stop' => 'no more calls']]] + array_map($this->field(...), $survey->questions)],
            'first' => 'opening',
            'steps' => [
                ['key' => 'opening', 'kind' => 'say', 'scene' => 'Opening', 'prompt' => $survey->welcome, 'next' => 'agree'],
                $this->agree($survey, $first),
                ...$this->questions($survey),
                ['key' => 'complete', 'kind' => 'note', 'scene' => 'Closing', 'outcome' => self::COMPLETE, 'next' => 'goodbye'],
                ['key' => 'declined', 'kind' => 'note', 'outcome' => self::DECLINED, 'next' => 'declined_words'],
                ['key' => 'declined_words', 'kind' => 'finish', 'prompt' => 'Of course. Thank you all the same. Goodbye.'],
                ['key' => 'stopped', 'kind' => 'note', 'tag' => 'do_not_call', 'outcome' => 'do not call', 'next' => 'stopped_words'],
                ['key' => 'stopped_words', 'kind' => 'finish', 'prompt' => 'Of course. You will not be called again. Goodbye.'],
                ['key' => 'person', 'kind' => 'note', 'tag' => 'wants_a_call', 'outcome' => self::PERSON, 'next' => 'person_words'],
                ['key' => 'person_words', 'kind' => 'finish', 'prompt' => 'I only ask these questions, but I have noted that you would like a person to ring you. Goodbye.'],
                ['key' => 'goodbye', 'kind' => 'finish', 'prompt' => $survey->thanks],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private function agree(Survey $survey, string $first): array
    {
        return [
            'key' => 'agree', 'kind' => 'choose', 'field' => self::AGREED, 'prompt' => $survey->consent,
            'options' => [
                ['key' => 'yes', 'label' => 'yes', 'phrases' => ['go on', 'sure', 'ok', 'begin', 'if it is quick', 'go ahead'], 'digit' => '1', 'next' => $first],
                ['key' => 'no', 'label' => 'no', 'phrases' => ['not now', 'no thanks', 'no time', 'I am busy', 'not interested'], 'digit' => '2', 'next' => 'declined'],
                ['key' => 'stop', 'label' => 'stop these calls', 'phrases' => ['no more calls', 'take me off'], 'digit' => '9', 'next' => 'stopped'],
            ],
            'repeat_key' => '8', 'tries' => self::TRIES, 'way_out' => ['then' => 'go', 'step' => 'declined'],
        ];
    }

    /** @return list<array<string, mixed>> */
    private function questions(Survey $survey): array
    {
        $steps = [];
        $all = array_values($survey->questions);
        foreach ($all as $n => $question) {
            $next = isset($all[$n + 1]) ? $this->begins($all[$n + 1]) : 'complete';
            if ($question->only !== null) {
                $steps[] = ['key' => "if_{$question->key}", 'kind' => 'branch', 'ways' => [['when' => $question->only->condition($survey->questions[$question->only->question]->kind), 'next' => "ask_{$question->key}"]], 'otherwise' => $next];
            }
            $steps[] = array_filter([
                'key' => "ask_{$question->key}", 'kind' => 'ask', 'scene' => $n === 0 ? 'Questions' : null, 'field' => $question->key,
                'prompt' => $this->prompt($question), 'again' => $this->again($question), 'help' => $this->help($question),
                'confirm' => 'never', 'known' => 'ask', 'required' => $question->kind !== QuestionKind::Spoken, 'repeat_key' => self::AGAIN, 'tries' => self::TRIES,
                'way_out' => ['then' => 'go', 'step' => $next], 'if_unknown' => ['go' => $next], 'if_refused' => ['go' => $next], 'next' => $next,
            ], static fn (mixed $one): bool => $one !== null);
        }

        return $steps;
    }

    /** The step a question begins with. */
    private function begins(Question $question): string
    {
        return ($question->only === null ? 'ask_' : 'if_').$question->key;
    }

    private function prompt(Question $question): string
    {
        $ends = array_filter([$question->lowWords === '' ? null : ucfirst($this->numbers->cardinal($question->low)).' is '.$question->lowWords, $question->highWords === '' ? null : $this->numbers->cardinal($question->high).' is '.$question->highWords]);

        return match ($question->kind) {
            QuestionKind::Scale => trim($question->ask.' '.($ends === [] ? 'From '.$this->span($question) : ucfirst(implode(', ', $ends))).'.'),
            QuestionKind::Choice => $question->ask.' '.implode(', ', array_map(fn (string $label, int $n): string => ($n === 0 ? ucfirst($this->numbers->cardinal($n + 1)) : $this->numbers->cardinal($n + 1))." for {$label}", $question->labels(), array_keys($question->labels()))).'.',
            default => $question->ask,
        };
    }

    private function again(Question $question): ?string
    {
        return $question->kind === QuestionKind::Scale ? rtrim($question->title, '?').', from '.$this->span($question).'?' : null;
    }

    private function help(Question $question): string
    {
        return match ($question->kind) {
            QuestionKind::Scale => 'Say or press a number from '.$this->span($question).'.',
            QuestionKind::YesNo => 'Say yes or no, or press one for yes, two for no.',
            QuestionKind::Choice => 'Say it, or press the key.',
            QuestionKind::Spoken => 'Just say it in your own words, or say no.',
        };
    }

    private function span(Question $question): string
    {
        return $this->numbers->cardinal($question->low).' to '.$this->numbers->cardinal($question->high);
    }

    /** @return array<string, mixed> */
    private function field(Question $question): array
    {
        return ['title' => $question->title] + match ($question->kind) {
            QuestionKind::Scale => ['type' => 'integer', 'x-bounds' => ['smallest' => $question->low, 'largest' => $question->high, 'say' => 'It goes from '.$this->span($question).'.']],
            QuestionKind::YesNo => ['type' => 'boolean'],
            QuestionKind::Choice => ['type' => 'string', 'enum' => array_column($question->options, 'key'), 'x-labels' => array_column($question->options, 'label', 'key')],
            QuestionKind::Spoken => ['type' => 'string'],
        } + ($question->examples === [] ? [] : ['examples' => $question->examples]);
    }
}
