<?php

declare(strict_types=1);

namespace App\Actions\Exchange;

use App\Actions\Calls\ImportTranscripts;
use App\Actions\Contacts\ImportContacts;
use App\Actions\Design\CreateAgent;
use App\Actions\Diary\BringDiaries;
use App\Actions\Diary\CalendarFile;
use App\Models\Agent;
use App\Models\Business;
use App\Models\ContactImport;
use App\Models\Diary;
use App\Models\User;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Diary\Diaries;
use Ringo\Document\InvalidDocument;
use Ringo\Format\TranscriptFile;

/** Brings files of the open formats into a business, or only looks what they would make. */
final readonly class ImportFiles
{
    private const BYTES_MOST = 50_000_000;

    private const PROBLEMS_TOLD = 20;

    public function __construct(private CreateAgent $agents, private ImportTranscripts $calls, private ImportContacts $contacts, private BringDiaries $diaries, private CalendarFile $calendar)
    {
    }

    /**
     * @param string $what agents, calls, contacts or diaries
     * @param ?string $into key of the agent whose calls they are, or of the diary whose busy times; null: the first agent, or the file's name
     * @param bool $look whether nothing is written
     *
     * @return array<string, mixed> what was made, or would be
     *
     * @throws \DomainException in words fit to show; nothing of the file is taken then
     */
    public function from(string $path, string $what, Business $business, User $user, ?string $into, bool $look): array
    {
        $bytes = is_file($path) ? (string) file_get_contents($path, false, null, 0, self::BYTES_MOST + 1) : throw new \DomainException('There is no such file.');
        if (strlen($bytes) > self::BYTES_MOST) {
            throw new \DomainException('The file is larger than 50 MB.');
        }
        try {
            return match ($what) {
                'agents' => $this->agent($bytes, $business, $user, $look),
                'calls' => $this->transcripts($bytes, $business, $into, $look),
                'contacts' => $this->people($path, $bytes, $business, $user, $look),
                default => str_ends_with(strtolower($path), '.json') ? $this->rules($bytes, $business, $look) : $this->busy($path, $bytes, $business, $into, $look),
            };
        } catch (InvalidDocument $problem) {
            throw new \DomainException($problem->getMessage());
        } catch (ValidationException $problem) {
            throw new \DomainException(implode(' ', array_merge(...array_values($problem->errors()))));
        }
    }

    /** @return array<string, mixed> */
    private function agent(string $bytes, Business $business, User $user, bool $look): array
    {
        $document = ScriptDocument::fromJson($bytes);
        $name = $document->script->agent->name;
        $this->agents->checkName($business, $name);
        $fitted = $this->agents->fitted($document, $business, $name);

        return ['agent' => $look ? $name : $this->agents->from($business, $fitted, $user, 'brought in from a file')->key, 'steps' => count($fitted->script->steps)];
    }

    /** @return array<string, mixed> */
    private function transcripts(string $bytes, Business $business, ?string $into, bool $look): array
    {
        $agent = Agent::query()->where('business_id', $business->id)->when($into !== null, static fn ($q) => $q->where('key', $into))->first()
            ?? throw new \DomainException($into === null ? 'The business has no agent whose calls they could be.' : "There is no agent “{$into}”.");

        if (! $look) {
            return ['agent' => $agent->key] + $this->calls->from($agent, $bytes);
        }
        $file = new TranscriptFile($business->country, $business->tz);
        $found = 0;
        $problems = [];
        foreach ($file->pieces($bytes) as $place => $piece) {
            try {
                is_array($piece) ? $file->read($piece, now()->toDateTimeImmutable()) : throw new \DomainException((string) $piece);
                $found++;
            } catch (InvalidDocument|\DomainException $problem) {
                $problems[] = "Transcript {$place}: {$problem->getMessage()}";
            }
        }

        return ['agent' => $agent->key, 'transcripts' => $found, 'problems' => array_slice($problems, 0, self::PROBLEMS_TOLD)];
    }

    /** @return array<string, mixed> */
    private function people(string $path, string $bytes, Business $business, User $user, bool $look): array
    {
        $kept = "imports/{$business->id}/".Str::random(24);
        Storage::disk('local')->put($kept, $bytes);
        $import = $this->contacts->look($business, $user, basename($path), $kept);
        if ($look) {
            $sample = array_map(static fn (array $one): array => ['name' => $one['name'], 'numbers' => $one['numbers'], 'problems' => $one['problems']], $this->contacts->preview($import, $business));
            $mapping = $import->mapping;
            ContactImport::query()->whereKey($import->id)->delete();
            Storage::disk('local')->delete($kept);

            return ['rows' => $import->total, 'columns' => $mapping, 'first' => $sample];
        }
        $this->contacts->run($import);

        return ($import->refresh()->counts ?? []) + ['problems' => array_map(static fn (array $one): string => "row {$one['row']}: {$one['words']}", $import->report ?? [])];
    }

    /** @return array<string, mixed> */
    private function rules(string $bytes, Business $business, bool $look): array
    {
        $file = json_decode($bytes, true, 64);
        if (! is_array($file)) {
            throw new \DomainException('This is no JSON document: '.json_last_error_msg().'.');
        }
        $read = Diaries::fromArray($file);

        return $look ? ['services' => count($read->services), 'diaries' => count($read->diaries)] : $this->diaries->bring($business, $file);
    }

    /** @return array<string, mixed> */
    private function busy(string $path, string $bytes, Business $business, ?string $into, bool $look): array
    {
        $key = $into ?? pathinfo($path, PATHINFO_FILENAME);
        $diary = Diary::query()->where('business_id', $business->id)->where('key', $key)->first() ?? throw new \DomainException("There is no diary “{$key}”; say by --into=KEY whose busy times they are.");
        $tz = new \DateTimeZone($business->tz);

        return ['diary' => $diary->key] + ($look ? $this->calendar->look($diary, $bytes, $tz) : $this->calendar->bring($diary, $bytes, $tz));
    }
}
