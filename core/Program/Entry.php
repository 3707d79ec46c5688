<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Dose;

/**
 * One exercise of a session with its dose. The exercise is a rung id or free text.
 */
final class Entry
{
    /**
     * @param  ?Planned  $planned  what the planner noted; null on an entry that somebody else wrote
     */
    public function __construct(
        public readonly string $exercise,
        public readonly Dose $dose,
        public readonly ?string $note = null,
        public readonly ?Planned $planned = null,
        public readonly Extras $x = new Extras,
    ) {
    }

    public function withDose(Dose $dose): self
    {
        return new self($this->exercise, $dose, $this->note, $this->planned, $this->x);
    }

    public function withNote(?string $note): self
    {
        return new self($this->exercise, $this->dose, $note, $this->planned, $this->x);
    }

    /** The same entry with one more reason, where the planner noted any. */
    public function because(string $reason): self
    {
        $planned = $this->planned === null ? null : new Planned(
            $this->planned->category,
            $this->planned->level,
            $this->planned->ladder,
            [...$this->planned->why, $reason],
        );

        return new self($this->exercise, $this->dose, $this->note, $planned, $this->x);
    }
}
