<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The answers of one day to the screen and to what must not be loaded. Rows are only ever added.
 *
 * @property int $id
 * @property string $on  ISO date
 * @property bool $asked  whether the whole screen was asked that day, or answers were only changed
 * @property ?list<string> $flags  answered with yes; null where they were not asked
 * @property list<array{limit: string, severity: string}> $limits
 * @property list<array{program: string, title: string, exercises: list<string>}> $touched
 * @property ?Trainer $trainer
 */
final class Screen extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'screens';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'on', 'asked', 'flags', 'limits', 'touched'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked' => 'bool', 'flags' => 'array', 'limits' => 'array', 'touched' => 'array'];
    }

    /** @return BelongsTo<Trainer, $this> */
    public function trainer(): BelongsTo
    {
        return $this->belongsTo(Trainer::class);
    }
}
