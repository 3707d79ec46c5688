<?php

declare(strict_types=1);

namespace App\Planning;

use App\Http\Body;
use App\Models\SessionTemplate;
use App\Support\Controller;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Sessions kept as templates of the studio.
 */
final class TemplateController extends Controller
{
    private const MOST_TEMPLATES = 200;

    public function templates(): JsonResponse
    {
        return new JsonResponse(['templates' => SessionTemplate::query()
            ->ofStudio($this->trainer()->studio_id)
            ->ordered('name')
            ->get()
            ->map(static fn (SessionTemplate $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'session' => SessionJson::write(SessionJson::read(new Node($each->document))),
            ])->all()]);
    }

    public function keepTemplate(Request $request): JsonResponse
    {
        $body = Body::read($request, 'TemplateRequest');
        $studio = $this->trainer()->studio_id;
        if (SessionTemplate::query()->ofStudio($studio)->count() >= self::MOST_TEMPLATES) {
            throw UnusableInput::at('/name', sprintf('there are %d templates already', self::MOST_TEMPLATES));
        }
        SessionTemplate::query()->updateOrCreate(
            ['studio_id' => $studio, 'name' => trim($body->string('name'))],
            ['document' => SessionJson::write(SessionController::session($body))],
        );

        return $this->templates();
    }

    public function removeTemplate(int $template): JsonResponse
    {
        SessionTemplate::query()->ofStudio($this->trainer()->studio_id)->whereKey($template)->firstOrFail()->delete();

        return $this->templates();
    }
}
