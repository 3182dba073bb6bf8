<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * Every list and row of choices of the application that keeps something, driven once and read in the database: with
 * SwitchesTest, which has the build and the acts over several areas.
 */
final class ChoicesTest extends BrowserTestCase
{
    public function test_what_is_chosen_in_brief_finish_and_references_is_stored(): void
    {
        $this->enterDemo();
        $this->visit('/figures/3/brief');
        $this->pick('Print process of Bust', 'melted plastic');
        $this->stored('select process from parts where id = 12', 'melted plastic', 'print process');
        $this->pick('Light through Hind wings', 'translucent');
        $this->until(self::PATIENCE, fn (): bool => (float) $this->word('select cast(translucency as text) from parts where id = 11') === 0.5, 'translucency is not stored');
        $this->button('Edit Collar')->click();
        foreach (['On the part' => 'Fore wings', 'Lies on, when that is finished' => 'Face', 'What it is' => 'a gradient', 'Sheen' => 'gloss'] as $label => $option) {
            $this->pick($label, $option, $label === 'On the part' ? 2 : 1);
        }
        $this->field('Size, cm²')->sendKeys('4.5');
        $this->find("//div[@role='dialog']//button[.='Save']")->click();
        $this->stored("select part_id || ' ' || lies_on_id || ' ' || form || ' ' || sheen || ' ' || square_cm from areas where id = 20", '10 21 gradient gloss 4.5', 'area');
        // The next sheet has a field of the same name.
        $this->gone("//div[@role='dialog']");
        $this->button('Edit Face')->click();
        $this->pick('With', 'Wing eyes');
        $this->find("//div[@role='dialog']//label[contains(., 'curved')]//input")->click();
        $this->find("//div[@role='dialog']//input[@id=//label[normalize-space()='mm']/@for]")->sendKeys('11');
        $this->find("//div[@role='dialog']//button[.='Add']")->click();
        $this->stored('select count(*) from boundaries where area_id = 21 and other_id = 18 and mm = 11 and is_curved = 0', 1, 'border');
        $this->find("//div[@role='dialog']//li[contains(., '11 mm')]");
        // A gradient has places and not depths, wherever its zones are named.
        $this->visit('/figures/3/finishes');
        $this->find("//nav[@aria-label='Areas']//a[starts-with(., 'Collar')]")->click();
        $this->find("//a[@aria-current='page' and starts-with(., 'Collar')]");
        $this->choice('Varnish at the end', 'gloss');
        $this->choice('Varnish at the end', 'matt');
        $this->pick('Viewing light', 'warm lamp');
        $this->stored("select sheen || ' ' || light from figures where id = 3", 'matt A', 'sheen and light, chosen one upon the other');
        $this->pick('Technique of the new layer', 'glaze');
        $this->button('Add layer')->click();
        $this->find("//*[@role='tab' and .='Layer']")->click();
        $this->pick('Technique', 'wet blend');
        $this->choice('Zones', 'near the root');
        $this->pick('Add a pot to the mix', 'Peat');
        $this->until(self::PATIENCE, fn (): bool => str_contains($this->word('select zones from layers where area_id = 20'), 'mid'), 'the layer is not stored');
        $this->until(self::PATIENCE, fn (): bool => ! str_contains($this->word('select zones from layers where area_id = 20'), 'shade'), 'its zones are not stored');
        $this->stored('select technique from layers where area_id = 20', 'wet blend', 'technique');

        $this->visit('/figures/3/balance');
        $this->pick('Area', 'Face');
        $this->pick('How', 'is the focal point');
        $this->pick('How', 'stands apart');
        $this->pick('Other area', 'Collar');
        $this->button('Add preference')->click();
        $this->stored("select count(*) from balances where figure_id = 3 and kind = 'stand apart' and area_id = 21 and other_id = 20", 1, 'preference');

        $this->visit('/figures/1/references');
        $this->find("//button[starts-with(., 'Picture')]")->click();
        $this->pick('Type', 'artwork');
        $this->stored('select kind from pictures where id = 1', 'artwork', 'type of the picture');
        $this->choice('Lighting', 'real light');
        $this->stored('select shading from pictures where id = 1', 'real light', 'lighting');
    }

