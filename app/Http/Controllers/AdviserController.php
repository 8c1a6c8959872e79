<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Advice\AskAdviser;
use App\Models\Advice;
use App\Models\Adviser;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\StandIn;
use App\Models\User;
use App\StandIns\Opinions;
use App\StandIns\Systems;
use App\Support\AdvicePage;
use App\Support\CurrentAgent;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Ringo\Advice\Blackout;
use Ringo\Advice\Doubt;
use Ringo\Advice\Purpose;

/** A business's second opinion: where it comes from, what it may be asked about, and everything that was ever sent there. */
final class AdviserController
{
    private const MOST_CHOICES = 8;

    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function show(Request $request, Business $business, AdvicePage $page): View
    {
        $adviser = $business->adviser ?? new Adviser;
        $host = (string) parse_url($adviser->address, PHP_URL_HOST);
        $shows = Input::text($request, 'came');
        $asked = Advice::query()->where('business_id', $business->id)->with('call')->latest('id');
        if (isset(Advice::WORDS[$shows])) {
            $asked->where('status', $shows);
        }

        return view('adviser', [
            'business' => $business, 'agent' => $this->current->in($business), 'adviser' => $adviser, 'figures' => $page->month($business), 'came' => $shows, 'asked' => $asked->simplePaginate(25)->withQueryString(),
            'tried' => Advice::query()->where('business_id', $business->id)->find((int) session('tried')), 'standIn' => array_key_exists('adviser', Systems::at($host)) ? Systems::state('adviser', new Opinions) : null,
        ]);
    }

    public function keep(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate([
            'address' => ['nullable', 'string', 'max:300', 'regex:~^https?://[^\s/?#]+/\S*$~'], 'model' => ['nullable', 'string', 'max:100'], 'secret' => ['nullable', 'string', 'max:500'], 'about' => ['array'], 'about.*' => ['in:'.implode(',', array_column(Purpose::cases(), 'value'))],
            'price_in' => ['nullable', 'numeric', 'between:0,100000'], 'price_out' => ['nullable', 'numeric', 'between:0,100000'],
        ], ['address.*' => 'Write the whole address of its chat completions, such as https://models.pellbrook.example/v1/chat/completions.', 'price_in.*' => 'A price is a number, such as 0.40.', 'price_out.*' => 'A price is a number, such as 0.40.']);
        $on = $request->boolean('on');
        if ($on && (string) ($given['address'] ?? '') === '') {
            throw ValidationException::withMessages(['address' => 'Before it is on it needs an address.']);
        }
        $secret = (string) ($given['secret'] ?? '');
        $adviser = $business->adviser ?? new Adviser(['business_id' => $business->id]);
        $was = $adviser->on;
        $adviser->fill(['on' => $on, 'address' => (string) ($given['address'] ?? ''), 'model' => (string) ($given['model'] ?? ''), 'about' => array_values((array) ($given['about'] ?? [])), 'price_in' => (float) ($given['price_in'] ?? 0), 'price_out' => (float) ($given['price_out'] ?? 0)]);
        if ($secret !== '' || $request->boolean('no_secret')) {
            $adviser->secret = $secret === '' ? null : $secret;
        }
        $adviser->save();
        /** @var User $user */
        $user = $request->user();
        AuditEntry::note($business->id, $user, 'adviser', $on ? 'on: '.implode(', ', array_map(static fn (string $one): string => Purpose::from($one)->words(), $adviser->about)) : 'off');

        return redirect()->route('adviser', $business)->with('notice', match (true) {
            $on && $adviser->about === [] => 'It is on, and is asked about nothing yet: tick what it may be asked about.',
            $on => 'It is kept'.($was ? '.' : ' and on from the next turn of every call.'),
            default => 'It is kept, and off: Ringo decides alone.',
        });
    }

    /** Asks it something typed, to see what is sent and what is made of the answer; no call is touched. */
    public function try(Request $request, Business $business, AskAdviser $ask): RedirectResponse
    {
        $given = $request->validate(['said' => ['required', 'string', 'max:500'], 'choices' => ['required', 'string', 'max:2000']], ['said.*' => 'Type what a caller says.', 'choices.*' => 'Write two meanings or more, one a line.']);
        $labels = array_slice(array_values(array_filter(array_map(trim(...), preg_split('/\R/', $given['choices']) ?: []))), 0, self::MOST_CHOICES);
        if (count($labels) < 2) {
            throw ValidationException::withMessages(['choices' => 'Write two meanings or more, one a line.']);
        }
        $adviser = $business->adviser;
        if ($adviser === null || $adviser->address === '') {
            throw ValidationException::withMessages(['said' => 'Give it an address first.']);
        }
        $choices = [];
        foreach ($labels as $n => $label) {
            $choices['m'.($n + 1)] = $label;
        }
        $asked = $ask->ask($adviser, new Doubt(Purpose::Topic, 'What does the caller want?', (new Blackout)->of($given['said']), $choices));

        return redirect()->route('adviser', $business)->withInput()->with('tried', $asked->id);
    }

    public function standIn(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['mode' => ['required', 'in:'.implode(',', array_keys(AdvicePage::STAND_IN))], 'slow_ms' => ['nullable', 'integer', 'between:0,20000']]);
        $state = Systems::state('adviser', new Opinions);
        $behaves = in_array($given['mode'], ['shapeless', 'invents'], true) ? $given['mode'] : '';
        $state->update(['mode' => $behaves === '' ? $given['mode'] : 'works', 'slow_ms' => (int) ($given['slow_ms'] ?? 3000), 'data' => ['behaves' => $behaves] + $state->data]);
        StandIn::query()->whereKey($state->id)->update(['updated_at' => now()]);

        return redirect()->route('adviser', $business)->with('notice', 'The stand-in adviser '.AdvicePage::STAND_IN[$given['mode']].' now.');
    }
}
