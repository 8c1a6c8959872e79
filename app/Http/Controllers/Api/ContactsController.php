<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Actions\Contacts\ChangeContacts;
use App\Actions\Contacts\FindContacts;
use App\Api\Page;
use App\Api\Problem;
use App\Api\Shapes;
use App\Models\ApiToken;
use App\Models\Business;
use App\Models\Contact;
use App\Models\ContactNumber;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Ringo\Numbering\NumberingPlan;

/** Callers, read and written by other systems; the telephone number is what both sides know them by. */
final readonly class ContactsController
{
    private const MOST_NUMBERS = 10;

    public function __construct(private ChangeContacts $change, private NumberingPlan $numbers)
    {
    }

    public function index(Request $request, FindContacts $find): JsonResponse
    {
        $given = $request->validate(['q' => ['nullable', 'string', 'max:100'], 'tag' => ['nullable', 'string', 'max:60']]);
        $query = $find->by($this->business($request), array_map(strval(...), array_filter($given)))->with('numbers');
        $query->whereNull('erased_at');

        return response()->json(Page::of($request, $query, Shapes::contact(...)));
    }

    public function show(Request $request, string $id): JsonResponse
    {
        return response()->json(Shapes::contact($this->contact($request, $id)));
    }

    public function store(Request $request): JsonResponse
    {
        $given = $this->given($request, true);
        foreach ($this->read($request, $given['numbers'] ?? []) as $number) {
            if (ContactNumber::query()->where('business_id', $this->business($request)->id)->where('e164', $number)->exists()) {
                throw new Problem(409, "{$number} is somebody’s already. Write to /api/v1/contacts/by-number/{$number} instead.");
            }
        }
        $contact = $this->write($request, null, $given);

        return response()->json(Shapes::contact($contact), 201, ['Location' => "/api/v1/contacts/{$contact->id}"]);
    }

    /** What is given is changed, all else stays. */
    public function update(Request $request, string $id): JsonResponse
    {
        return response()->json(Shapes::contact($this->write($request, $this->contact($request, $id), $this->given($request, false))));
    }

    /** Whoever has the number is changed; where nobody has it, somebody new gets it. */
    public function upsert(Request $request, string $number): JsonResponse
    {
        [$e164] = [...$this->read($request, [$number]), ''];
        $id = ContactNumber::query()->where('business_id', $this->business($request)->id)->where('e164', $e164)->value('contact_id');
        if ($id !== null) {
            return $this->update($request, (string) $id);
        }
        $given = $this->given($request, true);
        $contact = $this->write($request, null, ['numbers' => array_values(array_unique([$e164, ...$given['numbers'] ?? []]))] + $given);

        return response()->json(Shapes::contact($contact), 201, ['Location' => "/api/v1/contacts/{$contact->id}"]);
    }

    /** @return array<string, mixed> */
    private function given(Request $request, bool $new): array
    {
        if (! $request->isJson()) {
            throw new Problem(415, 'Send JSON, as application/json.');
        }
        json_decode($request->getContent());
        if (json_last_error() !== JSON_ERROR_NONE) {
            throw new Problem(400, 'The body is no JSON: '.lcfirst(json_last_error_msg()).'.');
        }

        return $request->validate([
            'name' => [$new ? 'required' : 'sometimes', 'string', 'max:200', 'regex:/\S/'], 'kind' => ['sometimes', 'in:person,organisation'], 'organisation' => ['sometimes', 'nullable', 'string', 'max:200'], 'email' => ['sometimes', 'nullable', 'email', 'max:200'],
            'numbers' => ['sometimes', 'array', 'max:'.self::MOST_NUMBERS], 'numbers.*' => ['string', 'max:40'], 'tags' => ['sometimes', 'array', 'max:40'], 'tags.*' => ['string', 'max:60', 'not_regex:/,/'], 'notes' => ['sometimes', 'nullable', 'string', 'max:5000'], 'language' => ['sometimes', 'string', 'regex:/^[a-z]{2}$/'],
            'consent_on' => ['sometimes', 'nullable', 'date_format:Y-m-d'], 'do_not_call' => ['sometimes', 'boolean'], 'blocked' => ['sometimes', 'boolean'], 'facts' => ['sometimes', 'array', 'max:60'], 'facts.*' => ['nullable', 'string', 'max:500'],
        ], ['name.*' => 'A name of up to 200 signs.', 'email.*' => 'An e-mail address.', 'consent_on.*' => 'A day such as 2026-03-01.', 'tags.*.not_regex' => 'A tag has no comma.']);
    }

    /** @param array<string, mixed> $given */
    private function write(Request $request, ?Contact $contact, array $given): Contact
    {
        $token = $request->attributes->get('token');
        $user = $token instanceof ApiToken ? ($token->user ?? $this->business($request)->owner()) : null;
        if ($user === null) {
            throw new Problem(409, 'Whoever made this token is gone, and nobody owns the business. Make a new token.');
        }
        $had = $contact === null ? [] : ['name' => $contact->name, 'kind' => $contact->kind, 'organisation' => $contact->organisation, 'email' => $contact->email, 'notes' => $contact->notes, 'language' => $contact->language, 'consent_on' => $contact->consent_on?->format('Y-m-d'), 'do_not_call' => $contact->do_not_call, 'blocked' => $contact->blocked];
        $facts = array_map(static fn (mixed $one): string => (string) $one, is_array($given['facts'] ?? null) ? $given['facts'] : []);
        $numbers = array_key_exists('numbers', $given) ? $this->read($request, $given['numbers']) : ($contact?->numbers->pluck('e164')->all() ?? []);
        $taken = ContactNumber::query()->where('business_id', $this->business($request)->id)->whereIn('e164', $numbers)->when($contact !== null, static fn ($others) => $others->where('contact_id', '!=', $contact?->id))->value('e164');
        if ($taken !== null) {
            throw new Problem(409, "{$taken} is somebody else’s already.");
        }
        $tags = array_key_exists('tags', $given) ? $given['tags'] : ($contact->tags ?? []);
        $form = ['numbers' => implode(';', $numbers), 'tags' => implode(',', $tags), 'facts' => $facts + ($contact->facts ?? [])] + array_diff_key($given, ['facts' => 1]) + $had;

        return $this->change->write($this->business($request), $contact, $form, $user)->refresh()->load('numbers');
    }

    /**
     * @param array<array-key, mixed> $written
     *
     * @return list<string> E.164
     */
    private function read(Request $request, array $written): array
    {
        $numbers = [];
        foreach (array_values($written) as $n => $one) {
            $parsed = is_string($one) ? $this->numbers->parse($one, $this->business($request)->country) : null;
            if ($parsed === null || ! $parsed->valid) {
                throw new Problem(422, 'See “errors”.', [['pointer' => "/numbers/{$n}", 'detail' => '“'.(is_string($one) ? mb_substr($one, 0, 40) : '').'” is no telephone number.']]);
            }
            $numbers[] = $parsed->e164;
        }

        return array_values(array_unique($numbers));
    }

    private function contact(Request $request, string $id): Contact
    {
        return Contact::query()->with('numbers')->where('business_id', $this->business($request)->id)->where('erased_at', null)->whereKey(ctype_digit($id) ? (int) $id : 0)->firstOrFail();
    }

    private function business(Request $request): Business
    {
        /** @var Business $business */
        $business = $request->attributes->get('business');

        return $business;
    }
}