    public function test_what_is_chosen_of_light_order_bench_and_shelf_is_stored(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/light');
        $this->find("//button[@role='radio' and starts-with(., 'Files')]")->click();
        $this->pick('Units', 'inches');
        $this->stored('select count(*) from meshes where figure_id = 1 and unit_mm = 25.4', 1, 'units');
        $this->pick('Units', 'mm');
        $this->stored('select count(*) from meshes where figure_id = 1 and unit_mm = 25.4', 0, 'units');
        $this->pick('Part', 'several, or none');
        $this->stored('select count(*) from meshes where figure_id = 1 and part_id is null', 1, 'part of the file');

        $this->visit('/figures/3/order');
        $this->choice('Show', 'Approaches, steps, rules');
        $this->field('What is to be done')->sendKeys('bend the antennae');
        $this->field('Minutes')->clear()->sendKeys('6');
        $this->pick('On', 'Bust');
        $this->pick('After', 'Wing dust: glaze');
        $this->find("//form[@aria-label='Own step']//button[@type='submit']")->click();
        $this->stored("select part_id from own_steps where figure_id = 3 and words = 'bend the antennae' and after is not null", 12, 'own step');

        $run = $this->value('select max(id) from runs where figure_id = 1');
        self::assertIsInt($run);
        $this->visit("/runs/{$run}");
        $this->button('Skip, repeat, repair')->click();
        $this->field('Unplanned repair')->sendKeys('a scratch');
        $this->pick('Paint on', 'Jersey');
        $this->pick('Technique', 'stipple');
        $this->pick('Add a pot to the mix', 'Peat');
        $this->button('Insert step')->click();
        $this->stored("select technique from run_steps where run_id = {$run} and words = 'a scratch'", 'stipple', 'repair');

        $this->visit('/shelf');
        $this->button('New pot')->click();
        $this->field('Maker')->sendKeys('Own Hand');
        $this->field('Name')->sendKeys('Rub of bronze');
        $this->pick('Kind', 'metal wax', 2);
        $this->choice('Sheen', 'gloss');
        $this->choice('Coats to opaque', '1');
        $this->choice('Tinting strength', 'strong');
        $this->find("//div[@role='dialog']//button[@type='submit']")->click();
        $this->stored("select kind || ' ' || sheen || ' ' || opacity || ' ' || strength from paints where name = 'Rub of bronze'", 'metal wax gloss 1 strong', 'pot');
        $id = $this->value("select id from paints where name = 'Rub of bronze'");
        self::assertIsInt($id);
        $this->visit("/shelf/paints/{$id}");
        foreach (['chemistry' => 'lacquer', 'isMixed' => 'yes'] as $fact => $stated) {
            $this->find("//select[@id='fact-{$fact}']/option[.='{$stated}']")->click();
        }
        $this->stored("select chemistry || ' ' || is_mixed from paints where id = {$id}", 'lacquer 1', 'facts of the pot');
    }

    public function test_what_is_chosen_of_rules_joints_chips_cups_and_sprays_is_stored(): void
    {
        $this->enterDemo();
        $this->visit('/figures/3/order');
        $this->choice('Show', 'Approaches');
        $this->pick('This', 'Wing dust: airbrush');
        $this->pick('before that', 'Prepare Bust');
        $this->field('Because')->sendKeys('dust');
        $this->field('Worth, minutes')->sendKeys('4');
        $this->button('Add this rule')->click();
        $this->stored("select count(*) from own_rules where figure_id = 3 and weight = 4 and reason = 'dust' and \"before\" like 'layer %' and \"after\" like 'prepare %'", 1, 'own rule');
        $this->choice('Show', 'Build');
        $before = $this->value('select coalesce(max(id), 0) from joints');
        self::assertIsInt($before);
        $this->pick('Part', 'Bust');
        $this->pick('and', 'Fore wings');
        $this->pick('hides', 'Collar');
        $this->pick('seam', 'is filled');
        $this->find("//label[contains(., 'painted apart')]//input")->click();
        $this->button('Add joint')->click();
        $this->stored("select part_id || ' ' || other_id || ' ' || seam || ' ' || is_last || ' ' || area_id from joints join joint_hidden_areas on joint_id = joints.id where joints.id > {$before}", '12 10 filled 1 20', 'joint');
        $this->find("//select[@aria-label='Merge Hind wings into']/option[.='Fore wings']")->click();
        $this->stored('select count(*) from areas where figure_id = 3 and part_id = 10', 3, 'merged part');

        $this->visit('/figures/3/references');
        $this->find("//summary[.='Set a colour without a picture']")->click();
        $this->pick('Colour', 'like a pot');
        $this->pick('Pot', 'Gorse');
        $this->pick('Changed', 'darker');
        $this->find("//button[@type='submit' and starts-with(., 'Set the')]")->click();
        $this->stored("select count(*) from samples join areas on areas.id = area_id where figure_id = 3 and source like '%Gorse%'", 1, 'named colour');

        $this->visit('/chips');
        $this->pick('Technique', 'stipple');
        $this->pick('Pot', 'Slate');
        $this->choice('Card', 'black');
        $this->button('Read the dry chip')->click();
        $this->stored("select count(*) from chips join paints on paints.id = paint_id where technique = 'stipple' and paints.name = 'Slate'", 1, 'chip');

        $this->visit('/cups');
        $this->field('New cup for')->sendKeys('slate');
        $this->button('Open a cup')->click();
        $this->pick('Pot', 'Slate');
        $this->choice('Unit', 'grams');
        $this->find("//section[@aria-label='Fill']//button[contains(., 'g of Slate')]")->click();
        $this->stored("select count(*) from cup_entries join paints on paints.id = paint_id where paints.name = 'Slate'", 1, 'what was filled in');

        $this->visit('/figures/1/light');
        $this->choice('Passes', '3');
        $this->until(self::PATIENCE, fn (): bool => str_contains($this->word('select sprays from light_studies where figure_id = 1'), '"passes":3'), 'passes are not stored');
    }
}
