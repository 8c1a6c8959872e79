<?php

declare(strict_types=1);

namespace App\Api;

/** Our interface as an OpenAPI 3.1 document: the one source of the page that shows it, and what a test holds the real answers to. */
final class Description
{
    private const TEXT = ['type' => 'string'];

    private const MAYBE = ['type' => ['string', 'null']];

    private const MOMENT = ['type' => 'string', 'format' => 'date-time'];

    private const FLAG = ['type' => 'boolean'];

    private const NUMBER = ['type' => 'integer'];

    /** @return array<string, mixed> */
    public static function document(string $server): array
    {
        return [
            'openapi' => '3.1.0',
            'info' => ['title' => 'Ringo', 'version' => '1', 'description' => 'Calls, records, callers, bookings and outreach of one business. Each token belongs to a business and may do what it was made for. Lists come newest first by cursor; answers carry an ETag; a write with an Idempotency-Key is done once; problems are told after RFC 9457; 120 requests a minute with a token.'],
            'servers' => [['url' => $server]],
            'security' => [['token' => []]],
            'paths' => self::paths(),
            'components' => ['securitySchemes' => ['token' => ['type' => 'http', 'scheme' => 'bearer']], 'schemas' => self::schemas(), 'responses' => ['Problem' => ['description' => 'What went wrong', 'content' => [Problem::TYPE => ['schema' => ['$ref' => '#/components/schemas/Problem']]]]]],
        ];
    }

