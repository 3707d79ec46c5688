<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Support\Controller;
use EvenRungs\Core\Planning\Ready\ReadyFill;
use EvenRungs\Core\Planning\Ready\ReadySession;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Ready sessions, and each filled for a client or for anyone. Nothing is stored.
 */
final class ReadyController extends Controller
{
    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    public function all(): JsonResponse
    {
        return new JsonResponse(['ready' => array_values(array_map(fn (ReadySession $each): array => [
            'id' => $each->id,
            'name' => $each->name,
            'text' => $each->text,
            'kind' => $each->kind->value,
            'minutes' => intdiv($each->length->ms, 60_000),
            'stations' => $this->stations($each),
        ], $this->data->readySessions()))]);
    }

    /** @return list<string> a ladder for each place, as stations of a group */
    private function stations(ReadySession $ready): array
    {
        $out = $this->data->style(DataFolder::DEFAULT_STYLE)->plan->withoutLadders;
        $stations = [];
        foreach ($ready->items as $item) {
            $ladders = $item->ladders;
            foreach ($item->category === null ? [] : $this->data->library()->ladders as $ladder) {
                if ($ladder->category === $item->category && ! in_array($ladder->id, [...$out, ...$stations], true)) {
                    $ladders[] = $ladder->id;
                }
            }
            $stations = [...$stations, ...array_slice($ladders, 0, 1)];
        }

        return $stations;
    }

    public function filled(Request $request, string $ready): JsonResponse
    {
        $pattern = $this->data->readySessions()[$ready] ?? abort(404);
        $day = Weekday::tryFrom($request->string('day', 'mon')->toString()) ?? throw UnusableInput::at('/day', 'is no day of the week');
        $id = $request->query('client');
        $client = is_string($id) ? Client::query()->seenBy($this->trainer())->whereKey($id)->firstOrFail() : null;
        $person = $client === null ? null : $this->boards->person($client);
        $style = $client === null ? $this->data->style(DataFolder::DEFAULT_STYLE) : $this->boards->style($client);
        $goal = $person === null ? null : GoalRule::for($person, $this->data->goals());
        $session = (new ReadyFill($this->data->library(), $style, $goal, $person))->on($day, $pattern)
            ?? throw UnusableInput::at('/', 'nothing of this session is open to the client');

        return new JsonResponse(['session' => SessionJson::write($session)]);
    }
}
