<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Step;
use Ringo\Script\WayOut;

/** One kind of step in the prompt book. Its form is the view `parts.book.edit-KIND`. */
abstract readonly class BookPage
{
    /** @return array<string, mixed> the step's keys as the form gives them, name and kind aside */
    abstract public function read(Form $form, ScriptDocument $document): array;

    /** @return list<Answer> what the caller may answer and where that leads */
    abstract public function answers(Step $step, Script $script): array;

    /** @return list<string> keys the form does not show, which stay as they are written */
    public function untouched(): array
    {
        return [];
    }

    /** @return list<Answer> */
    protected function wayOut(?WayOut $way, int $tries, string $what): array
    {
        return match ($way?->then) {
            WayOut::GO => [Answer::rule("{$what}, {$tries} times", $way->step)],
            WayOut::FINISH => [Answer::rule("{$what}, {$tries} times: ends, {$way->outcome}")],
            default => [],
        };
    }
}
