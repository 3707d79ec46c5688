<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Writing;

/**
 * Stops planning for any flag and any stop of everything, for a medical limit without its clearance, and for the very young.
 *
 * Source of the flags: Finucane LM et al. (2020) J Orthop Sports Phys Ther 50(7):350–372; ACOG Committee Opinion 804 (2020);
 * Williams MA et al. (2007) Circulation 116(5):572–584 (lists from memory). This is not a diagnosis.
 */
final class SafetyScreen
{
    /**
     * @return list<Referral> emergencies first; empty when planning may go on
     */
    public function referrals(Client $client): array
    {
        $referrals = [];
        foreach ($client->screen->flags ?? [] as $flag) {
            // an emergency is lifted by what a clinician said after it was known, never by an older word
            $after = $flag->urgency === Urgency::Emergency ? $client->screen->on ?? $client->asOf : null;
            if (Cleared::for($client)->by($flag->id, $after) === null) {
                $referrals[] = new Referral('flag', $flag->id, $flag->urgency, $flag->text);
            }
        }
        $stop = Cleared::for($client)->openStop();
        if ($stop !== null) {
            $referrals[] = new Referral(
                'stop',
                $stop->kind,
                Urgency::Prompt,
                sprintf('Stopped on %s: a clinician sees the client before anything is planned or run.', Writing::day($stop->on)),
            );
        }
        foreach ($client->limits as $limit) {
            if ($limit->rule->medical && ! $this->isCleared($limit->rule, $client)) {
                $referrals[] = new Referral('limit', $limit->rule->id, Urgency::BeforeLoad, $limit->rule->refer);
            }
        }
        if (Age::of($client)->isTooYoung()) {
            $referrals[] = new Referral(
                'limit',
                'age',
                Urgency::BeforeLoad,
                sprintf('Under %d nothing is planned: play, and whoever looks after the child.', Age::LEAST),
            );
        }
        $order = array_flip(array_column(Urgency::cases(), 'value'));
        usort($referrals, static fn (Referral $a, Referral $b): int => $order[$a->urgency->value] <=> $order[$b->urgency->value]);

        return $referrals;
    }

    /** By its own clearance in force; a document that says "cleared" clears only what no clearance names. */
    private function isCleared(LimitRule $rule, Client $client): bool
    {
        $named = array_filter($client->clearances, static fn (Clearance $each): bool => $each->lifts === $rule->id) !== [];

        return Cleared::for($client)->by($rule->id) !== null || (! $named && ($client->screen->cleared ?? false));
    }
}
