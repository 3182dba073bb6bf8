<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\FlatFace;
use Hyalin\Mesh\Plug;

/**
 * Puts the parts of a kit together by the pegs and sockets that fit each other. What fits best is joined first; a part is
 * joined once.
 */
final class Kit
{
    /** Misfits closer than this are alike: the part may belong there just as well. */
    private const ALIKE = 0.35;

    /** mm and cosine within which a peg sits in its socket already. */
    private const SITS_MM = 0.35;

    private const SITS_COS = 0.998;

    /** mm by which the distances of two pegs and of two sockets may differ. */
    private const PAIR_MM = 0.5;

    /**
     * @param  array<int, array{Pose, list<Plug>}>  $parts  how each stands, and its pegs and sockets as its file has them, mm
     * @param  int  $first  that stays where it stands
     * @return list<Fitted> each after the one it stands on
     */
    public static function assembled(array $parts, int $first): array
    {
        $joins = self::joins($parts);
        $now = array_map(static fn (array $part): Pose => $part[0], $parts);
        $fitted = [];
        // From the first part outwards, then from whatever its pegs do not reach.
        foreach ([$first, ...array_keys($parts)] as $root) {
            $open = [$root];
            while (($onto = array_shift($open)) !== null) {
                foreach ($joins as $n => [$peg, $socket, $isSure, $sits]) {
                    $own = $peg[0] === $onto ? $socket : ($socket[0] === $onto ? $peg : null);
                    if ($own === null) {
                        continue;
                    }
                    unset($joins[$n]);
                    $there = $own === $peg ? $socket : $peg;
                    $before = $now[$own[0]];
                    // What sat there keeps to it, also when the other has been moved meanwhile.
                    $now[$own[0]] = $sits ? $before->following($parts[$onto][0], $now[$onto]) : self::joined($parts, $now, $own, $there);
                    $face = $now[$onto]->plug($parts[$onto][1][$there[1]]);
                    $fitted[] = new Fitted($own[0], $onto, $now[$own[0]], $face->centre, $face->axis, $isSure, $sits && $now[$onto] === $parts[$onto][0]);
                    $open[] = $own[0];
                }
            }
        }

        return $fitted;
    }

    /**
     * @param  array<int, array{Pose, list<Plug>}>  $parts
     * @return list<array{array{int, int}, array{int, int}, bool, bool}> part and number of the peg and of the socket, whether it
     *                                                                   is sure, whether it sits already; a tree
     */
    private static function joins(array $parts): array
    {
        $pairs = [];
        foreach ($parts as $p => [$pose, $plugs]) {
            foreach ($plugs as $i => $peg) {
                foreach ($peg->isSocket ? [] : $parts as $s => [$otherPose, $sockets]) {
                    foreach ($s === $p ? [] : $sockets as $j => $socket) {
                        $misfit = $peg->misfit($socket);
                        if ($misfit !== null) {
                            $sits = self::sits($pose->plug($peg), $otherPose->plug($socket));
                            $pairs[] = [[$p, $i], [$s, $j], $misfit - ($sits ? 10 : 0), $sits];
                        }
                    }
                }
            }
        }
        usort($pairs, static fn (array $a, array $b): int => $a[2] <=> $b[2]);
        $group = array_combine(array_keys($parts), array_keys($parts));
        $used = $joins = [];
        foreach ($pairs as [$peg, $socket, $misfit, $sits]) {
            if ($group[$peg[0]] === $group[$socket[0]] || isset($used["{$peg[0]} {$peg[1]}"]) || isset($used["{$socket[0]} {$socket[1]}"])) {
                continue;
            }
            $used["{$peg[0]} {$peg[1]}"] = $used["{$socket[0]} {$socket[1]}"] = true;
            $others = array_filter($pairs, static fn (array $o): bool => ($o[0] === $peg) !== ($o[1] === $socket) && $o[2] - $misfit < self::ALIKE
                // Two pegs side by side into two sockets are one joint.
                && [$o[0][0], $o[1][0]] !== [$peg[0], $socket[0]]);
            $joins[] = [$peg, $socket, $sits || $others === [], $sits];
            [$from, $to] = [$group[$peg[0]], $group[$socket[0]]];
            $group = array_map(static fn (int $g): int => $g === $from ? $to : $g, $group);
        }

        return $joins;
    }

    private static function sits(Plug $peg, Plug $socket): bool
    {
        $seat = self::seat($peg, $socket);
        $apart = sqrt(($peg->centre[0] - $seat[0]) ** 2 + ($peg->centre[1] - $seat[1]) ** 2 + ($peg->centre[2] - $seat[2]) ** 2);

        return $apart < self::SITS_MM && -self::SITS_COS > $peg->axis[0] * $socket->axis[0] + $peg->axis[1] * $socket->axis[1] + $peg->axis[2] * $socket->axis[2];
    }

