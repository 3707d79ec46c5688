<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Models\Trainer;
use App\Today\Groups;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Planning\Group\GroupPlace;
use EvenRungs\Core\Sheet\DoseText;
use EvenRungs\Core\Sheet\Words;
use EvenRungs\Formats\FigureSvg;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\WordFiles;

/**
 * The stations of a group, a card each to stand beside the mat: who is on which rung, how much, and how.
 */
final class StationPage
{
    public function __construct(private readonly Groups $groups, private readonly WordFiles $words)
    {
    }

    /** @return array<string, mixed> what the cards are made of */
    public function of(Trainer $trainer, Node $body, SheetChoice $choice): array
    {
        $words = $this->words->words($choice->language);
        $members = Groups::training($this->groups->members($trainer, $body));
        $stations = $this->groups->stations($body);
        $turns = $this->groups->turns($trainer->studio()->firstOrFail(), $body, $stations, $members);
        $names = [];
        foreach ($members as $each) {
            $names[$each->id] = $each->client->name;
        }
        $rotate = $body->has('rotate') && $body->bool('rotate');

        return [
            'words' => $words,
            'choice' => $choice,
            'stations' => array_map(fn (Ladder $ladder, int $station): array => [
                'title' => $words->say('station', $station + 1, $words->of($ladder->name)),
                'places' => self::inTurn(array_map(
                    fn (GroupPlace $place, int $member): array => [
                        'turn' => $rotate ? 1 + $turns->turnAt($member, $station) : null,
                        'name' => $names[$place->member] ?? '',
                        ...$this->place($place->rung, $place->dose, $words),
                    ],
                    $this->groups->places($ladder, $members),
                    array_keys($members),
                )),
            ], $stations, array_keys($stations)),
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $places
     * @return list<array<string, mixed>>
     */
    private static function inTurn(array $places): array
    {
        usort($places, static fn (array $a, array $b): int => $a['turn'] <=> $b['turn']);

        return $places;
    }

    /** @return array<string, mixed> */
    private function place(?Rung $rung, ?Dose $dose, Words $words): array
    {
        if ($rung === null || $dose === null) {
            return ['exercise' => $words->say('rest-here')];
        }
        $coaching = $rung->coaching();

        return [
            'exercise' => $words->of($rung->name),
            'dose' => (new DoseText($words))->once($dose->withRest(null), $rung->figure()->lowersFirst),
            'setup' => implode(' ', array_map($words->of(...), $coaching->setup)),
            'watch' => $words->of($coaching->cues[0]->say ?? ''),
            'pictures' => array_map(
                static fn (string $svg): string => 'data:image/svg+xml;base64,'.base64_encode($svg),
                FigureSvg::all(Drawing::ends($rung->figure())),
            ),
        ];
    }
}
