<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Exchange\ExportFiles;
use App\Actions\Exchange\ImportFiles;
use App\Models\Business;
use App\Models\Membership;
use App\Models\User;
use Illuminate\Console\Command;

/** Brings files into a business; each stands or falls by itself. */
final class ImportCommand extends Command
{
    protected $signature = 'ringo:import {what : agents, calls, contacts, diaries, brief or lines} {files* : files} {--business= : key of the business} {--into= : key of the agent or diary} {--look : only tell what they would make}';

    protected $description = 'Bring files of open formats into a business';

    public function handle(ImportFiles $import): int
    {
        $what = $this->text($this->argument('what'));
        $business = Business::query()->where('key', $this->text($this->option('business')))->first();
        if (! in_array($what, ExportFiles::WHAT, true) || $business === null) {
            $this->error($business === null ? 'Say by --business=KEY which business: '.Business::query()->orderBy('id')->pluck('key')->implode(', ').'.' : 'Import what: '.implode(', ', ExportFiles::WHAT).'?');

            return self::INVALID;
        }
        $owner = Membership::query()->where('business_id', $business->id)->orderByRaw("role = 'owner' desc")->value('user_id');
        $user = User::query()->whereKey($owner)->first();
        if ($user === null) {
            $this->error("Nobody has an account at {$business->name}: in whose name would it be brought in?");

            return self::FAILURE;
        }
        $status = self::SUCCESS;
        /** @var list<string> $paths */
        $paths = (array) $this->argument('files');
        foreach ($paths as $path) {
            try {
                $made = $import->from($path, $what, $business, $user, is_string($this->option('into')) ? $this->option('into') : null, (bool) $this->option('look'));
            } catch (\DomainException $problem) {
                $made = ['error' => $problem->getMessage()];
                $status = self::FAILURE;
            }
            $this->output->writeln(json_encode(['file' => $path] + $made, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
        }

        return $status;
    }

    private function text(mixed $given): string
    {
        return is_string($given) ? $given : '';
    }
}
