<?php

declare(strict_types=1);

namespace App\Library;

use App\Http\Body;
use App\Models\Client;
use App\Support\Controller;
use EvenRungs\Core\Style\StyleChoice;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * House styles, shipped and of the studio's own.
 */
final class StyleController extends Controller
{
    public function __construct(private readonly DataFolder $data, private readonly OwnStyles $own)
    {
    }

    public function index(): JsonResponse
    {
        $questions = $this->data->styleQuestions();
        $followers = Client::query()->seenBy($this->trainer())->archived(false)->ordered('name')->get(['name', 'style'])
            // who has chosen none follows the default
            ->groupBy(fn (Client $client): string => in_array($client->style, $this->data->styleNames(), true)
                ? (string) $client->style
                : DataFolder::DEFAULT_STYLE);

        return new JsonResponse([
            'styles' => array_map(function (string $id) use ($followers): array {
                $style = $this->data->style($id);

                return [
                    'id' => $id,
                    'name' => $style->name,
                    'summary' => $style->summary,
                    'own' => $this->data->styleDocument($id)->has('from'),
                    'followers' => $followers->get($id)?->pluck('name')->all() ?? [],
                    'choices' => array_map(static fn (StyleChoice $choice): array => [
                        'id' => $choice->id,
                        'side' => $choice->side,
                        'question' => $choice->question,
                        'answer' => $choice->answer,
                        'reason' => $choice->reason,
                        'ground' => $choice->ground,
                        'other_side' => $choice->otherSide,
                    ], $style->choices),
                ];
            }, $this->data->styleNames()),
            'questions' => array_map(static fn (string $id): array => [
                'id' => $id,
                'question' => $questions->child($id)->string('question'),
                'sides' => array_map(static fn (string $side): array => [
                    'id' => $side,
                    'answer' => $questions->child($id)->child('sides')->child($side)->string('answer'),
                    'reason' => $questions->child($id)->child('sides')->child($side)->string('reason'),
                    'ground' => $questions->child($id)->child('sides')->child($side)->string('ground'),
                    'changes_plan' => $questions->child($id)->child('sides')->child($side)->has('plan')
                        || $questions->child($id)->child('sides')->child($side)->has('numbers'),
                ], $questions->child($id)->child('sides')->keys()),
            ], $questions->keys()),
        ]);
    }

    public function save(Request $request): JsonResponse
    {
        $this->own->save($this->trainer(), Body::read($request, 'OwnStyleRequest'));

        return $this->index();
    }

    public function remove(string $style): JsonResponse
    {
        $this->own->remove($this->trainer(), $style);

        return $this->index();
    }
}
