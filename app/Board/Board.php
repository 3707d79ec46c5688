<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client as ClientRecord;
use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Body\Referral;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Session\Program;
use EvenRungs\Core\Style\Style;

/**
 * Everything that is known of one client, in the core's own terms.
 */
final class Board
{
    /**
     * @param  Style  $style  house style of the plan
     * @param  list<Placement>  $placements  where the client stands, one for each ladder
     * @param  list<Referral>  $referrals  why planning stops; empty when it may go on
     * @param  ?string  $undo  what the next undo takes back
     * @param  ?string  $redo  what the next redo does again
     */
    public function __construct(
        public readonly ClientRecord $record,
        public readonly Client $client,
        public readonly Style $style,
        public readonly array $placements,
        public readonly ?Program $program,
        public readonly array $referrals,
        public readonly ?string $undo,
        public readonly ?string $redo,
    ) {
    }

    /** The same board with another program. */
    public function with(Program $program): self
    {
        return new self($this->record, $this->client, $this->style, $this->placements, $program, $this->referrals, $this->undo, $this->redo);
    }
}
