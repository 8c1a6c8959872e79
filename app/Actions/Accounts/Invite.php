<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Gateways\Post\AccountMail;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Lets people into a business and out again. */
final readonly class Invite
{
    /** Days an invitation may be taken up. */
    public const DAYS = 7;

    private const TOKEN_LENGTH = 48;

    public function __construct(private AccountMail $mail)
    {
    }

    /** @return string the link, which is told once */
    public function send(Business $business, string $email, Role $role, User $by): string
    {
        $email = mb_strtolower(trim($email));
        $known = User::query()->where('email', $email)->first();
        if ($known !== null && $known->roleIn($business) !== null) {
            throw ValidationException::withMessages(['email' => "{$known->name} is in {$business->name} already."]);
        }
        $token = Str::random(self::TOKEN_LENGTH);
        DB::transaction(static function () use ($business, $email, $role, $by, $token): void {
            // A new invitation takes the place of one that is still open.
            Invitation::query()->where('business_id', $business->id)->where('email', $email)->whereNull('accepted_at')->delete();
            Invitation::query()->create(['business_id' => $business->id, 'invited_by' => $by->id, 'email' => $email, 'role' => $role, 'token_hash' => hash('sha256', $token), 'expires_at' => now()->addDays(self::DAYS)]);
            AuditEntry::note($business->id, $by, 'invited', "{$email} as {$role->value}");
        });
        $link = route('invitation', $token);
        $this->mail->send($email, "{$by->name} invites you to {$business->name} on Ringo", "{$by->name} invites you to {$business->name} as {$role->value}.\n\nThis link lets you in for ".self::DAYS." days:\n{$link}\n\nIf you do not know what this is about, leave it: nothing happens.");

        return $link;
    }

    /** Takes an invitation up; whoever follows two at once is let in once. */
    public function accept(Invitation $invitation, User $user): void
    {
        DB::transaction(static function () use ($invitation, $user): void {
            if (Invitation::query()->whereKey($invitation->id)->whereNull('accepted_at')->update(['accepted_at' => now()]) === 0) {
                throw ValidationException::withMessages(['invitation' => 'This invitation was taken up already.']);
            }
            Membership::query()->firstOrCreate(['user_id' => $user->id, 'business_id' => $invitation->business_id], ['role' => $invitation->role]);
            AuditEntry::note($invitation->business_id, $user, 'joined', "{$user->name} as {$invitation->role->value}");
        });
    }

    public function role(Business $business, User $user, Role $role, User $by): void
    {
        DB::transaction(function () use ($business, $user, $role, $by): void {
            $membership = $this->of($business, $user);
            if ($role !== Role::Owner) {
                $this->notTheLastOwner($business, $membership);
            }
            $membership->update(['role' => $role]);
            AuditEntry::note($business->id, $by, 'role changed', "{$user->name} is {$role->value} now");
        });
    }

    public function remove(Business $business, User $user, User $by): void
    {
        DB::transaction(function () use ($business, $user, $by): void {
            $membership = $this->of($business, $user);
            $this->notTheLastOwner($business, $membership);
            $membership->delete();
            AuditEntry::note($business->id, $by, 'removed', "{$user->name}, who was {$membership->role->value}");
        });
    }

    private function of(Business $business, User $user): Membership
    {
        // The first statement writes: of two owners who take each other out, one stays.
        Business::query()->whereKey($business->id)->update(['updated_at' => now()]);

        return Membership::query()->where('business_id', $business->id)->where('user_id', $user->id)->first() ?? throw ValidationException::withMessages(['account' => "{$user->name} is not in {$business->name} any more."]);
    }

    private function notTheLastOwner(Business $business, Membership $membership): void
    {
        if ($membership->role === Role::Owner && Membership::query()->where('business_id', $business->id)->where('role', Role::Owner)->count() === 1) {
            throw ValidationException::withMessages(['account' => "{$business->name} must keep an owner. Make somebody else one first."]);
        }
    }
}
