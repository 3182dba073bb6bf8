<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/**
 * The whole way of a new user: from a picture to a finish that is painted and repeated.
 */
final class SliceTest extends BrowserTestCase
{
    public function test_from_a_picture_to_a_finish_that_can_be_repeated(): void
    {
        $this->enterDemo();
        $this->assertAccessible('bench door');

        // Brief: a figure, a part, an area.
        $this->keys('n');
        $this->field('Name')->sendKeys('Lantern boy');
        $this->field('Height in mm')->sendKeys('54');
        $this->find("//label[contains(., 'Guide me')]//input")->click();
        $this->button('Create')->click();
        $this->find("//h2[.='Parts and areas']");
        $this->field('New part')->sendKeys('Body');
        $this->button('Add part')->click();
        $this->find("//h3[.='Body']|//button[@aria-label='Remove the part Body']");
        $this->field('New area')->sendKeys('Coat');
        $this->field('What it should look like')->sendKeys('Ochre, warm in the shade.');
        $this->button('Add area')->click();
        $this->find("//a[.='Coat']");
        $this->assertAccessible('brief');

        // References: a picture, one colour by a spot, the next zone by a lasso.
        $this->find("//nav//a[contains(., 'References')]")->click();
        $this->find("//p[contains(., 'No reference yet')]");
        $input = $this->browser->findElement(WebDriverBy::cssSelector('input[type=file]'));
        self::assertInstanceOf(RemoteWebElement::class, $input);
        $input->setFileDetector(new LocalFileDetector)->sendKeys(dirname(__DIR__, 2).'/database/demo/pictures/keeper-maude.webp');
        $board = $this->find("//*[@role='application']", 20);
        $this->find("//button[@role='radio' and starts-with(@aria-label, 'mid')]")->click();
        $this->press($board, 0.5, 0.62);
        $this->find("//button[@role='radio' and starts-with(@aria-label, 'mid') and not(contains(@aria-label, 'no colour'))]");
        $this->find("//button[@role='radio' and starts-with(@aria-label, 'light') and @aria-checked='true']");
        $this->keys('l');
        $this->drag($board, [[0.46, 0.44], [0.50, 0.43], [0.52, 0.47], [0.47, 0.48], [0.46, 0.45]]);
        $this->find("//button[@role='radio' and starts-with(@aria-label, 'light') and not(contains(@aria-label, 'no colour'))]");
        $this->assertAccessible('references');

        // Finishes: a primer, a base coat whose mix is found, a layer for the light.
        $this->find("//a[.='Build its finish']")->click();
        $this->waitForText("//*[@role='grid']", 'bare print');
        $this->pick('Technique of the new layer', 'spray can');
        $this->button('Add layer')->click();
        $this->find("//*[@role='tab' and .='Layer']")->click();
        $this->pick('Add a pot to the mix', 'Primer White');
        // It began with the first primer of the shelf.
        $this->button('Take a drop of Primer Black')->click();
        $this->waitForText("//*[@role='grid']", '1 Primer White');
        $this->pick('Technique of the new layer', 'base coat');
        $this->button('Add layer')->click();
        $this->waitForText("//section[@aria-label='Mix finder']", 'wanted');
        $this->waitForText("//section[@aria-label='Mix finder']", 'ΔE');
        $use = $this->find("//section[@aria-label='Mix finder']//button[starts-with(., 'Use ')]");
        $mix = substr($use->getText(), 4);
        self::assertMatchesRegularExpression('/^\d+ [A-Z]/', $mix);
        $use->click();
        $this->waitForText("//*[@role='grid']", $mix);
        $this->waitForText("//*[@role='status']", 'Saved');
        // The finished zone shows the difference that the finder promised.
        self::assertSame(1, preg_match('/ΔE (\d+\.\d)/', $this->find("//section[@aria-label='Mix finder']//figcaption")->getText(), $promised));
        $this->waitForText("//section[contains(@aria-label, 'compared with their targets')]//figcaption", $promised[1] ?? '');
        $this->find('//summary')->click();
        $this->waitForText("//section[@aria-label='Mix finder']//details", 'Not proven');
        $this->assertAccessible('finishes');

        // Keys in the section, and drops by + and -.
        $this->find("//*[@data-cell='2-mid']")->click();
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->waitForText("//section[@aria-label='Mix finder']", 'Mix for the light');
        $first = (int) $mix;
        $this->keys('+');
        $this->waitForText("//*[@role='grid']", ($first + 1).substr($mix, strlen((string) $first), 6));
        $this->keys('-');
        $this->waitForText("//*[@role='grid']", $mix);
        $this->waitForText("//*[@role='status']", 'Saved');

        // A reload brings everything back.
        $this->browser->navigate()->refresh();
        $this->waitForText("//*[@role='grid']", $mix);

        // Card.
        $this->find("//a[contains(., 'Card')]")->click();
        $this->find("//h1[.='Lantern boy']");
        $this->waitForText('//article', 'base coat');
        $this->assertAccessible('card');
        $this->browser->navigate()->back();

        // Bench: the primer by Space, then what was used.
        $this->find("//nav//a[contains(., 'Bench')]")->click();
        $this->button('Start painting (3 steps)')->click();
        $this->find("//h1[.='Prepare: Body']");
        $this->keys(' ');
        $this->find("//h1[.='Spray can: Coat']");
        // The print is washed and still wet: the key waits for a word, too.
        $this->button('Go on anyway')->click();
        $this->gone("//button[.='Go on anyway']");
        $this->keys(' ');
        $this->find("//h1[.='Base coat: Coat']");
        $this->waitForText("//aside[@aria-label='Drying and timers']", 'dry in 60 min');
        $this->assertAccessible('bench');
        $this->keys('u');
        $this->find("//form//button[starts-with(@aria-label, 'Add a drop of')]")->click();
        $this->field('Note for next time')->sendKeys('One drop more than planned.');
        $this->button('Save')->click();
        $this->waitForText('//article', 'Planned: '.$mix);
        $this->button('Go on anyway')->click();
        $this->gone("//button[.='Go on anyway']");
        $this->keys(' ');
        $this->waitForText('//article', 'Every step is done');

        // Repeat: it starts from what was used, and the note stands where it belongs.
        $this->button('Repeat this run')->click();
        $this->waitForText('//header//a[contains(., "Bench")]', 'run 2');
        $this->find("//h1[.='Prepare: Body']");
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->find("//h1[.='Spray can: Coat']");
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->waitForText('//article', 'Run 1: One drop more than planned.');
        $this->waitForText('//article', (string) ($first + 1));
    }

