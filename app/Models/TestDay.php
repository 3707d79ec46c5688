<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * The timed holds of one day, and the fault that ended each.
 *
 * @property int $id
 * @property string $on  ISO date
 * @property array<string, int|float> $tests  seconds by test, as in a client's document ("front-plank_s")
 * @property array<string, string> $ended_by  fault by test ("front-plank")
 * @property ?array<string, mixed> $ladders  highest clean rung by ladder, and the fault that ended the climb
 * @property array<string, 'apart'|'split'|'stacked'|'together'>|null $feet  how they stood, by test
 * @property ?array{method: 'cuff'|'back-still', score: int, levels: list<array{level: int, held: bool, trace?: list<array{int,
 *                          int|float}>}>} $leg_loading
 */
final class TestDay extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'test_days';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'on', 'tests', 'ended_by', 'ladders', 'leg_loading', 'feet'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['tests' => 'array', 'ended_by' => 'array', 'ladders' => 'array', 'leg_loading' => 'array', 'feet' => 'array'];
    }
}
