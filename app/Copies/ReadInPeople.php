<?php

declare(strict_types=1);

namespace App\Copies;

use App\Accounts\Address;
use App\Accounts\Role;
use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/**
 * The people of a take-out in the studio that reads it in.
 */
final class ReadInPeople
{
    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, string>  $same  the ids that they keep, by address; nobody else here may have such an address then
     * @return array<string, string> id by address
     *
     * @throws UnusableInput
     */
    public static function of(array $document, string $studio, array $same = []): array
    {
        $ids = [];
        foreach (TakenOutDocument::list($document, 'people') as $i => $each) {
            $email = Address::clean(TakenOutDocument::text($each, 'email', 200));
            $role = Role::tryFrom(is_string($each['role'] ?? null) ? $each['role'] : '') ?? throw UnusableInput::at(
                "/people/{$i}/role",
                'must be owner, trainer or reader',
            );
            $known = Trainer::query()->where('email', $email)->first();
            if ($known?->studio_id === $studio) {
                $ids[$email] = $known->id;

                continue;
            }
            if ($same !== [] && $known !== null) {
                throw UnusableInput::at("/people/{$i}/email", sprintf('somebody of another studio has the address %s here', $email));
            }
            // an address belongs to one account of the machine: in another studio the name alone is kept
            $ids[$email] = Trainer::query()->forceCreate([
                ...(isset($same[$email]) ? ['id' => $same[$email]] : []),
                'studio_id' => $studio,
                'name' => TakenOutDocument::text($each, 'name', 200),
                'email' => $known === null ? $email : Str::ulid()->toBase32().'@read-in.invalid',
                'password' => bin2hex(random_bytes(32)),
                'role' => $role,
                // who only wrote something of a client is nobody who works here
                'disabled_at' => ($each['disabled'] ?? true) !== false || $known !== null ? Carbon::now() : null,
            ])->id;
        }

        return $ids;
    }
}
