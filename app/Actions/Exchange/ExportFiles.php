<?php

declare(strict_types=1);

namespace App\Actions\Exchange;

use App\Actions\Contacts\ContactCard;
use App\Actions\Diary\CalendarFile;
use App\Actions\Diary\DiariesOf;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Contact;
use App\Models\Diary;
use Ringo\Format\Vcon;

/** Writes what a business has into a folder, in the open formats: scripts, vCon, vCard, iCalendar and the diaries file. */
final readonly class ExportFiles
{
    public const WHAT = ['agents', 'calls', 'contacts', 'diaries', 'brief', 'lines'];

    private const JSON = JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR;

    private const CHUNK = 200;

    public function __construct(private DiariesOf $diaries, private CalendarFile $calendar)
    {
    }

    /**
     * @param string $what one of WHAT
     *
     * @return iterable<string> names of the files, as they are written
     */
    public function to(string $folder, string $what, Business $business): iterable
    {
        is_dir($folder) || mkdir($folder, 0777, true);
        foreach ($this->files($what, $business) as $name => $content) {
            file_put_contents("{$folder}/{$name}", $content);

            yield $name;
        }
    }

    /** @return iterable<string, string> content by name */
    private function files(string $what, Business $business): iterable
    {
        return match ($what) {
            'agents' => $this->agents($business),
            'calls' => $this->calls($business),
            'contacts' => $this->contacts($business),
            'brief' => ["{$business->key}-brief.json" => json_encode($business->brief()->toArray(), self::JSON)."\n"],
            'lines' => $this->lines($business),
            default => $this->diaryFiles($business),
        };
    }

    /** @return iterable<string, string> the draft of each agent, and its newest release */
    private function agents(Business $business): iterable
    {
        foreach (Agent::query()->where('business_id', $business->id)->with('draft.scriptText', 'latestRelease.scriptText')->orderBy('id')->get() as $agent) {
            yield "{$agent->key}.json" => $agent->draft->scriptText->document()->toJson();
            if ($agent->latestRelease !== null) {
                yield "{$agent->key}-release-{$agent->latestRelease->number}.json" => $agent->latestRelease->scriptText->document()->toJson();
            }
        }
    }

    /** @return iterable<string, string> */
    private function lines(Business $business): iterable
    {
        $lines = [];
        foreach ($business->lines()->get() as $line) {
            $lines[] = $line->document + ['kind' => $line->kind];
        }

        yield "{$business->key}-lines.json" => json_encode($lines, self::JSON)."\n";
    }

    /** @return iterable<string, string> */
    private function calls(Business $business): iterable
    {
        foreach (Call::query()->where('business_id', $business->id)->where('status', 'ended')->with('turns', 'record', 'agent', 'business')->lazyById(self::CHUNK) as $call) {
            yield "call-{$call->ref}.vcon.json" => json_encode((new Vcon)->write($call->transcript(), $call->agent->name, $call->caller_name, $call->record->cells ?? [], $call->record?->summary), self::JSON);
        }
    }

    /** @return iterable<string, string> */
    private function contacts(Business $business): iterable
    {
        $cards = '';
        foreach (Contact::query()->where('business_id', $business->id)->with('numbers')->lazyById(self::CHUNK) as $contact) {
            $cards .= ContactCard::of($contact);
        }
        if ($cards !== '') {
            yield "{$business->key}-contacts.vcf" => $cards;
        }
    }

    /** @return iterable<string, string> the rules as one file, and what is booked as a calendar a diary */
    private function diaryFiles(Business $business): iterable
    {
        yield 'diaries.json' => json_encode($this->diaries->document($business), self::JSON)."\n";
        foreach ($business->diaries()->get() as $diary) {
            yield "{$diary->key}.ics" => $this->calendar->of($diary);
        }
    }
}
