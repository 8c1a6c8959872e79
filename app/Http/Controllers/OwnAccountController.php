<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\Support\Input;
use App\Support\OneTimeCode;
use App\Support\Sessions;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** One's own account: name and password, the second factor, and where one is signed in. */
final class OwnAccountController
{
    private const RECOVERY_CODES = 8;

    public function __construct(private readonly OneTimeCode $codes, private readonly Sessions $sessions)
    {
    }

    public function show(Request $request): View
    {
        $user = $this->me($request);
        $secret = $request->session()->get('second.secret');

        return view('own-account', ['user' => $user, 'sessions' => $this->sessions->of($user, $request->session()->getId()), 'secret' => is_string($secret) ? $secret : null, 'address' => is_string($secret) ? $this->codes->address($secret, $user->email) : null, 'left' => count($user->recovery_codes ?? [])]);
    }

    public function update(Request $request): RedirectResponse
    {
        $user = $this->me($request);
        $given = $request->validate(['name' => ['required', 'string', 'max:120'], 'current' => ['nullable', 'string', 'max:200'], 'password' => ['nullable', 'string', 'min:'.InvitationController::PASSWORD_LENGTH, 'max:200', 'confirmed']], ['name.required' => 'Please fill in your name.', 'password.min' => 'A password has at least '.InvitationController::PASSWORD_LENGTH.' characters.', 'password.confirmed' => 'The two passwords are not the same.']);
        $user->name = trim($given['name']);
        $words = 'Kept.';
        if (($given['password'] ?? null) !== null) {
            $this->confirm($user, (string) ($given['current'] ?? ''));
            $user->forceFill(['password' => $given['password'], 'remember_token' => Str::random(60)]);
            $this->sessions->end($user, $request->session()->getId());
            $words = 'The new password counts from now on. All other sessions were ended.';
        }
        $user->save();

        return redirect()->route('account')->with('notice', $words);
    }

    /** Begins the second factor: a secret to put into a program for one-time codes. It counts once a code of it was given. */
    public function begin(Request $request): RedirectResponse
    {
        $this->confirm($this->me($request), Input::text($request, 'current'));
        $request->session()->put('second.secret', $this->codes->secret());

        return redirect()->to(route('account').'#second');
    }

    public function finish(Request $request): RedirectResponse
    {
        $user = $this->me($request);
        $secret = $request->session()->get('second.secret');
        $step = is_string($secret) ? $this->codes->step($secret, Input::text($request, 'code'), now()->getTimestamp(), null) : null;
        if ($step === null) {
            throw ValidationException::withMessages(['code' => 'This is not the code of this moment. See that the clock of your telephone is right, and try the next one.']);
        }
        $recovery = array_map(static fn (): string => Str::lower(Str::random(5)).'-'.Str::lower(Str::random(5)), range(1, self::RECOVERY_CODES));
        $user->forceFill(['second_secret' => $secret, 'second_since' => now(), 'second_last' => $step, 'recovery_codes' => array_map(static fn (string $code): string => hash('sha256', $code), $recovery)])->save();
        $request->session()->forget('second.secret');

        return redirect()->to(route('account').'#second')->with('recovery', $recovery);
    }

    public function stop(Request $request): RedirectResponse
    {
        $user = $this->me($request);
        $this->confirm($user, Input::text($request, 'current'));
        $user->forceFill(['second_secret' => null, 'second_since' => null, 'second_last' => null, 'recovery_codes' => null])->save();

        return redirect()->route('account')->with('notice', 'A password is enough to sign in again.');
    }

    public function endSession(Request $request): RedirectResponse
    {
        $request->input('session') === 'others' ? $this->sessions->end($this->me($request), $request->session()->getId()) : $this->sessions->endOne($this->me($request), Input::text($request, 'session'));

        return redirect()->route('account')->with('notice', 'Ended.');
    }

    private function confirm(User $user, string $password): void
    {
        if (! Hash::check($password, $user->password)) {
            throw ValidationException::withMessages(['current' => 'That is not your password.']);
        }
    }

    private function me(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
