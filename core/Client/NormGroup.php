<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

/** Which published norms a timed test is compared with. */
enum NormGroup: string
{
    case Men = 'men';
    case Women = 'women';
    case None = 'none';
}
