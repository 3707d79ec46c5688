<?php

declare(strict_types=1);

namespace App\Copies;

use App\Models\Studio;
use App\Support\Happened;
use EvenRungs\Formats\UnusableInput;
use Generator;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use JsonException;

/**
 * A studio on its way to another database of whoever runs both, line by line: its take-out, and beside it what a take-out leaves behind
 * and a move must not, which is passwords, second factors, links that were handed out, and the numbers that devices know. Only the lists of
 * what can be undone, and who is signed in, stay behind. Nothing of it is to be kept in a file.
 */
final class MoveDocument
{
    private const FORMAT = 'even-rungs/move';

    /** Tables whose rows go as they are. */
    private const AS_THEY_ARE = ['links', 'home_pages', 'calendar_links'];

    /** What a trainer's row has beside what the take-out says of them. */
    private const OF_TRAINERS = ['password', 'code_secret', 'code_confirmed_at', 'code_step', 'recovery_codes', 'doses'];

    public function __construct(private readonly TakeOutDocument $takesOut, private readonly ReadIn $readsIn)
    {
    }

    /** @return Generator<int, string> the studio, then a line for each client */
    public function out(Studio $studio): Generator
    {
        yield self::line([
            'format' => self::FORMAT,
            'head' => $this->takesOut->head($studio),
            'studio' => $studio->id,
            'clients' => DB::table('clients')->where('studio_id', $studio->id)->count(),
            'people' => array_map(static fn (object $row): array => [
                ...(array) $row,
                // another cluster encrypts with a key of its own
                'code_secret' => $row->code_secret === null ? null : base64_encode(Crypt::decryptString($row->code_secret)),
            ], DB::table('trainers')->where('studio_id', $studio->id)->orderBy('id')->get(['id', 'email', ...self::OF_TRAINERS])->all()),
            'rows' => array_map(
                static fn (string $table): array => DB::table($table)->where('studio_id', $studio->id)->orderBy('id')->get()->all(),
                array_combine(self::AS_THEY_ARE, self::AS_THEY_ARE),
            ),
        ]);
        foreach ($this->takesOut->clients($studio) as $id => $client) {
            yield self::line(['id' => $id, 'client' => $client]);
        }
    }

    /**
     * Everything or nothing; what was read in gives the same take-out as where it came from.
     *
     * @param  iterable<string>  $lines
     *
     * @throws UnusableInput
     */
    public function in(iterable $lines): Studio
    {
        return DB::transaction(function () use ($lines): Studio {
            $sums = [];
            $moved = (static function () use ($lines, &$sums): Generator {
                foreach ($lines as $line) {
                    $sums[] = hash('sha256', $line);
                    yield self::read($line);
                }
            })();
            $first = $moved->valid() ? $moved->current() : [];
            if (($first['format'] ?? null) !== self::FORMAT) {
                throw UnusableInput::at('/format', 'this is no studio on its way');
            }
            $studio = $this->readsIn->whole(
                (array) $first['head'],
                self::clients($moved),
                TakenOutDocument::text($first, 'studio', 26),
                array_column(TakenOutDocument::list($first, 'people'), 'id', 'email'),
            );
            $this->complete($first);
            $again = [];
            foreach ($this->out($studio) as $line) {
                $again[] = hash('sha256', $line);
            }
            if ($again !== $sums) {
                throw UnusableInput::at('/', 'what was read in is not what was taken out, or not all of it came');
            }
            Happened::write($studio->id, 'Moved to another cluster');

            return $studio;
        });
    }

    /**
     * @param  Generator<int, array<string, mixed>>  $moved  at its first line
     * @return Generator<string, array<string, mixed>>
     */
    private static function clients(Generator $moved): Generator
    {
        for ($moved->next(); $moved->valid(); $moved->next()) {
            $line = $moved->current();
            yield TakenOutDocument::text($line, 'id', 26) => (array) $line['client'];
        }
    }

    /**
     * What the take-out left behind.
     *
     * @param  array<string, mixed>  $first
     */
    private function complete(array $first): void
    {
        foreach (TakenOutDocument::list($first, 'people') as $each) {
            $row = array_intersect_key($each, array_flip(self::OF_TRAINERS));
            if (is_string($row['code_secret'])) {
                $row['code_secret'] = Crypt::encryptString((string) base64_decode($row['code_secret'], true));
            }
            DB::table('trainers')->where('id', $each['id'])->update($row);
        }
        foreach (self::AS_THEY_ARE as $table) {
            foreach (TakenOutDocument::list((array) $first['rows'], $table) as $row) {
                DB::table($table)->insert($row);
            }
        }
    }

    /** @param  array<string, mixed>  $what */
    private static function line(array $what): string
    {
        return json_encode($what, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }

    /**
     * @return array<string, mixed>
     *
     * @throws UnusableInput
     */
    private static function read(string $line): array
    {
        try {
            $read = json_decode($line, false, 512, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            $read = null;
        }

        return is_object($read) ? get_object_vars($read) : throw UnusableInput::at('/', 'this is no studio on its way, or it broke off');
    }
}
