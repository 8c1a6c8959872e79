<?php

declare(strict_types=1);

namespace Ringo\Format;

use Ringo\Transcript\Transcript;

/** Writes a transcript as WebVTT (W3C): a cue a turn, with the voice that speaks. */
final readonly class WebVtt
{
    /** @param array<string, string> $names by agent, caller, staff */
    public function write(Transcript $transcript, array $names = []): string
    {
        $out = "WEBVTT\n\nNOTE {$transcript->id}, {$transcript->startedAt}\n";
        foreach ($transcript->turns as $n => $turn) {
            $name = str_replace(['<', '>', '&', "\n"], '', $names[$turn->by] ?? ucfirst($turn->by));
            $text = str_replace(['&', '<', '>', "\n", '-->'], ['&amp;', '&lt;', '&gt;', ' ', '→'], $turn->keys ? 'presses '.$turn->text : $turn->text);
            $out .= "\n".($n + 1)."\n".$this->clock($turn->at).' --> '.$this->clock($turn->at + max(0.1, $turn->seconds))."\n<v {$name}>{$text}".($turn->cut ? ' <i>(cut short: the caller broke in)</i>' : '')."\n";
        }

        return $out;
    }

    private function clock(float $seconds): string
    {
        $ms = (int) round($seconds * 1000);

        return sprintf('%02d:%02d:%02d.%03d', intdiv($ms, 3_600_000), intdiv($ms, 60_000) % 60, intdiv($ms, 1000) % 60, $ms % 1000);
    }
}
