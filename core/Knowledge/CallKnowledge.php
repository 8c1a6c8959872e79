<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Ports\Known;
use Ringo\Language\Vocabulary;

/** Lets a call ask what a business has written. */
final class CallKnowledge implements Knowledge
{
    /** Sentences an adviser may choose from where none was near enough. */
    private const NEAREST = 5;

    /** @var array<string, Known> the questions of one turn are asked more than once */
    private array $asked = [];

    /**
     * @param Answerer|\Closure(): Answerer $answerer one, or who makes it when a question is first asked
     * @param \Closure(string): string $version of a source, for the transcript
     */
    public function __construct(private Answerer|\Closure $answerer, private readonly Vocabulary $words, private readonly \Closure $version)
    {
    }

    public function ask(string $question, \DateTimeImmutable $now, string $country, string $known): Known
    {
        $key = $question.'|'.$known.'|'.$now->format('c');
        if (! isset($this->asked[$key])) {
            $this->answerer = $this->answerer instanceof \Closure ? ($this->answerer)() : $this->answerer;
            $answer = $this->answerer->answer($question, $now, $country, $known);
            $source = $answer->source ?? '';
            $file = explode('#', $source, 2)[0];
            $this->asked[$key] = new Known(
                $answer->answered || $answer->refusal === Answer::WHICH || $answer->refusal === Answer::NOT_SURE ? $answer->text : null,
                $source === '' ? '' : $source.($file === '' ? '' : ($this->version)($file)),
                $answer->heading(),
                $answer->confidence,
                $answer->refusal,
                $answer->more,
                $answer->leadsTo,
                preg_match('/^(?:\W*(?:so|and|but|ok|okay|oh|um|er|well)\b)*\W*(?:how|when|where|what|who|why|which|do you|does|is there|are there|are you|is it|is the|are the|do i|is )/i', $question) === 1,
                $answer->offers,
                $this->nearest($answer),
            );
            $this->asked = array_slice($this->asked, -20, null, true);
        }

        return $this->asked[$key];
    }

    /** @return list<array{source: string, label: string, text: string, more: list<string>}> sentences as they stand, nearest first, where none was near enough */
    private function nearest(Answer $answer): array
    {
        if (! in_array($answer->refusal, [Answer::NOT_COVERED, Answer::NOT_SURE], true)) {
            return [];
        }
        $nearest = [];
        foreach ($answer->candidates as $one) {
            if ($one->text !== '' && ! isset($nearest[$one->text]) && count($nearest) < self::NEAREST) {
                $file = explode('#', $one->source, 2);
                $nearest[$one->text] = ['source' => $one->source.($this->version)($file[0]), 'label' => $file[1] ?? '', 'text' => $one->text, 'more' => []];
            }
        }

        return array_values($nearest);
    }

    public function follows(string $words): ?string
    {
        $tokens = (new \Ringo\Language\Tokenizer)->tokens($words);
        $most = 7;
        foreach (['more' => 'more', 'challenges' => 'sure'] as $section => $meaning) {
            $hit = $this->words->phrases('knowledge', $section)->first($tokens);
            if ($hit !== null && $hit[1] <= 2 && count($tokens) <= $most) {
                return $meaning;
            }
        }

        return null;
    }
}
