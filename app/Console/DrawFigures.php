<?php

declare(strict_types=1);

namespace App\Console;

use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\KeptDrawings;
use Illuminate\Console\Command;

/**
 * Draws the shipped figures when the pages are built.
 */
final class DrawFigures extends Command
{
    protected $signature = 'figures:draw';

    protected $description = 'Draw the figures of the library';

    public function handle(KeptDrawings $drawings): int
    {
        $drawings->draw(DataFolder::shipped()->shippedLibrary());

        return self::SUCCESS;
    }
}
