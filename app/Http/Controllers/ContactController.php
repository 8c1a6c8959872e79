<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Contacts\ChangeContacts;
use App\Actions\Contacts\ContactCard;
use App\Actions\Contacts\ContactRow;
use App\Actions\Contacts\FindContacts;
use App\Actions\Contacts\ImportContacts;
use App\Jobs\RunImport;
use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactChange;
use App\Models\ContactColumn;
use App\Models\ContactImport;
use App\Models\User;
use App\Support\Book\FieldType;
use App\Support\CurrentAgent;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Ringo\Format\Csv;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Callers: people and organisations who may ring, brought in, written, merged and erased. */
final class ContactController
{
    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function index(Request $request, Business $business): View
    {
        return view('callers', [
            'business' => $business, 'agent' => $this->current->in($business), 'filter' => $this->filter($request), 'columns' => $business->contactColumns()->get(),
            'contacts' => $this->query($request, $business)->with('numbers')->paginate(50)->withQueryString(),
            'proposals' => ContactChange::query()->whereIn('contact_id', $business->contacts()->select('id'))->where('state', 'proposed')->count(),
            'imports' => ContactImport::query()->where('business_id', $business->id)->orderByDesc('id')->limit(5)->get(),
        ]);
    }

    public function show(Business $business, Contact $contact): View
    {
        $contact->load('numbers');

        return view('caller', [
            'business' => $business, 'agent' => $this->current->in($business), 'contact' => $contact, 'columns' => $business->contactColumns()->get(), 'changes' => $contact->changes()->limit(40)->get(),
            'calls' => \App\Models\Call::query()->where('contact_id', $contact->id)->with('record')->orderByDesc('started_at')->limit(30)->get(),
            'alike' => Contact::query()->where('business_id', $business->id)->where('id', '!=', $contact->id)->where(static fn (Builder $q) => $q->where('name', $contact->name)->orWhere(static fn (Builder $or) => $or->where('email', $contact->email)->where('email', '!=', '')))->limit(5)->get(),
        ]);
    }

    public function create(Business $business): View
    {
        return view('caller', ['business' => $business, 'agent' => $this->current->in($business), 'contact' => new Contact(['kind' => 'person', 'facts' => [], 'tags' => [], 'name' => '', 'organisation' => '', 'email' => '', 'notes' => '', 'language' => 'en', 'do_not_call' => false, 'blocked' => false, 'consent_on' => null]), 'columns' => $business->contactColumns()->get(), 'changes' => collect(), 'calls' => collect(), 'alike' => collect()]);
    }

    public function store(Request $request, Business $business, ChangeContacts $change): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $contact = $change->write($business, null, $this->form($request), $user);