    public function test_two_windows_cannot_overwrite_each_other_silently(): void
    {
        $this->enterDemo();
        $this->visit('/figures/2/finishes');
        $this->find("//*[@role='grid']");
        $first = $this->browser->getWindowHandle();
        $this->browser->switchTo()->newWindow();
        $this->visit('/figures/2/finishes');
        $this->find("//*[@data-cell='3-mid']")->click();
        $this->keys('+');
        $this->waitForText("//*[@role='status']", 'Saved');
        $this->waitForText("//*[@role='grid']", '4 Reed Green');
        $this->browser->switchTo()->window($first);
        $this->find("//*[@data-cell='3-mid']")->click();
        $this->find("//*[@data-cell='3-mid' and @aria-selected='true']");
        $this->keys('+');
        $this->waitForText("//*[@role='grid']", '4 Reed Green');
        $this->keys('+');
        $this->find("//*[@role='dialog']//h2[.='Changed elsewhere']");
        $this->waitForText("//*[@role='dialog']", '5 Reed Green');
        $this->waitForText("//*[@role='dialog']", '4 Reed Green');
        $this->assertAccessible('conflict');
        $this->button('Keep mine')->click();
        $this->gone("//*[@role='dialog']");
        $this->waitForText("//*[@role='status']", 'Saved');
        $this->browser->navigate()->refresh();
        $this->waitForText("//*[@role='grid']", '5 Reed Green');
    }

    public function test_what_cannot_be_sent_is_kept_and_sent_when_the_connection_is_back(): void
    {
        $this->enterDemo();
        $this->visit('/figures/3/finishes');
        $this->find("//*[@data-cell='1-mid']")->click();
        $this->find("//*[@data-cell='1-mid' and @aria-selected='true']");
        $before = $this->find("//*[@role='grid']")->getText();
        $this->offline(true);
        $this->keys('+');
        $this->waitForText("//*[@role='status']", 'Not saved');
        $this->waitForText('//main', 'cannot be reached');
        $this->offline(false);
        $this->waitForText("//*[@role='status']", 'Saved');
        $this->browser->navigate()->refresh();
        $this->find("//*[@data-cell='1-mid']");
        self::assertNotSame($before, $this->find("//*[@role='grid']")->getText());
    }

