<?php

declare(strict_types=1);

namespace App\Models;

use EvenRungs\Core\Review\Testing\OwnAim as Aim;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * What a client wants to do again, or better, in their own words, with their scores.
 *
 * @property int $id
 * @property string $words
 * @property list<array{on: string, score: int}> $scores
 * @property ?string $ended_on  ISO date
 */
final class OwnAim extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'own_aims';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'words', 'scores', 'ended_on'];

    public function aim(): Aim
    {
        return Aim::of($this->words, $this->scores);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['scores' => 'array'];
    }
}
