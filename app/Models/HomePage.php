<?php

declare(strict_types=1);

namespace App\Models;

use App\Accounts\OpenedBySecret;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A page of their own that a client was handed, for a week or a session. Only the hash of its link's secret is kept.
 *
 * @property string $id
 * @property string $studio_id
 * @property string $client_id
 * @property string $trainer_id  who handed it out
 * @property string $hash
 * @property string $title
 * @property string $made_on  ISO date
 * @property string $until  ISO date of the last day on which it works
 * @property ?string $document  compressed; null when nothing can come back any more
 * @property int $looks
 * @property ?Carbon $seen_at  when the link was last opened
 * @property ?Carbon $saved_at  when the file was last saved
 * @property ?Carbon $revoked_at
 * @property Carbon $created_at
 */
final class HomePage extends Model implements OpenedBySecret
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder, HasUlids;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'home_pages';

    public const UPDATED_AT = null;

    protected $fillable = [
        'studio_id',
        'client_id',
        'trainer_id',
        'hash',
        'title',
        'made_on',
        'until',
        'document',
        'looks',
        'seen_at',
        'saved_at',
        'revoked_at',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['looks' => 'integer', 'seen_at' => 'datetime', 'saved_at' => 'datetime', 'revoked_at' => 'datetime'];
    }

    public function hash(): string
    {
        return $this->hash;
    }

    public function opener(): ?Trainer
    {
        return $this->revoked_at === null ? Trainer::query()->find($this->trainer_id) : null;
    }
}
