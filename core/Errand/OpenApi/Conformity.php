<?php

declare(strict_types=1);

namespace Ringo\Errand\OpenApi;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** What a description breaks of the rules of its own format, with the place; what is usable in it is usable all the same. */
final readonly class Conformity
{
    /** Faults that are told. */
    private const MOST = 5;

    /** @return list<string> one sentence each, with the place as a JSON pointer */
    public function faults(string $json): array
    {
        $document = json_decode($json, false, Description::DEEPEST_DOCUMENT);
        $version = is_object($document) && is_string($document->openapi ?? null) && preg_match('/^3\.[01]/', $document->openapi, $m) === 1 ? $m[0] : null;
        if ($version === null) {
            return [];
        }
        $schema = json_decode((string) file_get_contents(__DIR__."/schemas/{$version}.json"), false, 128, JSON_THROW_ON_ERROR);
        $validator = new Validator;
        $validator->setMaxErrors(self::MOST * 2);
        $error = $validator->validate($document, $schema)->error();
        $faults = $error === null ? [] : $this->told($error);

        return array_slice($faults, 0, self::MOST);
    }

    /** @return list<string> */
    private function told(ValidationError $error): array
    {
        $told = [];
        /** @var array<string, list<string>> $places */
        $places = (new ErrorFormatter)->format($error, true);
        foreach ($places as $place => $messages) {
            $told[] = rawurldecode($place === '/' ? 'the document' : $place).': '.lcfirst($messages[0]);
        }

        return $told;
    }
}
