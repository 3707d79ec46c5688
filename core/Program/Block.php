<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Time\Seconds;

interface Block
{
    /** @return list<Entry> */
    public function entries(): array;

    /** @param  list<Entry>  $entries */
    public function withEntries(array $entries): self;

    /** Rest before the next block; not counted after the session's last block. */
    public function restAfter(): Seconds;
}
