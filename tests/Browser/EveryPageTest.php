<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * Every page of the demo as it opens, on a laptop and on a phone: without violations of accessibility, nothing wider than the
 * phone. And the way of somebody new, from an empty bench to the first session.
 */
final class EveryPageTest extends BrowserTestCase
{
    private const PAGES = [
        '/', '/shelf', '/shelf/reach', '/chips', '/sheets', '/cups', '/schedule', '/recipes', '/practice', '/how-it-works', '/account', '/figures/1/brief', '/figures/1/references', '/figures/1/finishes',
        '/figures/3/proposals', '/figures/1/light', '/figures/1/order', '/figures/4/order', '/figures/1/bench', '/runs/1', '/runs/2/pieces', '/figures/1/compare', '/figures/1/balance', '/figures/1/card', '/figures/1/quantities',
    ];

    public function test_every_page_is_accessible_at_both_sizes(): void
    {
        $this->enterDemo();
        foreach (self::PAGES as $page) {
            $this->resize(1280, 800);
            $this->visit($page);
            $this->until(self::PATIENCE, fn (): bool => $this->browser->executeScript("return document.querySelectorAll('h1').length") === 1, "not one heading of the first level on {$page}");
            $this->assertAccessible("{$page} on a laptop", true);
            $this->resize(390, 844);
            self::assertLessThanOrEqual(390, $this->browser->executeScript('return document.documentElement.scrollWidth'), "{$page} is wider than a phone");
            $this->assertAccessible("{$page} on a phone", true);
        }
    }

    public function test_somebody_new_comes_from_a_picture_to_the_first_session(): void
    {
        $this->visit('/sign-up');
        foreach (['Name' => 'Nia', 'E-mail' => 'nia@example.com', 'Password' => 'a long pass phrase 9'] as $label => $value) {
            $this->field($label)->sendKeys($value);
        }
        $this->find("//form//button[@type='submit']")->click();
        $this->button('New figure')->click();
        $this->field('Name')->sendKeys('Lamp keeper');
        $this->button('Create')->click();
        $this->find("//a[.='Add a picture']");
        $this->upload('Add a picture', dirname(__DIR__, 2).'/database/demo/pictures/reed-sentry.webp');
        $this->find("//a[.='Propose areas']")->click();
        $this->find("(//input[@aria-label='Name of the area'])[1]");
        $this->find("//button[contains(., 'Take') and contains(., 'colours')]")->click();
        $this->find("//a[.='Fill the shelf']")->click();
        $this->find("//button[starts-with(., 'Borrow')]")->click();
        $this->find("//a[.='Propose finishes']")->click();
        $this->find("//button[.='Adopt where there is no finish yet']", 90)->click();
        $this->find("//button[.='Start to paint']", 60)->click();
        $this->find("//button[contains(., 'Done')]", 60);
        self::assertGreaterThan(3, $this->value("select count(*) from areas join figures on figures.id = figure_id where figures.name = 'Lamp keeper'"));
        self::assertSame(1, $this->value("select count(*) from runs join figures on figures.id = figure_id where figures.name = 'Lamp keeper'"));
        self::assertSame(0, $this->value("select count(*) from areas join figures on figures.id = figure_id where figures.name = 'Lamp keeper' and not exists (select 1 from layers where area_id = areas.id)"));
    }
}
