<?php

declare(strict_types=1);

namespace Ringo\Trade;

use Ringo\Fit\Meaning;

/** The trades there are: those that ship with Ringo, and a business's own. */
final class Trades
{
    /** @var array<string, Trade> */
    private array $read = [];

    /** @var array<string, Trade> */
    private readonly array $own;

    /** @var ?array<string, array{string, string}> */
    private ?array $index = null;

    /**
     * @param string $folder one file a trade, docs/formats/trade.md
     * @param list<Trade> $own come before a shipped trade of the same key
     */
    public function __construct(private readonly string $folder, array $own = [])
    {
        $this->own = array_combine(array_map(static fn (Trade $trade): string => $trade->key, $own), $own);
    }

    /** @param list<Trade> $own */
    public static function shipped(array $own = []): self
    {
        return new self(dirname(__DIR__, 2).'/data/trades', $own);
    }

    public function of(string $key): ?Trade
    {
        if (isset($this->own[$key])) {
            return $this->own[$key];
        }
        if (! isset($this->read[$key])) {
            $file = "{$this->folder}/{$key}.json";
            if (preg_match('/^[a-z][a-z0-9_-]*$/', $key) !== 1 || ! is_file($file)) {
                return null;
            }
            $this->read[$key] = Trade::read((array) json_decode((string) file_get_contents($file), true, 32, JSON_THROW_ON_ERROR));
        }

        return $this->read[$key];
    }

    /** @return array<string, string> label by key, in order of the label */
    public function labels(): array
    {
        $labels = array_map(static fn (array $row): string => $row[0], $this->index());
        foreach ($this->own as $trade) {
            $labels[$trade->key] = $trade->label;
        }
        asort($labels);

        return $labels;
    }

    /** @return array<string, float> the trades likest to what is written of a business, with how like from 0 to 1, the likest first */
    public function nearest(string $text, int $most = 3): array
    {
        $meaning = Meaning::english();
        $wanted = $meaning->vector($text);
        $near = [];
        foreach ($this->index() as $key => [, $bytes]) {
            $sum = 0.0;
            foreach (array_values((array) unpack('c*', (string) base64_decode($bytes, true))) as $i => $byte) {
                $sum += $byte / 127 * ($wanted[$i] ?? 0.0);
            }
            $near[$key] = $sum;
        }
        foreach ($this->own as $trade) {
            $near[$trade->key] = array_sum(array_map(static fn (float $a, float $b): float => $a * $b, $wanted, $meaning->vector($trade->described())));
        }
        arsort($near);

        return array_map(static fn (float $like): float => round(max(0.0, $like), 3), array_slice($near, 0, $most, true));
    }

    /** @return array<string, array{string, string}> label and vector (base64 of signed bytes) by key; written by tools/trade-index.php */
    private function index(): array
    {
        return $this->index ??= require dirname(__DIR__).'/Language/en/trades.php';
    }
}
