<?php

declare(strict_types=1);

namespace Hyalin;

use DomainException;

/**
 * What the core refuses: the message says what was asked, what was found and what is allowed, in the caller's terms.
 */
abstract class InvalidInput extends DomainException
{
}
