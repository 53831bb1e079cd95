<?php

declare(strict_types=1);

namespace App\Tests;

use App\Call\CallStore;
use App\Demo\Demo;
use App\Entity\User;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\Uid\UuidV7;

/** The real application against a real MariaDB with the demonstration data; each test is rolled back. */
abstract class ApiTestCase extends WebTestCase
{
    use Services;

    protected KernelBrowser $client;

    protected function setUp(): void
    {
        $this->client = self::createClient();
        $this->client->disableReboot();
        $this->client->loginUser($this->user(), 'api');
    }

    protected function user(): User
    {
        $user = self::service(EntityManagerInterface::class)->getRepository(User::class)->findOneBy(['email' => Demo::EMAIL]);
        self::assertInstanceOf(User::class, $user, 'The demonstration data is missing: bin/test seeds it.');

        return $user;
    }

    /**
     * @param array<string, mixed>|string|null $body
     *
     * @return array<string, mixed>
     */
    protected function call(string $method, string $path, array|string|null $body = null, int $status = 200): array
    {
        $content = \is_array($body) ? json_encode($body, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION) : $body;
        $this->client->request($method, $path, server: ['CONTENT_TYPE' => 'application/json'], content: $content);
        $response = $this->client->getResponse();
        $text = (string) $response->getContent();
        self::assertSame($status, $response->getStatusCode(), $text);
        self::assertStringNotContainsString('Stack trace', $text);
        $answer = json_decode($text, true);
        self::assertIsArray($answer, $text);
        if ($status >= 400) {
            self::assertSame('application/problem+json', $response->headers->get('Content-Type'));
            self::assertSame($status, $answer['status']);
            self::assertNotSame('', $answer['detail']);
        }

        /** @var array<string, mixed> $answer */
        return $answer;
    }

    /**
     * @param array<string, mixed> $payload
     *
     * @return array<string, mixed>
     */
    protected function observe(string $callId, string $kind, array $payload, int $status = 201, ?string $id = null): array
    {
        return $this->call('POST', "/api/calls/$callId/observations", ['id' => $id ?? (new UuidV7())->toRfc4122(), 'kind' => $kind, 'at' => '2026-11-20T10:00:00Z', 'payload' => $payload], $status);
    }

    /** The id of the demonstration call at an address that begins so. */
    protected function demoCall(string $address): string
    {
        foreach (self::service(CallStore::class)->all($this->user()) as $call) {
            if (str_starts_with($call->address, $address)) {
                return $call->id->toRfc4122();
            }
        }
        self::fail("No call at $address.");
    }

    /**
     * The value at a path of keys in an answer.
     *
     * @param array<array-key, mixed> $answer
     */
    protected static function at(array $answer, string|int ...$keys): mixed
    {
        $value = $answer;
        foreach ($keys as $key) {
            self::assertIsArray($value);
            self::assertArrayHasKey($key, $value);
            $value = $value[$key];
        }

        return $value;
    }

    protected static function textAt(mixed $value): string
    {
        self::assertIsString($value);

        return $value;
    }
}
