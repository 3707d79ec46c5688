<?php

declare(strict_types=1);

namespace App\Accounts;

use EvenRungs\Formats\UnusableInput;

/**
 * The address somebody signs in with. Only plain letters, digits and signs: nothing that cannot be seen, and no letter that looks like
 * another.
 */
final class Address
{
    /** @throws UnusableInput at /email */
    public static function clean(string $typed): string
    {
        $address = strtolower(trim($typed, " \t\r\n"));
        if (preg_match('/^[\x21-\x7e]+$/', $address) !== 1) {
            throw UnusableInput::at(
                '/email',
                'An address has plain letters, digits and signs only: no spaces, no letters of other scripts, nothing invisible.',
            );
        }
        if (strlen($address) > 200 || filter_var($address, FILTER_VALIDATE_EMAIL) === false) {
            throw UnusableInput::at('/email', 'This is not an email address.');
        }

        return $address;
    }
}
