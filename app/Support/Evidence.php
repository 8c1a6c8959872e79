<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Call;

/**
 * Cuts the turns of a call where values came from, so that words and record light each other.
 *
 * @phpstan-type Piece array{text: string, fields: list<string>}
 */
final readonly class Evidence
{
    /** @return array<int, list<Piece>> pieces of each turn's text, by turn */
    public function marked(Call $call): array
    {
        $spans = [];
        foreach ($call->record->cells ?? [] as $field => $cell) {
            if ($cell['turn'] === null) {
                continue;
            }
            $text = $call->turns->firstWhere('n', $cell['turn'])->text ?? '';
            $at = $cell['said'] === '' ? false : mb_stripos($text, $cell['said']);
            $spans[$cell['turn']][] = $at === false ? [0, mb_strlen($text), $field] : [$at, $at + mb_strlen($cell['said']), $field];
        }
        $marked = [];
        foreach ($call->turns as $turn) {
            $marked[$turn->n] = $this->pieces($turn->text, $spans[$turn->n] ?? []);
        }

        return $marked;
    }

    /**
     * @param list<array{int, int, string}> $spans
     *
     * @return list<Piece>
     */
    private function pieces(string $text, array $spans): array
    {
        $cuts = [0, mb_strlen($text)];
        foreach ($spans as [$from, $to]) {
            $cuts[] = $from;
            $cuts[] = $to;
        }
        $cuts = array_values(array_unique($cuts));
        sort($cuts);
        $pieces = [];
        for ($i = 0; $i < count($cuts) - 1; $i++) {
            $fields = [];
            foreach ($spans as [$from, $to, $field]) {
                if ($from <= $cuts[$i] && $to >= $cuts[$i + 1]) {
                    $fields[] = $field;
                }
            }
            $pieces[] = ['text' => mb_substr($text, $cuts[$i], $cuts[$i + 1] - $cuts[$i]), 'fields' => $fields];
        }

        return $pieces;
    }
}
