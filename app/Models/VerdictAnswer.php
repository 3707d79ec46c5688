<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * What a trainer answered to a verdict. Rows are only added.
 *
 * @property int $id
 * @property string $ladder
 * @property string $verdict
 * @property string $answer
 * @property string $logged_on  ISO date
 * @property ?string $log  the newest log it rests on, with its revision
 * @property array<string, mixed>|null $from  rung, step and range it was given for
 * @property array<string, mixed>|null $to  where it moved the client
 * @property ?string $note  why the trainer chose otherwise
 */
final class VerdictAnswer extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'verdict_answers';

    public const UPDATED_AT = null;

    protected $fillable = [
        'studio_id',
        'client_id',
        'trainer_id',
        'ladder',
        'verdict',
        'answer',
        'logged_on',
        'reasons',
        'note',
        'log',
        'from',
        'to',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['reasons' => 'array', 'from' => 'array', 'to' => 'array'];
    }
}
