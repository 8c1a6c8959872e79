<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Book\BookStep;

/** Finds reminders that lie before a booking which may be nearer than that: whoever books so late gets none. */
final readonly class RemindsTooLate implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->around->diaries === null ? [] : $design->script->steps as $key => $step) {
            if (! $step instanceof BookStep || $step->does !== 'book' || $step->field === null) {
                continue;
            }
            $notices = array_map(static fn (string $service): int => $design->around->diaries->services[$service]->noticeHours ?? PHP_INT_MAX, $step->services($design->script->sheet));
            foreach ($design->around->reminders as $reminder) {
                $hours = (int) ceil($reminder['seconds'] / 3600);
                $notice = min([PHP_INT_MAX, ...$notices]);
                if ($reminder['field'] === $step->field && $notice < $hours) {
                    yield new Finding('reminds_too_late', Severity::Note, (string) $key, "“{$reminder['name']}” goes out {$this->inWords($hours)} before the booking, and this step books from {$this->inWords($notice)} ahead: whoever books nearer than the reminder gets none.");
                }
            }
        }
    }

    private function inWords(int $hours): string
    {
        return $hours > 24 && $hours % 24 === 0 ? ($hours / 24).' days' : ($hours === 24 ? 'a day' : ($hours === 1 ? 'an hour' : "{$hours} hours"));
    }
}
