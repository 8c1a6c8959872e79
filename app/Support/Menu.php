<?php

declare(strict_types=1);

namespace App\Support;

use App\Actions\Records\RecordsOf;
use App\Models\Agent;
use App\Models\Business;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Auth;

/** What the frame of a page tells beside its links: whose businesses there are, and what waits in this one. */
final class Menu
{
    public function compose(View $view): void
    {
        $data = $view->getData();
        $user = Auth::user();
        if (! $user instanceof User || ($data['plain'] ?? false) === true) {
            return;
        }
        $business = $data['business'] ?? null;
        $agent = $data['agent'] ?? null;
        $view->with('menu', [
            'businesses' => $user->businesses()->get(),
            'failing' => $agent instanceof Agent ? $agent->cases()->where('result->passed', false)->count() : 0,
            'toCheck' => $business instanceof Business ? RecordsOf::toCheck($business) : 0,
            'stuck' => $business instanceof Business ? $business->deliveries()->whereIn('state', ['failed', 'dead'])->count() : 0,
        ]);
    }
}
