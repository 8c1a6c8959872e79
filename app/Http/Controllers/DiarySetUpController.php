<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Diary\CalendarFile;
use App\Actions\Diary\DiariesOf;
use App\Actions\Diary\FetchCalendar;
use App\Models\BookableService;
use App\Models\Business;
use App\Models\Diary;
use App\Support\Book\FieldType;
use App\Support\CurrentAgent;
use App\Support\DiaryForm;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Diary\Start;
use Ringo\Document\InvalidDocument;
use Ringo\Language\Vocabulary;

/** What can be booked, with whom and when: hours, closures, roads, services and diaries, with the next free times while one writes. */
final class DiarySetUpController
{
    private const FEED_LENGTH = 40;

    private const FILE_MOST_KB = 4_096;

    public function __construct(private readonly CurrentAgent $current, private readonly DiariesOf $diaries, private readonly DiaryForm $form)
    {
    }

    public function show(Business $business): View
    {
        $document = $this->diaries->document($business);
        // What the form shows is the diaries' own; what the brief adds is not written twice.
        $own = ['hours' => $business->diary['hours'] ?? [], 'closures' => $business->diary['closures'] ?? []];

        return view('diary-set-up', ['business' => $business, 'agent' => $this->current->in($business), 'document' => $own + $document, 'brief' => $business->brief()->hours, 'services' => $business->bookableServices()->get(), 'diaries' => $business->diaries()->withCount('busy')->get(), 'form' => $this->form, 'next' => $this->next($business, $document)]);
    }

    public function business(Request $request, Business $business): RedirectResponse
    {
        $own = $this->form->business($request->all());
        $this->must(array_merge($this->diaries->document($business), $own), 'hours');
        $business->update(['diary' => $own]);

        return redirect()->route('diary.set-up', $business)->with('notice', 'Hours, closures and roads are kept.');
    }

    public function service(Request $request, Business $business, ?BookableService $bookableService = null): RedirectResponse
    {
        $given = $this->form->service($request->all());
        $key = $bookableService->key ?? $this->freeKey(array_values(array_map(strval(...), $business->bookableServices()->pluck('key')->all())), (string) $given['label'], 'service');
        $document = $this->diaries->document($business);
        $document['services'] = [...array_values(array_filter($document['services'], static fn (array $one): bool => $one['key'] !== $key)), ['key' => $key] + $given];
        $this->must($document, 'label');
        BookableService::query()->updateOrCreate(['business_id' => $business->id, 'key' => $key], ['document' => $given]);

        return redirect()->route('diary.set-up', $business)->with('notice', "“{$given['label']}” is kept.");
    }

    public function dropService(Business $business, BookableService $bookableService): RedirectResponse
    {
        foreach ($business->diaries()->get() as $diary) {
            $left = array_values(array_diff($diary->document['services'] ?? [], [$bookableService->key]));
            $diary->update(['document' => ['services' => $left] + $diary->document]);
        }
        $bookableService->delete();

        return redirect()->route('diary.set-up', $business)->with('notice', 'The service is taken out. What is booked of it stays in the diary.');
    }

    public function diary(Request $request, Business $business, ?Diary $diary = null): RedirectResponse
    {
        $given = $this->form->diary($request->all());
        $name = trim(Input::text($request, 'name'));
        if ($name === '') {
            throw ValidationException::withMessages(['name' => 'Whose diary is it?']);
        }
        $key = $diary->key ?? $this->freeKey(array_values(array_map(strval(...), Diary::withTrashed()->where('business_id', $business->id)->pluck('key')->all())), $name, 'diary');
        $document = $this->diaries->document($business);
        $document['diaries'] = [...array_values(array_filter($document['diaries'], static fn (array $one): bool => $one['key'] !== $key)), ['key' => $key, 'name' => $name] + $given];
        $this->must($document, 'name');
        $diary === null
            ? Diary::query()->create(['business_id' => $business->id, 'key' => $key, 'name' => $name, 'document' => $given, 'feed' => Str::random(self::FEED_LENGTH)])
            : $diary->update(['name' => $name, 'document' => $given]);

        return redirect()->route('diary.set-up', $business)->with('notice', "The diary of {$name} is kept.");
    }

    public function dropDiary(Business $business, Diary $diary): RedirectResponse
    {
        $diary->delete();

        return redirect()->route('diary.set-up', $business)->with('undo', ['text' => "The diary of {$diary->name} is taken out, with its bookings.", 'action' => route('diary.restore', [$business, $diary])]);
    }

