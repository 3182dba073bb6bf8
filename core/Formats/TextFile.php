<?php

declare(strict_types=1);

namespace Hyalin\Formats;

/**
 * Checks that all text formats share: too many bytes, text that is not UTF-8, binary files under a text name.
 */
final class TextFile
{
    public const MOST_BYTES = 8 * 1024 * 1024;

    public const MOST_LINES = 100_000;

    /**
     * @return string UTF-8 without a byte order mark, lines ending in \n
     *
     * @throws UnreadableFile
     */
    public static function checked(string $bytes): string
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw UnreadableFile::whole(sprintf('the file has %.1f MB; at most 8 MB are read', strlen($bytes) / 1024 / 1024));
        }
        if (str_starts_with($bytes, "\xEF\xBB\xBF")) {
            $bytes = substr($bytes, 3);
        }
        $zero = strpos($bytes, "\0");
        if ($zero !== false) {
            throw UnreadableFile::whole("this is not a text file: byte {$zero} is zero");
        }
        $lines = substr_count($bytes, "\n") + substr_count($bytes, "\r") - substr_count($bytes, "\r\n");
        if ($lines > self::MOST_LINES) {
            throw UnreadableFile::whole("the file has {$lines} lines; at most ".self::MOST_LINES.' are read');
        }
        if (! mb_check_encoding($bytes, 'UTF-8')) {
            foreach (explode("\n", $bytes) as $i => $line) {
                if (! mb_check_encoding($line, 'UTF-8')) {
                    throw UnreadableFile::at($i + 1, 1, 'the text is not UTF-8: save the file in that encoding');
                }
            }
        }
        if (trim($bytes) === '') {
            throw UnreadableFile::whole('the file is empty');
        }

        return str_replace(["\r\n", "\r"], "\n", $bytes);
    }
}
