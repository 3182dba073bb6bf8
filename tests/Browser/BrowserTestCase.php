<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\TimeoutException;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverElement;
use PHPUnit\Framework\TestCase;
use SQLite3;

abstract class BrowserTestCase extends TestCase
{
    /**
     * Seconds. A machine that runs other work meanwhile has been seen to need 17 s for a page that takes 0.4 s here, and 120 s for a photo;
     * waiting long costs nothing where what is awaited comes.
     */
    protected const PATIENCE = 180;

    protected RemoteWebDriver $browser;

    protected AppServer $app;

    /** One for the suite: a start takes as much of the processor as several pages, and what it has compiled of the interface is kept. */
    private static ?RemoteWebDriver $opened = null;

    protected function setUp(): void
    {
        $this->app = AppServer::instance();
        $this->app->reset();
        $this->browser = self::$opened ??= $this->open();
        $tools = new ChromeDevToolsDriver($this->browser);
        $tools->execute('Network.clearBrowserCookies');
        $tools->execute('Storage.clearDataForOrigin', ['origin' => $this->app->url, 'storageTypes' => 'all']);
        $this->browser->manage()->getLog('browser');
        $this->resize(1280, 800);
    }

    /** Leaves an empty tab. */
    protected function tearDown(): void
    {
        if (! isset($this->browser)) {
            return;
        }
        if (! $this->status()->isSuccess()) {
            $this->browser->quit();
            self::$opened = null;

            return;
        }
        $used = $this->browser->getWindowHandles();
        $fresh = $this->browser->switchTo()->newWindow()->getWindowHandle();
        foreach (array_filter($used, is_string(...)) as $tab) {
            $this->browser->switchTo()->window($tab)->close();
        }
        $this->browser->switchTo()->window($fresh);
    }

