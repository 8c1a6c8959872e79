<?php

declare(strict_types=1);

namespace App\StandIns;

/** A made-up system that answers like a client's own, over HTTP, from data that can be looked at. */
interface System
{
    /** What it is called in the interface. */
    public function called(): string;

    /** @return array<string, mixed> what it holds to begin with */
    public function data(\DateTimeImmutable $today): array;

    /**
     * @param array<string, mixed> $query
     * @param array<string, mixed> $body
     * @param array<string, mixed> $data
     *
     * @return array{0: int, 1: mixed, 2?: array<string, mixed>} status, answer, and what it holds then where that has changed
     */
    public function answer(string $method, string $path, array $query, array $body, array $data): array;

    /** The token it wants, in the Authorization header; null where anybody may ask. */
    public function token(): ?string;

    /** @return array<string, mixed> an OpenAPI 3.1 document of itself */
    public function describes(): array;
}
