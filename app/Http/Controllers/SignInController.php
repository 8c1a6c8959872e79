<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\Support\Input;
use App\Support\OneTimeCode;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

final class SignInController
{
    private const SECOND = 'second.waiting';

    /** Minutes between password and code. */
    private const CODE_MINUTES = 10;

    public function show(): View
    {
        return view('sign-in', ['demo' => (bool) config('app.demo')]);
    }

    public function store(Request $request): RedirectResponse
    {
        $credentials = $request->validate([
            'email' => ['required', 'string', 'email', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ], ['required' => 'Please fill in the :attribute.', 'email' => 'That is not an e-mail address.']);
        if (! Auth::validate($credentials)) {
            throw ValidationException::withMessages(['email' => 'E-mail and password do not belong together. Try again, or have a new password sent to you.']);
        }
        /** @var User $user */
        $user = User::query()->where('email', $credentials['email'])->firstOrFail();
        if ($user->second_since !== null) {
            $request->session()->put(self::SECOND, ['user' => $user->id, 'remember' => $request->boolean('remember'), 'until' => now()->addMinutes(self::CODE_MINUTES)->getTimestamp()]);

            return redirect()->route('sign-in.code');
        }

        return $this->in($request, $user, $request->boolean('remember'));
    }

    public function code(Request $request): View|RedirectResponse
    {
        return $this->waiting($request) === null ? redirect()->route('sign-in') : view('sign-in-code');
    }

    /** The second factor: a code of the moment, or one of the codes kept for when the telephone is lost. Each counts once. */
    public function giveCode(Request $request, OneTimeCode $codes): RedirectResponse
    {
        $waiting = $this->waiting($request);
        if ($waiting === null) {
            return redirect()->route('sign-in')->with('notice', 'That took too long. Please sign in again.');
        }
        $given = mb_substr(trim(Input::text($request, 'code')), 0, 40);
        $user = DB::transaction(static function () use ($waiting, $given, $codes): ?User {
            User::query()->whereKey($waiting['user'])->update(['updated_at' => now()]);
            $user = User::query()->findOrFail($waiting['user']);
            $step = $user->second_secret === null ? null : $codes->step($user->second_secret, $given, now()->getTimestamp(), $user->second_last);
            $hash = hash('sha256', mb_strtolower($given));
            if ($step === null && ! in_array($hash, $user->recovery_codes ?? [], true)) {
                return null;
            }
            $user->forceFill($step !== null ? ['second_last' => $step] : ['recovery_codes' => array_values(array_diff($user->recovery_codes ?? [], [$hash]))])->save();

            return $user;
        });
        if ($user === null) {
            throw ValidationException::withMessages(['code' => 'This code is not right, or was used. Wait for the next one.']);
        }
        $request->session()->forget(self::SECOND);

        return $this->in($request, $user, (bool) $waiting['remember']);
    }

    /** @return ?array{user: int, remember: bool, until: int} */
    private function waiting(Request $request): ?array
    {
        $waiting = $request->session()->get(self::SECOND);

        return is_array($waiting) && $waiting['until'] > now()->getTimestamp() ? ['user' => (int) $waiting['user'], 'remember' => (bool) $waiting['remember'], 'until' => (int) $waiting['until']] : null;
    }

    private function in(Request $request, User $user, bool $remember): RedirectResponse
    {
        Auth::login($user, $remember);
        $request->session()->regenerate();

        return redirect()->intended(route('home'));
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }
}
