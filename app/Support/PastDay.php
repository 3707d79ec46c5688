<?php

declare(strict_types=1);

namespace App\Support;

use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;

/**
 * A day that something was done on.
 */
final class PastDay
{
    /**
     * @return string ISO date
     *
     * @throws UnusableInput where it is no day of the calendar, or lies ahead
     */
    public static function of(Node $body, string $field): string
    {
        $text = $body->string($field);
        [$year, $month, $day] = array_map(intval(...), explode('-', $text));
        if (! checkdate($month, $day, $year)) {
            throw UnusableInput::at('/'.$field, 'is not a day of the calendar');
        }
        // a trainer east of the server may already have tomorrow
        if ($text > Carbon::tomorrow()->toDateString()) {
            throw UnusableInput::at('/'.$field, 'lies ahead');
        }

        return $text;
    }
}
