<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Client;

/**
 * Clients from a table that was kept elsewhere.
 */
final class ClientTableTest extends HttpTestCase
{
    private const TABLE = "name,born,goal,mon,thu,kit,limits\n"
        ."Wynn Capstan,1984,rehab,30,20,Band; wall,Sore shoulder: mild; kneeling\n"
        ."Maren Tidewell,,,,,,\n";

    public function test_a_table_is_shown_before_anybody_is_entered_and_then_all_are(): void
    {
        $this->signedIn();
        $before = Client::query()->count();
        $found = $this->api('POST', '/clients/table/check', ['csv' => self::TABLE])->assertOk()->json('clients');
        self::assertSame(['mon' => 30, 'thu' => 20], $found[0]['days']);
        self::assertSame([['band', 'wall'], ['shoulder, mild', 'kneeling']], [$found[0]['equipment'], $found[0]['limits']]);
        self::assertSame([false, true], array_column($found, 'is_here'), 'the second name is here already');
        self::assertSame($before, Client::query()->count());

        $this->api('POST', '/clients/table', ['csv' => explode('Maren', self::TABLE)[0]])->assertOk()->assertJsonPath('entered', 1);
        $board = $this->api('GET', '/clients/'.$this->clientNamed('Wynn Capstan')->id.'/board')->assertOk()->json();
        self::assertSame(['Sore shoulder', 'Sore on kneeling'], array_column($board['client']['limits'], 'name'));
        self::assertNull($board['week'], 'nobody is planned before the screen was asked');
    }

    public function test_everything_that_is_wrong_is_named_at_its_row_and_column_and_nobody_is_half_entered(): void
    {
        $this->signedIn();
        $before = Client::query()->count();
        $csv = "name,born,goal,mon,kit,limits\n"
            ."Wynn Capstan,84,rehab,30,,\n"
            ."wynn capstan,,flying,half an hour,Trampoline,Sore toe\n"
            .",,,,,wrist: bad\n";
        foreach (['/clients/table/check', '/clients/table'] as $path) {
            $errors = $this->api('POST', $path, ['csv' => $csv])->assertStatus(422)->json('errors');
            self::assertEqualsCanonicalizing([
                'row 2, column born', 'row 3, column name', 'row 3, column goal', 'row 3, column mon', 'row 3, column kit',
                'row 3, column limits', 'row 4, column name', 'row 4, column limits',
            ], array_column($errors, 'path'));
        }
        $this->api('POST', '/clients/table', ['csv' => "nom,born\nX,1980"])->assertStatus(422);
        $this->api('POST', '/clients/table', ['csv' => 'name'])->assertStatus(422);
        self::assertSame($before, Client::query()->count());
    }
}
