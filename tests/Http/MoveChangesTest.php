<?php

declare(strict_types=1);

namespace Tests\Http;

/**
 * A move answers the pages with what it changed, and that is everything that changed.
 */
final class MoveChangesTest extends HttpTestCase
{
    public function test_what_a_move_changed_laid_over_the_board_of_before_is_the_board_after(): void
    {
        $this->signedIn();
        $left = 0;
        foreach (['Maren Tidewell', 'Bea Thwart', 'Tove Rudder'] as $name) {
            $path = '/clients/'.$this->clientNamed($name)->id;
            for ($i = 0; $i < 5; $i++) {
                $before = $this->api('GET', $path.'/board')->json();
                $mayMove = static fn (array $each): bool => ($each['up'] ?? $each['down']) !== null;
                $moving = array_values(array_filter($before['ladders'], $mayMove));
                $ladder = $moving[(7 * $i) % count($moving)];
                $changes = $this->api('POST', $path.'/moves', [
                    'version' => $before['version'],
                    'rung' => $ladder[$i % 2 === 0 ? 'up' : 'down'] ?? $ladder['up'] ?? $ladder['down'],
                    'changes_only' => true,
                ])->assertOk()->json();
                $changed = array_column($changes['ladders'], null, 'id');
                $laid = [...$before, ...$changes['board'], 'ladders' => array_map(
                    static fn (array $each): array => $changed[$each['id']] ?? $each,
                    $before['ladders'],
                )];

                self::assertEquals($this->api('GET', $path.'/board')->json(), $laid, $ladder['id']);
                self::assertSame($before['version'], $changes['since']);
                $left += count($before['ladders']) - count($changed);
            }
        }
        self::assertGreaterThan(300, $left, 'most ladders stay as they are, and are not sent');
    }
}
