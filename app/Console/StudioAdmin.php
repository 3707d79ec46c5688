<?php

declare(strict_types=1);

namespace App\Console;

use App\Accounts\Links;
use App\Accounts\Role;
use App\Accounts\Studios;
use App\Clients\Erasure;
use App\Copies\ReadIn;
use App\Copies\TakeOutDocument;
use App\Models\Studio;
use App\Support\Happened;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * Studios, from the shell of whoever owns the machine.
 */
final class StudioAdmin extends Command
{
    protected $signature = 'studio {act : new, list, rename, remove, take-out, read-in or welcome} {words?* : what the act '
        .'needs} {--yes : remove without asking for the name}';

    protected $description = 'Make, list, rename or remove studios';

    public function handle(Links $links, Studios $studios): int
    {
        $act = $this->argument('act');
        $words = array_values(array_map(strval(...), (array) $this->argument('words')));
        try {
            return DB::transaction(fn (): int => match (true) {
                $act === 'new' && count($words) === 3 => $this->begin($words, $links, $studios),
                $act === 'list' && $words === [] => $this->list(),
                $act === 'rename' && count($words) === 2 => $this->rename($words),
                $act === 'remove' && count($words) === 1 => $this->remove($words[0]),
                $act === 'take-out' && count($words) === 1 => $this->takeOut($words[0]),
                $act === 'read-in' && count($words) === 1 => $this->readIn($words[0]),
                $act === 'welcome' && $words === [] => $this->welcome($links),
                default => $this->usage(),
            });
        } catch (UnusableInput $e) {
            $this->error(ltrim($e->problems[0]->path.': '.$e->problems[0]->message, '/: '));

            return self::FAILURE;
        }
    }

    /** @param  list<string>  $words */
    private function begin(array $words, Links $links, Studios $studios): int
    {
        [$name, $email, $owner] = $words;
        $studio = Studio::query()->create(['name' => Studios::name($name, '/name')]);
        Happened::write($studio->id, 'Made from the shell');
        $token = $links->issue(
            Links::INVITATION,
            [
                'studio_id' => $studio->id,
                'name' => Studios::name($owner, '/name'),
                'email' => $studios->free($email),
                'role' => Role::Owner,
            ],
        );
        $this->line(sprintf('%s is there. Its owner opens this link, once, within 7 days:', $studio->name));
        $this->line('  '.Links::address('/join/'.$token));

        return self::SUCCESS;
    }

    private function list(): int
    {
        foreach (Studio::query()->orderBy('created_at')->get() as $studio) {
            $count = static fn (string $table): int => DB::table($table)->where('studio_id', $studio->id)->count();
            $this->line(sprintf('%s: %d people, %d clients', $studio->name, $count('trainers'), $count('clients')));
        }

        return self::SUCCESS;
    }

    /** @param  list<string>  $words */
    private function rename(array $words): int
    {
        $studio = self::named($words[0]);
        $studio->update(['name' => Studios::name($words[1], '/name')]);
        Happened::write($studio->id, 'Renamed from the shell', $studio->name);
        $this->line(sprintf('Renamed to %s.', $studio->name));

        return self::SUCCESS;
    }

    private function remove(string $name): int
    {
        $studio = self::named($name);
        if (
            ! $this->option('yes')
            && $this->ask(sprintf(
                'Everything of %s goes: people, clients, programs, logs. Type its name to remove it',
                $studio->name,
            )) !== $studio->name
        ) {
            $this->error('Nothing was removed.');

            return self::FAILURE;
        }
        Erasure::studio($studio->id);
        $this->line(sprintf('%s is removed. Backups still hold it until they are gone.', $studio->name));

        return self::SUCCESS;
    }

    private function takeOut(string $name): int
    {
        $this->output->write(app(TakeOutDocument::class)->studio(self::named($name)), false, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    private function readIn(string $file): int
    {
        $text = @file_get_contents($file);
        if ($text === false) {
            throw UnusableInput::at('/', sprintf('%s cannot be read.', $file));
        }
        $studio = app(ReadIn::class)->studio($text);
        $this->line(sprintf('%s is read in. Nobody of it can sign in yet: ./even-rungs trainer reset-password EMAIL', $studio->name));

        return self::SUCCESS;
    }

    /** What start says while nobody has a studio yet: the link to set it up. */
    private function welcome(Links $links): int
    {
        if (! Studio::query()->exists()) {
            $this->line(Links::address('/set-up/'.$links->setUp()));
        }

        return self::SUCCESS;
    }

    /** @throws UnusableInput */
    private static function named(string $name): Studio
    {
        $found = Studio::query()->where('name', $name)->get();

        return count($found) === 1 ? $found->firstOrFail() : throw UnusableInput::at(
            '/',
            sprintf(
                $found->isEmpty()
                    ? 'There is no studio "%s"; ./even-rungs studio list names them.'
                    : 'There is more than one studio "%s"; rename one first.',
                $name,
            ),
        );
    }

    private function usage(): int
    {
        $this->line('studio new NAME EMAIL OWNER · studio list · studio rename NAME NEW · studio remove NAME [--yes] · studio '
            .'take-out NAME · studio read-in FILE');

        return self::INVALID;
    }
}
