<?php

declare(strict_types=1);

namespace EvenRungs\Core;

/**
 * Parts that are right alone and cannot be together.
 */
final class Contradiction extends InvalidValue
{
}
