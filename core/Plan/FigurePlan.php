<?php

declare(strict_types=1);

namespace Hyalin\Plan;

use WeakMap;

/**
 * A figure as it is built and as it is to be painted.
 */
final readonly class FigurePlan
{
    /**
     * @param  list<PartPlan>  $parts
     * @param  list<AreaPlan>  $areas
     * @param  list<JointPlan>  $joints
     * @param  list<BoundaryPlan>  $boundaries
     * @param  list<Approach>  $approaches  that differ from the default
     * @param  list<Constraint>  $own  the painter's own rules, between step ids
     * @param  list<OwnStepPlan>  $ownSteps
     */
    private function __construct(
        public array $parts,
        public array $areas,
        public array $joints,
        public array $boundaries,
        public array $approaches,
        public array $own,
        public array $ownSteps,
        public Circumstances $circumstances,
    ) {
    }

    /**
     * @param  list<PartPlan>  $parts
     * @param  list<AreaPlan>  $areas
     * @param  list<JointPlan>  $joints
     * @param  list<BoundaryPlan>  $boundaries
     * @param  list<Approach>  $approaches
     * @param  list<Constraint>  $own
     * @param  list<OwnStepPlan>  $ownSteps
     *
     * @throws InvalidPlan when an area is on no part, a part is joined with itself, a boundary is given twice and differs
     */
    public static function of(array $parts, array $areas, array $joints = [], array $boundaries = [], array $approaches = [], array $own = [], array $ownSteps = [], Circumstances $circumstances = new Circumstances): self
    {
        $partIds = array_map(static fn (PartPlan $p): string => $p->id, $parts);
        foreach ($areas as $area) {
            if (! in_array($area->part, $partIds, true)) {
                throw InvalidPlan::onNoPart($area->name);
            }
        }
        foreach ($joints as $joint) {
            if ($joint->a === $joint->b) {
                throw InvalidPlan::withItself($joint->a, 'a joint');
            }
        }
        $known = [];
        foreach ($boundaries as $boundary) {
            $key = min($boundary->a, $boundary->b).' '.max($boundary->a, $boundary->b);
            if (isset($known[$key]) && $known[$key] !== $boundary->mm) {
                throw InvalidPlan::disagree($boundary->a, $boundary->b);
            }
            $known[$key] = $boundary->mm;
        }

        return new self($parts, $areas, $joints, $boundaries, $approaches, $own, $ownSteps, $circumstances);
    }

    public function follows(Approach $approach): bool
    {
        if (in_array($approach, $this->approaches, true)) {
            return true;
        }
        foreach (Approach::pairs() as [$default, $other]) {
            if ($default === $approach) {
                return ! in_array($other, $this->approaches, true);
            }
        }

        return false;
    }

    /** @return bool whether a joint is glued on bare print, before the prime, as it hides nothing and the approach allows it */
    public function isGluedEarly(JointPlan $joint): bool
    {
        $isBase = array_filter($this->parts, static fn (PartPlan $p): bool => $p->isBase && in_array($p->id, [$joint->a, $joint->b], true)) !== [];

        return $joint->hides === [] && ! $joint->isLast && (! $isBase || $this->follows(Approach::BaseTogether));
    }

    public function area(string $id): ?AreaPlan
    {
        foreach ($this->areas as $area) {
            if ($area->id === $id) {
                return $area;
            }
        }

        return null;
    }

    public function jointOf(string $part, string $other): ?JointPlan
    {
        foreach ($this->joints as $joint) {
            if (($joint->a === $part && $joint->b === $other) || ($joint->a === $other && $joint->b === $part)) {
                return $joint;
            }
        }

        return null;
    }

    /** The neighbourhood of each area; calculated once. */
    public function neighbourhood(): Neighbourhood
    {
        /** @var WeakMap<self, Neighbourhood> $known every rule asks */
        static $known = new WeakMap;

        return $known[$this] ??= Neighbourhood::of($this);
    }
}
