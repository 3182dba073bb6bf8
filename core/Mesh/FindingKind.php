<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Kinds of findings in a print file: things besides the figure, and errors.
 */
enum FindingKind: string
{
    /** Columns that the print stood on, each a piece of its own. */
    case Supports = 'supports';

    /** The same, grown into the figure. */
    case GrownSupports = 'grown supports';

    /** The inner side of a hollow print. */
    case InnerWalls = 'inner walls';

    /** Pieces that are there twice, at the same place. */
    case Doubles = 'doubles';

    /** Faces that look inwards. */
    case InsideOut = 'inside out';

    /** Parts beside each other as on a printer's plate. */
    case SideBySide = 'side by side';

    /** @return bool whether it is mended by leaving pieces out, or turning faces round; the others are pulled apart or only said */
    public function isMended(): bool
    {
        return $this !== self::GrownSupports && $this !== self::SideBySide;
    }
}
