<?php

declare(strict_types=1);

namespace App\Models\References;

enum PictureKind: string
{
    case Artwork = 'artwork';
    case OtherPiece = 'photo of another piece';
    case RealThing = 'photo of a real thing';
    case OwnPiece = 'photo of my painted piece';
}
