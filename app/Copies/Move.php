<?php

declare(strict_types=1);

namespace App\Copies;

use App\Models\Studio;
use App\Support\Happened;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/**
 * A studio on its way to another database of whoever runs both: its take-out, and beside it what a take-out leaves behind and a move must
 * not, which is passwords, second factors, links that were handed out, and the numbers that devices know. Only the lists of what can be
 * undone, and who is signed in, stay behind. Nothing of it is to be kept in a file.
 */
final class Move
{
    public const FORMAT = 'even-rungs/move';

    /** Tables whose rows go as they are. */
    private const AS_THEY_ARE = ['links', 'home_pages', 'calendar_links'];

    /** What a trainer's row has beside what the take-out says of them. */
    private const OF_TRAINERS = ['password', 'code_secret', 'code_confirmed_at', 'code_step', 'recovery_codes', 'doses'];

    public function __construct(private readonly TakeOutDocument $takesOut, private readonly ReadIn $readsIn)
    {
    }

    public function out(Studio $studio): string
    {
        return DB::transaction(fn (): string => json_encode([
            'format' => self::FORMAT,
            'take_out' => $this->takesOut->studio($studio),
            'studio' => $studio->id,
            'clients' => $this->takesOut->clients,
            'people' => array_map(static fn (object $row): array => [
                ...(array) $row,
                // another cluster encrypts with a key of its own
                'code_secret' => $row->code_secret === null ? null : base64_encode(Crypt::decryptString($row->code_secret)),
            ], DB::table('trainers')->where('studio_id', $studio->id)->get(['id', 'email', ...self::OF_TRAINERS])->all()),
            'rows' => array_map(
                static fn (string $table): array => DB::table($table)->where('studio_id', $studio->id)->orderBy('id')->get()->all(),
                array_combine(self::AS_THEY_ARE, self::AS_THEY_ARE),
            ),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
    }

    /**
     * Everything or nothing; what was read in gives the same take-out as where it came from.
     *
     * @throws UnusableInput
     */
    public function in(string $text): Studio
    {
        $moved = json_decode($text, true);
        if (! is_array($moved) || ($moved['format'] ?? null) !== self::FORMAT) {
            throw UnusableInput::at('/format', 'this is no studio on its way');
        }
        $people = array_column($moved['people'], null, 'email');

        return DB::transaction(function () use ($moved, $people): Studio {
            $same = new SameIds($moved['studio'], array_column($people, 'id', 'email'), $moved['clients']);
            $studio = $this->readsIn->studio($moved['take_out'], $same);
            foreach ($people as $each) {
                DB::table('trainers')->where('id', $each['id'])->update([
                    ...array_intersect_key($each, array_flip(self::OF_TRAINERS)),
                    'code_secret' => is_string($each['code_secret'])
                        ? Crypt::encryptString((string) base64_decode($each['code_secret'], true))
                        : null,
                ]);
            }
            foreach (self::AS_THEY_ARE as $table) {
                foreach ($moved['rows'][$table] as $row) {
                    DB::table($table)->insert($row);
                }
            }
            if ($this->takesOut->studio($studio) !== $moved['take_out']) {
                throw UnusableInput::at('/take_out', 'what was read in is not what was taken out');
            }
            Happened::write($studio->id, 'Moved to another cluster');

            return $studio;
        });
    }
}
