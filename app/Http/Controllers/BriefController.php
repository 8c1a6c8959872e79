<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Brief\KeepBrief;
use App\Gateways\Web\AllowedHosts;
use App\Models\Business;
use App\Models\User;
use App\Support\BriefForm;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Validation\ValidationException;
use Ringo\Brief\Brief;
use Ringo\Brief\PageReader;
use Ringo\Document\InvalidDocument;

/** The brief: one page of what is true of the business. */
final class BriefController
{
    /** Days ahead whose holidays and closures the page lists. */
    private const AHEAD = 366;

    /** Bytes of a brief's file. */
    private const FILE_KB = 512;

    public function __construct(private readonly CurrentAgent $current, private readonly KeepBrief $keep, private readonly BriefForm $form)
    {
    }

    public function show(Request $request, Business $business): View
    {
        $brief = $business->brief();
        $today = Carbon::now($business->tz);

        return view('brief', ['business' => $business, 'agent' => $this->current->in($business), 'brief' => $brief, 'typed' => $this->form->written($brief->hours), 'ahead' => $this->form->spansOfDays($brief->hours->unusual($today->format('Y-m-d'), $today->addDays(self::AHEAD)->format('Y-m-d'))), 'found' => $request->session()->get('brief.found')]);
    }

    public function update(Request $request, Business $business): RedirectResponse
    {
        $request->validate(['spoken' => ['nullable', 'string', 'max:120'], 'pronounced' => ['nullable', 'string', 'max:120'], 'profile' => ['nullable', 'string', 'max:4000'], 'closures' => ['nullable', 'string', 'max:8000'], 'days' => ['nullable', 'string', 'max:8000']]);
        $this->must($business, $this->form->read($request->all()), $request);

        return redirect()->route('brief', $business)->with('notice', 'Kept. Agents, transfers, diaries, lines and answers read it from now on.');
    }

    public function export(Business $business): JsonResponse
    {
        return response()->json($business->brief()->toArray(), 200, ['Content-Disposition' => "attachment; filename=\"{$business->key}-brief.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function import(Request $request, Business $business): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:'.self::FILE_KB]], ['file.required' => 'Choose the file of a brief.', 'file.max' => 'A brief is no larger than 512 kB.']);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        $data = json_decode((string) file_get_contents($file->getRealPath()), true, 32);
        if (! is_array($data)) {
            throw ValidationException::withMessages(['file' => 'The file is no JSON: '.strtolower(json_last_error_msg()).'. Nothing was changed.']);
        }
        $this->must($business, $data, $request);

        return redirect()->route('brief', $business)->with('notice', 'The brief was brought in.');
    }

    /** What a page of the client's site says, beside where it says it; each is taken on its own. */
    public function look(Request $request, Business $business, AllowedHosts $web, PageReader $reader): RedirectResponse
    {
        $given = $request->validate(['url' => ['required', 'string', 'max:500']], ['url.required' => 'Give the address of a page of the client’s site.']);
        try {
            $facts = $reader->facts($web->read($business->knowledge_hosts ?? [], $given['url']));
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        }
        if ($facts === []) {
            throw ValidationException::withMessages(['url' => 'Nothing of the business was found on this page: no name, address, telephone or opening hours. Try its contact page.']);
        }

        return redirect()->to(route('brief', $business).'#found')->with('brief.found', ['url' => $given['url'], 'facts' => $facts]);
    }

    /** Takes over the facts that were ticked. */
    public function take(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['facts' => ['required', 'array', 'min:1'], 'facts.*' => ['json', 'max:4000']], ['facts.required' => 'Tick what is to be taken over.']);
        $document = $business->brief()->toArray();
        $taken = [];
        foreach ($given['facts'] as $json) {
            $fact = json_decode((string) $json, true);
            $what = is_array($fact) ? ($fact['what'] ?? '') : '';
            $value = is_array($fact) ? ($fact['value'] ?? null) : null;
            if (in_array($what, ['spoken', 'profile'], true) && is_string($value)) {
                $document[$what] = $value;
            } elseif ($what === 'hours' && is_array($value)) {
                $document['hours'] = $value;
            } elseif (in_array($what, ['address', 'phone'], true) && is_string($value)) {
                $document['sites'][0] = [...$document['sites'][0] ?? ['key' => 'main', 'name' => $business->name], $what => $value];
            } else {
                continue;
            }
            $taken[] = $what;
        }
        $this->must($business, $document, $request);

        return redirect()->route('brief', $business)->with('notice', 'Taken over: '.implode(', ', $taken).'.');
    }

    /** @param array<string, mixed> $document */
    private function must(Business $business, array $document, Request $request): void
    {
        /** @var User $user */
        $user = $request->user();
        try {
            $this->keep->keep($business, $document, $user);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['brief' => array_map(static fn (array $one): string => ucfirst(str_replace(['.', '['], [', ', ' ['], $one['path']).': '.$one['message'].'.'), array_slice($problem->problems, 0, 8))]);
        }
    }
}
