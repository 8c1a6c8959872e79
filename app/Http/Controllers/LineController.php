<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Lines\KeepLine;
use App\Actions\Lines\LinesOf;
use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\Line;
use App\Models\LineChange;
use App\Models\User;
use App\Support\CurrentAgent;
use App\Support\LineForm;
use App\Support\LinePage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Line\Answering;
use Ringo\Line\Button;

/** Lines of a business: who answers which number when, and which release runs on it. */
final class LineController
{
    private const ORIGINS_SHOWN = 20;

    private const CALLS_SHOWN = 8;

    private const PASSWORD_LENGTH = 32;

    public function __construct(private readonly CurrentAgent $current, private readonly LinesOf $lines, private readonly KeepLine $keep, private readonly LineForm $form)
    {
    }

    public function index(Business $business, LinePage $page): View
    {
        $lines = Line::query()->with('agent.latestRelease', 'release')->where('business_id', $business->id)->orderBy('id')->get();
        $hours = $business->brief()->hours;
        [$check, $words] = [$this->lines->check($business), $this->lines->words($business)];

        $drawn = [];
        foreach ($lines as $line) {
            if ($line instanceof Line) {
                $drawn[$line->key] = ['week' => $page->week($line->design(), $hours, $words), 'found' => $check->of($line->design()), 'calls' => $page->hours($business, $line)];
            }
        }

        return view('lines', ['business' => $business, 'agent' => $this->current->in($business), 'lines' => $lines, 'hours' => $hours, 'drawn' => $drawn]);
    }

    public function create(Business $business): View
    {
        return view('line-new', ['business' => $business, 'agent' => $this->current->in($business), 'agents' => $business->agents()->with('latestRelease')->get(), 'teams' => $business->teams()->get(), 'hours' => $business->brief()->hours]);
    }