    private function open(): RemoteWebDriver
    {
        $options = new ChromeOptions;
        // Chromium without its windows: it takes 7 % less of the processor than the whole browser.
        $options->setBinary('/usr/lib/chromium/chromium-headless-shell');
        $options->addArguments([
            '--headless', '--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--disable-default-apps', '--disable-extensions',
            '--disable-gpu', '--enable-unsafe-swiftshader',
            '--force-device-scale-factor=1', '--force-color-profile=srgb', '--hide-scrollbars',
            '--window-size=1280,800',
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);

        return RemoteWebDriver::create($this->app->driverUrl, $capabilities, 120_000, 240_000);
    }

    /** The inner size; --window-size would be the outer one. */
    protected function resize(int $width, int $height): void
    {
        (new ChromeDevToolsDriver($this->browser))->execute('Emulation.setDeviceMetricsOverride', [
            'width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => false,
        ]);
    }

    protected function enterDemo(): void
    {
        $this->visit('/sign-in');
        $this->button('Open the demo as Ines Marrow')->click();
        $this->find("//h1[.='In progress']");
    }

    protected function visit(string $path): void
    {
        $this->browser->get($this->app->url.$path);
    }

    protected function find(string $xpath, int $seconds = self::PATIENCE): RemoteWebElement
    {
        $element = $this->until($seconds, function () use ($xpath): ?RemoteWebElement {
            try {
                foreach ($this->browser->findElements(WebDriverBy::xpath($xpath)) as $element) {
                    if ($element instanceof RemoteWebElement && $element->isDisplayed()) {
                        return $element;
                    }
                }
            } catch (WebDriverException) {
                // Redrawn while it was looked at: look again.
            }

            return null;
        }, "not to be seen: {$xpath}");
        self::assertInstanceOf(RemoteWebElement::class, $element);

        return PatientElement::of($element, fn (): RemoteWebElement => $this->find($xpath, $seconds));
    }

    protected function gone(string $xpath, int $seconds = self::PATIENCE): void
    {
        $this->until(
            $seconds,
            fn (): bool => array_filter(
                $this->browser->findElements(WebDriverBy::xpath($xpath)),
                static fn ($element): bool => self::isSeen($element),
            ) === [],
            "still to be seen: {$xpath}",
        );
    }

    private static function isSeen(WebDriverElement $element): bool
    {
        try {
            return $element->isDisplayed();
        } catch (StaleElementReferenceException) {
            return false;
        }
    }

    /**
     * Waits until a condition is true; where it never gets so, the failure tells what the page, its console and the
     * server said meanwhile.
     */
    protected function until(int $seconds, callable $condition, string $otherwise): mixed
    {
        try {
            return $this->browser->wait($seconds, 50)->until($condition, $otherwise);
        } catch (TimeoutException) {
            $page = $this->browser->findElement(WebDriverBy::tagName('body'))->getText();
            $console = json_encode($this->browser->manage()->getLog('browser'), JSON_UNESCAPED_SLASHES);

            self::fail(implode("\n", [$otherwise, "page: {$page}", "console: {$console}", 'server: '.$this->app->words()]));
        }
    }

    /** A button that can be pressed: one that is disabled until the page has followed is waited for, as one would. */
    protected function button(string $name): RemoteWebElement
    {
        return $this->find("//button[(normalize-space()='{$name}' or @aria-label='{$name}') and not(@disabled)]");
    }

    protected function field(string $label): RemoteWebElement
    {
        return $this->find("//*[@id=//label[normalize-space()='{$label}']/@for]");
    }

    /** @param  int  $which  of several with that label */
    protected function pick(string $label, string $option, int $which = 1): void
    {
        $list = "(//button[@role='combobox' and @aria-labelledby=//span[normalize-space()='{$label}']/@id])[{$which}]";
        // Redrawn while it was pressed it stays closed: press again, as one would.
        $this->until(self::PATIENCE, function () use ($list): bool {
            if ($this->browser->findElements(WebDriverBy::xpath("//*[@role='listbox']")) !== []) {
                return true;
            }
            $this->find($list)->click();

            return false;
        }, "does not open: {$label}");
        $this->find("//*[@role='option'][.//*[starts-with(normalize-space(), '{$option}')] or starts-with(normalize-space(), '{$option}')]")->click();
        $this->gone("//*[@role='listbox']");
    }

    /** One of a row of choices. */
    protected function choice(string $label, string $option): void
    {
        $this->find("//*[@aria-label='{$label}']//button[starts-with(normalize-space(), '{$option}')]")->click();
    }

    protected function stored(string $sql, int|string $wanted, string $what): void
    {
        $this->until(self::PATIENCE, fn (): bool => $this->value($sql) === $wanted, "{$what} is not stored");
    }

    protected function word(string $sql): string
    {
        $found = $this->value($sql);

        return is_string($found) ? $found : '';
    }

    /** Cuts the page off from the server, or joins it again. */
    protected function offline(bool $offline): void
    {
        $tools = new ChromeDevToolsDriver($this->browser);
        $tools->execute('Network.enable');
        $tools->execute('Network.emulateNetworkConditions', [
            'offline' => $offline, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1,
        ]);
        if (! $offline) {
            // What the console said of the lost connection was asked for.
            $this->browser->manage()->getLog('browser');
        }
    }

    /** Presses keys, each going to whatever has the focus then: no element is named that may be drawn anew meanwhile. */
    protected function keys(string ...$keys): void
    {
        foreach ($keys as $key) {
            $this->browser->getKeyboard()->pressKey($key)->releaseKey($key);
        }
    }

    protected function waitForText(string $xpath, string $text, int $seconds = self::PATIENCE): void
    {
        $this->until($seconds, function () use ($xpath, $text): bool {
            try {
                foreach ($this->browser->findElements(WebDriverBy::xpath($xpath)) as $element) {
                    if (str_contains($element->getText(), $text)) {
                        return true;
                    }
                }
            } catch (WebDriverException) {
                // Redrawn meanwhile: look again.
            }

            return false;
        }, "no '{$text}' in {$xpath}");
    }

    /**
     * Nothing on this page fails WCAG 2.2 A or AA by axe, and the console is quiet.
     *
     * @param  bool  $byName  whether what is read on a control must be in its name, too
     */
    protected function assertAccessible(string $page, bool $byName = false): void
    {
        // Half a megabyte: sent once a page, however often it is looked at.
        if ($this->browser->executeScript("return typeof axe === 'undefined'") === true) {
            $this->browser->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
        }
        $this->browser->manage()->timeouts()->setScriptTimeout(180);
        $found = $this->browser->executeAsyncScript(<<<'JS'
            const [byName, done] = arguments;
            axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], rules: { 'label-content-name-mismatch': { enabled: byName } } })
                .then((r) => done(r.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).slice(0, 3).join(' | ')}`)))
                .catch((e) => done([`axe failed: ${e}`]));
            JS, [$byName]);
        self::assertSame([], $found, $page);
        /** @var list<array{level: string, message: string}> $log */
        $log = $this->browser->manage()->getLog('browser');
        self::assertSame([], array_values(array_filter(
            $log,
            // Answers like "conflict" are part of a test; the browser logs each as a failed resource.
            static fn (array $line): bool => $line['level'] === 'SEVERE' && ! str_contains($line['message'], 'status of 4'),
        )), $page);
    }

    protected function upload(string $label, string $path, ?string $xpath = null): void
    {
        $input = $this->browser->findElement(WebDriverBy::xpath($xpath ?? "//input[@aria-label='{$label}']"));
        self::assertInstanceOf(RemoteWebElement::class, $input);
        $input->setFileDetector(new LocalFileDetector)->sendKeys($path);
    }

    /** Changes the data beside the running application. */
    protected function change(string $sql): void
    {
        $database = new SQLite3($this->app->directory.'/database.sqlite');
        $database->busyTimeout(10_000);
        $database->exec($sql);
        $database->close();
    }

    /** What a query finds first, read beside the running application. */
    protected function value(string $sql): mixed
    {
        $database = new SQLite3($this->app->directory.'/database.sqlite', SQLITE3_OPEN_READONLY);
        $database->busyTimeout(10_000);
        $found = $database->querySingle($sql);
        $database->close();

        return $found;
    }
}
