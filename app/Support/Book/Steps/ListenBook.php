<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Step;

/** @phpstan-import-type Topic from ListenStep */
final readonly class ListenBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        $topics = [];
        foreach ($form->rows('topics') as $i => $row) {
            $label = $row->trimmed('label');
            $topics[] = ['key' => $row->itemKey($label, array_column($topics, 'key'), 'topic_'.($i + 1)), 'label' => $label === '' ? '{topic}' : $label]
                + Form::filled(['description' => $row->text('description'), 'phrases' => $row->words('phrases')])
                + array_filter(['anywhere' => $row->text('reach') === 'anywhere', 'urgent' => $row->text('reach') === 'urgent'])
                + Form::filled(['tone' => $row->text('tone')])
                + ['next' => $row->text('next')];
        }

        return ['prompt' => $form->variants('prompt')] + Form::filled(['again' => $form->variants('again'), 'reprompts' => $form->texts('reprompts')])
            + ['topics' => $topics] + Form::filled(['nothing' => $form->text('nothing')]) + $form->leaving();
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof ListenStep) {
            return [];
        }

        return [
            ...array_map(fn (array $topic): Answer => Answer::said($topic['label'], $topic['next'], null, $this->more($topic)), $step->topics),
            ...($step->nothing === null ? [] : [Answer::said('“no, that’s all”', $step->nothing)]),
            ...$this->wayOut($step->wayOut, $step->tries, 'none of these'),
        ];
    }

    /** @param Topic $topic */
    private function more(array $topic): string
    {
        $said = $topic['phrases'] === [] ? '' : '“'.implode('”, “', array_slice($topic['phrases'], 0, 2)).'”';

        return $said.match (true) {
            $topic['urgent'] => ', urgent, from anywhere',
            $topic['anywhere'] => ', from anywhere',
            default => '',
        };
    }
}
