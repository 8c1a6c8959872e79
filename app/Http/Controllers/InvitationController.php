<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Accounts\Invite;
use App\Gateways\Post\AccountMail;
use App\Models\Invitation;
use App\Models\PasswordLink;
use App\Models\User;
use App\Support\Input;
use App\Support\Sessions;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Links that let people in: an invitation taken up, a forgotten password set anew. */
final class InvitationController
{
    /** Characters of a password, at least. */
    public const PASSWORD_LENGTH = 10;

    private const LINK_MINUTES = 60;

    private const TOKEN_LENGTH = 48;

    public function show(string $token): View
    {
        $invitation = Invitation::open($token);

        return view('invitation', ['invitation' => $invitation, 'token' => $token, 'known' => $invitation !== null && User::query()->where('email', $invitation->email)->exists()]);
    }

    public function accept(Request $request, string $token, Invite $invite): RedirectResponse
    {
        $invitation = Invitation::open($token) ?? throw ValidationException::withMessages(['invitation' => 'This invitation is over, or was withdrawn. Ask for a new one.']);
        $user = User::query()->where('email', $invitation->email)->first();
        if ($user !== null) {
            // The link shows that the e-mail is theirs; who they are their own password shows.
            $request->validate(['password' => ['required', 'string', 'max:200']], ['password.required' => 'Please fill in your password.']);
            if (! Hash::check(Input::text($request, 'password'), $user->password)) {
                throw ValidationException::withMessages(['password' => 'That is not the password of this account.']);
            }
        } else {
            $given = $request->validate(['name' => ['required', 'string', 'max:120'], 'password' => ['required', 'string', 'min:'.self::PASSWORD_LENGTH, 'max:200', 'confirmed']], ['name.required' => 'Please fill in your name.', 'password.min' => 'A password has at least '.self::PASSWORD_LENGTH.' characters.', 'password.confirmed' => 'The two passwords are not the same.', 'password.required' => 'Choose a password.']);
            $user = User::query()->create(['name' => trim($given['name']), 'email' => $invitation->email, 'password' => $given['password']]);
        }
        $invite->accept($invitation, $user);
        if ($user->second_since !== null) {
            return redirect()->route('sign-in')->with('notice', "You are in {$invitation->business->name} now. Please sign in.");
        }
        Auth::login($user);
        $request->session()->regenerate();

        return redirect()->route('board', $invitation->business)->with('notice', "Welcome to {$invitation->business->name}.");
    }

    public function forgot(): View
    {
        return view('forgot');
    }

    /** Says the same whether or not there is such an account. */
    public function sendLink(Request $request, AccountMail $mail): RedirectResponse
    {
        $given = $request->validate(['email' => ['required', 'email', 'max:200']], ['email.*' => 'That is not an e-mail address.']);
        $user = User::query()->where('email', mb_strtolower($given['email']))->first();
        if ($user instanceof User) {
            $token = Str::random(self::TOKEN_LENGTH);
            PasswordLink::query()->create(['user_id' => $user->id, 'token_hash' => hash('sha256', $token), 'expires_at' => now()->addMinutes(self::LINK_MINUTES)]);
            $mail->send($user->email, 'A new password for Ringo', "This link sets a new password, once and within an hour:\n".route('password', $token)."\n\nIf you did not ask for it, leave it: nothing changes.");
        }

        return redirect()->route('sign-in')->with('notice', 'If there is an account with this e-mail, a link that sets a new password is on its way to it.');
    }

    public function password(string $token): View
    {
        return view('password', ['link' => PasswordLink::open($token), 'token' => $token]);
    }

    public function setPassword(Request $request, string $token, Sessions $sessions): RedirectResponse
    {
        $link = PasswordLink::open($token) ?? throw ValidationException::withMessages(['password' => 'This link is over, or was used. Ask for a new one.']);
        $given = $request->validate(['password' => ['required', 'string', 'min:'.self::PASSWORD_LENGTH, 'max:200', 'confirmed']], ['password.min' => 'A password has at least '.self::PASSWORD_LENGTH.' characters.', 'password.confirmed' => 'The two passwords are not the same.', 'password.required' => 'Choose a password.']);
        DB::transaction(static function () use ($link, $given, $sessions): void {
            if (PasswordLink::query()->whereKey($link->id)->whereNull('used_at')->update(['used_at' => now()]) === 0) {
                throw ValidationException::withMessages(['password' => 'This link was used already.']);
            }
            PasswordLink::query()->where('user_id', $link->user->id)->whereNull('used_at')->update(['used_at' => now()]);
            $link->user->forceFill(['password' => $given['password'], 'remember_token' => Str::random(60)])->save();
            $sessions->end($link->user);
        });

        return redirect()->route('sign-in')->with('notice', 'The new password counts from now on. All other sessions of the account were ended.');
    }
}
