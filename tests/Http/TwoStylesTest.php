<?php

declare(strict_types=1);

namespace Tests\Http;

/**
 * Two house styles side by side: every difference of the week stands under an answer that makes it, or under what several make together.
 */
final class TwoStylesTest extends HttpTestCase
{
    /** @return array<string, mixed> */
    private function compared(string $one, string $other): array
    {
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/two-styles';

        return $this->api('POST', $path, ['one' => $one, 'other' => $other])->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $half
     * @return list<string>
     */
    private static function lines(array $half): array
    {
        $lines = [];
        foreach ($half['week']['sessions'] as $session) {
            $lines[] = $session['day'].' '.$session['kind'];
            foreach ($session['blocks'] as $block) {
                foreach ($block['entries'] as $entry) {
                    $lines[] = "{$session['day']} {$entry['name']} {$entry['dose']} {$block['rounds']}";
                }
            }
        }

        return $lines;
    }

    public function test_differences_come_with_the_answer_that_makes_them(): void
    {
        $this->signedIn();
        $explained = 0;
        foreach (['ten-count', 'long-haul', 'quiet-start', 'full-compass', 'little-often'] as $other) {
            $both = $this->compared('even-keel', $other);
            [$was, $is] = [self::lines($both['one']), self::lines($both['other'])];
            $differing = count(array_unique([...array_diff($was, $is), ...array_diff($is, $was)]));
            $made = array_merge($both['together'], ...array_column($both['answers'], 'changes'));
            $moved = array_filter($made, static fn (string $line): bool => str_contains($line, 'another order'));
            self::assertSame($differing, count(array_unique(array_diff($made, $moved))), $other);
            $explained += count(array_merge(...array_column($both['answers'], 'changes')));
        }
        self::assertGreaterThan(20, $explained, 'by one answer alone');
    }

    public function test_words_differ_where_the_plan_does_not(): void
    {
        $this->signedIn();
        $answers = array_column($this->compared('even-keel', 'quiet-start')['answers'], null, 'question');
        self::assertStringContainsString('Belly gently in', implode(' ', $answers['How to switch on']['words']));
        self::assertNotSame([], $answers['How to switch on']['changes'], 'the deep back switch-on instead of the brace');
    }

    public function test_a_style_that_is_none_is_named_at_its_field(): void
    {
        $this->signedIn();
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/two-styles';
        $answer = $this->api('POST', $path, ['one' => 'even-keel', 'other' => 'nowhere']);
        $answer->assertStatus(422)->assertJsonPath('errors.0.path', '/other');
    }
}
