<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * The mesh on the screen: drawn, turned, dressed, and told in a table for those who cannot see it.
 */
final class LightTest extends BrowserTestCase
{
    public function test_the_mesh_wears_its_finish_and_its_light(): void
    {
        $this->enterDemo();
        $this->visit('/figures/1/light');
        $this->find("//canvas[@data-drawn='yes']");
        $this->until(self::PATIENCE, fn (): bool => count($this->colours()) > 200, 'the finish is not drawn');
        $this->waitForText('//table', 'Oilskin');
        $this->waitForText('//table', 'cannot be seen');
        $this->assertAccessible('light');
        // Paint is coloured; the prime and the zones are grey.
        self::assertGreaterThan(0.02, $this->chromatic());
        foreach (['Bare', 'Primer', 'Zones', 'Exposure', 'Grey', 'Areas'] as $view) {
            $this->find("//button[@role='radio' and .='{$view}']")->click();
            $this->until(self::PATIENCE, fn (): bool => $this->chromatic() === 0.0, "{$view} is not grey");
        }
        // Turned by a key it looks another way.
        $before = $this->colours();
        $this->browser->executeScript("document.querySelector('canvas').focus()");
        $this->keys("\u{E014}", "\u{E014}", "\u{E014}");
        $this->until(self::PATIENCE, fn (): bool => $this->colours() !== $before, 'the mesh was not turned');
        // A wider spray is weighed without new shadows.
        $this->browser->executeScript("document.querySelector('[aria-label=\"Half angle of the spray cone, degrees\"]').focus()");
        $this->keys("\u{E014}");
        $this->waitForText('//aside', 'cone 35°');
        // Another pass, from the side: the prime gets lighter where it falls.
        $this->find("//button[@role='radio' and .='Primer']")->click();
        $this->find("//button[@role='radio' and .='From the side']")->click();
        $before = $this->colours();
        $this->find("//*[@aria-label='Passes']//button[.='2']")->click();
        $this->waitForText('//aside', 'From the side x 2');
        $this->until(self::PATIENCE, fn (): bool => $this->colours() !== $before, 'the spray from the side is not seen');
        $this->find("//button[@role='radio' and .='Files (7)']")->click();
        $this->waitForText('//aside', 'Oilskin coat');
        $this->assertAccessible('print files');
        $this->find("//button[@role='radio' and .='Areas and light']")->click();
        $this->find("//button[.='Use these measurements']")->click();
        $this->waitForText('//aside', 'Updated: 12 areas');
        // What is looked at now is what bench, card and photos look at.
        $this->find("//button[.='Save view']")->click();
        $this->waitForText('//aside', 'View saved');
        $this->visit('/figures/1/card');
        $this->find("//img[contains(@alt, 'on its mesh')]");
        self::assertGreaterThan(100, $this->browser->executeScript("return document.querySelector('header img').naturalWidth"));
        $this->visit('/figures/1/compare');
        $this->find("//label[contains(., 'show mesh')]//input")->click();
        $this->find("//canvas[@data-drawn='yes']");
        $this->until(self::PATIENCE, fn (): bool => count($this->colours('[data-drawn=yes]')) > 100, 'the mesh is not drawn beside the photo');
        $this->find("//button[.='Use this view for the photo']")->click();
        $this->assertAccessible('show mesh a photo');
    }

    /** @return list<int> colours of the canvas, each once */
    private function colours(string $canvas = 'canvas'): array
    {
        $seen = $this->browser->executeScript(self::pixels($canvas).' return [...seen];');

        return is_array($seen) ? array_values(array_filter($seen, is_int(...))) : [];
    }

    /** @return float share of its colours that are no grey */
    private function chromatic(): float
    {
        $share = $this->browser->executeScript(self::pixels('canvas').' const all = [...seen]; return all.filter((c) => Math.max(c >> 16, (c >> 8) & 255, c & 255) - Math.min(c >> 16, (c >> 8) & 255, c & 255) > 6).length / Math.max(1, all.length);');

        return is_numeric($share) ? (float) $share : 1.0;
    }

    private static function pixels(string $canvas): string
    {
        return "const canvas = document.querySelector('{$canvas}');".self::PIXELS;
    }

    private const PIXELS = <<<'JS'
        const copy = document.createElement('canvas');
        copy.width = canvas.width; copy.height = canvas.height;
        const ctx = copy.getContext('2d');
        ctx.drawImage(canvas, 0, 0);
        const px = ctx.getImageData(0, 0, copy.width, copy.height).data;
        const seen = new Set();
        for (let i = 0; i < px.length; i += 4 * 7) seen.add((px[i] << 16) | (px[i + 1] << 8) | px[i + 2]);
        JS;
}
