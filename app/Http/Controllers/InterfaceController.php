<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Api\Ability;
use App\Api\Description;
use App\Models\ApiToken;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\User;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/** The interface for other systems: its tokens, made, shown once and revoked, and what it can do, from its own description. */
final class InterfaceController
{
    private const MOST_TOKENS = 50;

    private const LENGTH = 40;

    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function show(Business $business): View
    {
        return view('interface', ['business' => $business, 'agent' => $this->current->in($business), 'tokens' => $business->apiTokens()->with('user')->orderByDesc('id')->get(), 'document' => Description::document(url('/api/v1'))]);
    }

    public function make(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:80'], 'may' => ['required', 'array', 'min:1'], 'may.*' => [Rule::enum(Ability::class)], 'until' => ['nullable', 'bail', 'string', 'date_format:Y-m-d', 'after:today']], ['name.*' => 'Say what the token is for.', 'may.*' => 'Tick what the token may do.', 'until.*' => 'It ends on a day to come, or never.']);
        abort_if($business->apiTokens()->count() >= self::MOST_TOKENS, 422, 'There are '.self::MOST_TOKENS.' tokens already. Revoke one that is not used.');
        /** @var User $user */
        $user = $request->user();
        $plain = 'ringo_'.Str::random(self::LENGTH);
        $token = $business->apiTokens()->create(['name' => $given['name'], 'token' => hash('sha256', $plain), 'abilities' => array_values(array_unique($given['may'])), 'expires_at' => $given['until'] ?? null, 'user_id' => $user->id]);
        AuditEntry::note($business->id, $user, 'token made', "{$given['name']}: ".implode(', ', $given['may']));

        return redirect()->route('interface', $business)->with('token', "{$token->id}|{$plain}");
    }

    public function revoke(Request $request, Business $business, int $token): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        /** @var ApiToken $found */
        $found = $business->apiTokens()->whereKey($token)->firstOrFail();
        $found->delete();
        AuditEntry::note($business->id, $user, 'token revoked', $found->name);

        return redirect()->route('interface', $business)->with('notice', "“{$found->name}” is good for nothing any more.");
    }
}
