<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Where painters disagree and both work: each changes rules, never the physics. The first of each pair is the default.
 */
enum Approach: string
{
    case InsideFirst = 'inside to outside, the inside masked';
    case BigFirst = 'big areas first, touched up';
    case MetalLast = 'metal last, never under tape';
    case MetalFirst = 'metal first, sealed, then masked';
    case BaseApart = 'figure and base finished apart';
    case BaseTogether = 'figure glued to its base first';
    case SubAssemblies = 'painted in sub-assemblies where a hidden surface needs it';
    case Assembled = 'assembled before painting';
    case Zenithal = 'zenithal prime under translucent paint';
    case OnePrimer = 'straight layering over one primer colour';
    case WashFirst = 'wash first, highlight up from it';
    case WashAfter = 'highlight first, shade down with a wash';
    case VarnishLast = 'one varnish at the end';
    case VarnishBetween = 'a protective varnish between colours';
    case EyeSocketDark = 'eyes: a dark socket, then white';
    case EyeWhite = 'eyes: white straight away';
    case Airbrush = 'airbrush and brush';
    case BrushOnly = 'brush only';
    case PeelSoft = 'mask peeled while the top coat is soft';
    case PeelDry = 'mask peeled after it has dried through';

    /** @return list<array{self, self}> the default first */
    public static function pairs(): array
    {
        return [
            [self::Zenithal, self::OnePrimer],
            [self::InsideFirst, self::BigFirst],
            [self::MetalLast, self::MetalFirst],
            [self::WashFirst, self::WashAfter],
            [self::BaseApart, self::BaseTogether],
            [self::SubAssemblies, self::Assembled],
            [self::VarnishLast, self::VarnishBetween],
            [self::PeelSoft, self::PeelDry],
            [self::EyeSocketDark, self::EyeWhite],
            [self::Airbrush, self::BrushOnly],
        ];
    }
}
