<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Send\SendStep;

/** Finds e-mails that promise a file the business does not have, and files on what cannot carry one. */
final readonly class FileNotThere implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof SendStep || $step->file === null || $step->file === '') {
                continue;
            }
            if ($step->by !== 'email') {
                yield new Finding('send_file', Severity::Warning, $key, "“{$step->file}” is to go with a ".($step->by === 'web' ? 'web request' : 'text').'; only an e-mail carries a file.');
            } elseif ($design->around->files !== null && ! in_array($step->file, $design->around->files, true)) {
                yield new Finding('send_file', Severity::Error, $key, "“{$step->file}” is not among the files of the business, so this e-mail could not be sent. Put it into the post room, or name another.");
            }
        }
    }
}
