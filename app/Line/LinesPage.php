<?php

declare(strict_types=1);

namespace App\Line;

use App\Models\Client;
use App\Models\LineCheck;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Review\Line\JudgedLine;
use EvenRungs\Core\Review\Line\LineJudge;
use EvenRungs\Formats\LineJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

/**
 * What pages show of lines: one that was judged, and all that are kept of a client.
 */
final class LinesPage
{
    public function __construct(private readonly DataFolder $data, private readonly KeptLines $kept)
    {
    }

    /** @return array<string, mixed> a judged line with the faults it suggests, each with the rung's cue */
    public function judged(Rung $rung, JudgedLine $line): array
    {
        return [
            'line' => LineJson::write($line),
            'suggests' => array_map(fn (string $fault): array => $this->suggested($rung, $fault), $line->faults),
        ];
    }

    /** @return array{id: string, name: string, cue: string} */
    public function suggested(Rung $rung, string $fault): array
    {
        $known = $this->data->library()->faults[$fault];

        return ['id' => $fault, 'name' => $known->name, 'cue' => $rung->coaching()->cue($fault) ?? $known->text];
    }

    /** @return array<string, mixed> */
    public function of(Client $client): array
    {
        $consent = $this->kept->consent($client);
        $columns = ['id', 'on', 'rung', 'marks', 'width', 'height', 'faults'];
        $rows = LineCheck::query()->ofClient($client)->ordered('on')->ordered('id')->get(
            [...$columns, DB::raw('picture is not null as has_picture')],
        );

        return [
            'consent' => $consent === null ? null : $consent->only(['given_by', 'name', 'on']),
            'needs_guardian' => $this->kept->needsGuardian($client),
            'lines' => array_values(array_filter(array_map($this->row(...), $rows->all()))),
        ];
    }

    /** @return array<string, mixed>|null null where its exercise is no more */
    private function row(LineCheck $row): ?array
    {
        try {
            [$rung, $marks] = LineJson::read(
                new Node(['format' => LineJson::FORMAT, 'version' => 1, 'rung' => $row->rung, ...$row->marks]),
                $this->data->library(),
            );
        } catch (UnusableInput) {
            return null;
        }

        return [
            'id' => $row->id,
            'on' => $row->on,
            'rung' => $rung->id,
            'name' => $rung->name,
            'width' => $row->width,
            'height' => $row->height,
            'marks' => (object) $row->marks,
            'faults' => $row->faults,
            'has_picture' => $row->has_picture,
            ...$this->judged($rung, LineJudge::judge($rung, $marks)),
        ];
    }
}
