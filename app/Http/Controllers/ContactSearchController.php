<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Models\Contact;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Ringo\Numbering\NumberingPlan;

final class ContactSearchController
{
    public function index(Request $request, Business $business, NumberingPlan $plan): JsonResponse
    {
        $words = trim(Input::text($request, 'q'));
        $query = $business->contacts()->with('numbers')->orderBy('name')->limit(60);
        if ($words !== '') {
            $like = '%'.addcslashes($words, '%_\\').'%';
            $query->where(static fn ($contact) => $contact->whereRaw("name like ? escape '\\'", [$like])->orWhereRaw("organisation like ? escape '\\'", [$like]));
        }

        /** @var \Illuminate\Database\Eloquent\Collection<int, Contact> $contacts */
        $contacts = $query->get();

        return response()->json($contacts->map(static function (Contact $contact) use ($plan): array {
            $number = $contact->numbers->first();

            return ['id' => $contact->id, 'name' => $contact->name, 'organisation' => $contact->organisation, 'number' => $number === null ? 'no number' : ($plan->describe($number->e164)?->inNationalFormat() ?? $number->e164)];
        })->values());
    }
}
