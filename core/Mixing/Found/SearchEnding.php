<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Found;

/**
 * How a search ended.
 */
enum SearchEnding: string
{
    /** Every mix was tried or ruled out: the first one is the best there is. */
    case Proven = 'proven';

    /** The quick search settled by itself. How often that is the best mix is measured by `bin/bench --full`. */
    case Settled = 'settled';

    /** Stopped before its end: the best so far. */
    case Stopped = 'stopped';
}
