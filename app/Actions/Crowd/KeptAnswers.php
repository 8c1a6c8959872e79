<?php

declare(strict_types=1);

namespace App\Actions\Crowd;

use App\Actions\Errands\RunErrand;
use App\Models\Business;
use App\Models\Errand;
use Ringo\Errand\Errand as Design;
use Ringo\Errand\Kept;
use Ringo\Errand\Prepared;
use Ringo\Errand\Reply;

/** Answers the errands of a crowd from the answers kept on the errands' pages; nobody outside is asked by a thousand callers. */
final readonly class KeptAnswers implements Prepared
{
    /** @param array<string, Reply> $replies by errand */
    private function __construct(private array $replies)
    {
    }

    /** @param array<array-key, Errand> $errands those with an answer kept */
    public static function of(array $errands, Business $business): self
    {
        $reader = RunErrand::reader($business);
        $replies = [];
        foreach ($errands as $errand) {
            if ($errand->kept !== null) {
                $replies[$errand->key] = $reader->http($errand->design(), $errand->kept['status'], $errand->kept['body']);
            }
        }

        return new self($replies);
    }

    public function reply(Design $errand, array $values): Kept
    {
        return new Kept($this->replies[$errand->key] ?? Reply::failed("no answer is kept for “{$errand->label}”"));
    }
}
