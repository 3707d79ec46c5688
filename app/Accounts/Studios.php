<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Studio;
use App\Models\Trainer;
use DateTimeZone;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Log\Band;
use EvenRungs\Core\Log\Bands;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Studios and who works in them, as they come to be.
 */
final class Studios
{
    /**
     * @param  ?list<string>  $emergency  null for the usual steps
     *
     * @throws UnusableInput at the field
     */
    public function begin(
        string $name,
        Node $settings,
        ?array $emergency,
        string $owner,
        string $email,
        #[\SensitiveParameter] string $password,
    ): Trainer {
        $problems = [];
        $checks = [
            fn (): string => self::name(
                $name,
                '/studio',
            ), fn (): string => self::name($owner, '/name'), fn (): string => $this->free($email),
            static fn () => NewPassword::check($password, [$email, $owner, $name]), static fn (): array => self::settings($settings),
        ];
        foreach ($checks as $check) {
            try {
                $check();
            } catch (UnusableInput $e) {
                $problems = [...$problems, ...$e->problems];
            }
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }
        $studio = Studio::query()->create(
            ['name' => self::name($name, '/studio'), 'emergency_steps' => $emergency, ...self::settings($settings)],
        );

        return $this->join($studio, $owner, $email, Role::Owner, $password);
    }

    /** @throws UnusableInput at the field */
    public function join(Studio $studio, string $name, string $typedEmail, Role $role, #[\SensitiveParameter] string $password): Trainer
    {
        $email = $this->free($typedEmail);
        $name = self::name($name, '/name');
        NewPassword::check($password, [$email, $name, $studio->name]);

        return Trainer::query()->create(
            ['studio_id' => $studio->id, 'name' => $name, 'email' => $email, 'password' => $password, 'role' => $role],
        );
    }

    /** @throws UnusableInput at /email where it is no address, or somebody has it */
    public function free(string $typed): string
    {
        $email = Address::clean($typed);
        if (Trainer::query()->where('email', $email)->exists()) {
            throw UnusableInput::at('/email', 'Somebody has an account with this address already.');
        }

        return $email;
    }

    /** @throws UnusableInput at the field where nothing is left of it */
    public static function name(string $typed, string $at): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $typed));
        if ($name === '') {
            throw UnusableInput::at($at, 'This cannot be empty.');
        }

        return $name;
    }

    /**
     * @return array<string, string> columns
     *
     * @throws UnusableInput at /settings/time_zone
     */
    public static function settings(Node $settings): array
    {
        $columns = [];
        foreach (Studio::SETTINGS as $each) {
            if ($settings->has($each)) {
                $columns[$each] = $settings->string($each);
            }
        }
        if (isset($columns['time_zone']) && ! in_array($columns['time_zone'], DateTimeZone::listIdentifiers(), true)) {
            throw UnusableInput::at('/settings/time_zone', 'There is no such time zone. Write it as in Europe/Oslo.');
        }

        return $columns;
    }

    /**
     * @param  list<string>  $typed
     * @return list<string>|null what is not empty; null for the usual steps
     */
    public static function emergencySteps(array $typed): ?array
    {
        $steps = array_values(array_filter(array_map(trim(...), $typed), static fn (string $step): bool => $step !== ''));

        return $steps === [] ? null : $steps;
    }

    /**
     * @return list<array{name: string, colour: string, pull_kg?: int|float}>|null lightest first; null for none
     *
     * @throws UnusableInput at the band that cannot be
     */
    public static function bands(Node $body): ?array
    {
        $bands = [];
        $written = $body->each('bands', static function (Node $each) use (&$bands): array {
            $band = new Band(
                self::name($each->string('name'), $each->path('name')),
                $each->string('colour'),
                $each->optionalNumber('pull_kg'),
            );
            try {
                $bands = Bands::of([...$bands, $band])->bands;
            } catch (InvalidValue $e) {
                throw UnusableInput::of($each->path('name'), $e);
            }

            return ['name' => $band->name, 'colour' => $band->colour, ...($band->pullKg === null ? [] : ['pull_kg' => $band->pullKg])];
        });

        return $written === [] ? null : $written;
    }

    /**
     * @return array<string, ?int> how many pieces there are, by kit id, as they are written; null for as many as are needed
     *
     * @throws UnusableInput where there is no such kit
     */
    public static function kit(Node $body, Library $library): array
    {
        $kit = [];
        $counted = $body->optionalChild('kit');
        foreach ($counted?->keys() ?? [] as $piece) {
            if ($counted === null || ! isset($library->equipment[$piece])) {
                throw UnusableInput::at('/kit/'.$piece, sprintf('there is no kit "%s"', $piece));
            }
            $kit[$piece] = $counted->optionalInt($piece);
        }

        return $kit;
    }

    /** Lets nobody in with this account any more, now; what they did keeps their name. */
    public function disable(Trainer $trainer): void
    {
        $this->keepAnOwner($trainer);
        $trainer->update(['disabled_at' => Carbon::now()]);
        DB::table('sessions')->where('user_id', $trainer->id)->delete();
    }

    /** @throws UnusableInput where the studio would be left without an owner */
    public function promote(Trainer $trainer, Role $role): void
    {
        if ($role !== Role::Owner) {
            $this->keepAnOwner($trainer);
        }
        $trainer->update(['role' => $role]);
    }

    private function keepAnOwner(Trainer $leaving): void
    {
        $owners = Trainer::query()->ofStudio($leaving->studio_id)->where(
            'role',
            Role::Owner,
        )->where('disabled_at', null)->locked()->pluck('id')->all();
        if ($owners === [$leaving->id]) {
            throw UnusableInput::at('/', 'A studio keeps one owner. Make somebody else an owner first.');
        }
    }
}
