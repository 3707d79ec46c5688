<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

/**
 * What to do when something is wrong on the floor, where a studio has written nothing of its own (common practice, no source).
 * Local rules and licensed practice come first.
 */
final class Emergency
{
    public const USUAL_STEPS = [
        'Stop everyone. Stay with the person.',
        'Chest pain, fainting, a hard fall, new numbness or weakness, trouble breathing: call the local emergency number now. '
            .'Do not move the person unless staying there is dangerous.',
        'Otherwise let them rest in the position they find easiest, and keep talking with them.',
        'Call the person in charge of the studio.',
        'Write down what happened, when, and what was done; the client sees a clinician before the next session.',
    ];
}
