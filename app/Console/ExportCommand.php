<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Exchange\ExportFiles;
use App\Models\Business;
use Illuminate\Console\Command;

/** Writes agents, calls, contacts, diaries, brief or lines of a business into a folder. */
final class ExportCommand extends Command
{
    protected $signature = 'ringo:export {what : agents, calls, contacts, diaries, brief or lines} {--business= : key of the business} {--to=. : folder}';

    protected $description = 'Write what a business has in open formats';

    public function handle(ExportFiles $files): int
    {
        $what = $this->text($this->argument('what'));
        $business = Business::query()->where('key', $this->text($this->option('business')))->first();
        if (! in_array($what, ExportFiles::WHAT, true) || $business === null) {
            $this->error($business === null ? 'Say by --business=KEY which business: '.Business::query()->orderBy('id')->pluck('key')->implode(', ').'.' : 'Export what: '.implode(', ', ExportFiles::WHAT).'?');

            return self::INVALID;
        }
        foreach ($files->to(rtrim($this->text($this->option('to')), '/'), $what, $business) as $name) {
            $this->output->writeln(json_encode(['file' => $name], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
        }

        return self::SUCCESS;
    }

    private function text(mixed $given): string
    {
        return is_string($given) ? $given : '';
    }
}
