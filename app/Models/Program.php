<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property array<string, mixed> $document
 */
final class Program extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder, HasUlids;

    protected static string $builder = StudioBuilder::class;

    protected $fillable = ['studio_id', 'client_id', 'document'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array'];
    }
}