    public function test_a_pot_is_put_on_the_shelf_found_and_taken_off_by_keyboard_and_hand(): void
    {
        $this->enterDemo();
        $this->visit('/shelf');
        $this->waitForText('//h1', '100 pots');
        $this->assertAccessible('shelf');
        $this->keys('n');
        $this->field('Name')->sendKeys('Skerrow Teal');
        $this->field('Maker')->sendKeys('Osmerby Colour Works');
        $code = $this->field('Colour when thick, as a code');
        $code->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.'#1f6f6a');
        $this->waitForText("//*[@role='dialog']", 'Opaque in 2 coats');
        $this->assertAccessible('new pot');
        $this->button('Add pot')->click();
        $this->waitForText('//h1', '101 pots');
        $this->keys('/');
        $this->keys('s', 'k', 'e', 'r', 'r', 'o', 'w');
        $this->waitForText('//h1', '1 of 101 pots');
        $this->keys(WebDriverKeys::ARROW_DOWN, WebDriverKeys::ENTER);
        $this->button('Remove from shelf')->click();
        $this->button('Restore')->click();
        $this->waitForText('//h1', '1 of 101 pots');
        // On a phone nothing runs out of the side.
        $this->resize(390, 844);
        foreach (['/shelf', '/runs/1', '/'] as $path) {
            $this->visit($path);
            $this->find('//h1');
            self::assertLessThanOrEqual(390, $this->browser->executeScript('return document.documentElement.scrollWidth'), $path);
        }
        $this->assertAccessible('phone');
    }

    public function test_a_search_to_the_end_shows_its_progress_and_can_be_stopped(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/finishes');
        $this->waitForText("//section[@aria-label='Mix finder']", 'ΔE');
        $this->find('//summary')->click();
        $this->button('Run a full search')->click();
        $this->find('//progress[@value > 0]');
        $this->button('Stop')->click();
        $this->waitForText("//section[@aria-label='Mix finder']//details", 'Stopped after');
    }

    public function test_the_demo_looks_as_it_was_meant_and_loads_little(): void
    {
        $this->enterDemo();
        // The font is the one that ships with the application, and no request leaves it.
        self::assertTrue($this->browser->executeScript("return [...document.fonts].some((f) => f.family.includes('Atkinson Hyperlegible Next') && f.status === 'loaded')"));
        $scripts = 0;
        foreach (['/figures/1/finishes', '/figures/1/references', '/shelf', '/runs/1'] as $path) {
            $this->visit($path);
            $this->find('//h1');
            /** @var list<string> $urls */
            $urls = $this->browser->executeScript('return performance.getEntriesByType("resource").map((r) => r.name)');
            $compressed = 0;
            foreach (array_unique($urls) as $url) {
                self::assertStringContainsString('//127.0.0.1:'.parse_url($this->app->url, PHP_URL_PORT).'/', $url);
                if (str_ends_with($url, '.js')) {
                    $compressed += strlen((string) gzencode((string) file_get_contents(dirname(__DIR__, 2).'/public'.parse_url($url, PHP_URL_PATH)), 6));
                    $scripts++;
                }
            }
            self::assertLessThan(250 * 1024, $compressed, $path);
        }
        self::assertGreaterThan(4, $scripts);
        // The shelf opens over a stage.
        $this->button('Shelf')->click();
        $this->waitForText("//*[@role='dialog']", 'Lamp Ochre');
        $this->keys('i', 'n', 'k');
        $this->gone("//*[@role='dialog']//*[.='Lamp Ochre']");
        $this->assertAccessible('shelf over a stage');
        $this->keys(WebDriverKeys::ESCAPE);
        // The other surround, and everything in it can still be read.
        $this->button('Dark surround')->click();
        self::assertSame('lamp', $this->browser->executeScript('return document.documentElement.dataset.surround'));
        $this->assertAccessible('lamp surround');
    }

    private function press(RemoteWebElement $element, float $x, float $y): void
    {
        $size = $element->getSize();
        $this->browser->action()->moveToElement($element, (int) (($x - 0.5) * $size->getWidth()), (int) (($y - 0.5) * $size->getHeight()))
            ->click()->perform();
    }

    /** @param  non-empty-list<array{float, float}>  $points */
    private function drag(RemoteWebElement $element, array $points): void
    {
        $size = $element->getSize();
        $action = $this->browser->action();
        foreach ($points as $i => [$x, $y]) {
            $action->moveToElement($element, (int) (($x - 0.5) * $size->getWidth()), (int) (($y - 0.5) * $size->getHeight()));
            if ($i === 0) {
                $action->clickAndHold();
            }
        }
        $action->release()->perform();
    }
}
