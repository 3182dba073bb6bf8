<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * Checkboxes, switches and selects, each pressed once, and what the database says of it afterwards.
 */
final class SwitchesTest extends BrowserTestCase
{
    public function test_what_is_ticked_and_chosen_of_a_build_is_stored(): void
    {
        $this->enterDemo();
        $this->visit('/figures/3/order');
        $this->find("//button[@role='radio' and .='Build']")->click();
        $part = $this->value('select min(id) from parts where figure_id = 3');
        self::assertIsInt($part);
        $area = $this->value("select min(id) from areas where part_id = {$part}");
        self::assertIsInt($area);
        foreach ([['the base', "select is_base from parts where id = {$part}"], ['too small to hold', "select is_fiddly from parts where id = {$part}"], ['hidden', "select is_hidden from areas where id = {$area}"], ['left bare', "select is_left_bare from areas where id = {$area}"]] as [$label, $sql]) {
            foreach ([1, 0] as $wanted) {
                $this->find("(//label[contains(., '{$label}')]//input)[1]")->click();
                $this->stored($sql, $wanted, "{$label} {$wanted}");
            }
        }
        $name = $this->word("select name from parts where id = {$part}");
        $areaName = $this->word("select name from areas where id = {$area}");
        $this->pick("Print of {$name}", 'melted plastic');
        $this->stored("select process from parts where id = {$part}", 'melted plastic', 'print');
        $this->pick("What reaches {$areaName}", 'brush only');
        $this->stored("select reach from areas where id = {$area}", 'brush only', 'reach');
        foreach (['from' => ['grit_from', 'P120'], 'to' => ['grit_to', 'P400']] as $end => [$column, $grit]) {
            $this->choose("Sanding of {$name} {$end}", $grit);
            $this->stored("select {$column} from parts where id = {$part}", (int) substr($grit, 1), "sanding {$end}");
        }
        // Two borders of one area, one of them straight.
        $this->field('mm')->sendKeys('12');
        $this->button('Add')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select count(*) from boundaries where figure_id = 3 and mm = 12 and is_curved = 1') === 1, 'the first border is not stored');
        $this->pick('and', $this->word('select name from areas where figure_id = 3 and id not in (select area_id from boundaries where figure_id = 3 and mm = 12) and id not in (select other_id from boundaries where figure_id = 3 and mm = 12) limit 1'), 2);
        $this->find("//label[contains(., 'curved')]//input")->click();
        $this->field('mm')->sendKeys('7');
        $this->button('Add')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select count(*) from boundaries where figure_id = 3 and mm = 7 and is_curved = 0') === 1, 'the second border is not stored');
    }

    public function test_what_is_ticked_elsewhere_is_stored(): void
    {
        $this->enterDemo();
        $this->visit('/figures/3/brief');
        foreach (['handled', 'worn', 'used by a child', 'stands in the sun'] as $use) {
            $this->find("//label[contains(., '{$use}')]//input")->click();
        }
        $this->button('Save')->click();
        $this->stored('select uses from figures where id = 3', '["handled","worn","used by a child","stands in the sun"]', 'uses');
        $this->visit('/schedule');
        $this->find("//label[contains(., 'Monday')]//input")->click();
        $this->until(self::PATIENCE, fn (): bool => str_contains($this->word('select bench_hours from painters where id = 1'), '"day":1'), 'Monday is not stored');
        $this->pick('Paint dries in', 'moving air');
        $this->stored('select drying_aid from painters where id = 1', 'moving air', 'drying aid');
        $this->find("//label[contains(., 'Keeper Maude')]//input")->click();
        $this->button('Plan my sessions')->click();
        $this->until(60, fn (): bool => $this->value('select count(*) from schedule_figures') === 3, 'three figures are not planned');
        self::assertSame(0, $this->value('select count(*) from schedule_figures where figure_id = 1'));
        // One act over all areas but one.
        $this->visit('/figures/1/finishes');
        $before = $this->value('select count(*) from layers');
        self::assertIsInt($before);
        $this->button('Several areas at once')->click();
        $this->find("//div[@role='dialog']//label[contains(., 'Glass')]//input")->click();
        $this->button('Put it on 11 areas')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select count(*) from layers') === $before + 11, 'the act is not stored');
        $this->button('Undo it')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select count(*) from layers') === $before, 'the act is not undone');
    }

    /** From an empty figure to the bench and back into the next recipe, as a painter with nothing ready would go it. */
    public function test_the_loop_of_a_new_figure(): void
    {
        $this->enterDemo();
        $this->button('New figure')->click();
        $this->field('Name')->sendKeys('Otter with a lantern');
        $this->button('Create')->click();
        $this->find("//a[.='Name the areas yourself']")->click();
        $this->find("//summary[contains(., 'many areas')]")->click();
        $this->find('//textarea[contains(@placeholder, "Face")]')->sendKeys("Fur, Body, 20\nLantern, Lamp, 4");
        $this->button('Add these areas')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select count(*) from areas where figure_id = 5') === 2, 'the areas are not stored');
        self::assertSame('Lamp', $this->value("select parts.name from areas join parts on parts.id = areas.part_id where areas.name = 'Lantern'"));
        $this->visit('/figures/5/finishes');
        $this->button('Several areas at once')->click();
        $this->pick('Technique', 'base coat');
        $this->button('Put it on 2 areas')->click();
        $this->find("//button[.='Undo it']");
        self::assertSame(2, $this->value('select count(*) from layers join areas on areas.id = layers.area_id where figure_id = 5'));
        $this->visit('/figures/5/bench');
        $this->find("//button[starts-with(., 'Start painting') and not(@disabled)]")->click();
        $this->waitForText('//article', 'Prepare');
        $this->keys(' ');
        // The print is washed and still wet: going on is one press and is remembered.
        $this->until(self::PATIENCE, fn (): bool => $this->value("select count(*) from run_steps join runs on runs.id = run_id where figure_id = 5 and state = 'done'") === 1, 'the step is not done');
        $this->keys(' ');
        $this->until(self::PATIENCE, fn (): bool => $this->value("select count(*) from run_steps join runs on runs.id = run_id where figure_id = 5 and state = 'done'") === 2, 'the second step is not done');
        $this->button('Go on anyway')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select count(*) from run_steps join runs on runs.id = run_id where figure_id = 5 and went_on_wet = 1') === 1, 'it is not remembered');
        $this->keys(' ');
        $this->until(self::PATIENCE, fn (): bool => $this->value("select count(*) from run_steps join runs on runs.id = run_id where figure_id = 5 and state = 'done'") === 3, 'the third step is not done');
        // The finish changes while the run is open, and the run takes it over.
        $this->visit('/figures/5/finishes');
        $this->button('Several areas at once')->click();
        $this->button('Put it on 2 areas')->click();
        $this->find("//button[.='Undo it']");
        $this->visit('/figures/5/bench');
        $this->find("//a[.='Go on']")->click();
        $this->button('Take the changes over')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->value("select count(*) from run_steps join runs on runs.id = run_id where figure_id = 5 and technique = 'varnish' and state = 'open'") === 2, 'the run does not follow');
        $this->visit('/');
        $this->waitForText("//section[@aria-label='At the bench now']", 'Otter with a lantern');
        $this->assertAccessible('home with what is next');
    }

    /** An option of a plain list. */
    private function choose(string $label, string $option): void
    {
        $this->find("//select[@aria-label='{$label}']")->findElement(WebDriverBy::xpath("./option[.='{$option}']"))->click();
    }
}
