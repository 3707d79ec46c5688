<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * What a screen reader says of the wall and the floor, as the browser tells it.
 */
final class SpokenTest extends BrowserTestCase
{
    /** @return array<string, list<string>> names by role, of what is shown */
    private function spoken(): array
    {
        $spoken = [];
        foreach ($this->tools()->execute('Accessibility.getFullAXTree')['nodes'] as $node) {
            if (! $node['ignored']) {
                $spoken[$node['role']['value']][] = $node['name']['value'] ?? '';
            }
        }

        return $spoken;
    }

    /** @param  array<string, list<string>>  $spoken */
    private static function assertAllAreNamed(array $spoken): void
    {
        foreach (['button', 'link', 'textbox', 'combobox', 'checkbox', 'timer', 'image', 'region', 'navigation', 'heading'] as $role) {
            self::assertNotContains('', array_map(trim(...), $spoken[$role] ?? []), "a {$role} has no name");
        }
    }

    public function test_every_rung_of_the_wall_says_its_level_who_stands_there_and_what_bars_it(): void
    {
        $this->signIn();
        $client = $this->client('Maren Tidewell');
        $this->open("/clients/{$client}/wall");
        $this->css('[data-standing]');
        $spoken = $this->spoken();
        self::assertContains('Wall of ladders', $spoken['group']);
        self::assertContains('Rung', $spoken['complementary']);
        $asked = 0;
        $ladders = $this->api("/clients/{$client}/board")['ladders'];
        foreach (array_filter($ladders, static fn (array $each): bool => $each['in_week']) as $ladder) {
            foreach ($ladder['rungs'] as $rung) {
                // a rung is called by its name, the ladder's left out where it begins with it
                $name = (string) preg_replace('/^'.preg_quote($ladder['name'], '/').', /i', '', $rung['name']);
                $words = implode(', ', array_filter([
                    "level {$rung['level']}",
                    ($ladder['standing']['rung'] ?? '') === $rung['id'] ? 'stands here, step '.($ladder['standing']['step'] + 1).' of '
                        .count($rung['steps']) : '',
                    $ladder['up'] === $rung['id'] ? 'next' : '',
                    ...$rung['reasons'],
                ]));
                $plain = static fn (string $said): string => (string) preg_replace('/ (?=,)|, (planned from week \d+|the aim)/', '', $said);
                $said = array_map($plain, $spoken['button']);
                $names = [ucfirst($name).', '.$words, $rung['name'].', '.$words];
                self::assertNotSame([], array_intersect($names, $said), implode(' or ', $names));
                $asked++;
            }
        }
        self::assertGreaterThan(30, $asked);
    }

    public function test_the_floor_names_its_clock_its_figure_and_everything_to_tap(): void
    {
        $this->signIn();
        $this->open('/clients/'.$this->client('Maren Tidewell').'/week?week=1');
        $this->button('Run')->click();
        $this->button('Start');
        self::assertAllAreNamed($this->spoken());
        $this->startWarm();
        $this->button('Pause');
        $spoken = $this->spoken();
        self::assertAllAreNamed($spoken);
        self::assertSame(['Count'], $spoken['timer']);
        self::assertContains('End the set', $spoken['group']);
        self::assertContains('Maren Tidewell', $spoken['region']);
        self::assertStringContainsString($spoken['image'][0], $this->css('main')->getText(), 'the figure is of the exercise that is shown');
        foreach (['Pause', 'Skip', 'Something is wrong'] as $name) {
            self::assertContains($name, $spoken['button']);
        }
        $floor = current(array_filter($spoken['link'], static fn (string $name): bool => str_starts_with($name, 'Floor')));
        self::assertMatchesRegularExpression('/^Floor, clock at \d+:\d\d$/', (string) $floor);
    }
}
