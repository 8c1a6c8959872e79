<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Listen;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class ListenKind implements StepKind
{
    public const NAME = 'listen';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'an open question, sorted into topics';
    }

    public function silent(): string
    {
        return 'asks nothing yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): ListenStep
    {
        $topics = [];
        foreach ($node->node->children('topics') as $one) {
            $urgent = $one->flag('urgent', false);
            $topics[] = [
                'key' => $one->string('key'), 'label' => $one->string('label'), 'description' => $one->string('description', ''), 'phrases' => $one->strings('phrases'),
                'anywhere' => $one->flag('anywhere', false) || $urgent, 'urgent' => $urgent, 'tone' => $one->has('tone') ? $one->oneOf('tone', ListenStep::TONES, 'neutral') : null, 'next' => $one->string('next'),
            ];
            $one->noMore();
        }

        return new ListenStep(
            key: $key,
            prompt: $node->words(),
            again: $node->wordsOrNone('again'),
            topics: $topics,
            nothing: $node->node->optional('nothing'),
            reprompts: $node->node->strings('reprompts'),
            tries: $node->tries(),
            wayOut: $node->wayOut(),
        );
    }

    public function keys(): Keys
    {
        $topic = Schema::object([
            'key' => Schema::text(), 'label' => Schema::text(), 'description' => Schema::text(), 'phrases' => Schema::texts(), 'anywhere' => Schema::flag(), 'urgent' => Schema::flag(),
            'tone' => Schema::oneOf(ListenStep::TONES) + ['description' => 'How callers with this matter are met; by their words where it is left out'], 'next' => Schema::ref('target'),
        ], ['key', 'label', 'next']);

        return Keys::none()
            ->saying('prompt', 'says')->saying('again', 'short form')
            ->with('reprompts', Schema::texts(), 'reprompts')
            ->with('topics', Schema::listOf($topic), 'topics')->leading('topics[].next')
            ->next('nothing', 'nothing more')
            ->wayOut()
            ->requiring('prompt');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['prompt' => 'How can I help?', 'topics' => [['key' => 'topic', 'label' => '{topic}', 'description' => '{what callers want, in plain words}', 'next' => $next]]]);
    }
}
