<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * A painter of one's own: in by the front door, another password, and out again with everything.
 */
final class AccountTest extends BrowserTestCase
{
    public function test_a_stranger_signs_up_changes_the_password_and_leaves(): void
    {
        $this->visit('/sign-in');
        $this->assertAccessible('sign in');
        $this->find("//a[.='Create an account']")->click();
        $this->find("//button[.='Create the account']");
        $this->assertAccessible('sign up');
        $this->fill(['Name' => 'Oda', 'E-mail' => 'oda@example.com', 'Password' => 'ten letters or more']);
        $this->button('Create the account')->click();
        $this->find("//h1[.='In progress']");
        $this->find("//a[.='Account']")->click();
        $this->find("//h1[.='Account']");
        $this->assertAccessible('account');
        $this->find("//form[@aria-label='Name and e-mail']//input[@autocomplete='name']")->sendKeys(' Voll');
        $this->button('Save')->click();
        $this->stored("select name from painters where email = 'oda@example.com'", 'Oda Voll', 'the name');
        $before = $this->word("select password from painters where email = 'oda@example.com'");
        $this->find("//form[@aria-label='Another password']//input[@autocomplete='current-password']")->sendKeys('ten letters or more');
        $this->find("//form[@aria-label='Another password']//input[@autocomplete='new-password']")->sendKeys('quite another one');
        $this->button('Set the password')->click();
        $this->until(self::PATIENCE, fn (): bool => $this->word("select password from painters where email = 'oda@example.com'") !== $before, 'the password is not stored');
        $this->waitForText("//form[@aria-label='Another password']", 'It is set.');
        $this->find("//button[starts-with(@aria-label, 'Sign out')]")->click();
        $this->find("//button[.='Sign in']");
        $this->fill(['E-mail' => 'oda@example.com', 'Password' => 'quite another one']);
        $this->button('Sign in')->click();
        $this->find("//h1[.='In progress']");
        $this->visit('/account');
        $this->find("//form[@aria-label='Delete the account']//input")->sendKeys('quite another one');
        $this->button('Delete my account')->click();
        $this->find("//button[.='Sign in']");
        self::assertSame(0, $this->value("select count(*) from painters where email = 'oda@example.com'"));
        $this->find("//a[.='Forgot the password?']")->click();
        $this->find("//button[.='Send me a link']");
        $this->fill(['E-mail' => 'oda@example.com']);
        $this->button('Send me a link')->click();
        $this->waitForText('//main', 'a link is on its way');
        $this->assertAccessible('forgotten');
    }

    /** @param  array<string, string>  $fields */
    private function fill(array $fields): void
    {
        foreach ($fields as $label => $text) {
            $this->field($label)->sendKeys($text);
        }
    }
}