    /** @return array<string, array<string, array<string, mixed>>> */
    private static function paths(): array
    {
        $ref = self::in('path', 'ref', 'the call’s reference');
        $id = self::in('path', 'id', 'its number', ['type' => 'string', 'pattern' => '^\d+$']);

        return [
            '/calls' => ['get' => self::read(Ability::Calls, 'Calls', self::list('Call'), [...self::paging(), self::in('query', 'agent', 'key of an agent'), self::in('query', 'outcome', 'as calls end'), self::in('query', 'kind', 'live, imported or rehearsal', ['enum' => ['live', 'rehearsal', 'imported', 'counted']]), self::in('query', 'since', 'first day', ['type' => 'string', 'format' => 'date']), self::in('query', 'until', 'last day', ['type' => 'string', 'format' => 'date']), self::in('query', 'caller', 'name or number'), self::in('query', 'line', 'key of a line')])],
            '/calls/{ref}' => ['get' => self::read(Ability::Calls, 'One call', self::schema('Call'), [$ref])],
            '/calls/{ref}/transcript' => ['get' => self::read(Ability::Transcripts, 'What was said', self::schema('Transcript'), [$ref, self::in('query', 'format', '“vcon” for a vCon container', ['enum' => ['vcon']])], ['application/vcon+json' => ['schema' => ['type' => 'object']]])],
            '/calls/{ref}/record' => ['get' => self::read(Ability::Records, 'What a call left', self::schema('Record'), [$ref])],
            '/records' => ['get' => self::read(Ability::Records, 'Records of calls that were no rehearsals', self::list('Record'), [...self::paging(), self::in('query', 'agent', 'key of an agent'), self::in('query', 'outcome', 'as calls end')])],
            '/contacts' => ['get' => self::read(Ability::Contacts, 'Callers', self::list('Contact'), [...self::paging(), self::in('query', 'q', 'name, organisation, e-mail or number'), self::in('query', 'tag', 'a tag')]), 'post' => self::write(Ability::ContactsWrite, 'A new caller', 'ContactWrite', ['201' => 'Contact'])],
            '/contacts/by-number/{number}' => ['put' => self::write(Ability::ContactsWrite, 'Whoever has the number is changed, or somebody new gets it', 'ContactWrite', ['200' => 'Contact', '201' => 'Contact'], [self::in('path', 'number', 'E.164, or as it is written in the business’s country')])],
            '/contacts/{id}' => ['get' => self::read(Ability::Contacts, 'One caller', self::schema('Contact'), [$id]), 'patch' => self::write(Ability::ContactsWrite, 'What is given is changed, all else stays', 'ContactWrite', ['200' => 'Contact'], [$id])],
            '/bookings' => ['get' => self::read(Ability::Bookings, 'Bookings', self::list('Booking'), [...self::paging(), self::in('query', 'from', 'first day', ['type' => 'string', 'format' => 'date']), self::in('query', 'to', 'last day', ['type' => 'string', 'format' => 'date']), self::in('query', 'state', 'booked where it is not said', ['enum' => ['held', 'booked', 'cancelled']])])],
            '/outreach/people' => ['post' => self::write(Ability::Outreach, 'Somebody is put on a campaign’s list and rung at the next allowed moment', 'PersonWrite', ['202' => 'Person'])],
            '/outreach/people/{id}' => ['get' => self::read(Ability::Outreach, 'How somebody on a list stands', self::schema('Person'), [$id])],
            '/outreach/{campaign}/forms' => ['post' => self::write(Ability::Forms, 'A web form, handed in by a server', 'Form', ['202' => 'FormTaken', '200' => 'FormTaken'], [self::in('path', 'campaign', 'key of a campaign that takes forms')])],
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function schemas(): array
    {
        $facts = ['type' => 'object', 'additionalProperties' => self::TEXT];
        $texts = ['type' => 'array', 'items' => self::TEXT];
        $contact = ['name' => self::TEXT, 'kind' => ['enum' => ['person', 'organisation']], 'organisation' => self::TEXT, 'email' => self::TEXT, 'numbers' => $texts, 'tags' => $texts, 'notes' => self::TEXT, 'language' => self::TEXT, 'consent_on' => ['type' => ['string', 'null'], 'format' => 'date'], 'do_not_call' => self::FLAG, 'blocked' => self::FLAG, 'facts' => $facts];

        return [
            'Call' => self::object(['ref' => self::TEXT, 'started_at' => self::MOMENT, 'tz' => self::TEXT, 'kind' => ['enum' => ['live', 'rehearsal', 'imported']], 'direction' => ['enum' => ['inbound', 'outbound']], 'agent' => self::TEXT, 'from' => self::MAYBE, 'to' => self::MAYBE, 'caller' => self::TEXT, 'contact' => ['type' => ['integer', 'null']], 'status' => ['enum' => ['in_progress', 'ended']], 'outcome' => self::TEXT, 'seconds' => ['type' => 'number']]),
            'Transcript' => ['type' => 'object', 'required' => ['id', 'started_at', 'turns'], 'properties' => ['id' => self::TEXT, 'started_at' => self::MOMENT, 'tz' => self::TEXT, 'country' => self::TEXT, 'direction' => self::TEXT, 'from' => self::MAYBE, 'to' => self::MAYBE, 'turns' => ['type' => 'array', 'items' => ['type' => 'object', 'required' => ['by', 'text'], 'properties' => ['by' => ['enum' => ['agent', 'caller', 'staff']], 'text' => self::TEXT, 'at' => ['type' => 'number'], 'seconds' => ['type' => 'number']]]]]],
            'Record' => self::object(['call' => self::TEXT, 'agent' => self::TEXT, 'started_at' => self::MOMENT, 'outcome' => self::TEXT, 'summary' => self::TEXT, 'doubtful' => self::FLAG, 'values' => ['type' => 'object', 'additionalProperties' => self::object(['value' => true, 'display' => self::TEXT, 'confidence' => ['type' => 'number', 'minimum' => 0, 'maximum' => 1], 'origin' => self::TEXT, 'turn' => ['type' => ['integer', 'null']], 'confirmed' => self::FLAG])], 'missing' => $texts, 'next_actions' => $texts]),
            'Contact' => self::object(['id' => self::NUMBER, 'uid' => self::TEXT] + $contact),
            'ContactWrite' => ['type' => 'object', 'properties' => $contact],
            'Booking' => self::object(['reference' => self::TEXT, 'service' => self::TEXT, 'label' => self::TEXT, 'diary' => self::TEXT, 'starts_at' => self::MOMENT, 'ends_at' => self::MOMENT, 'state' => ['enum' => ['held', 'booked', 'cancelled']], 'name' => self::MAYBE, 'number' => self::MAYBE, 'note' => self::MAYBE, 'call' => self::MAYBE]),
            'Person' => self::object(['id' => self::NUMBER, 'campaign' => self::TEXT, 'phone' => self::TEXT, 'name' => self::TEXT, 'state' => ['enum' => ['waiting', 'calling', 'reached', 'not_rung', 'opted_out']], 'why' => self::MAYBE, 'attempts' => self::NUMBER, 'next_at' => ['type' => ['string', 'null'], 'format' => 'date-time'], 'outcome' => self::MAYBE]),
            'PersonWrite' => ['type' => 'object', 'required' => ['campaign', 'phone'], 'properties' => ['campaign' => self::TEXT, 'phone' => self::TEXT, 'name' => self::TEXT, 'tz' => self::TEXT, 'consent' => ['type' => 'string', 'format' => 'date'], 'asked_for' => self::TEXT, 'facts' => $facts]],
            'Form' => ['type' => 'object', 'additionalProperties' => ['type' => ['string', 'number', 'boolean']]],
            'FormTaken' => self::object(['held' => self::MAYBE, 'why' => self::MAYBE, 'person' => ['oneOf' => [['$ref' => '#/components/schemas/Person'], ['type' => 'null']]]]),
            'Problem' => ['type' => 'object', 'required' => ['type', 'title', 'status', 'detail', 'instance'], 'properties' => ['type' => self::TEXT, 'title' => self::TEXT, 'status' => self::NUMBER, 'detail' => self::TEXT, 'instance' => self::TEXT, 'errors' => ['type' => 'array', 'items' => self::object(['pointer' => self::TEXT, 'detail' => self::TEXT])]]],
        ];
    }

    /**
     * @param array<string, mixed> $properties all of which are there
     *
     * @return array<string, mixed>
     */
    private static function object(array $properties): array
    {
        return ['type' => 'object', 'additionalProperties' => false, 'required' => array_keys($properties), 'properties' => $properties];
    }

    /** @return array<string, mixed> */
    private static function schema(string $name): array
    {
        return ['$ref' => "#/components/schemas/{$name}"];
    }

    /** @return array<string, mixed> */
    private static function list(string $name): array
    {
        return self::object(['items' => ['type' => 'array', 'items' => self::schema($name)], 'next' => ['type' => ['string', 'null'], 'description' => '“cursor” of the next page; null on the last']]);
    }

    /** @return list<array<string, mixed>> */
    private static function paging(): array
    {
        return [self::in('query', 'cursor', '“next” of the page before'), self::in('query', 'limit', 'how many, '.Page::USUAL.' where it is not said', ['type' => 'integer', 'minimum' => 1, 'maximum' => Page::MOST])];
    }

    /**
     * @param array<string, mixed> $schema
     *
     * @return array<string, mixed>
     */
    private static function in(string $where, string $name, string $what, array $schema = self::TEXT): array
    {
        return ['name' => $name, 'in' => $where, 'required' => $where === 'path', 'description' => $what, 'schema' => $schema];
    }

    /**
     * @param array<string, mixed> $schema
     * @param list<array<string, mixed>> $parameters
     * @param array<string, array<string, mixed>> $others further forms of the answer
     *
     * @return array<string, mixed>
     */
    private static function read(Ability $needs, string $summary, array $schema, array $parameters, array $others = []): array
    {
        return ['summary' => $summary, 'x-needs' => $needs->value, 'parameters' => [...$parameters, self::in('header', 'If-None-Match', 'an ETag: 304 where nothing changed')], 'responses' => ['200' => ['description' => $summary, 'content' => ['application/json' => ['schema' => $schema]] + $others], '304' => ['description' => 'Nothing changed']] + self::problems()];
    }

    /**
     * @param array<int, string> $answers schema by status
     * @param list<array<string, mixed>> $parameters
     *
     * @return array<string, mixed>
     */
    private static function write(Ability $needs, string $summary, string $body, array $answers, array $parameters = []): array
    {
        $responses = array_map(static fn (string $name): array => ['description' => $summary, 'content' => ['application/json' => ['schema' => self::schema($name)]]], $answers);

        return ['summary' => $summary, 'x-needs' => $needs->value, 'parameters' => [...$parameters, self::in('header', 'Idempotency-Key', 'a name of your own for this write: the same once more is not done twice')], 'requestBody' => ['required' => true, 'content' => ['application/json' => ['schema' => self::schema($body)]]], 'responses' => $responses + self::problems()];
    }

    /** @return array<string, array<string, string>> */
    private static function problems(): array
    {
        return ['default' => ['$ref' => '#/components/responses/Problem']];
    }
}
