<?php

declare(strict_types=1);

namespace App\Actions\Exchange;

use App\Actions\Brief\KeepBrief;
use App\Actions\Calls\ImportTranscripts;
use App\Actions\Contacts\ImportContacts;
use App\Actions\Design\CreateAgent;
use App\Actions\Diary\BringDiaries;
use App\Actions\Diary\CalendarFile;
use App\Actions\Lines\KeepLine;
use App\Models\Agent;
use App\Models\Business;
use App\Models\ContactImport;
use App\Models\Diary;
use App\Models\User;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Brief\Brief;
use Ringo\Design\ScriptDocument;
use Ringo\Diary\Diaries;
use Ringo\Document\InvalidDocument;
use Ringo\Format\TranscriptFile;
use Ringo\Line\Line as Design;

/** Brings files of the open formats into a business, or only looks what they would make. */
final readonly class ImportFiles
{
    private const BYTES_MOST = 50_000_000;

    private const PROBLEMS_TOLD = 20;

    public function __construct(private CreateAgent $agents, private ImportTranscripts $calls, private ImportContacts $contacts, private BringDiaries $diaries, private CalendarFile $calendar, private KeepBrief $briefs, private KeepLine $lines)
    {
    }

    /**
     * @param string $what one of ExportFiles::WHAT
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
                'brief' => $this->brief($bytes, $business, $user, $look),
                'lines' => $this->lines($bytes, $business, $user, $look),
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
    private function brief(string $bytes, Business $business, User $user, bool $look): array
    {
        $document = $this->json($bytes);
        $brief = $look ? Brief::fromArray($document) : $this->briefs->keep($business, $document, $user);

        return ['sites' => count($brief->sites), 'closures' => count($brief->hours->closures), 'holidays' => $brief->hours->region];
    }

    /** @return array<string, mixed> lines that are not there yet are made, those that are, by their key, changed; none is put live */
    private function lines(string $bytes, Business $business, User $user, bool $look): array
    {
        $made = $changed = [];
        $data = $this->json($bytes);
        foreach (array_is_list($data) ? $data : [$data] as $i => $one) {
            $document = is_array($one) ? $one : throw new \DomainException('Line '.($i + 1).' is no object.');
            $kind = ($document['kind'] ?? 'number') === 'button' ? 'button' : 'number';
            unset($document['kind']);
            $key = is_string($document['key'] ?? null) ? $document['key'] : '';
            $line = $business->lines()->where('key', $key)->first();
            if ($look) {
                Design::fromArray($document);
            } elseif ($line === null) {
                $this->lines->make($business, $document, $kind, $user);
            } else {
                $this->lines->change($line, $document, 'brought in from a file', $user);
            }
            $line === null ? $made[] = $key : $changed[] = $key;
        }

        return ['made' => $made, 'changed' => $changed];
    }

    /** @return array<array-key, mixed> */
    private function json(string $bytes): array
    {
        $data = json_decode($bytes, true, 64);

        return is_array($data) ? $data : throw new \DomainException('The file is no JSON: '.strtolower(json_last_error_msg()).'.');
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
