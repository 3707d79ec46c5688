<?php

declare(strict_types=1);

namespace App\Console;

use App\Accounts\Address;
use App\Accounts\Links;
use App\Accounts\Role;
use App\Accounts\SecondFactor;
use App\Accounts\Studios;
use App\Models\Studio;
use App\Models\Trainer;
use App\Support\Happened;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * People of a studio, from the shell of whoever owns the machine.
 */
final class TrainerAdmin extends Command
{
    protected $signature = 'trainer {act : new, list, reset-password or disable} {words?* : what the act needs} {--role=trainer '
        .': owner, trainer or reader} {--studio= : where there is more than one} {--drop-second-factor : with reset-password, '
            .'for an authenticator that is lost}';

    protected $description = 'Invite, disable and let in again';

    public function handle(Links $links, Studios $studios, SecondFactor $codes): int
    {
        $act = $this->argument('act');
        $words = array_values(array_map(strval(...), (array) $this->argument('words')));
        try {
            return DB::transaction(fn (): int => match (true) {
                $act === 'new' && count($words) === 2 => $this->invite($words, $links, $studios),
                $act === 'list' && $words === [] => $this->list(),
                $act === 'reset-password' && count($words) === 1 => $this->resetPassword(self::at($words[0]), $links, $codes),
                $act === 'disable' && count($words) === 1 => $this->disable(self::at($words[0]), $studios),
                default => $this->usage(),
            });
        } catch (UnusableInput $e) {
            $this->error($e->problems[0]->message);

            return self::FAILURE;
        }
    }

    /** @param  list<string>  $words */
    private function invite(array $words, Links $links, Studios $studios): int
    {
        [$email, $name] = $words;
        $role = Role::tryFrom(
            is_string($this->option('role')) ? $this->option('role') : '',
        ) ?? throw UnusableInput::at('/role', 'A role is owner, trainer or reader.');
        $studio = $this->studio();
        $token = $links->issue(
            Links::INVITATION,
            ['studio_id' => $studio->id, 'name' => Studios::name($name, '/name'), 'email' => $studios->free($email), 'role' => $role],
        );
        Happened::write($studio->id, 'Invited from the shell', sprintf('%s as %s', $name, $role->value));
        $this->line(sprintf('%s joins %s as %s by opening this link, once, within 7 days:', $name, $studio->name, $role->value));
        $this->line('  '.Links::address('/join/'.$token));

        return self::SUCCESS;
    }

    private function list(): int
    {
        foreach (Trainer::query()->with('studio')->ordered('name')->get() as $each) {
            $this->line(
                sprintf(
                    '%s  %s, %s of %s%s',
                    $each->email,
                    $each->name,
                    $each->role->value,
                    $each->studio->name,
                    $each->disabled_at === null ? '' : ', disabled',
                ),
            );
        }

        return self::SUCCESS;
    }

    private function resetPassword(Trainer $trainer, Links $links, SecondFactor $codes): int
    {
        if ($this->option('drop-second-factor')) {
            $codes->end($trainer);
        }
        Happened::write($trainer->studio_id, 'Made a link for a new password from the shell', $trainer->name);
        $this->line(sprintf('%s chooses a new password by opening this link, once, within 7 days:', $trainer->name));
        $this->line('  '.Links::address('/new-password/'.$links->newPassword($trainer, '')));

        return self::SUCCESS;
    }

    private function disable(Trainer $trainer, Studios $studios): int
    {
        $studios->disable($trainer);
        Happened::write($trainer->studio_id, 'Disabled from the shell', $trainer->name);
        $this->line(sprintf('%s is signed out everywhere and comes in no more.', $trainer->name));

        return self::SUCCESS;
    }

    /** @throws UnusableInput */
    private function studio(): Studio
    {
        $named = $this->option('studio');
        $found = Studio::query()->when($named !== null, static fn ($query) => $query->where('name', $named))->get();

        return count($found) === 1 ? $found->firstOrFail() : throw UnusableInput::at(
            '/studio',
            $found->isEmpty()
                ? 'There is no such studio; ./even-rungs studio list names them.'
                : 'There is more than one studio; say which with --studio=NAME.',
        );
    }

    /** @throws UnusableInput */
    private static function at(string $email): Trainer
    {
        return Trainer::query()->where('email', Address::clean($email))->first() ?? throw UnusableInput::at(
            '/email',
            sprintf('Nobody has the address %s; ./even-rungs trainer list names everybody.', $email),
        );
    }

    private function usage(): int
    {
        $this->line('trainer new EMAIL NAME [--role=owner|trainer|reader] [--studio=NAME] · trainer list · trainer '
            .'reset-password EMAIL [--drop-second-factor] · trainer disable EMAIL');

        return self::INVALID;
    }
}
