<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Fit;

/**
 * What became of one thing of a program when it was made to fit a client.
 */
final class FitChange
{
    /**
     * @param  string  $where  JSON pointer into the program as it was
     * @param  ?string  $to  null where nothing came into its place
     * @param  list<string>  $why
     */
    public function __construct(
        public readonly string $where,
        public readonly string $from,
        public readonly ?string $to,
        public readonly array $why,
    ) {
    }
}
