<?php

declare(strict_types=1);

namespace Hyalin\Order;

enum PrintProcess: string
{
    case Resin = 'resin';
    case MeltedPlastic = 'melted plastic';
}
