<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Door;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Time\Seconds;

/**
 * What a client says on walking in.
 */
final class DoorAnswers
{
    /**
     * @param  list<LimitRule>  $sore  where it is sore today
     * @param  int  $soreness  of the trunk, 0 to 10
     * @param  int  $pain  0 to 10
     * @param  ?Seconds  $left  time that is really left; null for the minutes of the day
     * @param  list<string>|null  $equipment  kit ids to hand today; null for the usual kit of the place
     * @param  ?PainKind  $painKind  null where there is no pain, or nobody asked
     */
    public function __construct(
        public readonly array $sore = [],
        public readonly int $soreness = 0,
        public readonly int $pain = 0,
        public readonly ?Seconds $left = null,
        public readonly ?array $equipment = null,
        public readonly ?PainKind $painKind = null,
    ) {
    }

    /** Why nobody trains with it today, in words; null where it stops nothing. */
    public function stop(): ?string
    {
        return match (true) {
            $this->painKind?->stops() === true => sprintf(
                'It is %s: no training today, and a clinician sees the client first.',
                $this->painKind->symptom(),
            ),
            $this->pain > LoggedSession::STOP_OVER => sprintf(
                'Pain is %d, over %d: no training today, and a clinician sees the client first.',
                $this->pain,
                LoggedSession::STOP_OVER,
            ),
            default => null,
        };
    }

    /** Why an exercise is left out for a sore trunk, in words; null where it is done. */
    public function spares(Rung $rung): ?string
    {
        return $this->soreness >= LoggedSession::SORE_FROM && (
            $rung->category->isDirection() || $rung->category === Category::TrunkMovement
        )
            ? sprintf('The trunk is sore at %d: no direct work today.', $this->soreness)
            : null;
    }

    /** Why less is done of everything, in words; null where the pain asks for nothing. */
    public function less(): ?string
    {
        return $this->pain > LoggedSession::MOST_PAIN ? sprintf('Pain is %d, from 3 to 5: less of it today.', $this->pain) : null;
    }
}
