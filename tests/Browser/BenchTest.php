<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/**
 * At the bench: nothing that was acknowledged is lost, whatever is killed; what was not is kept and sent once.
 */
final class BenchTest extends BrowserTestCase
{
    public function test_steps_done_without_a_connection_or_a_server_are_stored_once_and_in_order(): void
    {
        $this->enterDemo();
        // Wet paint would hold the bench: here it is about what is stored.
        $this->change('UPDATE run_steps SET drying_minutes = 0');
        $this->visit('/runs/1');
        $first = $this->current();
        $this->offline(true);
        $this->keys(' ');
        $this->keys(' ');
        $this->waitForText('//article', 'Hyalin cannot be reached');
        $this->waitForText('//article', '2 changes waiting');
        self::assertSame($first + 2, $this->current());
        $this->offline(false);
        $this->acknowledged();

        // The server is killed right after it acknowledged a step, and another is done while it is away.
        $this->keys(' ');
        $this->acknowledged();
        $this->app->kill();
        $this->keys(' ');
        $this->waitForText('//article', '1 change waiting');
        $this->app->serve();
        $this->acknowledged();
        $this->browser->navigate()->refresh();
        $this->find('//article');
        self::assertSame($first + 4, $this->current());

        // The browser dies with a step recorded that no server has heard of; another one finds it.
        $this->app->kill();
        $this->keys(' ');
        $this->waitForText('//article', '1 change waiting');
        // Gone before the server is back: else the old page might send it while the new one is already being loaded.
        $this->browser->get('about:blank');
        $this->app->serve();
        $this->visit('/runs/1');
        $this->find('//article');
        $this->until(self::PATIENCE, fn (): bool => $this->current() === $first + 5, 'the step that was recorded is not there');
        $this->acknowledged();
        $this->browser->navigate()->refresh();
        $this->find('//article');
        self::assertSame($first + 5, $this->current());
    }

    public function test_a_step_is_skipped_repaired_timed_and_resumed(): void
    {
        $this->enterDemo();
        // Months later: where one was, what is dry, what was learned.
        $this->visit('/runs/3');
        $this->waitForText("//section[@aria-label='Where you left off']", '64 days ago');
        $this->waitForText("//section[@aria-label='Where you left off']", 'Everything is dry');
        $this->waitForText("//section[@aria-label='Where you left off']", 'two coats more');
        $this->assertAccessible('resume');
        $this->button('Go on')->click();
        $this->waitForText('//article', 'Run 1: Drew off the pools');
        $this->waitForText('//article', 'For 6 figures about');
        $this->find("//section[@aria-label='Timer']//button[.='5']")->click();
        $this->find("//section[@aria-label='Timer']//button[.='60']")->click();
        $this->waitForText("//aside[@aria-label='Drying and timers']", '5 min');
        $this->waitForText("//aside[@aria-label='Drying and timers']", '60 min');
        // They are moments: a reload does not start them anew.
        $this->browser->navigate()->refresh();
        $this->waitForText("//aside[@aria-label='Drying and timers']", '5 min');
        $this->assertAccessible('two timers');
        $this->find("//aside//button[starts-with(@aria-label, 'Stop the timer')]")->click();
        $this->until(
            self::PATIENCE,
            fn (): bool => count($this->browser->findElements(WebDriverBy::xpath("//aside//button[starts-with(@aria-label, 'Stop the timer')]"))) === 1,
            'a timer was not stopped',
        );

        $this->button('Go on')->click();
        $this->keys('o');
        $this->field('Unplanned repair')->sendKeys('A drip on the base, brushed over');
        $this->button('Insert step')->click();
        $this->waitForText("//nav[@aria-label='Steps']", 'repair');
        $this->keys('o');
        $this->field('Reason for skipping')->sendKeys('dark enough already');
        $this->assertAccessible('not as planned');
        $this->button('Skip this step')->click();
        $this->waitForText("//nav[@aria-label='Steps']", 'repair');
        $this->keys(WebDriverKeys::ARROW_LEFT);
        $this->waitForText('//article', 'dark enough already');
    }

    public function test_evenings_quantities_likeness_and_recipes_are_read_and_used(): void
    {
        $this->enterDemo();
        $this->visit('/schedule');
        $this->find("//label[contains(., 'Keeper Maude')]");
        $this->button('Plan my sessions')->click();
        $this->waitForText('//main', 'Finished on');
        $this->waitForText('//main', 'estimate');
        $this->find('//summary')->click();
        $this->waitForText('//details', 'dry');
        $this->find('//ol//button[@aria-pressed]')->click();
        $this->waitForText("//p[@aria-live='polite']", ' to ');
        $this->assertAccessible('evenings');
        // A Monday more: the date follows.
        $this->find("//label[contains(., 'Monday')]")->click();
        $this->find("//input[@aria-label='Monday, from']");
        $this->button('Plan again from now')->click();
        $this->waitForText('//main', 'Finished on');

        $this->visit('/figures/2/quantities');
        $this->waitForText('//main', 'Step by step is quicker for 6');
        $this->waitForText('//table', 'Reed Green');
        $this->assertAccessible('quantities');
        $this->visit('/runs/2/pieces');
        $this->waitForText('//table', 'from the mean');
        $this->assertAccessible('pieces');
        $this->visit('/runs/1/beside');
        $this->find("//h1[contains(., 'Compare run 1 with')]");
        $this->assertAccessible('beside');
        $this->visit('/recipes');
        $this->field('Nearest to a colour')->sendKeys('#b9772a');
        $this->button('Find')->click();
        $this->waitForText('//main', 'away');
        $this->waitForText('(//article)[1]', 'its ');
        $this->assertAccessible('recipes');
        foreach (['/schedule', '/recipes', '/figures/2/quantities', '/runs/3'] as $path) {
            $this->resize(390, 844);
            $this->visit($path);
            $this->find('//h1');
            self::assertLessThanOrEqual(390, $this->browser->executeScript('return document.documentElement.scrollWidth'), $path);
        }
    }

    /** Nothing is left that the server has not said it has. */
    private function acknowledged(): void
    {
        $this->until(self::PATIENCE, fn (): bool => $this->browser->executeScript("return localStorage.getItem('hyalin-run-1')") === null, 'not acknowledged');
    }

    /** The step that is shown. */
    private function current(): int
    {
        $words = $this->find("//article//p[starts-with(., 'Step ')]")->getText();
        self::assertSame(1, preg_match('/^Step (\d+) of/', $words, $m));

        return (int) ($m[1] ?? 0);
    }
}
