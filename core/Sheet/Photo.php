<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Colour\Srgb;

/**
 * A picture as the bytes of a Windows bitmap of 24 bits: blue, green and red of 8-bit sRGB, the lowest row first, each filled up to
 * four bytes. One string, because a list of twelve million pixels would take 200 MB.
 */
final readonly class Photo
{
    private const HEAD = 54;

    /**
     * @param  int  $first  byte of the upper left pixel
     * @param  int  $row  bytes from one row to the one beneath it
     */
    private function __construct(public int $width, public int $height, public string $bytes, public int $first, public int $row)
    {
    }

    /** @throws InvalidSheet when it is no such bitmap */
    public static function ofBitmap(string $bytes): self
    {
        $head = strlen($bytes) > self::HEAD ? unpack('Voffset/V/Vwidth/Vheight/v/vbits', $bytes, 10) : false;
        if (! is_array($head) || ! is_int($head['offset']) || ! is_int($head['width']) || ! is_int($head['height']) || $head['bits'] !== 24) {
            throw InvalidSheet::none();
        }
        $row = 4 * intdiv(3 * $head['width'] + 3, 4);
        if ($head['width'] < 1 || $head['height'] < 1 || strlen($bytes) < $head['offset'] + $row * $head['height']) {
            throw InvalidSheet::none();
        }

        return new self($head['width'], $head['height'], $bytes, $head['offset'] + $row * ($head['height'] - 1), -$row);
    }

    /** @return int red * 65536 + green * 256 + blue of the pixel that a place is in; -1 outside of the picture */
    public function packed(float $x, float $y): int
    {
        if ($x < 0 || $y < 0 || $x >= $this->width || $y >= $this->height) {
            return -1;
        }
        $at = $this->first + (int) $y * $this->row + 3 * (int) $x;

        return ord($this->bytes[$at + 2]) << 16 | ord($this->bytes[$at + 1]) << 8 | ord($this->bytes[$at]);
    }

    /** @return float 0..255 between the four pixels around a place, of green alone; the rim goes on outside */
    public function grey(float $x, float $y): float
    {
        $x = max(0.0, min($this->width - 1.001, $x - 0.5));
        $y = max(0.0, min($this->height - 1.001, $y - 0.5));
        [$i, $j] = [(int) $x, (int) $y];
        [$u, $v] = [$x - $i, $y - $j];
        $at = $this->first + $j * $this->row + 3 * $i + 1;
        $below = $at + ($j + 1 < $this->height ? $this->row : 0);
        $next = $i + 1 < $this->width ? 3 : 0;

        return (1 - $v) * ((1 - $u) * ord($this->bytes[$at]) + $u * ord($this->bytes[$at + $next]))
            + $v * ((1 - $u) * ord($this->bytes[$below]) + $u * ord($this->bytes[$below + $next]));
    }

    /** @return list<float> linear light of the 256 codes */
    public static function decoded(): array
    {
        return array_map(static fn (int $code): float => Srgb::decode($code / 255), range(0, 255));
    }
}
