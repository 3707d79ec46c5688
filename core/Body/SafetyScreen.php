<?php

declare(strict_types=1);

namespace EvenRungs\Core\Body;

/**
 * Stops planning for any flag, and for a medical limit without a recorded clearance.
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
            $referrals[] = new Referral('flag', $flag->id, $flag->urgency, $flag->text);
        }
        foreach ($client->limits as $limit) {
            if ($limit->rule->medical && ! ($client->screen->cleared ?? false)) {
                $referrals[] = new Referral('limit', $limit->rule->id, Urgency::BeforeLoad, $limit->rule->refer);
            }
        }
        $order = array_flip(array_column(Urgency::cases(), 'value'));
        usort($referrals, static fn (Referral $a, Referral $b): int => $order[$a->urgency->value] <=> $order[$b->urgency->value]);

        return $referrals;
    }
}
