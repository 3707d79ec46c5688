<?php

declare(strict_types=1);

namespace App\Copies;

use App\Line\LinesPage;
use App\Models\Client;
use App\Models\Standing;
use App\Planning\BoardLoader;
use App\Progress\EvennessPage;
use App\Today\LogPage;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Formats\UnusableInput;
use Throwable;

/**
 * Whether the pages of a client open with what was read in.
 */
final class OpensEverywhere
{
    /** Whatever a page of the client would stumble over is found here, before it is kept. */
    public static function check(Client $client): void
    {
        try {
            // an earlier standing is looked at by nobody until something is undone
            array_map(Basis::from(...), Standing::query()->ofClient($client)->pluck('basis')->all());
            app(BoardLoader::class)->load($client);
            app(LogPage::class)->of($client);
            app(EvennessPage::class)->of($client);
            app(LinesPage::class)->of($client);
        } catch (UnusableInput $e) {
            throw $e;
        } catch (Throwable $e) {
            $why = $e instanceof InvalidValue ? $e->sentence : 'something in it is not as it is written today';
            throw UnusableInput::at('/clients', sprintf('%s cannot be opened with this: %s', $client->name, $why));
        }
    }
}
