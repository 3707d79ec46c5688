<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Change;
use App\Models\Client;
use App\Models\OwnStyle;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * House styles of a studio's own: a copy of another with single choices changed.
 *
 * @phpstan-type StyleDocument array{
 *     id: string, name: string, summary: string, from: string,
 *     choices: array<string, mixed>, plan: array<string, mixed>, numbers: array<string, mixed>,
 * }
 */
final class OwnStyles
{
    private const MOST = 30;

    public function __construct(
        private readonly DataFolder $data,
        private readonly StudioTables $tables,
        private readonly Ledger $ledger,
    ) {
    }

    /**
     * Copies a style, or changes one of the studio's own.
     *
     * @return string its id
     *
     * @throws UnusableInput
     */
    public function save(Trainer $trainer, Node $body): string
    {
        return DB::transaction(function () use ($trainer, $body): string {
            $from = $body->string('from');
            if (! in_array($from, $this->data->styleNames(), true)) {
                throw UnusableInput::at('/from', sprintf('there is no house style "%s"', $from));
            }
            $base = $this->data->styleDocument($from);
            $own = OwnStyle::query()->ofStudio($trainer->studio_id)->where('style', $from)->locked()->first();
            $copies = ! $body->bool('change') || $own === null;
            $id = $copies ? 'own-'.Str::slug($body->string('name')) : $from;
            $this->checkName($trainer, $id, $body->string('name'), $copies);
            $document = [
                'id' => $id,
                'name' => trim($body->string('name')),
                'summary' => $copies ? sprintf('Copied from %s.', $base->string('name')) : $base->string('summary'),
                'from' => $copies ? $from : $base->optionalString('from') ?? $from,
                'choices' => $base->opaque('choices') ?? [],
                'plan' => $base->opaque('plan') ?? [],
                'numbers' => $base->opaque('numbers') ?? [],
            ];
            $before = [$document['plan'], $document['numbers'], $document['choices']];
            foreach ($body->child('choices')->keys() as $question) {
                $document = $this->choose($document, $question, $body->child('choices')->string($question));
            }
            if (! $copies && $before !== [$document['plan'], $document['numbers'], $document['choices']]) {
                $this->ask($trainer, $id, $document['name']);
            }
            OwnStyle::query()->updateOrCreate(['studio_id' => $trainer->studio_id, 'style' => $id], ['document' => $document]);
            $this->tables->changed();

            return $id;
        });
    }

    private function checkName(Trainer $trainer, string $id, string $name, bool $copies): void
    {
        if ($id === 'own-') {
            throw UnusableInput::at('/name', 'needs at least one letter or digit');
        }
        if ($copies && in_array($id, $this->data->styleNames(), true)) {
            throw UnusableInput::at('/name', sprintf('there is a style called "%s" already', $name));
        }
        if ($copies && OwnStyle::query()->ofStudio($trainer->studio_id)->count() >= self::MOST) {
            throw UnusableInput::at('/name', sprintf('there are %d styles of your own already', self::MOST));
        }
    }

    /**
     * What the new side sets goes before what the copied style wrote itself.
     *
     * @param  StyleDocument  $document
     * @return StyleDocument
     */
    private function choose(array $document, string $question, string $side): array
    {
        $questions = $this->data->styleQuestions();
        if (! $questions->has($question) || ! $questions->child($question)->child('sides')->has($side)) {
            throw UnusableInput::at('/choices/'.$question, 'is not a choice there is');
        }
        if (($document['choices'][$question] ?? null) === $side) {
            return $document;
        }
        $chosen = $questions->child($question)->child('sides')->child($side);
        $document['choices'][$question] = $side;
        $document['plan'] = array_diff_key($document['plan'], $chosen->opaque('plan') ?? []);
        $document['numbers'] = array_diff_key($document['numbers'], $chosen->opaque('numbers') ?? []);

        return $document;
    }

    /** Whoever follows the style keeps their program until they are asked, one by one. */
    private function ask(Trainer $trainer, string $id, string $name): void
    {
        foreach (Client::query()->ofStudio($trainer->studio_id)->where('style', $id)->locked()->get() as $client) {
            if ($this->ledger->hasProgram($client)) {
                $client->plan_asked = array_values(array_unique([...$client->plan_asked ?? [], sprintf('the answers of %s', $name)]));
                $client->version++;
                $client->save();
            }
        }
    }

    /** @throws UnusableInput where a client follows it */
    public function remove(Trainer $trainer, string $id): void
    {
        DB::transaction(function () use ($trainer, $id): void {
            $row = OwnStyle::query()->ofStudio($trainer->studio_id)->where('style', $id)->locked()->firstOrFail();
            $followers = Client::query()->ofStudio($trainer->studio_id)->where('style', $id)->pluck('name')->all();
            if ($followers !== []) {
                throw UnusableInput::at(
                    '/',
                    sprintf('%s still %s it', implode(', ', array_slice($followers, 0, 5)), count($followers) === 1 ? 'follows' : 'follow'),
                );
            }
            // nothing can be undone back into a style that is gone
            $mentions = Change::query()->whereIn('client_id', Client::query()->ofStudio($trainer->studio_id)->select('id'))
                ->where(static function (Builder $query) use ($id): void {
                    $query->where('before->style', $id)->orWhere('after->style', $id);
                })->distinct()->pluck('client_id');
            Change::query()->whereIn('client_id', $mentions)->delete();
            $row->delete();
            $this->tables->changed();
        });
    }
}
