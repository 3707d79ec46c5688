<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Client;
use App\Models\Event;
use App\Models\StudioBuilder;
use App\Models\Trainer;
use Illuminate\Http\Request;

/**
 * What happened, page by page, by person and by word.
 */
final class RecordPage
{
    private const PAGE = 100;

    /**
     * @param  StudioBuilder<Event>  $events
     * @return array<string, mixed>
     */
    public static function of(Request $request, StudioBuilder $events, string $studio): array
    {
        $before = $request->integer('before');
        $query = self::filtered($request, $events);
        if ($before > 0) {
            $query->where('id', '<', $before);
        }
        $rows = $query->ordered('id', 'desc')->atMost(self::PAGE + 1)->get();
        $trainers = Trainer::query()->ofStudio($studio)->ordered('name')->pluck('name', 'id');
        $clients = Client::query()->ofStudio($studio)->pluck('name', 'id');
        $page = $rows->take(self::PAGE);

        return [
            'events' => $page->map(static fn (Event $each): array => [
                'id' => $each->id,
                'at' => $each->created_at->toIso8601ZuluString(),
                'who' => $each->trainer_id === null ? null : $trainers[$each->trainer_id] ?? null,
                'client' => $each->client_id === null ? null : ['id' => $each->client_id, 'name' => $clients[$each->client_id] ?? ''],
                'act' => $each->act,
                'detail' => $each->detail,
            ])->values()->all(),
            'more' => count($rows) > self::PAGE,
            'people' => $trainers->map(static fn (string $name, string $id): array => ['id' => $id, 'name' => $name])->values()->all(),
        ];
    }

    /**
     * @param  StudioBuilder<Event>  $events
     * @return StudioBuilder<Event>
     */
    public static function filtered(Request $request, StudioBuilder $events): StudioBuilder
    {
        $who = $request->query('who');
        $words = $request->query('words');
        if (is_string($who) && $who !== '') {
            $events->where('trainer_id', $who);
        }
        if (is_string($words) && trim($words) !== '') {
            $like = '%'.addcslashes(mb_substr(trim($words), 0, 100), '\\%_').'%';
            $events->where(static fn ($query) => $query->where('act', 'like', $like)->orWhere('detail', 'like', $like));
        }

        return $events;
    }
}
