<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Outreach\TakeForm;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Campaign;
use App\Models\FormEntry;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Outreach\Intake;

/** A campaign that a form on the client's page feeds: its address, what its fields are, and what was held. */
final readonly class IntakeController
{
    private const SECRET = 24;

    public function set(Request $request, Business $business, Campaign $campaign): RedirectResponse
    {
        $given = $request->validate(['map' => ['nullable', 'array', 'max:'.Intake::MOST_FIELDS], 'map.*' => ['nullable', 'string', 'max:60'], 'facts' => ['nullable', 'array'], 'facts.*' => ['nullable', 'string', 'max:40'], 'origins' => ['nullable', 'string', 'max:3000']]);
        // Fields that the last form did not have keep what they are.
        $map = array_diff_key($campaign->intake()->map, $given['map'] ?? []);
        foreach ($given['map'] ?? [] as $field => $role) {
            if (is_string($role) && $role !== '') {
                $map[(string) $field] = $role === 'fact' ? 'fact:'.Str::slug((string) ($given['facts'][$field] ?? '') ?: (string) $field, '_') : $role;
            }
        }
        $origins = array_values(array_filter(array_map(static fn (string $one): string => strtolower(rtrim(trim($one), '/')), preg_split('/\R/', (string) ($given['origins'] ?? '')) ?: [])));
        try {
            $intake = Intake::fromArray(['map' => $map, 'origins' => $origins]);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['intake' => array_map(static fn (array $one): string => "{$one['path']}: {$one['message']}.", $problem->problems)]);
        }
        $campaign->update(['intake' => $intake->toArray(), 'intake_token' => $campaign->intake_token ?? Str::random(self::SECRET)]);
        AuditEntry::note($business->id, $this->me($request), 'campaign', "{$campaign->name}: what its form brings");

        return $this->back($business, $campaign, 'Kept. The form is taken while the campaign runs.');
    }

    public function token(Request $request, Business $business, Campaign $campaign): RedirectResponse
    {
        $campaign->update(['intake_token' => Str::random(self::SECRET)]);
        AuditEntry::note($business->id, $this->me($request), 'campaign', "{$campaign->name}: another address for its form");

        return $this->back($business, $campaign, 'The address is another one now; forms that use the old one are refused.');
    }

    public function off(Request $request, Business $business, Campaign $campaign): RedirectResponse
    {
        $campaign->update(['intake' => null]);
        AuditEntry::note($business->id, $this->me($request), 'campaign', "{$campaign->name}: takes no form any more");

        return $this->back($business, $campaign, 'No form is taken any more.');
    }

    /** Somebody looked at a form that was held: they are to be rung. */
    public function ring(Request $request, Business $business, Campaign $campaign, FormEntry $entry, TakeForm $take): RedirectResponse
    {
        abort_unless($entry->campaign_id === $campaign->id, 404);
        try {
            $kept = $take->after($campaign, $entry);
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['intake' => $problem->getMessage()]);
        }
        AuditEntry::note($business->id, $this->me($request), 'campaign', "{$campaign->name}: a held form is rung after all");

        return $this->back($business, $campaign, $kept->held === null ? 'They are rung at the next allowed moment.' : 'They cannot be rung: '.$kept->held->words().'.');
    }

    private function back(Business $business, Campaign $campaign, string $notice): RedirectResponse
    {
        return redirect()->to(route('campaign', [$business, $campaign]).'#form')->with('notice', $notice);
    }

    private function me(Request $request): User
    {
        return $request->user() ?? throw new \LogicException('Only somebody signed in comes here.');
    }
}
