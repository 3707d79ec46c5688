<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Link;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;

/**
 * One-time links. What is printed is an id and a secret of 256 bits; what is kept is the secret's hash, compared in constant time.
 */
final class Links
{
    public const SET_UP = 'set-up';

    public const INVITATION = 'invitation';

    public const PASSWORD = 'password';

    private const DAYS = 7;

    /**
     * @param  array<string, mixed>  $fields  of the row
     * @return string the token, which is not kept anywhere
     */
    public function issue(string $kind, array $fields = []): string
    {
        $secret = Secret::fresh();
        $link = Link::query()->create(
            [...$fields, 'kind' => $kind, 'hash' => Secret::hash($secret), 'expires_at' => Carbon::now()->addDays(self::DAYS)],
        );

        return strtolower($link->id).'.'.$secret;
    }

    /** Where whoever sits at this machine opens a path. */
    public static function address(string $path): string
    {
        return rtrim((string) config('app.url'), '/').$path;
    }

    /** A link to set up the studio; every earlier one stops working. */
    public function setUp(): string
    {
        Link::query()->where('kind', self::SET_UP)->delete();

        return $this->issue(self::SET_UP);
    }

    /** A link to choose a new password; every earlier one of this person stops working. */
    public function newPassword(Trainer $trainer, string $by): string
    {
        Link::query()->where('kind', self::PASSWORD)->where('trainer_id', $trainer->id)->delete();

        return $this->issue(
            self::PASSWORD,
            [
                'studio_id' => $trainer->studio_id,
                'trainer_id' => $trainer->id,
                'name' => $trainer->name,
                'email' => $trainer->email,
                'role' => $trainer->role,
                'made_by' => $by,
            ],
        );
    }

    /**
     * @param  bool  $toUse  keeps the row from others until the transaction ends
     *
     * @throws UnusableInput where the link never was, was used, taken back, or is too old
     */
    public function find(string $token, bool $toUse = false): Link
    {
        [$id, $secret] = [...explode('.', $token, 2), ''];
        $query = Link::query()->whereKey($id);
        $link = ($toUse ? $query->locked() : $query)->first();
        if (! Secret::opens($secret, $link?->hash) || $link === null) {
            throw UnusableInput::at('/token', 'This link does not work. Check that all of it was copied, or ask for a new one.');
        }
        if (! $link->isOpen()) {
            throw UnusableInput::at('/token', match (true) {
                $link->used_at !== null => 'This link was used already. It works once; sign in, or ask for a new one.',
                $link->revoked_at !== null => 'This link was taken back. Ask for a new one.',
                default => 'This link is too old. Ask for a new one.',
            });
        }

        return $link;
    }
}
