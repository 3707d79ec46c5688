<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Studio;
use App\Models\Trainer;
use App\Support\Reads;
use Illuminate\Auth\EloquentUserProvider;
use Illuminate\Contracts\Auth\Authenticatable;

/**
 * Who is signed in, with their studio: both were read together with the session, on one way to the database.
 */
final class SignedInPeople extends EloquentUserProvider
{
    /** @param  mixed  $identifier */
    public function retrieveById($identifier): ?Authenticatable
    {
        [$trainer, $studio] = SignedInSessions::$people;
        if ($trainer === null || $studio === null || $trainer->id !== $identifier) {
            return parent::retrieveById($identifier);
        }
        // what was read with the session of this request is true for this request
        SignedInSessions::$people = [null, null];

        return Reads::models(Trainer::class, [$trainer])->firstOrFail()->setRelation(
            'studio',
            Reads::models(Studio::class, [$studio])->firstOrFail(),
        );
    }
}
