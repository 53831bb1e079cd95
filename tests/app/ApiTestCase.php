<?php

declare(strict_types=1);

namespace App\Tests;

use App\Demo\Demo;
use App\Entity\Call;
use App\Entity\User;
use App\Security\Logins;
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
        $this->as($this->user());
    }

    /** Goes on as this person. */
    protected function as(User $user): void
    {
        $user = self::service(EntityManagerInterface::class)->find(User::class, $user->id) ?? $user;
        $this->client->loginUser($user, 'api', [Logins::ATTRIBUTE => self::service(Logins::class)->begin($user, null)]);
    }

    protected function person(string $email): User
    {
        $user = self::service(EntityManagerInterface::class)->getRepository(User::class)->findOneBy(['email' => $email]);
        self::assertInstanceOf(User::class, $user, 'The demonstration data is missing: bin/test seeds it.');

        return $user;
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        // PHPUnit keeps every test to its end, and with its client the whole container.
        unset($this->client);
    }

    protected function user(): User
    {
        return $this->person(Demo::EMAIL);
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
     * @param array<string, mixed> $envelope what stands beside the payload: at, seen, device
     *
     * @return array<string, mixed>
     */
    protected function observe(string $callId, string $kind, array $payload, int $status = 201, ?string $id = null, array $envelope = []): array
    {
        return $this->call('POST', "/api/calls/$callId/observations", $envelope + ['id' => $id ?? (new UuidV7())->toRfc4122(), 'kind' => $kind, 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'payload' => $payload], $status);
    }

    /**
     * Takes every step of safe isolation as a careful person does, and proves the place dead.
     *
     * @param 'board'|'circuit' $level
     * @param bool              $locked whether the lock goes on; else that step is left out with a reason
     *
     * @return array<string, mixed> the call then
     */
    protected function isolate(string $call, string $place, string $level = 'board', bool $locked = true): array
    {
        $scope = $this->call('GET', "/api/calls/$call/isolation-scope?place=$place&level=$level");
        $off = array_column((array) $scope['off'], 'id');
        $this->observe($call, 'isolation', ['step' => 'warn']);
        $this->observe($call, 'isolation', ['step' => 'sources']);
        $this->observe($call, 'isolation', ['step' => 'reference', 'place' => $place, 'tried' => $this->reference($scope)]);
        $this->observe($call, 'isolation', ['step' => 'loads']);
        $this->observe($call, 'isolation', ['step' => 'off', 'place' => $place, 'level' => $level, 'switched' => $off]);
        $this->observe($call, 'isolation', ['step' => 'lock'] + ($locked ? ['locks' => array_map(static fn (mixed $device): array => ['device' => $device, 'keeper' => 'Ines Corran', 'sign' => true, 'number' => '7'], $off)] : ['skipped' => 'no lock at hand']));
        $this->observe($call, 'isolation', ['step' => 'tester-before', 'on' => 'proving-unit']);
        $this->observe($call, 'isolation', ['step' => 'dead', 'place' => $place, 'tried' => $this->nothing($scope)]);

        return $this->observe($call, 'isolation', ['step' => 'tester-after', 'on' => 'proving-unit']);
    }

    /** Takes every lock off again. */
    protected function release(string $call): void
    {
        foreach ((array) self::at($this->call('GET', "/api/calls/$call"), 'isolation', 'locks') as $lock) {
            $this->observe($call, 'isolation', ['step' => 'release', 'locks' => [['device' => self::at((array) $lock, 'device'), 'keeper' => 'Ines Corran', 'sign' => true]]]);
        }
    }

    /**
     * @param array<string, mixed> $scope
     *
     * @return list<array{pair: mixed, voltage: bool, raw: string}> 230 V on the first two pairs of a point, nothing from neutral to earth
     */
    protected function reference(array $scope): array
    {
        $poles = array_values(array_filter((array) $scope['pairs'], static fn (mixed $pair): bool => \is_array($pair) && true === $pair['isPole']));

        return array_map(static fn (mixed $pair, int $at): array => ['pair' => self::at((array) $pair, 'id'), 'voltage' => $at < \count($poles) - 1, 'raw' => $at < \count($poles) - 1 ? '230' : '0.4'], $poles, array_keys($poles));
    }

    /**
     * @param array<string, mixed> $scope
     *
     * @return list<array{pair: mixed, voltage: bool}> every pair tried, and nothing found
     */
    protected function nothing(array $scope): array
    {
        return array_map(static fn (mixed $pair): array => ['pair' => self::at((array) $pair, 'id'), 'voltage' => false], array_values((array) $scope['pairs']));
    }

    /** The id of the demonstration call at an address that begins so. */
    protected function demoCall(string $address): string
    {
        foreach (self::service(EntityManagerInterface::class)->getRepository(Call::class)->findBy(['firm' => $this->user()->firm]) as $call) {
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
