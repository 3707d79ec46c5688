<?php

declare(strict_types=1);

namespace App\Models;

use App\Accounts\Role;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A link that works once: to set up the studio, to join it, or to choose a new password. Only the hash of its secret is kept.
 *
 * @property string $id
 * @property string $kind
 * @property ?string $studio_id
 * @property ?string $trainer_id
 * @property string $hash
 * @property ?string $name
 * @property ?string $email
 * @property ?Role $role
 * @property ?string $made_by
 * @property Carbon $expires_at
 * @property ?Carbon $used_at
 * @property ?Carbon $revoked_at
 * @property Carbon $created_at
 */
final class Link extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder, HasUlids;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'links';

    public const UPDATED_AT = null;

    protected $fillable = [
        'kind',
        'studio_id',
        'trainer_id',
        'hash',
        'name',
        'email',
        'role',
        'made_by',
        'expires_at',
        'used_at',
        'revoked_at',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'role' => Role::class,
            'expires_at' => 'datetime',
            'used_at' => 'datetime',
            'revoked_at' => 'datetime',
            'created_at' => 'datetime',
        ];
    }

    public function isOpen(): bool
    {
        return $this->used_at === null && $this->revoked_at === null && $this->expires_at->isFuture();
    }
}
