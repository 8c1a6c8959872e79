<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

/** A step that is to be written, and the document it is written into, to which it may add a field. */
final readonly class Blank
{
    /**
     * @param array<string, mixed> $step
     * @param array<string, mixed> $document
     */
    public function __construct(public array $step, public array $document)
    {
    }

    /** @param array<string, mixed> $keys */
    public function with(array $keys): self
    {
        return new self([...$this->step, ...$keys], $this->document);
    }

    /** A field no step asks for yet; a new one named after the words where there is none. */
    public function freeField(string $wanted): string
    {
        $asked = array_column($this->document['steps'] ?? [], 'field');
        foreach (array_keys($this->document['sheet']['properties'] ?? []) as $field) {
            if (! in_array($field, $asked, true)) {
                return (string) $field;
            }
        }
        $name = $wanted;
        for ($n = 2; isset($this->document['sheet']['properties'][$name]); $n++) {
            $name = $wanted.'_'.$n;
        }

        return $name;
    }

    /** @return array<string, mixed> a field as it is before anything is said of it */
    public static function property(string $name): array
    {
        return ['type' => 'string', 'title' => ucfirst(str_replace('_', ' ', $name))];
    }

    /** The document with that field on its record sheet. */
    public function withField(string $name): self
    {
        if (isset($this->document['sheet']['properties'][$name])) {
            return $this;
        }
        $document = $this->document;
        $document['sheet'] = ($document['sheet'] ?? []) + ['type' => 'object'];
        $document['sheet']['properties'][$name] = self::property($name);

        return new self($this->step, $document);
    }
}
