<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverDimension;

final class MatchingTest extends BrowserTestCase
{
    public function test_from_a_reference_to_a_proposal_that_is_adopted(): void
    {
        $this->enterDemo();
        $this->visit('/figures/4/references');
        // What a picture cannot tell is asked once.
        $this->button('Picture (1 question)')->click();
        $this->find("//button[@role='radio' and .='painted on']")->click();
        $this->button('Picture');
        $this->button('Main colours')->click();
        $this->waitForText("//section[@aria-label='Picture']", '%');
        $this->assertAccessible('picture');
        // A stroke over the bell, from its dark side to the light: the whole ramp of the steel rim.
        $this->find("//button[@role='radio' and .='Colours']")->click();
        $this->find("//button[.//span[.='Steel rim']]")->click();
        $this->find("//h1[.='Steel rim']");
        $this->keys('k');
        $this->find("//button[@role='radio' and .='stroke' and @data-state='on']");
        $this->drag([[0.30, 0.55], [0.45, 0.45], [0.62, 0.40]]);
        $this->find("//button[@role='radio' and starts-with(@aria-label, 'edge:') and not(contains(@aria-label, 'no colour'))]");
        $this->find("//button[@role='radio' and starts-with(@aria-label, 'recess:') and not(contains(@aria-label, 'no colour'))]");

        $this->find("//a[.='Build its finish']")->click();
        $this->find("//a[contains(., 'Proposals')]")->click();
        $adopt = $this->find("//button[starts-with(@aria-label, 'Adopt: ')]");
        $this->waitForText('//main', 'on average');
        $this->assertAccessible('proposals');
        $adopt->click();
        $this->find("//*[@role='grid']");
        $this->waitForText("//*[@role='grid']", 'spray can');
    }

    public function test_from_a_photo_of_the_painted_piece_to_advice_and_a_lesson(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/compare');
        $this->find("//button[contains(., 'Booth')]")->click();
        $this->button('Take photo')->click();
        $this->waitForText('//aside', 'lamp and camera still tint its colours');
        // A box inside the grey card, which lies in the lower left corner.
        $this->find("//button[@role='radio' and .='grey card']")->click();
        $this->waitForText('//aside', 'Draw a box inside the grey patch');
        $this->drag([[0.04, 0.90], [0.13, 0.97]]);
        $this->waitForText('//aside', 'K for this camera');
        $this->find("//button[@role='radio' and .='Areas']")->click();
        $this->find("//button[starts-with(normalize-space(), 'As on')]")->click();
        $this->waitForText('//aside', 'over 12 areas');
        $this->find("//nav[@aria-label='All areas']//button[.='Oilskin']")->click();
        $this->waitForText("//section[@aria-label='Oilskin']", 'estimate');
        $this->assertAccessible('compare');
        $this->find("//button[@role='radio' and .='Corrections learned']")->click();
        $this->button('Compare prediction and photo')->click();
        $this->find("//button[.='Apply']")->click();
        $this->find("//button[.='Applied' and @aria-pressed='true']");
    }

    /**
     * Draws on the board.
     *
     * @param  non-empty-list<array{float, float}>  $path  0..1 of the picture's width and height
     */
    private function drag(array $path): void
    {
        $image = $this->find("//*[@role='application']//img");
        $size = $image->getSize();
        $actions = new WebDriverActions($this->browser);
        $actions->moveToElement($image, ...self::offset($path[0], $size))->clickAndHold();
        foreach (array_slice($path, 1) as $point) {
            $actions->moveToElement($image, ...self::offset($point, $size));
        }
        $actions->release()->perform();
    }

    /**
     * @param  array{float, float}  $point
     * @return array{int, int} from the middle of the element, as the driver counts
     */
    private static function offset(array $point, WebDriverDimension $size): array
    {
        return [(int) round(($point[0] - 0.5) * $size->getWidth()), (int) round(($point[1] - 0.5) * $size->getHeight())];
    }
}
