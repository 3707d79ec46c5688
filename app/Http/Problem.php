<?php

declare(strict_types=1);

namespace App\Http;

use App\Support\OutcomeUnknown;
use App\Support\StaleVersion;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Formats\Problem as FieldProblem;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Session\TokenMismatchException;
use PDOException;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/**
 * An error as the API says it: RFC 9457 problem details, with a path for every field that is wrong.
 */
final class Problem
{
    private const RETRY_AFTER_S = 5;

    /** Codes of MariaDB and its driver: no connection, too many, a node apart from the others, shutting down, gone in between. */
    private const AWAY = [1040, 1047, 1053, 2002, 2006, 2013];

    /**
     * @param  list<FieldProblem>  $errors
     * @param  array<string, mixed>  $more
     * @param  array<string, mixed>  $headers  such as how long to wait
     */
    private function __construct(
        private readonly int $status,
        private readonly string $title,
        private readonly array $errors = [],
        private readonly array $more = [],
        private readonly array $headers = [],
    ) {
    }

    public static function of(Throwable $e): self
    {
        return match (true) {
            $e instanceof UnusableInput => new self(422, 'Some of this cannot be used.', $e->problems),
            $e instanceof InvalidValue => new self(422, 'Some of this cannot be used.', [new FieldProblem('/', $e->sentence)]),
            $e instanceof StaleVersion => new self(409, 'Somebody else changed this in the meantime.', [], ['current' => $e->current]),
            $e instanceof AuthenticationException => new self(401, 'Please sign in.'),
            $e instanceof TokenMismatchException => new self(419, 'The page was open too long; reload it and try again.'),
            $e instanceof ModelNotFoundException => new self(404, 'There is nothing here.'),
            $e instanceof HttpExceptionInterface => new self($e->getStatusCode(), match ($e->getStatusCode()) {
                400 => 'This address is not written as one.',
                403 => 'This is not yours to do in this studio.',
                404 => 'There is nothing here.',
                405 => 'This address does not answer that.',
                413 => 'That is too large.',
                419 => 'The page was open too long; reload it and try again.',
                429 => 'Too many tries. Wait a minute.',
                503 => 'This cannot be answered right now. Nothing was changed; try again in a moment.',
                default => 'That did not work.',
            }, headers: $e->getHeaders()),
            $e instanceof FatalError && str_contains($e->getMessage(), 'Maximum execution time') => new self(
                503,
                'This took too long and was given up. Nothing was changed.',
                headers: ['Retry-After' => self::RETRY_AFTER_S],
            ),
            $e instanceof OutcomeUnknown => new self(
                504,
                'The database went away in the middle of this. Look whether it was kept before you do it again.',
                headers: ['Retry-After' => self::RETRY_AFTER_S],
            ),
            (new ConcurrencyErrorDetector)->causedByConcurrencyError($e) => new self(
                503,
                'Too many change this at once. Nothing was changed; try again in a moment.',
                headers: ['Retry-After' => self::RETRY_AFTER_S],
            ),
            self::isDatabaseAway($e) => new self(
                503,
                'The database does not answer right now. Nothing was changed; try again in a moment.',
                headers: ['Retry-After' => self::RETRY_AFTER_S],
            ),
            default => new self(500, 'Something went wrong on our side. Nothing was changed.'),
        };
    }

    private static function isDatabaseAway(Throwable $e): bool
    {
        $code = $e instanceof PDOException ? (int) ($e->errorInfo[1] ?? $e->getCode()) : 0;

        return in_array($code, self::AWAY, true);
    }

    public function toResponse(): JsonResponse
    {
        return new JsonResponse([
            'type' => 'about:blank',
            'title' => $this->title,
            'status' => $this->status,
            'errors' => array_map(
                static fn (FieldProblem $each): array => ['path' => $each->path, 'message' => $each->message],
                $this->errors,
            ),
            ...$this->more,
        ], $this->status, ['Content-Type' => 'application/problem+json', ...$this->headers]);
    }
}
