<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Writing;

/**
 * Writes a program as trainers jot it down, as {@see ProgramText} reads it.
 */
final class ProgramTextWriter
{
    /** One entry and its dose; the whole is read back by read(). */
    public static function write(Program $program): string
    {
        $lines = [];
        foreach ($program->weeks as $week) {
            $lines[] = 'Week '.$week->number;
            foreach ($week->sessions as $session) {
                $lines = [...$lines, '', self::heading($session), ...self::lines($session)];
            }
            $lines[] = '';
        }

        return rtrim(implode("\n", $lines))."\n";
    }

    private static function heading(Session $session): string
    {
        $kind = match ($session->kind) {
            Kind::Standalone => '',
            Kind::AfterLift => ', after lifting',
            Kind::AfterSport => ', after sport',
            Kind::BeforeLift => ', before lifting',
            Kind::Activation => ', switch-on',
        };

        return $session->day->label().$kind.($session->claimed === null ? '' : sprintf(', %s min', $session->claimed->toClock()));
    }

    /** @return list<string> */
    private static function lines(Session $session): array
    {
        $lines = [
            ...($session->warmUp->isZero() ? [] : ['warm-up '.$session->warmUp->toClock()]),
            ...(
                $session->change->side->isZero() && $session->change->station->isZero() ? [] : [
                    sprintf(
                        'changes %ss sides, %ss stations',
                        Writing::number($session->change->side->toNumber()),
                        Writing::number($session->change->station->toNumber()),
                    ),
                ]
            ),
        ];
        foreach ($session->blocks as $block) {
            if ($block instanceof RestBlock) {
                $lines[] = 'rest '.$block->rest->toClock();

                continue;
            }
            $lines[] = $block instanceof CircuitBlock ? $block->rounds.' rounds' : 'straight';
            foreach ($block->entries() as $entry) {
                $lines[] = $entry->exercise.' '.Shorthand::write($entry->dose);
            }
        }

        return [...$lines, ...($session->coolDown->isZero() ? [] : ['cool-down '.$session->coolDown->toClock()])];
    }
}
