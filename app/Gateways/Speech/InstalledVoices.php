<?php

declare(strict_types=1);

namespace App\Gateways\Speech;

/** The voices that can speak on this machine. */
final readonly class InstalledVoices
{
    private const FLITE = ['slt' => 'a woman, American', 'rms' => 'a man, American', 'awb' => 'a man, Scottish', 'kal' => 'a man, plain and old'];

    private const ESPEAK = ['en-gb' => 'British', 'en-gb-scotland' => 'Scottish', 'en-gb-x-rp' => 'British, formal', 'en-gb-x-gbclan' => 'Lancashire', 'en-gb-x-gbcwmd' => 'West Midlands', 'en-us' => 'American', 'en-029' => 'Caribbean', 'en-gb+f3' => 'British, a woman', 'en-us+f2' => 'American, a woman'];

    public function __construct(private Voice $voice)
    {
    }

    /** @return list<array{engine: string, name: string, words: string, there: bool}> */
    public function all(string $language): array
    {
        $all = [];
        foreach (['flite' => self::FLITE, 'espeak-ng' => self::ESPEAK] as $engine => $voices) {
            foreach ($voices as $name => $words) {
                if (str_starts_with($name, $language) || $engine === 'flite' && $language === 'en') {
                    $all[] = ['engine' => $engine, 'name' => (string) $name, 'words' => $words, 'there' => $this->voice->available($engine)];
                }
            }
        }

        return $all;
    }

    public function has(string $engine, string $name): bool
    {
        return isset((['flite' => self::FLITE, 'espeak-ng' => self::ESPEAK][$engine] ?? [])[$name]);
    }
}