    public function store(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:60'],
            'kind' => ['required', 'in:number,button'],
            'number' => ['nullable', 'string', 'max:40'],
            'agent' => ['required', 'string', 'max:60'],
            'begins' => ['required', 'in:agent,staff_first'],
            'rings' => ['required_if:begins,staff_first', 'nullable', 'string', 'max:80'],
        ], ['name.required' => 'Give the line a name, such as “Main line”.', 'agent.required' => 'Choose the agent that answers.', 'rings.required_if' => 'Choose whose telephones ring first.']);
        $answers = $given['begins'] === 'staff_first' ? ['open' => $this->form->answer(['who' => 'staff_first', 'rings' => $given['rings'] ?? '']), 'otherwise' => ['who' => 'agent']] : ['otherwise' => ['who' => 'agent']];
        $line = $this->keep->make($business, ['name' => trim($given['name']), 'number' => $given['number'] ?? '', 'agent' => $given['agent'], 'answers' => $answers], $given['kind'], $this->user($request));

        return redirect()->route('line', [$business, $line])->with('notice', "{$line->name} is made. It takes calls once it is put live.");
    }

    public function show(Business $business, Line $line, LinePage $page): View
    {
        $line->load('agent.releases', 'release', 'changes.user');
        $this->current->remember($line->agent);
        $hours = $business->brief()->hours;
        $design = $line->design();
        $release = $line->release ?? $line->agent->releases->first();

        return view('line', ['business' => $business, 'agent' => $line->agent, 'line' => $line, 'design' => $design, 'hours' => $hours,
            'week' => $page->week($design, $hours, $this->lines->words($business)), 'found' => $this->lines->check($business)->of($design), 'calls' => $page->hours($business, $line),
            'agents' => $business->agents()->get(), 'teams' => $business->teams()->get(), 'people' => $business->people()->get(), 'others' => $business->lines()->whereKeyNot($line->id)->get(),
            'steps' => $release === null ? [] : array_map(strval(...), array_keys($release->scriptText->script()->steps)), 'words' => $this->lines->words($business),
        ]);
    }

    /** Name, number, agent, how many at once, what callers hear, and who answers at all other times. */
    public function update(Request $request, Business $business, Line $line): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:60'], 'number' => ['nullable', 'string', 'max:40'], 'agent' => ['required', 'string', 'max:60'], 'at_once' => ['required', 'integer', 'between:1,500'], 'hears' => ['nullable', 'array'], 'hears.*' => ['nullable', 'string', 'max:400'],
            'otherwise' => ['required', 'array'], 'open' => ['nullable', 'array'], 'closed' => ['nullable', 'array']]);
        $answers = ['otherwise' => $this->form->answer($given['otherwise'])] + array_diff_key($line->document['answers'], ['open' => 1, 'closed' => 1, 'otherwise' => 1]);
        foreach (['open', 'closed'] as $when) {
            if (($given[$when]['who'] ?? '') !== '') {
                $answers[$when] = $this->form->answer($given[$when]);
            }
        }
        $this->keep->change($line, ['name' => trim($given['name']), 'number' => $given['number'] ?? '', 'agent' => $given['agent'], 'at_once' => (int) $given['at_once'], 'hears' => array_filter(array_map(strval(...), $given['hears'] ?? []), static fn (string $one): bool => trim($one) !== ''), 'answers' => $answers], 'changed what it is and who answers', $this->user($request));

        return redirect()->route('line', [$business, $line])->with('notice', 'Kept. '.($line->live() ? 'It counts from the next call on.' : ''));
    }

    /** One stretch of the week is answered otherwise from now on; what lay there is cut. */
    public function stretch(Request $request, Business $business, Line $line): RedirectResponse
    {
        $given = $request->validate([
            'days' => ['required', 'array', 'min:1'],
            'days.*' => ['integer', 'between:1,7'],
            'from' => ['required', 'string', 'max:5'],
            'to' => ['required', 'string', 'max:5'],
            'who' => ['required', 'in:agent,staff_first,staff,forward,nobody,none'],
            'rings' => ['nullable', 'string', 'max:80'],
            'seconds' => ['nullable', 'integer'],
            'agent' => ['nullable', 'string', 'max:60'],
            'opening' => ['nullable', 'string', 'max:80'],
            'forward' => ['nullable', 'string', 'max:80'],
        ], ['days.required' => 'Choose the days.']);
        [$from, $to] = $this->form->span($given['from'], $given['to']);
        $answer = $given['who'] === 'none' ? null : $this->form->read($given);
        $days = array_values(array_map(intval(...), $given['days']));
        $answering = $line->design()->answering->with($days, $from, $to, $answer);
        $when = implode(', ', array_map(static fn (int $day): string => LinePage::DAYS[$day], $days)).' '.Answering::clock($from).' to '.Answering::clock($to);
        $words = $answer === null ? "{$when}: as at other times" : "{$when}: ".$this->lines->words($business)->answer($answer, $line->design());
        $this->keep->change($line, ['answers' => $answering->toArray()] + $line->document, $words, $this->user($request));
        $change = $line->changes()->first();

        return redirect()->to(route('line', [$business, $line]).'#week')->with('undo', ['text' => "{$words}.", 'action' => route('line.back', [$business, $line, $change])]);
    }

    /** The button on the client's page: how it looks, where it may stand, the code to copy, and what was called from where. */
    public function button(Business $business, Line $line): View
    {
        abort_unless($line->kind === 'button', 404);
        $app = rtrim((string) config('app.url'), '/');

        return view('line-button', ['campaigns' => Campaign::query()->where('business_id', $business->id)->whereNotNull('intake')->orderBy('name')->get(), 'business' => $business, 'agent' => $this->current->remember($line->agent), 'line' => $line, 'button' => $line->design()->button ?? new Button, 'script' => $app.'/button/button.js', 'policy' => SiteController::needs($app), 'site' => route('site', [$business->key, $line->key]),
            'from' => Call::query()->toBase()->where('line_id', $line->id)->whereNotNull('origin')->selectRaw('origin, count(*) as n, max(started_at) as last')->groupBy('origin')->orderByDesc('n')->limit(self::ORIGINS_SHOWN)->get(),
            'calls' => Call::query()->with('line')->where('line_id', $line->id)->whereNotNull('origin')->latest('id')->limit(self::CALLS_SHOWN)->get()]);
    }

    public function setButton(Request $request, Business $business, Line $line): RedirectResponse
    {
        abort_unless($line->kind === 'button', 404);
        $given = $request->validate([
            'label' => ['required', 'string', 'max:30'],
            'colour' => ['required', 'string', 'max:7'],
            'ink' => ['required', 'string', 'max:7'],
            'corner' => ['required', 'in:right,left'],
            'spoken' => ['nullable', 'in:1'],
            'terms' => ['nullable', 'string', 'max:600'],
            'terms_at' => ['nullable', 'string', 'max:300'],
            'picture' => ['nullable', 'file', 'max:2048'],
            'no_picture' => ['nullable', 'in:1'],
            'rung_by' => ['nullable', 'string', 'max:40'],
            'origins' => ['nullable', 'string', 'max:3000'],
        ], ['label.*' => 'Give the button its words, up to thirty characters.']);
        $origins = array_values(array_filter(array_map(static fn (string $one): string => strtolower(rtrim(trim($one), '/')), preg_split('/\R/', (string) ($given['origins'] ?? '')) ?: []), static fn (string $one): bool => $one !== ''));
        $button = ['label' => $given['label'], 'colour' => $given['colour'], 'ink' => $given['ink'], 'corner' => $given['corner'], 'spoken' => isset($given['spoken']), 'terms' => $given['terms'] ?? '', 'origins' => $origins] + (($given['terms_at'] ?? '') === '' ? [] : ['terms_at' => $given['terms_at']]);
        $rungBy = (string) ($given['rung_by'] ?? '');
        if ($rungBy !== '') {
            $button['rung_by'] = Campaign::query()->where('business_id', $business->id)->where('key', $rungBy)->exists() ? $rungBy : throw ValidationException::withMessages(['rung_by' => 'There is no such campaign.']);
        }
        $picture = $request->file('picture');
        $kept = isset($given['no_picture']) ? null : $line->design()->button?->picture;
        $picture = $picture instanceof UploadedFile ? Button::address((string) $picture->get()) : $kept;
        $button += $picture === null ? [] : ['picture' => $picture];
        $this->keep->change($line, ['button' => $button] + $line->document, 'changed the button', $this->user($request));

        return redirect()->route('line.button', [$business, $line])->with('notice', 'Kept. Pages show it at their next visit.');
    }

    public function newToken(Request $request, Business $business, Line $line): RedirectResponse
    {
        abort_unless($line->kind === 'button', 404);
        $this->keep->newToken($line, $this->user($request));

        return redirect()->route('line.button', [$business, $line])->with('notice', 'The code is another one now. Pages with the old one show no button.');
    }

    /** A password for a voice browser, shown once; a new one takes the place of the old. */
    public function voice(Request $request, Business $business, Line $line): RedirectResponse
    {
        $password = Str::random(self::PASSWORD_LENGTH);
        $line->update(['voice_hash' => Hash::make($password)]);
        AuditEntry::note($business->id, $this->user($request), 'line', "{$line->name}: a password for voice browsers");

        return redirect()->to(route('line', [$business, $line]).'#voice')->with('voice', ['address' => route('voice', [$business, $line]), 'password' => $password]);
    }

    public function live(Request $request, Business $business, Line $line): RedirectResponse
    {
        $given = $request->validate(['release' => ['required', 'integer']], ['release.*' => 'Choose the release the line is to run. A line never runs a draft: release the agent first.']);
        $release = $line->agent->releases()->where('number', $given['release'])->first() ?? throw ValidationException::withMessages(['release' => 'There is no such release.']);
        $this->keep->live($line, $release, $this->user($request));

        return redirect()->route('line', [$business, $line])->with('notice', "{$line->name} is live with {$line->agent->name}, release {$release->number}.");
    }

    public function pause(Request $request, Business $business, Line $line): RedirectResponse
    {
        $this->keep->pause($line, $this->user($request));

        return redirect()->route('line', [$business, $line])->with('notice', "{$line->name} takes no calls until it is put live again. Calls in progress go on to their end.");
    }

    public function back(Request $request, Business $business, Line $line, LineChange $change): RedirectResponse
    {
        $this->keep->back($line, $change, $this->user($request));

        return redirect()->route('line', [$business, $line])->with('notice', "Taken back: {$change->words}.");
    }

    public function destroy(Request $request, Business $business, Line $line): RedirectResponse
    {
        if ($line->live()) {
            throw ValidationException::withMessages(['line' => 'Pause the line first: calls would find no line there.']);
        }
        $line->delete();
        AuditEntry::note($business->id, $this->user($request), 'line taken away', $line->name);

        return redirect()->route('lines', $business)->with('undo', ['text' => "{$line->name} was taken away. Its calls stay.", 'action' => route('line.restore', [$business, $line])]);
    }

    public function restore(Request $request, Business $business, Line $line): RedirectResponse
    {
        $line->restore();

        return redirect()->route('line', [$business, $line])->with('notice', "{$line->name} is back.");
    }

    public function export(Business $business, Line $line): JsonResponse
    {
        return response()->json($line->document, 200, ['Content-Disposition' => "attachment; filename=\"{$business->key}-{$line->key}.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    private function user(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
