<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\InvalidInput;

/**
 * A photo that no sheet can be read from, or a sheet that cannot be laid out; the message says which, and what would help.
 */
final class InvalidSheet extends InvalidInput
{
    public static function fields(int $asked, int $most): self
    {
        return new self("a sheet has 1 to {$most} fields, not {$asked}");
    }

    public static function none(): self
    {
        return new self('no swatch sheet is in this picture: none of its seven black marks was recognised. Take the photo so that the whole sheet is in it and sharp');
    }

    /** @param  int  $seen  marks that were recognised */
    public static function tooFew(int $seen, int $needed): self
    {
        return new self(sprintf('only %d of the seven marks of a sheet can be read and %d are needed: something covers the others, or they are not sharp. Uncover them and take the photo again', $seen, $needed));
    }

    /** @param  list<int>  $sheets  their numbers */
    public static function several(array $sheets): self
    {
        return new self('several sheets are in this picture (numbers '.implode(' and ', $sheets).'): take a photo of each on its own');
    }

    public static function bent(float $millimetres): self
    {
        return new self(sprintf('the sheet is not flat or the picture is distorted: its marks are up to %.1f mm from where they belong. Press the sheet flat and take the photo from farther away', $millimetres));
    }

    /** @param  float  $pixels  a millimetre is as long as this */
    public static function tooSmall(float $pixels): self
    {
        return new self(sprintf('the sheet is too small in this picture: a millimetre is %.1f pixels, and 2.5 are needed. Come nearer', $pixels));
    }

    public static function noPaper(): self
    {
        return new self('the paper of the sheet is too dark or overexposed in this picture: its light cannot be measured. Use more even light and no flash');
    }

    public static function overexposed(float $share): self
    {
        return new self(sprintf('%.0f %% of the paper is overexposed in this picture. Take it darker', 100 * $share));
    }

    public static function otherLayout(int $found, int $expected): self
    {
        return new self("this is sheet {$found}, and the layout is that of sheet {$expected}: read it by the layout of sheet {$found}");
    }

    public static function noChart(): self
    {
        return new self('no chart of 24 patches is on its place on the sheet: one grey was read there. Lay a chart there, flat and without shine');
    }

    public static function noCard(): self
    {
        return new self('no grey card and no chart is on its place on the sheet, so that the colour of the lamp is unknown. Lay one there, flat and without shine');
    }

    public static function otherCard(): self
    {
        return new self('what lies on the place of the card is neither one grey nor a chart of 24 patches, or it shines or lies in the edge of a shadow. Lay it flat and straight in even light');
    }

    /** @param  bool  $isOwn  the painter has a sheet of this number */
    public static function another(int $found, int $expected, bool $isOwn): self
    {
        return new self("this is sheet {$found}, not sheet {$expected}: ".($isOwn ? 'open that one and add the photo there' : 'it is not one of your sheets'));
    }
}
