<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverElement;

/**
 * What is predicted follows what the painter sets, on the screen and in the database.
 */
final class PredictionsTest extends BrowserTestCase
{
    public function test_another_sheen_and_another_light_are_seen_without_a_reload(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/finishes');
        $this->find("//*[@data-cell='7-edge']");
        $this->waitForText("//*[@role='status']", 'In satin nothing is darker');
        $this->browser->executeScript('window.stays = true');
        $satin = $this->colours();
        $this->button('gloss')->click();
        $this->waitForText("//*[@role='status']", 'In gloss nothing is darker');
        $this->until(self::PATIENCE, fn (): bool => $this->colours() !== $satin, 'the section stays as it was in satin');
        self::assertSame('gloss', $this->value('select sheen from figures where id = 1'));
        $this->button('satin')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->colours() === $satin, 'back in satin it is another section');
        self::assertTrue($this->browser->executeScript('return window.stays'), 'the page was loaded anew');
        // What the chosen layer changes, and what is left of it.
        $this->find("//*[@data-cell='7-edge']")->click();
        $this->waitForText("//aside[@aria-label='Selected layer']", 'is left at the end');
    }

    public function test_ticks_of_a_part_and_a_sheen_of_an_area_are_stored(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/order');
        $this->find("//*[@role='radio' and .='Build']")->click();
        foreach (['the base' => 'is_base', 'too small to hold' => 'is_fiddly'] as $label => $column) {
            $before = $this->value("select {$column} from parts where figure_id = 1 order by position, id limit 1");
            $this->find("(//label[contains(., '{$label}')]/input)[1]")->click();
            $this->until(self::PATIENCE, fn (): bool => $this->value("select {$column} from parts where figure_id = 1 order by position, id limit 1") !== $before, "{$label} is not stored");
            $this->until(self::PATIENCE, fn (): bool => $this->find("(//label[contains(., '{$label}')]/input)[1]")->isSelected() === ($before === 0), "{$label} does not stand as it was ticked");
        }
        $this->visit('/figures/1/brief');
        $this->find("//button[starts-with(@aria-label, 'Edit ')]")->click();
        $this->find("//*[@role='dialog']//button[@role='combobox' and contains(., 'as the figure')]")->click();
        $this->find("//*[@role='option' and .='gloss']")->click();
        $this->find("//*[@role='dialog']//button[.='Save']")->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select count(*) from areas where figure_id = 1 and sheen = \'gloss\'') === 1, 'the sheen is not stored');
    }

    /** @return list<string> */
    private function colours(): array
    {
        return array_values(array_map(
            static fn (WebDriverElement $cell): string => (string) $cell->getAttribute('fill'),
            $this->browser->findElements(WebDriverBy::cssSelector('[data-cell] rect:first-child')),
        ));
    }
}
