<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Call;
use App\Models\Recording;
use Illuminate\Support\Collection;

/**
 * How a turn of the agent's is heard: recorded prompts where their words are said, the voice for the rest.
 *
 * @phpstan-type Piece array{text: string, recording: ?Recording}
 */
final class Playlist
{
    /** @var array<int, Collection<int, Recording>> */
    private array $recordings = [];

    /** @return list<Piece> in order */
    public function pieces(Call $call, string $text): array
    {
        $recordings = $this->recordings[$call->agent_id] ??= Recording::query()->where('agent_id', $call->agent_id)->get()->sortByDesc(static fn (Recording $one): int => mb_strlen($one->text))->values();
        $pieces = [['text' => $text, 'recording' => null]];
        foreach ($recordings as $recording) {
            $next = [];
            foreach ($pieces as $piece) {
                $at = $piece['recording'] === null ? mb_strpos($piece['text'], $recording->text) : false;
                if ($at === false || ! $this->whole($piece['text'], $at, $recording->text)) {
                    $next[] = $piece;

                    continue;
                }
                foreach ([[mb_substr($piece['text'], 0, $at), null], [$recording->text, $recording], [mb_substr($piece['text'], $at + mb_strlen($recording->text)), null]] as [$part, $by]) {
                    if (trim($part) !== '') {
                        $next[] = ['text' => trim($part), 'recording' => $by];
                    }
                }
            }
            $pieces = $next;
        }

        return $pieces;
    }

    /** @return list<string> addresses to play one after another */
    public function urls(Call $call, int $turn, string $text): array
    {
        $urls = [];
        foreach ($this->pieces($call, $text) as $i => $piece) {
            $urls[] = $piece['recording'] !== null
                ? route('recording.audio', [$call->business, $call->agent, $piece['recording']])
                : route('call.audio', [$call->business, $call, $turn]).($piece['text'] === $text ? '' : "?piece={$i}");
        }

        return $urls;
    }

    /** Whether the words stand there as whole sentences. */
    private function whole(string $text, int $at, string $words): bool
    {
        $before = rtrim(mb_substr($text, 0, $at));
        $after = mb_substr($text, $at + mb_strlen($words));

        return ($before === '' || preg_match('/[.!?…]$/u', $before) === 1) && ($after === '' || preg_match('/^\s/u', $after) === 1);
    }
}
