<?php

declare(strict_types=1);

namespace Tests\Browser;

use Closure;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\RemoteWebElement;

/**
 * An element of a page that may be drawn anew or pushed on between being found and being used: it is then looked for once
 * more, as one would with the hand already on the mouse.
 */
final class PatientElement extends RemoteWebElement
{
    /** Seconds for which something may lie over it: what stays there is a fault. */
    private const PATIENCE = 20;

    /** @var Closure(): RemoteWebElement */
    private Closure $again;

    /** @param  Closure(): RemoteWebElement  $again  finds it where it stands now */
    public static function of(RemoteWebElement $found, Closure $again): self
    {
        $element = new self($found->executor, $found->id, $found->isW3cCompliant);
        $element->again = $again;

        return $element;
    }

    public function click(): self
    {
        $this->patiently(fn () => parent::click());

        return $this;
    }

    public function sendKeys(mixed $value): self
    {
        $this->patiently(fn () => parent::sendKeys($value));

        return $this;
    }

    public function clear(): self
    {
        $this->patiently(fn () => parent::clear());

        return $this;
    }

    public function getText(): string
    {
        return $this->patiently(fn (): string => parent::getText());
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $act
     * @return T
     */
    private function patiently(Closure $act): mixed
    {
        for ($until = microtime(true) + self::PATIENCE; ; usleep(50_000)) {
            try {
                return $act();
            } catch (StaleElementReferenceException|ElementClickInterceptedException $e) {
                if (microtime(true) > $until) {
                    throw $e;
                }
                // A sheet that opens pushes things on: what lay there a moment ago lies elsewhere now.
                $this->id = ($this->again)()->id;
            }
        }
    }
}
