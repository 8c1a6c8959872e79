<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Models\Business;
use App\Models\Enclosure;
use App\Models\User;
use Illuminate\Support\Facades\Storage;

/** Takes in a file that e-mails may carry, by its real type; the same name again is the file's next state. */
final readonly class KeepEnclosure
{
    public const MOST_BYTES = 5_242_880;

    /** @var array<string, list<string>> endings a type may have; what could run on the other side is not among them */
    private const TYPES = [
        'application/pdf' => ['pdf'], 'image/png' => ['png'], 'image/jpeg' => ['jpg', 'jpeg'], 'text/plain' => ['txt', 'csv', 'md', 'ics', 'vcf'], 'text/csv' => ['csv'], 'application/csv' => ['csv'], 'text/calendar' => ['ics'], 'text/vcard' => ['vcf'],
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' => ['xlsx'], 'application/vnd.openxmlformats-officedocument.wordprocessingml.document' => ['docx'], 'application/vnd.oasis.opendocument.text' => ['odt'], 'application/vnd.oasis.opendocument.spreadsheet' => ['ods'],
    ];

    /** @throws \DomainException in words fit to show */
    public function keep(Business $business, string $name, string $content, ?User $user): Enclosure
    {
        $name = trim((string) preg_replace('/[^\p{L}\p{N}._ -]+/u', '-', basename(str_replace('\\', '/', $name))), ' .-');
        if ($name === '' || mb_strlen($name) > 120) {
            throw new \DomainException('The file needs a name of up to 120 characters, such as price-list.pdf.');
        }
        if ($content === '') {
            throw new \DomainException("“{$name}” is empty.");
        }
        if (strlen($content) > self::MOST_BYTES) {
            throw new \DomainException("“{$name}” has ".number_format(strlen($content) / 1_048_576, 1).' MB; an e-mail takes a file of up to 5 MB.');
        }
        $mime = (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer($content);
        $ending = mb_strtolower(pathinfo($name, PATHINFO_EXTENSION));
        if (! in_array($ending, self::TYPES[$mime] ?? [], true)) {
            throw new \DomainException("“{$name}” is not what its name says, or of a kind that e-mails do not carry. It can be a PDF, a picture (PNG, JPEG), text, CSV, a calendar or address file, or a document or sheet (docx, xlsx, odt, ods).");
        }
        $sha = hash('sha256', $content);
        $path = "enclosures/{$business->id}/{$sha}.{$ending}";
        Storage::disk('local')->put($path, $content);
        $before = Enclosure::withTrashed()->where('business_id', $business->id)->where('name', $name)->value('path');
        if (is_string($before) && $before !== $path && Enclosure::withTrashed()->where('path', $before)->count() === 1) {
            Storage::disk('local')->delete($before);
        }
        $kept = Enclosure::withTrashed()->updateOrCreate(['business_id' => $business->id, 'name' => $name], ['mime' => $mime, 'bytes' => strlen($content), 'sha256' => $sha, 'path' => $path, 'user_id' => $user?->id]);
        $kept->restore();

        return $kept;
    }
}
