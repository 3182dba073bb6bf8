<?php

declare(strict_types=1);

namespace Hyalin\Numeric;

use DomainException;

final class SingularMatrix extends DomainException
{
    /** @param  int  $order  rows and columns */
    public static function ofOrder(int $order): self
    {
        return new self("a {$order} x {$order} matrix has determinant 0: its equations have no single solution");
    }
}
