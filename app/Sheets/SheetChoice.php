<?php

declare(strict_types=1);

namespace App\Sheets;

use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\WordFiles;
use Illuminate\Http\Request;

/**
 * How a sheet is wanted: for which week, in which language, on how many pages of which paper, how large.
 */
final class SheetChoice
{
    public const PAPERS = ['a4', 'letter'];

    public const SIZES = ['usual', 'large'];

    /**
     * @param  ?int  $week  null for the present one
     * @param  int  $pages  that it should have at most: 1 or 2; large print takes what it takes
     */
    public function __construct(
        public readonly ?int $week = null,
        public readonly string $language = WordFiles::DEFAULT,
        public readonly int $pages = 2,
        public readonly string $paper = 'a4',
        public readonly string $size = 'usual',
    ) {
    }

    /** @throws UnusableInput where something else is asked for than there is */
    public static function of(Request $request): self
    {
        $asked = array_filter($request->query->all(), is_string(...));
        $one = static function (string $name, array $of, string $usual) use ($asked): string {
            $value = $asked[$name] ?? $usual;

            return in_array($value, $of, true)
                ? $value
                : throw UnusableInput::at('/'.$name, sprintf('must be one of %s, not "%s"', implode(', ', $of), $value));
        };
        $week = $asked['week'] ?? '';
        if ($week !== '' && preg_match('/^[1-9][0-9]?$/D', $week) !== 1) {
            throw UnusableInput::at('/week', sprintf('must be the number of a week, not "%s"', $week));
        }

        return new self(
            $week === '' ? null : (int) $week,
            $asked['language'] ?? WordFiles::DEFAULT,
            (int) $one('pages', ['1', '2'], '2'),
            $one('paper', self::PAPERS, 'a4'),
            $one('size', self::SIZES, 'usual'),
        );
    }

    public function isLarge(): bool
    {
        return $this->size === 'large';
    }
}
