<?php

declare(strict_types=1);

namespace App\Models;

use EvenRungs\Core\Body\Emergency;
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

    /** @return list<string> what to do when something is wrong: the studio's own, or the usual ones */
    public function emergencySteps(): array
    {
        return $this->emergency_steps ?? Emergency::USUAL_STEPS;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['emergency_steps' => 'array'];
    }
}
