<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Str;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;

/**
 * The starters that ship: whole conversations for common purposes, with blanks in braces to fill.
 *
 * @phpstan-type Starter array{key: string, title: string, purpose: string, order: int, samples: array<string, string>, blanks: list<string>, steps: int, direction: string, opening: string}
 */
final readonly class Starters
{
    private string $folder;

    public function __construct(?string $folder = null)
    {
        $this->folder = $folder ?? database_path('starters');
    }

    /** @return list<Starter> */
    public function all(): array
    {
        $all = [];
        foreach (glob($this->folder.'/*/starter.json') ?: [] as $file) {
            $key = basename(dirname($file));
            /** @var array{title: string, purpose: string, order: int, samples: array<string, string>} $about */
            $about = json_decode((string) file_get_contents($file), true, 16, JSON_THROW_ON_ERROR);
            $document = $this->document($key);
            preg_match_all('/\{[^{}]+\}/', $document->toJson(), $blanks);
            $script = $this->filled($key)->script;
            $all[] = ['key' => $key] + $about + [
                'blanks' => array_values(array_unique(array_filter($blanks[0], static fn (string $blank): bool => ! str_contains($blank, "\n") && $blank !== '{your business}'))),
                'steps' => count($document->script->steps),
                'direction' => $document->script->agent->direction,
                'opening' => $this->opening($script),
            ];
        }
        usort($all, static fn (array $a, array $b): int => $a['order'] <=> $b['order']);

        return $all;
    }

    public function has(string $key): bool
    {
        return preg_match('/^[a-z_]+$/', $key) === 1 && is_file("{$this->folder}/{$key}/agent.json");
    }

    public function document(string $key): ScriptDocument
    {
        return ScriptDocument::fromJson((string) file_get_contents("{$this->folder}/{$key}/agent.json"));
    }

    /** The starter with sample words in its blanks, to be heard before it is chosen. */
    public function filled(string $key): ScriptDocument
    {
        $about = json_decode((string) file_get_contents("{$this->folder}/{$key}/starter.json"), true, 16, JSON_THROW_ON_ERROR);

        return ScriptDocument::fromJson(strtr($this->document($key)->toJson(), $about['samples']));
    }

    /** The starter's sample call, really run. */
    public function sampleCall(string $key): FinishedCall
    {
        $script = $this->filled($key)->script;
        $at = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone($script->agent->tz));
        $state = (new Opening($script))->state('sample', $at, '1', '+447700900142', null, ['known' => false]);

        return (new Rehearsal(Engine::for($script)))->run($state, Input::fromLines((string) file_get_contents("{$this->folder}/{$key}/sample.txt")));
    }

    /** What is said before the caller may answer. */
    private function opening(\Ringo\Script\Script $script): string
    {
        $state = (new Opening($script))->state('opening', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone($script->agent->tz)), '1', '+447700900142', null, ['known' => false]);

        return Str::limit(Engine::for($script)->step($state, \Ringo\Dialogue\Event::started())->spoken(), 400);
    }
}
