<?php

declare(strict_types=1);

namespace App\Api;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Support\Responsable;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** What went wrong, as problem details (RFC 9457). */
final class Problem extends \RuntimeException implements Responsable
{
    public const TYPE = 'application/problem+json';

    private const TITLES = [400 => 'The request cannot be read', 401 => 'No valid token', 403 => 'The token may not do this', 404 => 'There is no such thing here', 405 => 'This cannot be done here', 409 => 'It stands otherwise', 413 => 'Too large', 415 => 'JSON is expected', 422 => 'Something in it is wrong', 429 => 'Too many requests', 500 => 'Something broke on our side', 503 => 'Not available just now'];

    /**
     * @param list<array{pointer: string, detail: string}> $errors what is wrong where, as JSON pointers into the body
     * @param array<string, string> $headers
     */
    public function __construct(public readonly int $status, public readonly string $detail, public readonly array $errors = [], public readonly array $headers = [])
    {
        parent::__construct($detail);
    }

    public static function of(\Throwable $cause): self
    {
        return match (true) {
            $cause instanceof self => $cause,
            $cause instanceof ValidationException => new self(422, 'See “errors”.', array_merge(...array_map(static fn (string $field, array $messages): array => array_map(static fn (string $message): array => ['pointer' => '/'.str_replace('.', '/', $field), 'detail' => $message], array_values($messages)), array_keys($cause->errors()), array_values($cause->errors())))),
            $cause instanceof ModelNotFoundException => new self(404, 'Nothing of that name belongs to this business.'),
            $cause instanceof UniqueConstraintViolationException => new self(409, 'Somebody else wrote the same just now. Ask again.'),
            $cause instanceof AuthenticationException => new self(401, 'Send the token as “Authorization: Bearer …”.', headers: ['WWW-Authenticate' => 'Bearer']),
            $cause instanceof HttpExceptionInterface => new self($cause->getStatusCode(), match ($cause->getStatusCode()) {
                404 => 'There is nothing at this address.',
                405 => 'The address is right, the method is not.',
                default => $cause->getMessage(),
            }, headers: array_map(static fn (mixed $one): string => is_scalar($one) ? (string) $one : '', array_intersect_key($cause->getHeaders(), ['Allow' => 1, 'Retry-After' => 1]))),
            default => new self(500, 'It was written down; try again later.'),
        };
    }

    /** @param \Illuminate\Http\Request $request */
    public function toResponse($request): JsonResponse
    {
        $problem = ['type' => 'about:blank', 'title' => self::TITLES[$this->status] ?? 'It did not work', 'status' => $this->status, 'detail' => $this->detail, 'instance' => '/'.ltrim($request->path(), '/')] + ($this->errors === [] ? [] : ['errors' => $this->errors]);

        return new JsonResponse($problem, $this->status, ['Content-Type' => self::TYPE] + $this->headers, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
