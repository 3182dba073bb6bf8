<?php

declare(strict_types=1);

namespace Hyalin\Plan;

enum PrintProcess: string
{
    case Resin = 'resin';
    case MeltedPlastic = 'melted plastic';
}