    public function restoreDiary(Business $business, Diary $diary): RedirectResponse
    {
        $diary->restore();

        return redirect()->route('diary.set-up', $business)->with('notice', "The diary of {$diary->name} is back.");
    }

    public function feed(Business $business, Diary $diary): RedirectResponse
    {
        $diary->update(['feed' => Str::random(self::FEED_LENGTH)]);

        return redirect()->route('diary.set-up', $business)->with('notice', 'The feed has a new address; the old one no longer works.');
    }

    public function busy(Request $request, Business $business, Diary $diary, CalendarFile $files): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:'.self::FILE_MOST_KB]], ['file.required' => 'Choose an iCalendar file.']);
        $file = $request->file('file');
        try {
            $result = $files->bring($diary, $file instanceof UploadedFile ? (string) $file->get() : '', new \DateTimeZone($business->tz));
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }

        return redirect()->route('diary.set-up', $business)->with('notice', "{$result['kept']} busy times are taken over.".($result['problems'] === [] ? '' : ' Left out: '.implode('; ', array_slice($result['problems'], 0, 3)).'.'));
    }

    /** Where busy times are fetched from, again and again; an empty address ends it, and what came in stays until then. */
    public function calendar(Request $request, Business $business, Diary $diary, FetchCalendar $fetch): RedirectResponse
    {
        $given = $request->validate(['calendar_url' => ['nullable', 'string', 'max:500', 'url:http,https']], ['calendar_url.url' => 'Write the address of an iCalendar file: https://calendar.harrowell.example/tobias.ics.']);
        $url = $given['calendar_url'] ?? null;
        if ($url === null) {
            $diary->busy()->delete();
            $diary->update(['calendar_url' => null, 'calendar_at' => null, 'calendar_problem' => '']);

            return redirect()->route('diary.set-up', $business)->with('notice', "Nothing is fetched for {$diary->name} any more.");
        }
        $diary->update(['calendar_url' => $url]);
        if (! $fetch->one($diary)) {
            throw ValidationException::withMessages(['calendar_url' => $diary->calendar_problem]);
        }

        return redirect()->route('diary.set-up', $business)->with('notice', "{$diary->busy()->count()} busy times of {$diary->name} came in. {$diary->calendar_problem}");
    }

    /** The next free times of what is being written, before it is kept. */
    public function preview(Request $request, Business $business): JsonResponse
    {
        $document = array_merge($this->diaries->document($business), array_filter($this->form->business($request->all()), static fn (mixed $one): bool => $one !== []));
        try {
            Diaries::fromArray($document);
        } catch (InvalidDocument $problem) {
            return response()->json(['message' => $problem->problems[0]['path'].': '.$problem->problems[0]['message']], 422);
        }

        return response()->json(['html' => view('parts.next-free', ['next' => $this->next($business, $document)])->render()]);
    }

    public function export(Business $business): JsonResponse
    {
        return response()->json($this->diaries->document($business), 200, ['Content-Disposition' => "attachment; filename=\"{$business->key}-diaries.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return list<array{service: string, times: list<string>}>
     */
    private function next(Business $business, array $document): array
    {
        $diaries = Diaries::fromArray($document)->withBusy($this->diaries->busy($business));
        $negotiation = new Negotiation($diaries, Vocabulary::of());

        return array_values(array_map(static fn ($service): array => ['service' => $service->label, 'times' => array_map(static fn (Start $start): string => $start->in($diaries->tz)->format('D j M, H:i').' '.$diaries->diaries[$start->diary]->name, $negotiation->after($service, [], time())->starts)], $diaries->services));
    }

    /** @param array<string, mixed> $document */
    private function must(array $document, string $field): void
    {
        try {
            Diaries::fromArray($document);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages([$field => array_map(static fn (array $one): string => ($one['path'] === '' ? '' : $one['path'].': ').$one['message'], array_slice($problem->problems, 0, 4))]);
        }
    }

    /** @param list<string> $taken */
    private function freeKey(array $taken, string $words, string $else): string
    {
        $base = FieldType::key($words) ?: $else;
        for ($key = $base, $n = 2; in_array($key, $taken, true); $n++) {
            $key = $base.'_'.$n;
        }

        return $key;
    }
}
