<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;

/**
 * Pots as they really behave, and a cup that never loses its recipe.
 */
final class ShelfAndCupTest extends BrowserTestCase
{
    public function test_a_pot_is_measured_and_its_prediction_moves(): void
    {
        $this->enterDemo();
        $this->visit('/shelf/paints/49');
        $this->waitForText('//h1', 'Blush Glass');
        $this->waitForText('//header', 'estimated');
        $this->assertAccessible('a pot');
        $this->button('Read all five')->click();
        $this->waitForText("//*[@role='status']", 'Contrast ratio');
        $this->button('Read: Tint, 1 in 5 of white')->click();
        $this->waitForText("//*[@role='status']", 'measured');
        $this->assertAccessible('swatch table');
        $this->button('Save measurement')->click();
        $this->waitForText('//header', 'measured');
        // A default of its kind until the painter says otherwise.
        $price = $this->field('Price');
        $price->sendKeys('3.25');
        $this->find("//h1[.='Blush Glass']")->click();
        $this->find("//input[@placeholder='3.25']");
        $this->browser->navigate()->refresh();
        $this->waitForText('//header', 'measured');
        self::assertSame('3.25', $this->field('Price')->getAttribute('value'));
    }

    public function test_a_file_is_shown_before_it_is_taken_in_and_undone_after(): void
    {
        $this->enterDemo();
        $this->visit('/shelf');
        $this->waitForText('//h1', '100 pots');
        $this->button('Files')->click();
        $bad = $this->app->directory.'/bad.csv';
        file_put_contents($bad, "maker,name,colour\nStorm,One,#123456\nStorm,,blue\n");
        $good = $this->app->directory.'/good.csv';
        file_put_contents($good, "maker,name,colour,kind\nStorm,One,#123456,ink\nOsmerby Colour Works,Gull,#e4e3da,acrylic\n");
        $input = $this->browser->findElement(WebDriverBy::cssSelector('input[type=file]'));
        self::assertInstanceOf(RemoteWebElement::class, $input);
        $input->setFileDetector(new LocalFileDetector)->sendKeys($bad);
        $this->waitForText("//*[@role='alert']", '2 faults');
        $this->assertAccessible('a file with faults');
        $input->sendKeys($good);
        $this->waitForText("//*[@role='status']", '1 new pot; 1 pot already on the shelf');
        $this->button('Import 1 pot')->click();
        $this->button('Undo')->click();
        $this->waitForText("//*[@role='status']", '1 pot removed from the shelf');
    }

    public function test_a_cup_is_filled_steered_undone_and_kept_through_a_lost_connection(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/finishes');
        $this->waitForText("//section[@aria-label='Mix finder']", 'ΔE');
        $this->button('Open as a cup')->click();
        $this->waitForText("//*[@role='status']", 'open for');
        $this->waitForText('//main', 'exactly');
        $this->assertAccessible('a cup');
        $first = $this->find("//section[@aria-label='Fill']//button[starts-with(., '1 drop of')]");
        $first->click();
        $this->waitForText("//section[@aria-label='History']//li[1]", '1 drop of');
        $this->waitForText("//section[@aria-label='Target']", 'To reach the target');
        // Without a connection a drop is recorded, and sent when it is back: once.
        $before = count($this->browser->findElements(WebDriverBy::xpath("//section[@aria-label='History']//li")));
        $this->offline(true);
        $this->keys('+');
        $this->waitForText("//*[@role='status']", '1 change not sent yet');
        // The page dies meanwhile.
        $this->offline(false);
        $this->browser->navigate()->refresh();
        $this->browser->wait(90, 100)->until(
            fn (): bool => count($this->browser->findElements(WebDriverBy::xpath("//section[@aria-label='History']//li"))) === $before + 1,
        );
        $this->keys('z');
        $this->find("//button[starts-with(@aria-label, 'Put back')]");
        $this->find("//section[@aria-label='Remix']//button[.='In a new cup']")->click();
        $this->waitForText("//*[@role='status']", '1.00 mL');
        $this->button('Pour on the scale')->click();
        // A drop falls every second and a half; how many have fallen when this looks depends on the machine.
        $this->find("//*[@aria-label='Scale']//button[starts-with(., 'Add this amount') and not(@disabled)]")->click();
        $this->waitForText("//section[@aria-label='History']//li[1]", ' of ');
        $this->find("//aside[@aria-label='Drying and timers']//a[contains(@href, '/cups/')]");
        $this->resize(390, 844);
        self::assertLessThanOrEqual(390, $this->browser->executeScript('return document.documentElement.scrollWidth'));
        $this->assertAccessible('a cup on a phone');
    }

    public function test_advice_balance_reach_and_chips_are_one_press_each(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/finishes');
        $this->find("//*[@data-cell='3-mid']")->click();
        $this->find("//*[@role='tab' and .='Suggestions']")->click();
        $this->waitForText("//section[@aria-label='Suggestions']", 'light 1');
        $this->assertAccessible('advice');
        $this->find("//section[@aria-label='Suggestions']//button[.='Add as a layer']")->click();
        $this->waitForText("//*[@role='status']", 'Saved');
        $this->find("//a[contains(., 'Balance')]")->click();
        $this->waitForText('//h1', 'Balance');
        $this->button('Add preference')->click();
        $this->waitForText('//aside//ul', 'stands apart from');
        $this->button('warm lamp')->click();
        $this->waitForText('//thead', 'changes by');
        $this->assertAccessible('balance');
        $this->visit('/shelf/reach');
        $this->waitForText('//main', 'Near duplicates');
        $this->assertAccessible('reach');
        $this->visit('/chips');
        $this->button('Read the dry chip')->click();
        $this->waitForText('//main', 'From 1 chip');
        $this->assertAccessible('chips');
    }
}
