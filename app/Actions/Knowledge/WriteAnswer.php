<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Models\Business;

/** Keeps an answer somebody wrote to a question of callers, in the source that holds such answers. */
final readonly class WriteAnswer
{
    private const SOURCE = 'answers-written-here.md';

    public function __construct(private KeepSource $keep)
    {
    }

    /** @throws \Ringo\Knowledge\Reading\UnreadableSource */
    public function of(Business $business, string $question, string $answer): void
    {
        $source = $business->knowledgeSources()->where('name', self::SOURCE)->first();
        $text = ($source === null ? "# Answers written here\n" : rtrim($source->text))."\n\n## ".trim(str_replace("\n", ' ', rtrim($question, '?')))."?\n\n".trim($answer)."\n";
        $this->keep->keep($business, self::SOURCE, 'questions', $text, null, $source);
    }
}
