<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use SQLite3;

/**
 * A painter with things of their own: what is pressed is read in the database.
 */
final class OwnThingsTest extends BrowserTestCase
{
    public function test_a_painter_signs_in_by_password_and_brings_a_bench_in(): void
    {
        $this->visit('/sign-in');
        $this->signIn('wrong words');
        $this->waitForText('//main', 'do not match');
        self::assertStringContainsString('/sign-in', $this->browser->getCurrentURL());
        $this->signIn('the lamp is lit');
        $this->find("//h1[.='In progress']");
        // Out as a file, and in again: what is alike is the same, a figure of the same name is asked about.
        $this->browser->manage()->timeouts()->setScriptTimeout(120);
        $bytes = $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[arguments.length - 1];
            fetch('/bench.zip').then((r) => r.arrayBuffer()).then((b) => done(btoa(Array.from(new Uint8Array(b), (c) => String.fromCharCode(c)).join(''))));
            JS);
        self::assertIsString($bytes);
        $path = $this->app->directory.'/bench.zip';
        file_put_contents($path, base64_decode($bytes, true));
        $pots = $this->rows('select count(*) from paints');
        $this->upload('Bench file', $path);
        $this->waitForText("//section[@aria-label='Export or import your bench']", 'Keeper Maude');
        self::assertSame(4, $this->rows('select count(*) from figures'));
        $this->button('Import as a copy')->click();
        $this->find("//*[contains(., 'Keeper Maude of Skerrow Ness (2)')]");
        self::assertSame([8, $pots], [$this->rows('select count(*) from figures'), $this->rows('select count(*) from paints')]);
        // Not a bench at all.
        file_put_contents($path, 'no zip');
        $this->upload('Bench file', $path);
        $this->waitForText("//section[@aria-label='Export or import your bench']", 'Nothing was added');
        $this->assertAccessible('home');
    }

    public function test_joints_borders_and_rules_of_ones_own_are_kept_and_removed(): void
    {
        $this->enterDemo();
        $this->visit('/figures/3/order');
        $this->find("//button[@role='radio' and .='Build']")->click();
        $joints = $this->rows('select count(*) from joints where figure_id = 3');
        $borders = $this->rows('select count(*) from boundaries where figure_id = 3');
        $this->assertAccessible('build');
        foreach ([12.5, 7] as $mm) {
            $this->field('mm')->sendKeys((string) $mm);
            $this->find("//button[normalize-space()='Add']")->click();
            $this->waitForText('//main', $mm === 12.5 ? '12.5 mm, curved' : 'already: remove that boundary first');
        }
        // The second border of the same two areas was refused with a reason, and the first is as it was.
        self::assertSame($borders + 1, $this->rows('select count(*) from boundaries where figure_id = 3'));
        self::assertSame(1, $this->rows('select count(*) from boundaries where figure_id = 3 and mm = 12.5 and is_curved = 1'));
        $remove = $this->browser->findElements(WebDriverBy::xpath("//button[starts-with(@aria-label, 'Remove: ')]"));
        self::assertNotSame([], $remove);
        $kept = $this->rows('select count(*) from boundaries where figure_id = 3') + $joints;
        ($remove[count($remove) - 1] ?? self::fail('nothing to remove'))->click();
        $this->until(
            self::PATIENCE,
            fn (): bool => $this->rows('select (select count(*) from boundaries where figure_id = 3) + (select count(*) from joints where figure_id = 3)') === $kept - 1,
            'nothing was removed',
        );

        $this->find("//button[@role='radio' and .='Approaches, steps, rules']")->click();
        $this->field('Because')->sendKeys('I like it so');
        $this->field('Worth, minutes')->sendKeys('5');
        $this->pickAny('before that');
        $this->button('Add this rule')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->rows("select count(*) from own_rules where figure_id = 3 and reason = 'I like it so' and weight = 5") === 1, 'the rule is not kept');
        $this->button('Remove the rule: I like it so')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->rows('select count(*) from own_rules where figure_id = 3') === 0, 'the rule is still there');
    }

    public function test_a_print_file_of_ones_own_is_lit_and_its_areas_are_chosen(): void
    {
        $this->enterDemo();
        $this->visit('/figures/2/light');
        $this->waitForText('//aside', 'Import');
        // Not drawn by us: Debian's assimp-testmodels.
        $this->upload('Print file', '/usr/share/assimp/models/STL/Spider_binary.stl', "//input[@type='file']");
        $this->waitForText('//aside', 'triangles');
        self::assertSame(1, $this->rows('select count(*) from meshes where figure_id = 2'));
        $this->find("//button[normalize-space()='Calculate lighting' or normalize-space()='Calculate again' or normalize-space()='Calculate']")->click();
        $this->until(2 * self::PATIENCE, fn (): bool => $this->rows("select count(*) from tasks where figure_id = 2 and kind = 'light' and state = 'done'") === 1, 'the light is not calculated');
        $this->find("//canvas[@data-drawn='yes']");
        $this->find("//button[@role='radio' and .='Areas and light']")->click();
        $this->find("//button[@role='radio' and .='brush']")->click();
        $this->pickAny('becomes');
        $canvas = $this->find('//canvas');
        $before = $this->value('select result from light_studies where figure_id = 2');
        (new \Facebook\WebDriver\Interactions\WebDriverActions($this->browser))->moveToElement($canvas)->click()->perform();
        $this->until(self::PATIENCE, fn (): bool => $this->value('select result from light_studies where figure_id = 2') !== $before, 'nothing of the mesh became an area');
        $this->find("//button[@role='radio' and .='Glow']")->click();
        $this->assertAccessible('light of a file of ones own');
    }

    public function test_what_was_painted_becomes_the_recipe_and_the_recipe_before_comes_back(): void
    {
        $this->enterDemo();
        // One coat more than planned, as it was recorded on another device.
        $database = new SQLite3($this->app->directory.'/database.sqlite');
        $database->busyTimeout(10_000);
        $database->exec("update run_steps set used_coats = coats + 1 where id = (select id from run_steps where run_id = 1 and state = 'done' and layer_key is not null and technique = 'glaze' order by position desc limit 1)");
        $database->close();
        $coats = fn (): int => $this->rows('select sum(coats) from layers where area_id in (select id from areas where figure_id = 1)');
        $planned = $coats();
        $this->visit('/runs/1/beside');
        $this->waitForText('//main', 'coats');
        $this->assertAccessible('a run that differs');
        $this->button('Make this run the recipe')->click();
        $this->until(self::PATIENCE, fn (): bool => $coats() === $planned + 1, 'the recipe is as it was');
        self::assertSame(1, $this->rows('select count(*) from recipe_versions where figure_id = 1'));
        $this->visit('/figures/1/bench');
        $this->button('Restore')->click();
        $this->until(self::PATIENCE, fn (): bool => $coats() === $planned, 'the recipe before is not back');
    }

    public function test_the_whole_figure_is_proposed_and_one_area_adopted(): void
    {
        $this->enterDemo();
        $this->visit('/figures/4/proposals');
        $before = $this->rows('select max(version) from areas where figure_id = 4');
        $this->button('Propose for all areas')->click();
        $adopt = $this->find("(//button[starts-with(@aria-label, 'Adopt for ')])[1]", 3 * self::PATIENCE);
        self::assertSame($before, $this->rows('select max(version) from areas where figure_id = 4'), 'something was changed before it was adopted');
        $area = substr((string) $adopt->getAttribute('aria-label'), strlen('Adopt for '));
        $was = $this->rows("select version from areas where figure_id = 4 and name = '{$area}'");
        $adopt->click();
        $this->waitForText('//table', 'adopted');
        self::assertSame($was + 1, $this->rows("select version from areas where figure_id = 4 and name = '{$area}'"));
        self::assertGreaterThan(0, $this->rows("select count(*) from layers where area_id = (select id from areas where figure_id = 4 and name = '{$area}')"));
        $this->assertAccessible('proposals of a whole figure');
    }

    private function signIn(string $password): void
    {
        foreach (['E-mail' => 'ines@hyalin.example', 'Password' => $password] as $label => $text) {
            $field = $this->field($label);
            $field->clear();
            $field->sendKeys($text);
        }
        $this->find("//button[@type='submit']")->click();
    }

    /** The last of what can be chosen. */
    private function pickAny(string $label): void
    {
        $this->find("//button[@role='combobox' and @aria-labelledby=//span[normalize-space()='{$label}']/@id]")->click();
        $options = $this->browser->findElements(WebDriverBy::xpath("//*[@role='option']"));
        ($options[count($options) - 1] ?? self::fail('nothing to choose'))->click();
    }

    private function rows(string $sql): int
    {
        $found = $this->value($sql);

        return is_int($found) ? $found : -1;
    }
}
