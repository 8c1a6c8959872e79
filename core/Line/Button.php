<?php

declare(strict_types=1);

namespace Ringo\Line;

use Ringo\Document\Node;

/** How a line looks and behaves as a button on a web page. */
final readonly class Button
{
    public const CORNERS = ['right' => 'bottom right', 'left' => 'bottom left'];

    /** Least contrast of words on the button. Source: WCAG 2.2, success criterion 1.4.3. */
    public const LEAST_CONTRAST = 4.5;

    private const LONGEST_LABEL = 30;

    private const LONGEST_TERMS = 600;

    private const MOST_ORIGINS = 20;

    private const PICTURES = ['image/png', 'image/jpeg', 'image/webp'];

    /** Bytes of a picture: every page that shows the button loads it. */
    public const LARGEST_PICTURE = 40_000;

    /** Pixels of its longer side. */
    public const WIDEST_PICTURE = 512;

    /**
     * @param string $label words on the button
     * @param string $colour of the button, `#0f766e`
     * @param string $ink of the words on it
     * @param bool $spoken whether the agent is heard, with its words beside; otherwise text alone
     * @param string $terms what must be accepted first; empty: nothing
     * @param ?string $termsAt address of the terms in full
     * @param list<string> $origins pages that may show it, `https://www.example.com`
     * @param ?string $picture beside the words on the button: a `data:` address of a PNG, JPEG or WebP image
     * @param ?string $rungBy the campaign that rings whoever leaves a number; null: it goes to the desk
     */
    public function __construct(public string $label = 'Talk to us', public string $colour = '#0f766e', public string $ink = '#ffffff', public string $corner = 'right', public bool $spoken = true, public string $terms = '', public ?string $termsAt = null, public array $origins = [], public ?string $picture = null, public ?string $rungBy = null)
    {
    }

    public static function read(Node $node): self
    {
        $usual = new self;
        $colours = [];
        foreach (['colour' => $usual->colour, 'ink' => $usual->ink] as $key => $else) {
            $colours[$key] = strtolower($node->string($key, $else));
            if (preg_match('/^#[0-9a-f]{6}$/', $colours[$key]) !== 1) {
                $node->problem($key, "“{$colours[$key]}” is no colour; write #0f766e");
                $colours[$key] = $else;
            }
        }
        $contrast = self::contrast($colours['colour'], $colours['ink']);
        if ($contrast < self::LEAST_CONTRAST) {
            $node->problem('ink', sprintf('stands against the button with a contrast of %.1f; %.1f is the least that can be read', $contrast, self::LEAST_CONTRAST));
        }
        $origins = $node->strings('origins');
        foreach ($origins as $i => $origin) {
            if (preg_match('~^https?://[a-z0-9.-]+(?::\d{1,5})?$~', $origin) !== 1) {
                $node->problem("origins[{$i}]", "“{$origin}” is no origin; write https://www.example.com, without a path");
            }
        }
        if (count($origins) > self::MOST_ORIGINS) {
            $node->problem('origins', 'are more than '.self::MOST_ORIGINS);
        }
        $termsAt = $node->optional('terms_at');
        if ($termsAt !== null && preg_match('~^https?://~', $termsAt) !== 1) {
            $node->problem('terms_at', 'must be a web address');
        }

        $picture = $node->optional('picture');
        $wrong = $picture === null ? null : self::wrongPicture($picture);
        if ($wrong !== null) {
            $node->problem('picture', $wrong);
        }

        return new self(mb_substr(trim($node->string('label', $usual->label)) ?: $usual->label, 0, self::LONGEST_LABEL), $colours['colour'], $colours['ink'], $node->oneOf('corner', array_keys(self::CORNERS), 'right'), $node->flag('spoken', true), mb_substr($node->string('terms', ''), 0, self::LONGEST_TERMS), $termsAt, $origins, $wrong === null ? $picture : null, $node->optional('rung_by'));
    }

    /** @return array<string, mixed> as it is written */
    public function toArray(): array
    {
        return ['label' => $this->label, 'colour' => $this->colour, 'ink' => $this->ink, 'corner' => $this->corner, 'spoken' => $this->spoken] + array_filter(['terms' => $this->terms, 'terms_at' => $this->termsAt, 'origins' => $this->origins, 'picture' => $this->picture, 'rung_by' => $this->rungBy]);
    }

    public function allows(string $origin): bool
    {
        return in_array(strtolower($origin), $this->origins, true);
    }

    /** The bytes of an image as the address of a picture. */
    public static function address(string $bytes): string
    {
        $size = @getimagesizefromstring($bytes);

        return 'data:'.($size === false ? 'application/octet-stream' : $size['mime']).';base64,'.base64_encode($bytes);
    }

    /** @return array{type: string, bytes: string} what a page is given of the picture */
    public function image(): array
    {
        preg_match('~^data:([a-z]+/[a-z-]+);base64,(.+)$~', (string) $this->picture, $m);

        return ['type' => $m[1] ?? '', 'bytes' => (string) base64_decode($m[2] ?? '', true)];
    }

    private static function wrongPicture(string $picture): ?string
    {
        if (preg_match('~^data:([a-z]+/[a-z-]+);base64,([A-Za-z0-9+/=]+)$~', $picture, $m) !== 1 || ! in_array($m[1], self::PICTURES, true)) {
            return 'must be a PNG, JPEG or WebP image';
        }
        $bytes = (string) base64_decode($m[2], true);
        if (strlen($bytes) > self::LARGEST_PICTURE) {
            return sprintf('has %d KB; %d KB are the most', (int) ceil(strlen($bytes) / 1000), self::LARGEST_PICTURE / 1000);
        }
        $size = @getimagesizefromstring($bytes);
        if ($size === false || $size['mime'] !== $m[1]) {
            return 'cannot be read as the image it says it is';
        }

        return max($size[0], $size[1]) > self::WIDEST_PICTURE ? "is {$size[0]} by {$size[1]} pixels; ".self::WIDEST_PICTURE.' are the most' : null;
    }

    /** Contrast ratio of two colours, 1 to 21. Source: WCAG 2.2, relative luminance. */
    public static function contrast(string $one, string $other): float
    {
        $luminance = static function (string $colour): float {
            $parts = array_map(static function (string $hex): float {
                $value = hexdec($hex) / 255;

                return $value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4;
            }, str_split(ltrim($colour, '#'), 2));

            return 0.2126 * $parts[0] + 0.7152 * $parts[1] + 0.0722 * $parts[2];
        };
        [$a, $b] = [$luminance($one), $luminance($other)];

        return (max($a, $b) + 0.05) / (min($a, $b) + 0.05);
    }
}
