<?php

declare(strict_types=1);

namespace App\Library;

use App\Http\Body;
use App\Models\LadderChange;
use App\Models\OwnLadder;
use App\Models\OwnWord;
use App\Support\Controller;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Name;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/**
 * The ladders of the library and those of the studio's own, and the studio's own words.
 */
final class LadderController extends Controller
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly OwnLadders $own,
        private readonly DraftDocument $drafts,
        private readonly LadderDocument $documents,
        private readonly StudioTables $tables,
    ) {
    }

    public function index(): JsonResponse
    {
        $rows = OwnLadder::query()->ofStudio($this->trainer()->studio_id)->get()->keyBy('ladder');
        $shipped = $this->data->shippedLibrary();

        return new JsonResponse(['ladders' => array_map(static fn (Ladder $ladder): array => [
            'id' => $ladder->id,
            'name' => $ladder->name,
            'category' => $ladder->category->value,
            'rungs' => count($ladder->rungs),
            'least' => $ladder->rungs[0]->level->value,
            'most' => $ladder->rungs[count($ladder->rungs) - 1]->level->value,
            'kind' => match (true) {
                ($rows[$ladder->id]->document ?? null) === null => 'shipped',
                $shipped->hasLadder($ladder->id) => 'changed',
                default => 'own',
            },
        ], $this->data->library()->ladders)]);
    }

    public function show(string $ladder): JsonResponse
    {
        $row = $this->own->row($this->trainer()->studio_id, $ladder);
        $library = $this->data->library();
        $changes = LadderChange::query()->ofStudio($this->trainer()->studio_id)->where('ladder', $ladder)->ordered('id', 'desc')->get();
        abort_unless($library->hasLadder($ladder) || $changes->isNotEmpty(), 404);
        $document = $row->document ?? ($library->hasLadder($ladder) ? LibraryJson::document($library->ladder($ladder)) : null);

        return new JsonResponse([
            'id' => $ladder,
            'version' => $row->version ?? 0,
            'kind' => match (true) {
                $document === null => 'away',
                ($row->document ?? null) === null => 'shipped',
                $this->data->shippedLibrary()->hasLadder($ladder) => 'changed',
                default => 'own',
            },
            'copy_of' => $library->hasLadder($row->copy_of ?? '') ? $library->ladder($row->copy_of ?? '')->name : null,
            'in_place' => ($row->in_place ?? null) === true,
            'used' => $document === null || ($row->unused ?? null) === null,
            'ladder' => $document === null ? null : LadderDocument::objects($this->drafts->write($document)),
            'history' => $changes->map(static fn (LadderChange $change): array => [
                'label' => $change->label,
                'on' => $change->created_at->toIso8601String(),
                'moved' => count(array_filter($change->moves, static fn (array $move): bool => $move['from'] !== $move['to'])),
                'undone' => $change->undone,
            ])->all(),
        ]);
    }

    public function copy(string $ladder): JsonResponse
    {
        abort_unless($this->data->library()->hasLadder($ladder), 404);

        return new JsonResponse(['ladder' => LadderDocument::objects($this->drafts->copy($this->data->library()->ladder($ladder)))]);
    }

    /** Says what saving would do, and does nothing. */
    public function check(Request $request): JsonResponse
    {
        $body = Body::read($request, 'LadderDraftRequest');
        $document = $this->drafts->read($body, $body->optionalString('id'));

        return new JsonResponse($this->documents->affected($this->trainer()->studio_id, (string) $document['id'], $document));
    }

    /** Says what taking the studio's own ladder away would do. */
    public function checkRemove(string $ladder): JsonResponse
    {
        return new JsonResponse($this->documents->affected($this->trainer()->studio_id, $ladder, null));
    }

    public function save(Request $request): JsonResponse
    {
        $body = Body::read($request, 'LadderDraftRequest');
        $document = $this->drafts->read($body, $body->optionalString('id'));
        $id = (string) $document['id'];
        $library = $this->data->library();
        $new = ! $library->hasLadder($id);
        $this->own->save(
            $this->trainer(),
            $id,
            $body->optionalInt('version'),
            $document,
            $new ? sprintf('%s written', $document['name']) : sprintf('%s changed', $document['name']),
            $library->hasLadder($body->optionalString('copy_of') ?? '') ? $body->optionalString('copy_of') : null,
        );

        return $this->show($id);
    }

    public function use(Request $request, string $ladder): JsonResponse
    {
        $body = Body::read($request, 'LadderUseRequest');
        $this->own->use($this->trainer(), $ladder, $body->bool('for_all'), $body->bool('in_place'));

        return $this->show($ladder);
    }

    /** Says what reading a ladder from its document would do, and does nothing. */
    public function checkImport(Request $request): JsonResponse
    {
        $document = $this->documents->imported($request);

        return new JsonResponse($this->documents->affected($this->trainer()->studio_id, (string) $document['id'], $document));
    }

    public function import(Request $request): JsonResponse
    {
        $document = $this->documents->imported($request);
        $id = (string) $document['id'];
        $row = $this->own->row($this->trainer()->studio_id, $id);
        $this->own->save($this->trainer(), $id, $row->version ?? 0, $document, sprintf('%s read from a file', $document['name']));

        return $this->show($id);
    }

    public function export(string $ladder): Response
    {
        $library = $this->data->library();
        abort_unless($library->hasLadder($ladder), 404);

        return new Response(Json::encode(LibraryJson::writeLadder($library->ladder($ladder), true)), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => sprintf('attachment; filename="%s.json"', $ladder),
        ]);
    }

    public function remove(Request $request, string $ladder): JsonResponse
    {
        $version = Body::read($request, 'LadderVersionRequest')->int('version');
        $row = $this->own->row($this->trainer()->studio_id, $ladder);
        $name = $row?->document['name'] ?? null;
        abort_unless(is_string($name), 404);
        $this->own->save($this->trainer(), $ladder, $version, null, sprintf('%s taken away', $name));

        return $this->show($ladder);
    }

    public function undo(Request $request, string $ladder): JsonResponse
    {
        $version = Body::read($request, 'LadderVersionRequest')->int('version');
        $this->own->undo($this->trainer(), $ladder, $version);

        return $this->show($ladder);
    }

    public function words(): JsonResponse
    {
        $library = $this->data->library();

        return new JsonResponse(['words' => OwnWord::query()
            ->ofStudio($this->trainer()->studio_id)
            ->ordered('words')
            ->get()
            ->map(static fn (OwnWord $word): array => [
                'id' => $word->id,
                'words' => $word->words,
                'rung' => $word->rung,
                'name' => $library->hasRung($word->rung) ? $library->rung($word->rung)->name : null,
            ])->all()]);
    }

    public function addWord(Request $request): JsonResponse
    {
        $body = Body::read($request, 'WordRequest');
        $library = $this->data->library();
        $words = trim($body->string('words'));
        $key = Name::key($words);
        if ($key === '') {
            throw UnusableInput::at('/words', 'needs at least one letter or digit');
        }
        if (! $library->hasRung($body->string('rung'))) {
            throw UnusableInput::at('/rung', 'is not a rung of the library');
        }
        $known = $library->find($words);
        if ($known !== null) {
            throw UnusableInput::at('/words', sprintf('already means %s', $known->name));
        }
        DB::transaction(fn () => OwnWord::query()->updateOrCreate(
            ['studio_id' => $this->trainer()->studio_id, 'key' => mb_substr($key, 0, 200)],
            ['words' => $words, 'rung' => $body->string('rung')],
        ));
        $this->tables->changed();

        return $this->words();
    }

    public function removeWord(string $word): JsonResponse
    {
        OwnWord::query()->ofStudio($this->trainer()->studio_id)->whereKey($word)->firstOrFail()->delete();
        $this->tables->changed();

        return $this->words();
    }
}
