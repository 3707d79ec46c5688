<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User;

/**
 * @property string $id
 * @property string $studio_id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property Studio $studio
 */
final class Trainer extends User
{
    use HasUlids;

    protected $fillable = ['studio_id', 'name', 'email', 'password'];

    protected $hidden = ['password'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }

    /** No token is kept for "remember me": a session ends when it ends. */
    protected $rememberTokenName = '';

    /** @return BelongsTo<Studio, $this> */
    public function studio(): BelongsTo
    {
        return $this->belongsTo(Studio::class);
    }
}
