<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\Pose;
use Hyalin\Mesh\TriangleMesh;
use Tests\Support\Shapes;

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

    /** A kit of one's own: every control of its files and areas once, read in the database. */
    public function test_a_kit_is_put_together_lit_and_divided_by_its_controls(): void
    {
        $this->enterDemo();
        $this->visit('/figures/3/light');
        $this->find("//button[@role='radio' and .='Files (0)']");
        $base = Shapes::stacked([['round', 14.0, 14.0, -9.0], ['round', 14.0, 14.0, 0.0], ['square', 2.1, 3.1, 0.0], ['square', 2.1, 3.1, -4.2]]);
        $post = Shapes::stacked([['square', 2.0, 3.0, -4.0], ['square', 2.0, 3.0, 0.0], ['round', 6.0, 6.0, 0.0], ['round', 5.0, 5.0, 20.0]]);
        $column = static fn (int $n): TriangleMesh => Pose::of([30.0 + 2 * $n, 0.0, -4.0])->applied(Shapes::stacked([['round', 0.5, 0.5, 0.0], ['round', 0.5, 0.5, 9.0], ['round', 0.1, 0.1, 11.0]], 12));
        foreach ([0, 1, 2, 3] as $n) {
            $post = Shapes::both($post, $column($n));
        }
        $input = $this->browser->findElement(WebDriverBy::xpath("//input[@aria-label='Print files']"));
        self::assertInstanceOf(RemoteWebElement::class, $input);
        // Far from where their files count from, as parts on a large plate are.
        foreach (['base' => Pose::of([0.0, 600.0, 0.0])->applied($base), 'post' => Pose::of([40.0, 609.0, 0.0])->applied($post)] as $name => $mesh) {
            $file = "{$this->app->directory}/{$name}.stl";
            file_put_contents($file, StlWriter::write($mesh));
            $input->setFileDetector(new LocalFileDetector)->sendKeys($file);
            $this->waitForText('//aside', $name);
            $this->stored("select count(*) from meshes where figure_id = 3 and title = '{$name}'", 1, $name);
            $this->gone("//button[.='Cancel']");
        }
        $pose = "select pose from meshes where figure_id = 3 and title = 'post'";
        // Supports are told from the part, left out, put back, and left out for good.
        $whole = $this->value("select triangles from meshes where figure_id = 3 and title = 'post'");
        $this->waitForText('//aside', '4 pieces look like supports');
        $this->button('Leave out')->click();
        $this->waitForText('//aside', 'Supports are left out.');
        $this->button('Put back')->click();
        $this->stored("select triangles from meshes where figure_id = 3 and title = 'post'", is_int($whole) ? $whole : 0, 'what was put back');
        $this->button('Leave out')->click();
        $this->stored("select count(*) from meshes where title = 'post' and whole_path is not null", 1, 'what is left out');
        $this->button('Fit by pegs')->click();
        $this->waitForText('//aside', '1 of 2 parts were set by their pegs.');
        $this->stored("select m.title from meshes m join meshes p on p.onto_id = m.id where p.title = 'post'", 'base', 'what it stands on');
        $fitted = $this->word($pose);
        $this->button('Undo')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->word($pose) === '', 'the fit was not taken back');
        $this->button('Redo')->click();
        $this->stored($pose, $fitted, 'the fit');
        $this->button('post')->click();
        $this->find("//button[@aria-pressed='true' and .='post']");
        $this->button('Turn post about x')->click();
        $this->until(self::PATIENCE, fn (): bool => ! in_array($this->word($pose), ['', $fitted], true), 'it was not turned');
        $this->button('Undo')->click();
        $this->stored($pose, $fitted, 'the turn taken back');
        $this->button('+90°')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->word($pose) !== $fitted, 'it was not turned at its joint');
        $this->button('Detach')->click();
        $this->stored("select count(*) from meshes where title = 'post' and onto_id is null", 1, 'taken off');
        $this->button('Fit by pegs')->click();
        $this->waitForText('//aside', 'Every peg sits in its socket already.');
        $this->assertAccessible('parts');

        $this->button('Calculate lighting')->click();
        // What it makes possible is shown when it is there, and the lamp at the eye shines at the figure.
        $this->find("//button[.='Propose areas']");
        $this->find("//button[@role='radio' and .='Bare']")->click();
        $this->until(self::PATIENCE, fn (): bool => count($this->colours()) > 50, 'its round walls are as flat as in the dark');
        $this->find("//button[.='Propose areas']")->click();
        $this->waitForText('//aside', 'Areas and their names are a proposal');
        $this->find("//label[contains(., 'from a place near by')]")->click();
        $this->stored("select count(*) from light_studies where figure_id = 3 and sprays like '%\"distance\":150%'", 1, 'the nozzle');
        $this->find("//label[contains(., 'from a place near by')]")->click();
        $this->stored("select count(*) from light_studies where figure_id = 3 and sprays like '%distance%'", 0, 'the nozzle far away');
        $area = $this->value('select a.id from areas a where a.figure_id = 3 order by a.id desc limit 1');
        $id = is_int($area) ? $area : 0;
        $this->find('(//aside//table//th//button)[last()]')->click();
        $cm2 = fn (): string => $this->word("select json_extract(a.value, '\$.cm2') || '' from light_studies l, json_each(l.result, '\$.areas') a where l.figure_id = 3 and json_extract(a.value, '\$.areaId') = {$id}");
        $before = $cm2();
        $this->button('Grow')->click();
        $this->until(self::PATIENCE, fn (): bool => (float) $cm2() > (float) $before, 'the area did not grow');
        $this->button('Undo')->click();
        $this->until(self::PATIENCE, fn (): bool => $cm2() === $before, 'the growth was not taken back');
        $this->button('Shrink')->click();
        $this->until(self::PATIENCE, fn (): bool => (float) $cm2() < (float) $before, 'the area did not shrink');
        // A fill follows its threshold, as one act: taken back, all of it is.
        $before = $cm2();
        $this->find("//button[@role='radio' and .='fill']")->click();
        $this->find("//canvas[@data-drawn='yes']")->click();
        $this->until(self::PATIENCE, fn (): bool => $cm2() !== $before, 'nothing was filled');
        $filled = $cm2();
        $this->browser->executeScript("document.querySelector('[aria-label=\"How deep a crease stops it\"]').focus()");
        $this->keys("\u{E010}");
        $this->until(self::PATIENCE, fn (): bool => (float) $cm2() > (float) $filled + 0.1, 'it does not follow its threshold');
        $this->button('Undo')->click();
        $this->until(self::PATIENCE, fn (): bool => $cm2() === $before, 'the fill was not taken back as one');
        // It is the top of a plinth: nothing of it lies higher than the rest.
        $this->pick('Its zones', 'a gradient upwards');
        $this->find("//*[contains(., 'no extent in that direction')]");
        $this->pick('Its zones', 'a gradient from side to side');
        $this->stored("select form from areas where id = {$id}", 'gradient', 'the gradient');
        $this->find("//button[@role='combobox' and contains(., 'a gradient, as it is')]");
        $this->pick('Its zones', 'recess to edge');
        $this->stored("select form from areas where id = {$id}", 'light and shade', 'light and shade again');
        $this->assertAccessible('areas of a kit');
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
