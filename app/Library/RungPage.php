<?php

declare(strict_types=1);

namespace App\Library;

use EvenRungs\Core\Client\Bar;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Ladder\Gate;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Alternatives;
use EvenRungs\Core\Placement\Swap;
use EvenRungs\Core\Planning\Choice\Intent;
use EvenRungs\Formats\FigureJson;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Storage\DataFolder;

/**
 * Everything the library says of one rung.
 */
final class RungPage
{
    /** What a trainer asks to spare most. */
    public const SPARED = ['shoulder', 'wrist', 'neck', 'back-bending', 'back-arching', 'kneeling', 'floor-transfer'];

    private const OFFERED = 3;

    public function __construct(private readonly DataFolder $data)
    {
    }

    /** @return array<string, mixed> */
    public function of(Rung $rung): array
    {
        $library = $this->data->library();
        $ladder = $library->ladderOf($rung);
        $index = (int) $ladder->indexOf($rung->id);
        $around = new Alternatives($library);
        $brief = fn (?Rung $each): ?array => $each === null ? null : $this->brief($each);

        return [
            ...$this->brief($rung),
            'rung' => LibraryJson::writeRung($rung),
            'drawing' => FigureJson::drawing(self::draw($rung)),
            'steps' => array_map(
                static fn ($dose): array => ['short' => Shorthand::write($dose), 'words' => Wording::of($dose)],
                $rung->steps,
            ),
            'intents' => array_map(static fn (Intent $intent): array => self::intent($intent, $rung), $this->data->intents()),
            'below' => $brief($ladder->rungs[$index - 1] ?? null),
            'above' => $brief($ladder->rungs[$index + 1] ?? null),
            'easier' => array_map($this->brief(...), array_slice($around->easier($rung), 0, self::OFFERED)),
            'harder' => array_map($this->brief(...), array_slice($around->harder($rung), 0, self::OFFERED)),
            'spares' => array_map(fn (string $limit): array => $this->sparing($rung, $library->limits[$limit], $around), self::SPARED),
            'requires' => array_map(
                fn (Gate $gate): array => [...$this->brief($library->rung($gate->rung)), 'what' => $gate->what],
                $library->gates($rung),
            ),
            'opens' => array_map($this->brief(...), array_values(array_filter(
                $library->rungs(),
                static fn (Rung $each): bool => in_array($rung->id, array_column($library->gates($each), 'rung'), true),
            ))),
            'said' => $this->said($rung),
            'cautions' => $this->cautions($rung, $library),
        ];
    }

    /** @return array<string, mixed> */
    public function brief(Rung $rung): array
    {
        return [
            'id' => $rung->id,
            'name' => $rung->name,
            'ladder' => $rung->ladder,
            'ladder_name' => $this->data->library()->ladderOf($rung)->name,
            'category' => $rung->category->value,
            'level' => $rung->level->value,
            'position' => $rung->position->value,
            'equipment' => $rung->equipment,
        ];
    }

    public static function draw(Rung $rung): Drawing
    {
        $measure = $rung->start()->measure;

        return Drawing::of($rung->figure(), $rung->tempo, $measure instanceof Reps ? (float) ($measure->hold?->toNumber() ?? 0) : 0.0);
    }

    /** @return array<string, mixed> */
    private static function intent(Intent $intent, Rung $rung): array
    {
        $doses = $intent->doses($rung);

        return [
            'id' => $intent->id,
            'name' => $intent->name,
            'text' => $intent->text,
            'from' => $doses === null ? null : Wording::shown($doses[0]),
            'to' => $doses === null ? null : Wording::shown($doses[1]),
        ];
    }

    /** @return array<string, mixed> */
    private function sparing(Rung $rung, LimitRule $rule, Alternatives $around): array
    {
        return [
            'limit' => $rule->id,
            'name' => $rule->name,
            'barred' => (new Limit($rule))->bars($rung) !== [],
            'swaps' => array_map(
                fn (Swap $swap): array => [...$this->brief($swap->rung), 'why' => $swap->why],
                array_slice($around->sparing($rung, $rule), 0, self::OFFERED),
            ),
        ];
    }

    /** @return list<array{say: string, styles: list<string>}> what house styles say on the rung; no style is named where all say it */
    private function said(Rung $rung): array
    {
        $styles = array_map($this->data->style(...), $this->data->styleNames());
        $said = [];
        foreach ($styles as $style) {
            foreach ($style->words($rung) as $say) {
                $said[$say][] = $style->name;
            }
        }
        uasort($said, static fn (array $a, array $b): int => count($b) <=> count($a));

        return array_map(
            static fn (string $say, array $by): array => ['say' => $say, 'styles' => count($by) === count($styles) ? [] : $by],
            array_keys($said),
            $said,
        );
    }

    /** @return list<array<string, mixed>> the limits that bar the rung when they are moderate or medical */
    private function cautions(Rung $rung, Library $library): array
    {
        $cautions = [];
        foreach ($library->limits as $rule) {
            $bars = (new Limit($rule))->bars($rung);
            if ($bars !== []) {
                $cautions[] = [
                    'limit' => $rule->id,
                    'name' => $rule->name,
                    'medical' => $rule->medical,
                    'by' => array_map(
                        static fn (Bar $bar): string => sprintf(
                            '%s, grade %d',
                            lcfirst($library->stresses[$bar->stress]->name),
                            $bar->grade,
                        ),
                        $bars,
                    ),
                    'caution' => $rule->caution,
                ];
            }
        }

        return $cautions;
    }
}
