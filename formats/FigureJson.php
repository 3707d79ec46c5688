<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Figure\Angles;
use EvenRungs\Core\Figure\BasePose;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Figure\Figure;
use EvenRungs\Core\Figure\Picture;
use EvenRungs\Core\Figure\Prop;
use EvenRungs\Core\Figure\PropKind;
use EvenRungs\Core\Figure\Rest;
use EvenRungs\Core\Figure\Shape;
use EvenRungs\Core\Figure\View;

/**
 * Figures: as they are written with a rung, and as drawings for the pages.
 */
final class FigureJson
{
    public static function readBase(Node $node): BasePose
    {
        return $node->guard(static fn (): BasePose => new BasePose(
            $node->string('id'),
            $node->string('name'),
            Angles::of($node->numbers('angles')),
            $node->each('rests', self::readRest(...)),
            View::from($node->string('view')),
        ));
    }

    /**
     * @param  array<string, BasePose>  $poses  by id
     *
     * @throws UnusableInput
     */
    public static function read(Node $node, array $poses): Figure
    {
        $base = self::base($node, $poses);
        $from = $node->optionalChild('from');

        return $node->guard(static fn (): Figure => new Figure(
            $base,
            self::angles($node->optionalChild('with')),
            $node->each('to', self::angles(...)),
            $node->bool('mirrored'),
            $node->bool('lowers_first'),
            $node->strings('planted'),
            $node->each('props', self::readProp(...)),
            $node->has('rests') ? $node->each('rests', self::readRest(...)) : null,
            $node->has('view') ? View::from($node->string('view')) : null,
            $from === null ? null : new Figure(
                self::base($from, $poses),
                self::angles($from->optionalChild('with')),
                [],
                false,
                false,
                [],
                [],
                $from->has('rests') ? $from->each('rests', self::readRest(...)) : null,
            ),
            $node->bool('held'),
        ));
    }

    /**
     * @param  array<string, BasePose>  $poses
     *
     * @throws UnusableInput
     */
    private static function base(Node $node, array $poses): BasePose
    {
        $pose = $node->string('pose');

        return $poses[$pose] ?? throw UnusableInput::at($node->path('pose'), sprintf('there is no base pose "%s"', $pose));
    }

    private static function angles(?Node $node): Angles
    {
        return Angles::of($node?->numbers() ?? []);
    }

    private static function readRest(Node $node): Rest
    {
        return new Rest($node->string('joint'), (float) ($node->optionalNumber('height') ?? 0));
    }

    private static function readProp(Node $node): Prop
    {
        $kind = PropKind::from($node->string('kind'));

        return new Prop(
            $kind,
            $node->textOrNumbers('at'),
            $node->textOrNumbers('to'),
            (float) ($node->optionalNumber('size') ?? $kind->size()),
        );
    }

    /** @return array<string, mixed> */
    public static function writeBase(BasePose $pose): array
    {
        return [
            'id' => $pose->id,
            'name' => $pose->name,
            'angles' => self::plain($pose->angles),
            'rests' => array_map(self::writeRest(...), $pose->rests),
            'view' => $pose->view->value,
        ];
    }

    /** @return array<string, mixed> */
    public static function write(Figure $figure): array
    {
        return [
            'pose' => $figure->base->id,
            ...($figure->with->toArray() === [] ? [] : ['with' => self::plain($figure->with)]),
            ...($figure->to === [] ? [] : ['to' => array_map(self::plain(...), $figure->to)]),
            ...($figure->mirrored ? ['mirrored' => true] : []),
            ...($figure->lowersFirst ? ['lowers_first' => true] : []),
            ...($figure->planted === [] ? [] : ['planted' => $figure->planted]),
            ...($figure->props === [] ? [] : ['props' => array_map(self::writeProp(...), $figure->props)]),
            ...($figure->rests === null ? [] : ['rests' => array_map(self::writeRest(...), $figure->rests)]),
            ...($figure->view === null ? [] : ['view' => $figure->view->value]),
            ...($figure->from === null ? [] : ['from' => self::write($figure->from)]),
            ...($figure->heldAtEnd ? ['held' => true] : []),
        ];
    }

    /** Angles of both sides that are alike are written once. */
    private static function plain(Angles $angles): object
    {
        $all = $angles->toArray();
        $plain = [];
        foreach ($all as $name => $value) {
            $value = floor($value) === $value ? (int) $value : $value;
            $joint = preg_replace('/-[rl]$/', '', $name) ?? $name;
            $both = $joint !== $name && ($all[$joint.'-r'] ?? null) === ($all[$joint.'-l'] ?? null);
            $plain[$both ? $joint : $name] = $value;
        }

        return (object) $plain;
    }

    /** @return array<string, mixed> */
    private static function writeRest(Rest $rest): array
    {
        return ['joint' => $rest->joint, ...($rest->height === 0.0 ? [] : ['height' => $rest->height])];
    }

    /** @return array<string, mixed> */
    private static function writeProp(Prop $prop): array
    {
        return [
            'kind' => $prop->kind->value,
            ...($prop->at === null ? [] : ['at' => $prop->at]),
            ...($prop->to === null ? [] : ['to' => $prop->to]),
            ...($prop->size === $prop->kind->size() ? [] : ['size' => $prop->size]),
        ];
    }

    /** @return array<string, mixed> */
    public static function drawing(Drawing $drawing): array
    {
        return [
            'box' => array_map(static fn (float $n): float => round($n, 1), $drawing->box),
            'floor' => array_map(static fn (array $corner): array => [round($corner[0], 1), round($corner[1], 1)], $drawing->floor),
            'strokes' => array_map(static fn (array $stroke): array => [
                'part' => $stroke['part'],
                'joints' => array_map(
                    static fn (string $joint): int => (int) array_search($joint, $drawing->joints, true),
                    $stroke['joints'],
                ),
            ], $drawing->strokes),
            'pictures' => array_map(self::picture(...), $drawing->pictures),
            'beats' => array_map(
                static fn (array $beat): array => ['picture' => $beat['picture'], 'seconds' => round($beat['seconds'], 3)],
                $drawing->beats,
            ),
            'still' => $drawing->still,
            'held' => $drawing->held,
        ];
    }

    /** @return array<string, mixed> */
    private static function picture(Picture $picture): array
    {
        return [
            'points' => array_map(
                static fn (array $point): array => [round($point[0], 1), round($point[1], 1)],
                array_values($picture->points),
            ),
            'shapes' => array_map(static fn (Shape $shape): array => [
                'form' => $shape->form,
                'style' => $shape->style,
                'numbers' => array_map(static fn (float $n): float => round($n, 1), $shape->numbers),
            ], $picture->shapes),
        ];
    }
}
