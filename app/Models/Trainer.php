<?php

declare(strict_types=1);

namespace App\Models;

use App\Accounts\Role;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User;
use Illuminate\Support\Carbon;

/**
 * @property string $id
 * @property string $studio_id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property Role $role
 * @property ?Carbon $disabled_at
 * @property ?string $code_secret  of the second factor, encrypted
 * @property ?Carbon $code_confirmed_at  null while no second factor is asked for
 * @property int $code_step  the last time step a code was used for
 * @property 'words'|'shorthand' $doses  how they are shown to this trainer
 * @property ?list<string> $recovery_codes  SHA-256 of each that is left
 * @property Studio $studio
 */
final class Trainer extends User
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder, HasUlids;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'trainers';

    protected $fillable = [
        'studio_id',
        'name',
        'email',
        'password',
        'role',
        'disabled_at',
        'code_secret',
        'code_confirmed_at',
        'code_step',
        'recovery_codes',
        'doses',
    ];

    protected $hidden = ['password', 'code_secret', 'recovery_codes'];

    protected $attributes = ['role' => Role::Trainer->value, 'code_step' => 0, 'doses' => 'words'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'role' => Role::class,
            'disabled_at' => 'datetime',
            'code_confirmed_at' => 'datetime',
            'code_step' => 'integer',
            'recovery_codes' => 'array',
        ];
    }

    /** No token is kept for "remember me": a session ends when it ends. */
    protected $rememberTokenName = '';

    public function asksForCode(): bool
    {
        return $this->code_confirmed_at !== null;
    }

    /** @return BelongsTo<Studio, $this> */
    public function studio(): BelongsTo
    {
        return $this->belongsTo(Studio::class);
    }
}
