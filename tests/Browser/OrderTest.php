<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

final class OrderTest extends BrowserTestCase
{
    public function test_the_whole_work_is_read_moved_mended_and_kept(): void
    {
        $this->enterDemo();
        $this->visit('/figures/4/order');
        $this->waitForText('//main', 'all hard rules met');
        $steps = count($this->browser->findElements(WebDriverBy::xpath("//*[@role='option']")));
        // The board shows a mask with its spray; at the bench it is put on and taken off.
        $this->waitForText('//main', ($steps + 2).' steps, 2 of them masks on and off');
        $this->assertAccessible('order');
        // The first prime, moved before the glue that must come first: it is said that this cannot be.
        $this->find("//*[@role='option' and starts-with(@aria-label, 'prime')]")->click();
        $this->waitForText("//section[@aria-label='Selected step']", 'paint shows every line');
        $shift = new WebDriverActions($this->browser);
        $this->browser->executeScript("document.querySelector('[role=listbox]').focus()");
        $shift->keyDown(null, WebDriverKeys::SHIFT)->sendKeys(null, WebDriverKeys::ARROW_LEFT)->keyUp(null, WebDriverKeys::SHIFT)->perform();
        $this->waitForText('//main', 'This order cannot be painted');
        $this->assertAccessible('order with broken rules');
        $this->find("//section[@aria-label='Rules not met']//button[.='Move it']")->click();
        $this->waitForText('//main', 'all hard rules met');
        $this->find("//button[@role='radio' and .='Build']")->click();
        $this->waitForText('//main', 'Enamel and Steel rim: 560 mm, straight');
        $this->assertAccessible('how it is built');
        $this->find("//button[@role='radio' and .='Approaches, steps, rules']")->click();
        $this->find("//button[@role='radio' and .='Big areas first, touched up']")->click();
        $this->find("//button[@role='radio' and .='Big areas first, touched up' and @aria-checked='true']");
        $this->assertAccessible('approaches');
    }
}
