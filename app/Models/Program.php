<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * @property string $id
 * @property array<string, mixed> $document
 * @property bool $current  the program in use; the others are kept
 * @property Carbon $created_at
 */
final class Program extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder, HasUlids;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'programs';

    protected $fillable = ['id', 'studio_id', 'client_id', 'document', 'current'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'current' => 'boolean'];
    }
}
