<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Send;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Prompt;

final readonly class SendKind implements StepKind
{
    public const NAME = 'send';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'queues a text, an e-mail or a web request';
    }

    public function silent(): string
    {
        return 'sends without a word';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): SendStep
    {
        $one = $node->node;
        $by = $one->oneOf('by', SendStep::BY, 'text');
        $to = trim($one->string('to'));
        if ($to === '') {
            $one->problem('to', 'names nobody to send to; write a field, caller.number, caller.email or an address');
        }
        $words = Prompt::of($one->text('words'));
        if ($words->isEmpty()) {
            $one->problem('words', 'says nothing');
        }

        return new SendStep($key, $by, $to, $one->optional('subject'), $words, $one->optional('file'), $one->optional('otherwise'), $node->next());
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('by', Schema::oneOf(SendStep::BY), 'sent by')
            ->with('to', Schema::text('A field, caller.number, caller.email or an address'), 'sent to')
            ->with('subject', Schema::text(), 'subject')
            ->saying('words', 'message')
            ->with('file', Schema::text(), 'file')
            ->next('otherwise', 'otherwise')
            ->next()
            ->requiring('by', 'to', 'words', 'next')
            ->naming('to');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['by' => 'text', 'to' => 'caller.number', 'words' => '{what is sent}', 'next' => $next]);
    }
}
