<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $name
 * @property list<string>|null $emergency_steps  what to do when something is wrong; null for the usual ones
 */
final class Studio extends Model
{
    use HasUlids;

    protected $fillable = ['name', 'emergency_steps'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['emergency_steps' => 'array'];
    }
}
