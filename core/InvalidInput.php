<?php

declare(strict_types=1);

namespace Hyalin;

use DomainException;

/**
 * Input that the core refuses. The message says what was asked, what was found and what is allowed, in the caller's terms.
 */
abstract class InvalidInput extends DomainException
{
}
