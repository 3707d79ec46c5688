<?php

declare(strict_types=1);

namespace App\Models;

use App\Accounts\Role;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Query\Builder as QueryBuilder;

/**
 * Queries of records that belong to a studio.
 *
 * @template TModel of Model
 *
 * @extends Builder<TModel>
 */
final class StudioBuilder extends Builder
{
    /** @return $this */
    public function ofStudio(string $studio): static
    {
        return $this->where('studio_id', $studio);
    }

    /**
     * Only the clients that somebody may see: an owner all of the studio, everybody else those that are shared with them.
     *
     * @return $this
     */
    public function seenBy(Trainer $trainer): static
    {
        $this->ofStudio($trainer->studio_id);
        if ($trainer->role !== Role::Owner) {
            $this->query->whereIn(
                'clients.id',
                static fn (QueryBuilder $of) => $of->from('client_trainer')->select('client_id')->where('trainer_id', $trainer->id),
            );
        }

        return $this;
    }

    /** @return $this */
    public function ofClient(Client $client): static
    {
        return $this->where('studio_id', $client->studio_id)->where('client_id', $client->id);
    }

    /** @return $this */
    public function ordered(string $column, string $direction = 'asc'): static
    {
        $this->query->orderBy($column, $direction === 'desc' ? 'desc' : 'asc');

        return $this;
    }

    /**
     * @param  array<mixed>  $values
     * @return $this
     */
    public function among(string $column, array $values): static
    {
        $this->query->whereIn($column, $values);

        return $this;
    }

    /** @return $this */
    public function atMost(int $rows): static
    {
        $this->query->limit($rows);

        return $this;
    }

    /**
     * Only the newest row of every ladder.
     *
     * @return $this
     */
    public function newestOfEachLadder(): static
    {
        $this->query->whereIn('id', $this->clone()->getQuery()->selectRaw('max(id)')->groupBy('ladder'));

        return $this;
    }

    /** @return $this */
    public function archived(bool $archived): static
    {
        $this->query->whereNull('archived_at', 'and', $archived);

        return $this;
    }

    /**
     * Only the program in use.
     *
     * @return $this
     */
    public function current(): static
    {
        return $this->where('current', true);
    }

    /**
     * Keeps the rows from others until the transaction ends.
     *
     * @return $this
     */
    public function locked(): static
    {
        $this->query->lockForUpdate();

        return $this;
    }
}
