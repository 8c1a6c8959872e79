<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\GuestPass;
use App\Models\GuestRemark;
use App\Models\User;
use App\Support\CurrentAgent;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Guests: people without an account who ring one agent by a link and a code, and say what they thought of it. */
final class GuestController
{
    private const TOKEN_LENGTH = 24;

    private const CODE_DIGITS = 6;

    private const MOST_DAYS = 60;

    private const CALLS_SHOWN = 6;

    public function index(Business $business, Agent $agent, CurrentAgent $current): View
    {
        $current->remember($agent);

        return view('guests', ['business' => $business, 'agent' => $agent, 'releases' => $agent->releases()->get(), 'passes' => GuestPass::query()->with(['remarks.call', 'release', 'agent', 'business', 'calls' => static fn ($calls) => $calls->limit(self::CALLS_SHOWN)])->where('agent_id', $agent->id)->orderByDesc('id')->get()]);
    }

    public function store(Request $request, Business $business, Agent $agent): RedirectResponse
    {
        $given = $request->validate(['guest' => ['required', 'string', 'max:80'], 'rings' => ['required', 'string', 'max:20'], 'days' => ['required', 'integer', 'between:1,'.self::MOST_DAYS]], ['guest.*' => 'Say who it is for: their calls are marked with it.', 'days.*' => 'Between one day and sixty.']);
        $release = $given['rings'] === 'draft' ? null : ($agent->releases()->where('number', (int) $given['rings'])->first() ?? throw ValidationException::withMessages(['rings' => 'There is no such release.']));
        $code = str_pad((string) random_int(0, 10 ** self::CODE_DIGITS - 1), self::CODE_DIGITS, '0', STR_PAD_LEFT);
        /** @var User $user */
        $user = $request->user();
        $pass = GuestPass::query()->create(['business_id' => $business->id, 'agent_id' => $agent->id, 'release_id' => $release?->id, 'user_id' => $user->id, 'guest' => trim($given['guest']), 'token' => Str::random(self::TOKEN_LENGTH), 'button_token' => Str::random(self::TOKEN_LENGTH), 'code_hash' => Hash::make($code), 'draft' => $release === null, 'expires_at' => now()->addDays((int) $given['days'])]);
        AuditEntry::note($business->id, $user, 'guest let in', "{$pass->guest}, to ring {$agent->name}, {$pass->called()}");

        return redirect()->route('guests', [$business, $agent])->with('pass', ['guest' => $pass->guest, 'link' => route('guest', $pass->token), 'code' => $code]);
    }

    public function destroy(Request $request, Business $business, Agent $agent, GuestPass $guestPass): RedirectResponse
    {
        $guestPass->update(['expires_at' => now()]);

        return redirect()->route('guests', [$business, $agent])->with('notice', "{$guestPass->guest} cannot ring any more. The calls and remarks stay.");
    }

    /** The guest's page: the code first, then the agent to ring. */
    public function show(Request $request, string $token): View
    {
        $pass = $this->pass($token);

        return view('guest', ['pass' => $pass, 'token' => $token, 'in' => $pass !== null && $request->session()->get('guest') === $pass->id, 'script' => route('button.script')]);
    }

    public function enter(Request $request, string $token): RedirectResponse
    {
        $pass = $this->pass($token);
        $code = (string) preg_replace('/\D/', '', Input::text($request, 'code'));
        if ($pass === null || ! Hash::check($code, $pass->code_hash)) {
            throw ValidationException::withMessages(['code' => $pass === null ? 'This link is over. Ask whoever sent it for a new one.' : 'That is not the code.']);
        }
        $request->session()->put('guest', $pass->id);

        return redirect()->route('guest', $token);
    }

    public function remark(Request $request, string $token): RedirectResponse
    {
        $pass = $this->pass($token);
        if ($pass === null || $request->session()->get('guest') !== $pass->id) {
            abort(403, 'Give the code first.');
        }
        $given = $request->validate(['words' => ['required', 'string', 'max:2000']], ['words.*' => 'Write what you thought of it, in up to two thousand characters.']);
        GuestRemark::query()->create(['guest_pass_id' => $pass->id, 'call_id' => $pass->calls()->value('id'), 'words' => trim($given['words'])]);

        return redirect()->route('guest', $token)->with('notice', 'Thank you. It was passed on.');
    }

    private function pass(string $token): ?GuestPass
    {
        /** @var ?GuestPass $pass */
        $pass = GuestPass::query()->with('agent', 'business', 'release')->where('token', $token)->first();

        return $pass !== null && $pass->open() ? $pass : null;
    }
}
