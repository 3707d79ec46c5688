<?php

declare(strict_types=1);

namespace App\Models;

use App\Accounts\OpenedBySecret;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A private address at which a calendar program finds the sessions of one client, or of all whom a trainer sees. Only the hash of its
 * secret is kept.
 *
 * @property string $id
 * @property string $studio_id
 * @property ?string $client_id
 * @property string $trainer_id
 * @property string $hash
 * @property ?Carbon $revoked_at
 * @property ?Carbon $seen_at  when a calendar last asked
 * @property Carbon $created_at
 */
final class CalendarLink extends Model implements OpenedBySecret
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder, HasUlids;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'calendar_links';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'hash', 'revoked_at', 'seen_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['revoked_at' => 'datetime', 'seen_at' => 'datetime', 'created_at' => 'datetime'];
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
