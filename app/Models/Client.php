<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Support\Carbon;

/**
 * @property string $id
 * @property string $studio_id
 * @property string $name
 * @property array<string, mixed> $document
 * @property int $version
 * @property ?Carbon $archived_at
 * @property ?list<string> $aims  rungs asked for, newest first
 * @property ?string $style  house style of the plan; null is the default one
 * @property ?list<string> $used_ladders  ladders that the plan draws on; null where it may draw on all
 * @property ?array<string, string> $times  when the client trains, by day, such as 17:30; null where nobody said
 * @property ?list<string> $plan_asked  what changed since the program was planned; null where there is nothing to answer
 */
final class Client extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder, HasUlids;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'clients';

    protected $fillable = [
        'studio_id',
        'name',
        'document',
        'version',
        'archived_at',
        'aims',
        'used_ladders',
        'style',
        'plan_asked',
        'times',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'document' => 'array',
            'version' => 'integer',
            'archived_at' => 'datetime',
            'aims' => 'array',
            'used_ladders' => 'array',
            'plan_asked' => 'array',
            'times' => 'array',
        ];
    }

    protected $attributes = ['version' => 1];

    /** @return BelongsToMany<Trainer, $this> whose client this is; owners see every client all the same */
    public function trainers(): BelongsToMany
    {
        return $this->belongsToMany(Trainer::class);
    }

    /** Makes this one of somebody's clients. */
    public function belongsWith(Trainer $trainer): void
    {
        $this->trainers()->attach($trainer->id, ['studio_id' => $this->studio_id]);
    }
}
