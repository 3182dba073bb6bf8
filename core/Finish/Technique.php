<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Pot\Pot;

/**
 * The ways of putting paint on. Adding one: a case here, and a class in Techniques, named like it with "Spec", that specifies it.
 */
enum Technique: string
{
    case BaseCoat = 'base coat';
    case Airbrush = 'airbrush';
    case SprayCan = 'spray can';
    case ZenithalSpray = 'zenithal spray';
    case SlantedSpray = 'spray from 45 degrees';
    case SprayFromBelow = 'spray from below';
    case Layer = 'layer';
    case Wash = 'wash';
    case OneCoat = 'one-coat';
    case Glaze = 'glaze';
    case Filter = 'filter';
    case DryBrush = 'dry brush';
    case Overbrush = 'overbrush';
    case Stipple = 'stipple';
    case Sponge = 'sponge';
    case EdgeHighlight = 'edge highlight';
    case RecessShade = 'recess shade';
    case WetBlend = 'wet blend';
    case Chipping = 'chipping';
    case SprayedChipping = 'sprayed chipping';
    case Spatter = 'spatter';
    case Powder = 'pigment powder';
    case Decal = 'decal';
    case Varnish = 'varnish';
    case Wax = 'rubbed wax';
    case Gel = 'gel';
    case Glow = 'glow of a lamp';

    /** @return TechniqueSpec all that is known of it */
    public function spec(): TechniqueSpec
    {
        /** @var array<string, TechniqueSpec> $known made once: finishes ask for every zone of every layer */
        static $known = [];

        return $known[$this->name] ??= self::source($this->name)::spec();
    }

    /** @return bool whether it leaves paint on a flat card: some work on edges and in recesses only */
    public function showsOnFlat(): bool
    {
        return $this->profile()->coverage(Zone::Mid) > 0.0;
    }

    /**
     * The deposit of one coat on each zone.
     *
     * @param  list<float|null>|null  $exposure  0..1 of the five zones to a directed spray or a lamp, as a mesh has it; null for the usual
     */
    public function profile(?array $exposure = null): DepositProfile
    {
        $usual = $this->spec()->usualExposure();
        if ($usual === null || $exposure === null) {
            return $this->spec()->deposit;
        }
        $exposure = [$exposure[0] ?? $usual[0], $exposure[1] ?? $usual[1], $exposure[2] ?? $usual[2], $exposure[3] ?? $usual[3], $exposure[4] ?? $usual[4]];

        return $this->spec()->lamp === null ? DepositProfile::sprayed(DepositProfile::HITS, $exposure) : DepositProfile::glowing($exposure);
    }

    /** @return bool whether a pot is one that colours for this technique are mixed from */
    public function suits(Pot $pot): bool
    {
        return $pot->isMixed() && in_array($pot->kind, $this->spec()->suits, true);
    }

    /**
     * The pot a new layer of this technique starts with: first one that is made for it - a varnish for varnishing, a primer for
     * priming, a wash for washing -, then one that lets through or hides as the technique means to, then by the kinds that suit
     * it; none that is empty, and nothing clear where colour is meant.
     *
     * @param  list<Pot>  $shelf  in its order
     */
    public function startsWith(array $shelf): ?Pot
    {
        $spec = $this->spec();
        $ranked = [];
        foreach ($shelf as $n => $pot) {
            $suits = array_search($pot->kind, $spec->suits, true);
            if ($suits !== false && ! $pot->isEmpty() && ($spec->setsSheen || ! $pot->kind->isClear())) {
                $isMadeForIt = $pot->kind->value === $this->value || ($spec->isPriming && $pot->isPrimer());
                $ranked[$n] = [$isMadeForIt ? 0 : 1, $pot->isTranslucent() === $spec->isTranslucent ? 0 : 1, $suits, $n];
            }
        }
        asort($ranked);
        $best = array_key_first($ranked);

        return $best === null ? null : $shelf[$best];
    }

    /** @return list<self> sprayed from a direction, in the order of the cases */
    public static function directed(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $t): bool => $t->spec()->direction !== null));
    }

    /** @return class-string<SpecifiesTechnique> */
    private static function source(string $name): string
    {
        $class = __NAMESPACE__."\\Techniques\\{$name}Spec";

        return is_subclass_of($class, SpecifiesTechnique::class) ? $class : throw new \LogicException("{$class} does not specify its technique");
    }
}