    /** @return array{float, float, float} mm, where the peg's cap comes to lie: its shoulder on the rim, unless it is too long */
    private static function seat(Plug $peg, Plug $socket): array
    {
        $above = max(0.0, $socket->depth - $peg->depth);

        return [$socket->centre[0] + $above * $socket->axis[0], $socket->centre[1] + $above * $socket->axis[1], $socket->centre[2] + $above * $socket->axis[2]];
    }

    /**
     * @param  array<int, array{Pose, list<Plug>}>  $parts
     * @param  array<int, Pose>  $now
     * @param  array{int, int}  $own  part that is moved, and its peg or socket
     * @param  array{int, int}  $there  part that stays
     * @return Pose of the part that is moved, on its seat and turned as pegs or outlines tell
     */
    private static function joined(array $parts, array $now, array $own, array $there): Pose
    {
        $pose = $now[$own[0]];
        $moved = $parts[$own[0]][1][$own[1]];
        $stays = $now[$there[0]]->plug($parts[$there[0]][1][$there[1]]);
        $from = $pose->plug($moved);
        $pose = $moved->isSocket
            ? $pose->joined(new FlatFace(self::seat($stays, $from), $from->axis, 0.0), new FlatFace($stays->centre, $stays->axis, 0.0))
            : $pose->joined(new FlatFace($from->centre, $from->axis, 0.0), new FlatFace(self::seat($from, $stays), $stays->axis, 0.0));
        $turn = self::turnOfPair($parts, $now, $pose, $own, $there);
        if ($turn === null) {
            $set = $pose->plug($moved);
            $byOutline = $moved->isSocket ? $stays->turnInto($set) : $set->turnInto($stays);
            // The peg's turn about the socket's axis: a socket that is moved turns the other way about its own.
            $turn = $byOutline === null ? null : ($moved->isSocket ? [$set->axis, -$byOutline] : [$stays->axis, $byOutline]);
        }

        return $turn === null ? $pose : $pose->turnedAt($stays->centre, $turn[0], $turn[1]);
    }

    /**
     * A second peg of the same two parts tells the turn about the first.
     *
     * @param  array<int, array{Pose, list<Plug>}>  $parts
     * @param  array<int, Pose>  $now
     * @param  array{int, int}  $own
     * @param  array{int, int}  $there
     * @return array{array{float, float, float}, float}|null axis and degrees
     */
    private static function turnOfPair(array $parts, array $now, Pose $pose, array $own, array $there): ?array
    {
        $mine = array_map($pose->plug(...), $parts[$own[0]][1]);
        $theirs = array_map($now[$there[0]]->plug(...), $parts[$there[0]][1]);
        [$first, $onto] = [$mine[$own[1]], $theirs[$there[1]]];
        foreach ($mine as $i => $one) {
            foreach ($theirs as $j => $other) {
                $fits = $one->isSocket ? $other->misfit($one) : $one->misfit($other);
                if ($i === $own[1] || $j === $there[1] || $fits === null) {
                    continue;
                }
                $a = self::across($first->centre, $one->centre, $onto->axis);
                $b = self::across($onto->centre, $other->centre, $onto->axis);
                [$lengthA, $lengthB] = [sqrt($a[0] ** 2 + $a[1] ** 2 + $a[2] ** 2), sqrt($b[0] ** 2 + $b[1] ** 2 + $b[2] ** 2)];
                if ($lengthA > self::PAIR_MM && abs($lengthA - $lengthB) < self::PAIR_MM) {
                    $sine = $onto->axis[0] * ($a[1] * $b[2] - $a[2] * $b[1]) + $onto->axis[1] * ($a[2] * $b[0] - $a[0] * $b[2]) + $onto->axis[2] * ($a[0] * $b[1] - $a[1] * $b[0]);

                    return [$onto->axis, rad2deg(atan2($sine, $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2]))];
                }
            }
        }

        return null;
    }

    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     * @param  array{float, float, float}  $axis
     * @return array{float, float, float} the way between them, seen along the axis
     */
    private static function across(array $from, array $to, array $axis): array
    {
        $d = [$to[0] - $from[0], $to[1] - $from[1], $to[2] - $from[2]];
        $along = $d[0] * $axis[0] + $d[1] * $axis[1] + $d[2] * $axis[2];

        return [$d[0] - $along * $axis[0], $d[1] - $along * $axis[1], $d[2] - $along * $axis[2]];
    }
}
