<?php

declare(strict_types=1);

namespace App\Planning;

use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * Rungs of the library as requests name them.
 */
final class KnownRungs
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    public function known(string $id): Rung
    {
        $library = $this->data->library();

        return $library->hasRung($id) ? $library->rung($id) : throw UnusableInput::at('/rung', 'is not a rung of the library');
    }

    /** @throws UnusableInput when there is none of that id, or something stands in the way of it */
    public function allowed(string $id, Person $person): Rung
    {
        $library = $this->data->library();
        $rung = $this->known($id);
        $obstacles = Obstacles::between($person, $rung, $library);

        return $obstacles->isClear() ? $rung : throw UnusableInput::at(
            '/rung',
            sprintf('%s %s', $rung->name, implode('; ', $obstacles->sentences($library))),
        );
    }
}
