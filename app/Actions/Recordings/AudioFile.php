<?php

declare(strict_types=1);

namespace App\Actions\Recordings;

/**
 * What an uploaded audio file really is: told by its bytes, not by its name.
 *
 * Length and loudness of a WAV file (RIFF, PCM 8 to 32 bits or float) are measured here; those of WebM and Ogg are measured by the
 * browser that made them, because decoding them needs its codecs.
 */
final readonly class AudioFile
{
    private function __construct(public string $mime, public string $extension, public ?float $seconds, public ?float $loudness, public ?float $peak)
    {
    }

    /** @throws \DomainException in words fit to show, where it is no audio that can be played */
    public static function read(string $path): self
    {
        $head = (string) file_get_contents($path, false, null, 0, 64);

        return match (true) {
            str_starts_with($head, 'RIFF') && substr($head, 8, 4) === 'WAVE' => self::wav($path),
            str_starts_with($head, "\x1A\x45\xDF\xA3") => self::webm($path),
            str_starts_with($head, 'OggS') => self::ogg($path, $head),
            default => throw new \DomainException('This is no WAV, WebM or Ogg audio'.self::guess($head).'. Save the recording as one of these and try again.'),
        };
    }

    /** The same file with measures taken elsewhere, where it has none of its own. */
    public function measured(?float $seconds, ?float $loudness, ?float $peak): self
    {
        $sane = static fn (?float $value, float $least, float $most): ?float => $value !== null && is_finite($value) && $value >= $least && $value <= $most ? round($value, 1) : null;

        return new self($this->mime, $this->extension, $this->seconds ?? $sane($seconds, 0, 600), $this->loudness ?? $sane($loudness, -120, 0), $this->peak ?? $sane($peak, -120, 0));
    }

    private static function wav(string $path): self
    {
        $file = fopen($path, 'rb') ?: throw new \DomainException('The file cannot be read.');
        fseek($file, 12);
        $format = null;
        while (($head = fread($file, 8)) !== false && strlen($head) === 8) {
            $size = self::number('V', substr($head, 4));
            if (substr($head, 0, 4) === 'fmt ' && $size >= 16 && $size < 1000) {
                $data = (string) fread($file, $size + $size % 2);
                $format = ['code' => self::number('v', $data), 'channels' => self::number('v', substr($data, 2)), 'rate' => self::number('V', substr($data, 4)), 'bits' => self::number('v', substr($data, 14))];
                // WAVE_FORMAT_EXTENSIBLE names the real format further on.
                if ($format['code'] === 0xFFFE && $size >= 26) {
                    $format['code'] = self::number('v', substr($data, 24));
                }
            } elseif (substr($head, 0, 4) === 'data') {
                if ($format === null || $format['channels'] < 1 || $format['rate'] < 1 || ! in_array($format['bits'], [8, 16, 24, 32], true) || ! in_array($format['code'], [1, 3], true)) {
                    throw new \DomainException('This WAV file is packed in a way that cannot be played everywhere. Save it as plain PCM, 16 bits.');
                }
                $left = min($size, (int) filesize($path) - (int) ftell($file));
                [$loudness, $peak, $frames] = self::measure($file, $left, $format);
                fclose($file);
                if ($frames === 0) {
                    throw new \DomainException('This WAV file holds no sound.');
                }

                return new self('audio/wav', 'wav', round($frames / $format['rate'], 1), $loudness, $peak);
            } else {
                fseek($file, $size + $size % 2, SEEK_CUR);
            }
        }
        fclose($file);

        throw new \DomainException('This WAV file is cut short: it has no sound in it.');
    }

    private static function number(string $as, string $bytes): int
    {
        $read = strlen($bytes) >= ($as === 'V' ? 4 : 2) ? unpack($as, $bytes) : false;

        return is_array($read) && is_int($read[1] ?? null) ? $read[1] : 0;
    }

    /**
     * @param resource $file
     * @param array{code: int, channels: int, rate: int, bits: int} $format
     *
     * @return array{?float, ?float, int} mean loudness and peak in dB under full scale, and frames
     */
    private static function measure($file, int $left, array $format): array
    {
        $bytes = intdiv($format['bits'], 8);
        $frames = intdiv($left, $bytes * $format['channels']);
        $sum = 0.0;
        $peak = 0.0;
        $n = 0;
        while ($left > 0 && ($chunk = fread($file, max(1, min($left, 65520)))) !== false && $chunk !== '') {
            $left -= strlen($chunk);
            $chunk = substr($chunk, 0, strlen($chunk) - strlen($chunk) % $bytes);
            $values = match (true) {
                $format['code'] === 3 && $bytes === 4 => array_values(unpack('g*', $chunk) ?: []),
                $bytes === 1 => array_map(static fn (int $v): float => ($v - 128) / 128, array_values(unpack('C*', $chunk) ?: [])),
                $bytes === 2 => array_map(static fn (int $v): float => ($v > 32767 ? $v - 65536 : $v) / 32768, array_values(unpack('v*', $chunk) ?: [])),
                $bytes === 4 => array_map(static fn (int $v): float => ($v > 2147483647 ? $v - 4294967296 : $v) / 2147483648, array_values(unpack('V*', $chunk) ?: [])),
                default => array_map(static function (string $three): float {
                    $v = ord($three[0]) | ord($three[1]) << 8 | ord($three[2]) << 16;

                    return ($v > 8388607 ? $v - 16777216 : $v) / 8388608;
                }, str_split($chunk, 3)),
            };
            foreach ($values as $value) {
                $sum += $value * $value;
                $peak = max($peak, abs($value));
                $n++;
            }
        }
        $db = static fn (float $level): ?float => $level > 0 ? round(20 * log10($level), 1) : null;

        return [$n === 0 ? null : $db(sqrt($sum / $n)), $db($peak), $frames];
    }

    private static function webm(string $path): self
    {
        $head = (string) file_get_contents($path, false, null, 0, 4096);
        if (! str_contains($head, 'webm') && ! str_contains($head, 'matroska')) {
            throw new \DomainException('This file begins like WebM, and is not.');
        }
        if (str_contains($head, 'V_VP') || str_contains($head, 'V_AV1')) {
            throw new \DomainException('This WebM file holds pictures; a prompt is sound alone.');
        }

        return new self('audio/webm', 'webm', null, null, null);
    }

    private static function ogg(string $path, string $head): self
    {
        $kind = match (true) {
            str_contains($head, 'OpusHead') => 48000,
            str_contains($head, "\x01vorbis") => self::number('V', substr($head, (int) strpos($head, "\x01vorbis") + 12, 4)),
            default => throw new \DomainException('This Ogg file holds neither Opus nor Vorbis sound.'),
        };
        // The last page tells how many samples were before its end (RFC 3533, section 6).
        $size = (int) filesize($path);
        $tail = (string) file_get_contents($path, false, null, max(0, $size - 65536));
        $at = strrpos($tail, 'OggS');
        $samples = $at === false || strlen($tail) < $at + 14 ? 0 : (unpack('P', substr($tail, $at + 6, 8)) ?: [1 => 0])[1];

        return new self('audio/ogg', 'ogg', $kind > 0 && is_int($samples) && $samples > 0 ? round($samples / $kind, 1) : null, null, null);
    }

    private static function guess(string $head): string
    {
        return match (true) {
            str_starts_with($head, 'ID3') || str_starts_with($head, "\xFF\xFB") => ', but MP3',
            str_starts_with($head, '%PDF') => ', but a PDF document',
            str_starts_with($head, "\x89PNG") || str_starts_with($head, "\xFF\xD8") => ', but a picture',
            str_starts_with($head, 'fLaC') => ', but FLAC',
            default => '',
        };
    }
}
