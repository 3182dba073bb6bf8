<?php

declare(strict_types=1);

namespace App\Adapters\References;

/**
 * A JPEG file up to its own end: a phone may append a film, or a second picture, to it. And in how many passes it is drawn,
 * which is what decoding it costs (ITU-T T.81, annex B).
 */
final readonly class JpegFile
{
    private function __construct(public string $bytes, public int $scans)
    {
    }

    /** @return self|null null when it ends before its end */
    public static function of(string $bytes): ?self
    {
        $scans = 0;
        $at = 2;
        while (preg_match('/\xFF+([^\x00\xFF])/', $bytes, $found, PREG_OFFSET_CAPTURE, $at) === 1) {
            $marker = ord($found[1][0]);
            $at = $found[1][1] + 1;
            if ($marker === 0xD9) {
                return new self(substr($bytes, 0, $at), $scans);
            }
            // Restarts within a scan, and the one marker without a length.
            if (($marker >= 0xD0 && $marker <= 0xD7) || $marker === 0x01) {
                continue;
            }
            $scans += $marker === 0xDA ? 1 : 0;
            $length = unpack('n', substr($bytes, $at, 2)."\0\0");
            $at += is_array($length) && is_int($length[1] ?? null) ? $length[1] : 0;
            if ($at > strlen($bytes)) {
                return null;
            }
        }

        return null;
    }
}