        return redirect()->route('caller', [$business, $contact])->with('notice', "{$contact->name} is in the list.");
    }

    public function update(Request $request, Business $business, Contact $contact, ChangeContacts $change): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $change->write($business, $contact, $this->form($request), $user);

        return redirect()->route('caller', [$business, $contact])->with('notice', 'Kept.');
    }

    public function column(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['title' => ['required', 'string', 'max:60'], 'type' => ['required', 'in:'.implode(',', array_keys(ContactColumn::TYPES))]]);
        $key = FieldType::key($given['title']);
        $same = $business->contactColumns()->get()->first(static fn (ContactColumn $one): bool => in_array(ContactRow::bare($given['title']), [ContactRow::bare($one->key), ContactRow::bare($one->title)], true));
        if ($key === '' || $same !== null) {
            throw ValidationException::withMessages(['title' => $same === null ? 'A column needs a name with letters.' : "There is such a column already: {$same->title}."]);
        }
        ContactColumn::query()->create(['business_id' => $business->id, 'key' => $key, 'title' => $given['title'], 'type' => $given['type']]);

        return redirect()->back()->with('notice', "The column {$given['title']} is there, for prompts as [caller.{$key}].");
    }

    public function decide(Request $request, Business $business, Contact $contact, ContactChange $change, ChangeContacts $changes): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        abort_unless($change->state === 'proposed', 404);
        $changes->decide($change, $request->boolean('accept'), $user);

        return redirect()->route('caller', [$business, $contact])->with('notice', $request->boolean('accept') ? 'Taken over.' : 'Left as it was.');
    }

    public function merge(Request $request, Business $business, Contact $contact, ChangeContacts $change): RedirectResponse
    {
        $from = $change->named($business, $contact, trim(Input::text($request, 'from')));
        /** @var User $user */
        $user = $request->user();
        $change->merge($contact, $from, $user);

        return redirect()->route('caller', [$business, $contact])->with('notice', "{$from->name} is now part of {$contact->name}, with numbers, calls and history.");
    }

    public function erase(Request $request, Business $business, Contact $contact, ChangeContacts $change): RedirectResponse
    {
        $request->validate(['sure' => ['accepted']], ['sure.accepted' => 'Tick that it may be erased: it cannot be undone.']);
        /** @var User $user */
        $user = $request->user();
        $calls = $change->erase($contact, $user);

        return redirect()->route('callers', $business)->with('notice', 'Erased. '.($calls === 1 ? '1 call stays' : "{$calls} calls stay").' for the figures, without words, number or name.');
    }

    public function upload(Request $request, Business $business, ImportContacts $import): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:51200']], ['file.required' => 'Choose a file: CSV or vCard.', 'file.max' => 'The file is larger than 50 MB.']);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        /** @var User $user */
        $user = $request->user();
        try {
            $made = $import->look($business, $user, $file->getClientOriginalName(), (string) $file->store("imports/{$business->id}", 'local'));
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }

        return redirect()->route('import', [$business, $made]);
    }

    public function import(Business $business, ContactImport $import, ImportContacts $contacts): View
    {
        abort_unless($import->business_id === $business->id, 404);

        return view('import', ['business' => $business, 'agent' => $this->current->in($business), 'import' => $import, 'targets' => ContactRow::TARGETS, 'columns' => $business->contactColumns()->get(), 'preview' => $import->status === 'looked_at' ? $contacts->preview($import, $business) : []]);
    }

    public function map(Request $request, Business $business, ContactImport $import): RedirectResponse
    {
        abort_unless($import->business_id === $business->id && $import->status === 'looked_at', 404);
        $mapping = [];
        foreach ($import->shape['header'] as $i => $heading) {
            $mapping[$heading] = (string) ($request->input("map.{$i}") ?? '');
        }
        $import->update(['mapping' => $mapping]);
        if ($request->input('go') !== 'run') {
            return redirect()->route('import', [$business, $import]);
        }
        if (array_intersect(['name', 'first_name', 'last_name', 'organisation'], $mapping) === []) {
            throw ValidationException::withMessages(['map' => 'Say which column holds the name: nobody can be made without one.']);
        }
        $import->update(['status' => 'queued']);
        RunImport::dispatch($import->id);

        return redirect()->route('import', [$business, $import]);
    }

    public function progress(Business $business, ContactImport $import, ImportContacts $contacts): JsonResponse
    {
        abort_unless($import->business_id === $business->id, 404);
        $contacts->takeUp();

        return response()->json(['status' => $import->status, 'done' => $import->done, 'total' => $import->total]);
    }

    public function stop(Request $request, Business $business, ContactImport $import, ImportContacts $contacts): RedirectResponse
    {
        abort_unless($import->business_id === $business->id, 404);
        if (in_array($import->status, ['running', 'queued'], true)) {
            $import->update(['status' => 'stopped']);

            return redirect()->route('import', [$business, $import])->with('notice', 'It stops after the rows it is at.');
        }
        /** @var User $user */
        $user = $request->user();
        $n = $contacts->undo($import, $user);

        return redirect()->route('callers', $business)->with('notice', "The import is undone: {$n} contacts are taken back.");
    }

    public function csv(Request $request, Business $business): StreamedResponse
    {
        $columns = $business->contactColumns()->get();
        $query = $this->query($request, $business);

        return response()->streamDownload(static function () use ($query, $columns): void {
            $put = static function (array $cells): void {
                echo Csv::line($cells);
            };
            $put(['name', 'kind', 'organisation', 'phone', 'email', 'tags', 'notes', 'language', 'consent_on', 'do_not_call', ...$columns->pluck('key')->all()]);
            $query->with('numbers')->chunk(500, static function ($contacts) use ($put, $columns): void {
                foreach ($contacts as $contact) {
                    $put([$contact->name, $contact->kind, $contact->organisation, $contact->numbers->pluck('e164')->implode('; '), $contact->email, implode(', ', $contact->tags ?? []), $contact->notes, $contact->language, $contact->consent_on?->format('Y-m-d'), $contact->do_not_call ? 'yes' : '', ...$columns->map(static fn (ContactColumn $column): string => $contact->facts[$column->key] ?? '')->all()]);
                }
            });
        }, $business->key.'-callers.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    public function vcards(Request $request, Business $business): StreamedResponse
    {
        $query = $this->query($request, $business);

        return response()->streamDownload(static function () use ($query): void {
            $query->with('numbers')->chunk(500, static function ($contacts): void {
                foreach ($contacts as $contact) {
                    echo ContactCard::of($contact);
                }
            });
        }, $business->key.'-callers.vcf', ['Content-Type' => 'text/vcard; charset=utf-8']);
    }

    /** @return Builder<Contact> */
    private function query(Request $request, Business $business): Builder
    {
        $filter = $this->filter($request);
        $query = (new FindContacts)->by($business, $filter);
        $sort = $filter['sort'] ?? 'name';

        $query->orderBy($sort, ($filter['dir'] ?? 'asc') === 'desc' ? 'desc' : 'asc')->orderBy('id');

        return $query;
    }

    /** @return array<string, string> */
    private function filter(Request $request): array
    {
        return $request->validate(['q' => ['nullable', 'string', 'max:100'], 'show' => ['nullable', 'in:organisations,blocked,do_not_call,proposals'], 'tag' => ['nullable', 'string', 'max:60'], 'sort' => ['nullable', 'in:name,organisation,email,updated_at'], 'dir' => ['nullable', 'in:asc,desc']]);
    }

    /** @return array<string, mixed> */
    private function form(Request $request): array
    {
        return $request->validate([
            'name' => ['required', 'string', 'max:250'], 'organisation' => ['nullable', 'string', 'max:250'], 'email' => ['nullable', 'email', 'max:250'], 'kind' => ['nullable', 'in:person,organisation'], 'numbers' => ['nullable', 'string', 'max:1000'], 'tags' => ['nullable', 'string', 'max:500'],
            'notes' => ['nullable', 'string', 'max:5000'], 'language' => ['nullable', 'string', 'max:8'], 'consent_on' => ['nullable', 'date'], 'do_not_call' => ['nullable'], 'blocked' => ['nullable'], 'pin' => ['nullable', 'regex:/^\d{4,8}$/'], 'unlock' => ['nullable'], 'facts' => ['nullable', 'array'], 'facts.*' => ['nullable', 'string', 'max:500'],
        ], ['name.required' => 'Somebody needs a name.', 'pin.regex' => 'A PIN is 4 to 8 digits.']);
    }
}
