<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * A swatch sheet as a painter meets it: chosen, printed, photographed by the simulated camera, looked at, used.
 */
final class SheetTest extends BrowserTestCase
{
    public function test_an_evening_s_pots_are_measured_with_one_photo(): void
    {
        $this->enterDemo();
        $this->visit('/shelf');
        $this->find("//a[.='Swatch sheets']")->click();
        $this->waitForText("//section[@aria-labelledby='new-sheet']", '24 of 24 fields');
        $this->assertAccessible('new swatch sheet');
        // The first two, which are ticked, make room for a strip of one's own hand.
        foreach ([1, 2] as $nth) {
            $this->find("(//main//ul//label//input[@type='checkbox'])[{$nth}]")->click();
        }
        $this->find("//summary[contains(., 'Strips')]")->click();
        $this->button('Add strip')->click();
        $this->waitForText("//section[@aria-labelledby='new-sheet']", '23 of 24 fields');
        $this->button('Create the sheet')->click();
        $this->waitForText('//main', 'Print the sheet at 100 %');
        self::assertSame(23, $this->value('select count(*) from swatch_fields'));
        self::assertSame(1, $this->value("select count(*) from swatch_fields where technique = 'wash'"));
        // The server prints the tenth sheet as it printed the first: compiled code of the PDF library once lost its colours.
        $sizes = $this->browser->executeScript("return (async () => { const sizes = []; for (let n = 0; n < 10; n++) sizes.push((await (await fetch('/sheets/1/print.pdf')).arrayBuffer()).byteLength); return sizes; })()");
        self::assertIsArray($sizes);
        self::assertSame(array_fill(0, 10, $sizes[0] ?? null), $sizes);
        $this->button('Use the simulated camera')->click();
        $this->find("//h2[.='What was read']", 90);
        self::assertSame(0, $this->value("select count(*) from paints where readings like '%sheet%'"));
        $this->assertAccessible('a sheet that was read');
        $first = $this->find("(//li[.//p[contains(., 'one coat over grey')]]//input[@type='checkbox'])[1]");
        $first->click();
        $this->find("//button[starts-with(normalize-space(), 'Use') and contains(., 'fields')]")->click();
        $this->waitForText('//main', 'fields are used now');
        $used = $this->value("select count(*) from paints where readings like '%sheet%'");
        self::assertIsInt($used);
        self::assertGreaterThan(15, $used);
        self::assertSame(2, $this->value('select count(*) from chips where technique = \'wash\''));
        $this->waitForText("//ul[@aria-label='Photos']", 'used');
        // And on a phone, where the photo is taken.
        $this->resize(390, 844);
        $this->visit('/sheets/1');
        $this->find("//h2[.='What was read']");
        self::assertLessThanOrEqual(390, $this->browser->executeScript('return document.documentElement.scrollWidth'));
        $this->assertAccessible('a sheet on a phone');
        $this->button('Add a photo');
    }
}
