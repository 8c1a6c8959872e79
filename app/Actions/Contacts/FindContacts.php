<?php

declare(strict_types=1);

namespace App\Actions\Contacts;

use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactChange;
use App\Models\ContactNumber;
use Illuminate\Database\Eloquent\Builder;

/** Callers of a business by what is looked for: words, a kind, a tag. */
final readonly class FindContacts
{
    public const KINDS = ['organisations' => 'organisations', 'blocked' => 'blocked', 'do_not_call' => 'want no calls', 'proposals' => 'with a proposal'];

    /**
     * @param array<string, string> $filter q, show (one of KINDS) and tag
     *
     * @return Builder<Contact>
     */
    public function by(Business $business, array $filter): Builder
    {
        $query = Contact::query()->where('business_id', $business->id);
        if (($filter['q'] ?? '') !== '') {
            $like = '%'.addcslashes($filter['q'], '%_\\').'%';
            $digits = (string) preg_replace('/\D/', '', ltrim($filter['q'], '0'));
            $query->where(static function (Builder $q) use ($like, $digits, $business): void {
                $q->where('name', 'like', $like)->orWhere('organisation', 'like', $like)->orWhere('email', 'like', $like);
                if (strlen($digits) >= 3) {
                    $q->orWhereIn('id', ContactNumber::query()->where('business_id', $business->id)->where('e164', 'like', "%{$digits}%")->select('contact_id'));
                }
            });
        }
        match ($filter['show'] ?? '') {
            'organisations' => $query->where('kind', 'organisation'),
            'blocked' => $query->where('blocked', true),
            'do_not_call' => $query->where('do_not_call', true),
            'proposals' => $query->whereIn('id', ContactChange::query()->where('state', 'proposed')->select('contact_id')),
            default => null,
        };
        if (($filter['tag'] ?? '') !== '') {
            $query->whereJsonContains('tags', $filter['tag']);
        }

        return $query;
    }

    /** @param array<string, string> $filter */
    public static function inWords(array $filter): string
    {
        $parts = array_filter([($filter['tag'] ?? '') === '' ? '' : "with “{$filter['tag']}”", ($filter['show'] ?? '') === '' ? '' : (self::KINDS[$filter['show']] ?? ''), ($filter['q'] ?? '') === '' ? '' : "found by “{$filter['q']}”"]);

        return $parts === [] ? 'all callers' : 'callers '.implode(', ', $parts);
    }
}
