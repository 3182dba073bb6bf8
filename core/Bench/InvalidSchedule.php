<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\InvalidInput;

/**
 * Steps, lags or sessions that cannot be laid.
 */
final class InvalidSchedule extends InvalidInput
{
    public static function twice(string $id): self
    {
        return new self("the step \"{$id}\" is given twice");
    }

    public static function unknown(string $id): self
    {
        return new self("a lag names \"{$id}\", which is none of the steps");
    }

    /**
     * @param  string  $what  what was given, as a painter would call it
     * @param  float  $found  minutes
     */
    public static function amount(string $what, float $found): self
    {
        return new self("{$what} is {$found} minutes; it must be a number of 0 or more");
    }

    /**
     * @param  string  $from  id of a task
     * @param  string  $to  id of a task
     * @param  float  $least  minutes
     * @param  float  $most  minutes
     */
    public static function window(string $from, string $to, float $least, float $most): self
    {
        return new self("from \"{$from}\" to \"{$to}\" there must pass at least {$least} and at most {$most} minutes: the window is empty");
    }

    /** @param  non-empty-list<string>  $round */
    public static function circle(array $round): self
    {
        return new self('these wait for each other: '.implode(' before ', array_map(static fn (string $id): string => "\"{$id}\"", [...$round, $round[0]])));
    }

    /** @param  int  $session  counted from 1 */
    public static function overlap(int $session): self
    {
        return new self("session {$session} begins before the one before it ends");
    }

    public static function empty(string $what): self
    {
        return new self("there are no {$what}");
    }

    /**
     * @param  string  $id  of the task
     * @param  float  $minutes  hands on
     * @param  float  $longest  minutes of the longest session
     */
    public static function tooLong(string $id, float $minutes, float $longest): self
    {
        return new self("\"{$id}\" takes {$minutes} minutes in one go, and the longest session has {$longest}: allow it to be split, or plan a longer session");
    }

    /** @param  non-empty-list<string>  $ids */
    public static function doNotFit(array $ids, string $why): self
    {
        return new self('these do not fit into the sessions: '.implode(', ', array_map(static fn (string $id): string => "\"{$id}\"", $ids)).". {$why}");
    }
}
