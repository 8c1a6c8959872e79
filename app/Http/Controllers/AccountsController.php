<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Accounts\Invite;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Who may sign in to a business, as what, and what was done in it by whom. */
final class AccountsController
{
    private const ROWS = 60;

    public function __construct(private readonly CurrentAgent $current, private readonly Invite $invite)
    {
    }

    public function index(Request $request, Business $business): View
    {
        return view('accounts', ['business' => $business, 'agent' => $this->current->in($business), 'me' => $request->user(),
            'members' => Membership::query()->join('users', 'users.id', '=', 'memberships.user_id')->where('business_id', $business->id)->orderBy('users.name')->get(['memberships.role', 'users.id as user_id', 'users.name', 'users.email', 'users.second_since']),
            'invitations' => Invitation::query()->with('inviter')->where('business_id', $business->id)->whereNull('accepted_at')->orderByDesc('id')->get(),
        ]);
    }

    public function invite(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['email' => ['required', 'email', 'max:200'], 'role' => ['required', Rule::enum(Role::class)]], ['email.*' => 'Give the e-mail of whoever is invited.', 'role.*' => 'Choose what they may do.']);
        $link = $this->invite->send($business, $given['email'], Role::from($given['role']), $this->me($request));

        return redirect()->route('accounts', $business)->with('invited', ['email' => $given['email'], 'link' => $link]);
    }

    public function withdraw(Request $request, Business $business, Invitation $invitation): RedirectResponse
    {
        $invitation->delete();
        AuditEntry::note($business->id, $this->me($request), 'invitation withdrawn', $invitation->email);

        return redirect()->route('accounts', $business)->with('notice', "The invitation of {$invitation->email} no longer lets anybody in.");
    }

    public function role(Request $request, Business $business, User $user): RedirectResponse
    {
        $given = $request->validate(['role' => ['required', Rule::enum(Role::class)]], ['role.*' => 'Choose what they may do.']);
        $this->invite->role($business, $user, Role::from($given['role']), $this->me($request));

        return redirect()->route($user->is($this->me($request)) && $given['role'] !== Role::Owner->value ? 'board' : 'accounts', $business)->with('notice', "{$user->name} is {$given['role']} now.");
    }

    public function remove(Request $request, Business $business, User $user): RedirectResponse
    {
        $this->invite->remove($business, $user, $this->me($request));

        return $user->is($this->me($request)) ? redirect()->route('home') : redirect()->route('accounts', $business)->with('notice', "{$user->name} is no longer in {$business->name}. What they did stays in the history.");
    }

    /** Everything that was done in the business, the newest first. */
    public function history(Request $request, Business $business): View
    {
        $given = $request->validate(['q' => ['nullable', 'string', 'max:120'], 'who' => ['nullable', 'integer']]);
        $words = trim((string) ($given['q'] ?? ''));
        $entries = AuditEntry::query()->with('user')->where('business_id', $business->id)
            ->when($words !== '', static fn ($query) => $query->where(static fn ($either) => $either->where('words', 'like', '%'.addcslashes($words, '%_\\').'%')->orWhere('did', 'like', '%'.addcslashes($words, '%_\\').'%')))
            ->when(isset($given['who']), static fn ($query) => $query->where('user_id', (int) ($given['who'] ?? 0)))
            ->orderByDesc('id')->paginate(self::ROWS)->withQueryString();

        return view('history', ['business' => $business, 'agent' => $this->current->in($business), 'entries' => $entries, 'words' => $words, 'who' => $given['who'] ?? null,
            'people' => User::query()->whereIn('id', AuditEntry::query()->where('business_id', $business->id)->distinct()->pluck('user_id'))->orderBy('name')->pluck('name', 'id')]);
    }

    private function me(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
