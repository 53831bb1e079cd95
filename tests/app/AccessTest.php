<?php

declare(strict_types=1);

namespace App\Tests;

use App\Demo\Demo;
use App\Entity\Firm;
use App\Entity\User;
use App\Observation\Kinds;
use App\Security\Access;
use App\Security\Act;
use App\Security\Role;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Routing\RouterInterface;
use Symfony\Component\Uid\UuidV7;

/** Every endpoint and every kind of entry, by every role and by another firm: written down here once more, by hand. */
final class AccessTest extends ApiTestCase
{
    private const EVERYBODY = ['owner', 'electrician', 'trainee', 'office', 'reader'];
    private const MEASURING = ['owner', 'electrician', 'trainee'];
    private const TELLING = ['owner', 'electrician', 'trainee', 'office'];

    /** @var array<string, list<string>|null> method and address => roles that may; null where nobody has to be logged in */
    private const ENDPOINTS = [
        'GET /api/health' => null,
        'GET /api/setting' => null,
        'GET /api/openapi.json' => null,
        'POST /api/login' => null,
        'POST /api/logout' => null,
        'POST /api/password-links' => null,
        'POST /api/password-links/look' => null,
        'POST /api/password-links/use' => null,
        'GET /api/me' => self::EVERYBODY,
        'PUT /api/me/password' => self::EVERYBODY,
        'PUT /api/me/pin' => self::EVERYBODY,
        'GET /api/me/logins' => self::EVERYBODY,
        'DELETE /api/me/logins' => self::EVERYBODY,
        'DELETE /api/me/logins/{id}' => self::EVERYBODY,
        'GET /api/colleagues' => self::EVERYBODY,
        'PUT /api/firm' => ['owner'],
        'GET /api/people' => ['owner'],
        'POST /api/people' => ['owner'],
        'PATCH /api/people/{id}' => ['owner'],
        'POST /api/people/{id}/invitations' => ['owner'],
        'DELETE /api/people/{id}/logins' => ['owner'],
        'GET /api/security-events' => ['owner'],
        'GET /api/mails' => ['owner'],
        'GET /api/calls' => self::EVERYBODY,
        'POST /api/calls' => self::TELLING,
        'GET /api/calls/{id}' => self::EVERYBODY,
        'GET /api/calls/{id}/observations/{observation}/photo' => self::EVERYBODY,
        'GET /api/calls/{id}/bundle' => ['owner', 'electrician', 'office'],
        'GET /api/calls/{id}/suggestions' => self::EVERYBODY,
        'POST /api/calls/{id}/observations' => self::TELLING,
        'POST /api/calls/{id}/second-person' => self::MEASURING,
        'GET /api/calls/{id}/jobs/{what}' => self::EVERYBODY,
        'GET /api/calls/{id}/ranking' => self::EVERYBODY,
        'GET /api/calls/{id}/contradictions' => self::EVERYBODY,
        'GET /api/calls/{id}/next-tests' => self::EVERYBODY,
        'POST /api/calls/{id}/predictions' => self::EVERYBODY,
        'POST /api/calls/{id}/glance' => self::EVERYBODY,
        'GET /api/calls/{id}/tests' => self::EVERYBODY,
        'GET /api/calls/{id}/test' => self::EVERYBODY,
        'GET /api/calls/{id}/in-hand' => self::EVERYBODY,
        'PUT /api/calls/{id}/in-hand' => self::MEASURING,
        'POST /api/calls/{id}/preparations' => self::MEASURING,
        'GET /api/calls/{id}/map' => self::EVERYBODY,
        'GET /api/calls/{id}/map.svg' => self::EVERYBODY,
        'GET /api/calls/{id}/reach' => self::EVERYBODY,
        'GET /api/calls/{id}/runs' => self::EVERYBODY,
        'GET /api/calls/{id}/run' => self::EVERYBODY,
        'GET /api/calls/{id}/isolation-scope' => self::EVERYBODY,
        'GET /api/calls/{id}/feeding' => self::EVERYBODY,
        'GET /api/calls/{id}/way-back' => self::EVERYBODY,
        'GET /api/calls/{id}/consistency' => self::EVERYBODY,
        'GET /api/calls/{id}/board' => self::EVERYBODY,
        'POST /api/calls/{id}/survey' => self::MEASURING,
        'GET /api/houses' => self::EVERYBODY,
        'POST /api/houses' => self::MEASURING,
        'GET /api/houses/{id}' => self::EVERYBODY,
        'POST /api/houses/{id}/operations' => self::MEASURING,
        'POST /api/decisions' => self::EVERYBODY,
        'GET /api/surveys/{ruleSet}' => self::EVERYBODY,
        'POST /api/surveys' => self::MEASURING,
        'GET /api/instruments' => self::EVERYBODY,
        'GET /api/picks' => self::EVERYBODY,
        'GET /api/sums' => self::EVERYBODY,
        'POST /api/sums/{slug}' => self::EVERYBODY,
    ];

    /** @var array<string, array{list<string>, array<string, mixed>}> kind => roles that may store it, and one that its kind admits */
    private const KINDS = [
        'told' => [self::TELLING, ['text' => 'It hums.']],
        'seen' => [self::TELLING, ['text' => 'A screw is missing.']],
        'people' => [self::TELLING, ['occupants' => ['freezer']]],
        'advised' => [self::TELLING, ['text' => 'Have it looked at.']],
        'done' => [self::MEASURING, ['changes' => [['operation' => 'set', 'subject' => 'rcd-b', 'value' => 'off']]]],
        'isolation' => [self::MEASURING, ['step' => 'warn']],
        'lever' => [self::MEASURING, ['device' => 'lights-up', 'dead' => ['lights-up'], 'live' => []]],
        'measured' => [self::MEASURING, ['instrument' => 'two-pole-indicator', 'raw' => '230', 'near' => 'by the door']],
        'placed' => [self::MEASURING, ['observation' => '0190a000-0000-7000-8000-000000000001', 'connection' => ['terminals' => ['a', 'b']]]],
        'doubted' => [self::MEASURING, ['observation' => '0190a000-0000-7000-8000-000000000001', 'reason' => 'x']],
        'tried' => [self::MEASURING, ['outcome' => 'gone']],
        'accompanied' => [['owner', 'electrician'], ['trainee' => '0190a000-0000-7000-8000-000000000001']],
        'accepted' => [['owner', 'electrician'], ['hypothesis' => 'x', 'knowing' => 'seen']],
        'decided' => [['owner', 'electrician'], ['choice' => 'list', 'reason' => 'No part.']],
        'repaired' => [['owner', 'electrician'], ['text' => 'Tightened.', 'minutes' => 5]],
        'unrepaired' => [['owner', 'electrician'], ['finding' => 'A crack.', 'class' => 'I', 'measure' => 'None', 'told' => 'Mrs Pell, at the door', 'answer' => 'agrees', 'words' => 'Fine.']],
        'settled' => [['owner', 'electrician'], ['observation' => '0190a000-0000-7000-8000-000000000001', 'verdict' => 'cured', 'text' => 'Gone.']],
        'closed' => [['owner', 'electrician'], ['text' => 'Done.', 'noDanger' => true, 'coversOn' => true]],
        'corrected' => [self::MEASURING, ['observation' => '0190a000-0000-7000-8000-000000000001', 'reason' => 'x', 'text' => 'y']],
        'withdrawn' => [self::MEASURING, ['observation' => '0190a000-0000-7000-8000-000000000001', 'reason' => 'x']],
    ];

    public function testEveryEndpointHasARowAndEveryRoleGetsWhatItSays(): void
    {
        $routes = [];
        foreach (self::service(RouterInterface::class)->getRouteCollection() as $route) {
            foreach ($route->getMethods() as $method) {
                $routes["$method {$route->getPath()}"] = true;
            }
        }
        ksort($routes);
        $rows = array_keys(self::ENDPOINTS);
        sort($rows);
        self::assertSame(array_keys($routes), $rows, 'an endpoint without a row here, or a row without one');

        $call = $this->demoCall('4 Wicket');
        $house = self::textAt(self::at($this->call('GET', "/api/calls/$call"), 'call', 'houseId'));
        foreach (self::ENDPOINTS as $endpoint => $roles) {
            [$method, $path] = explode(' ', $endpoint);
            $path = strtr($path, ['{ruleSet}' => 'A', '{slug}' => 'fault-current', '{observation}' => (new UuidV7())->toRfc4122(), '{what}' => 'ranking', '{id}' => str_contains($path, 'houses') ? $house : (str_contains($path, 'people') ? $this->person(Demo::TRAINEE)->id->toRfc4122() : $call)]);
            $this->leave();
            self::assertSame(null !== $roles, 401 === $this->answered($method, $path) && !\in_array($path, ['/api/login'], true), "$endpoint without a login");
            foreach (null === $roles ? [] : Role::cases() as $role) {
                $this->as($this->inRole($role));
                $status = $this->answered($method, $path);
                self::assertLessThan(500, $status, "$endpoint as $role->value");
                self::assertSame(\in_array($role->value, $roles ?? [], true), 403 !== $status, "$endpoint as $role->value: $status");
            }
        }
    }

    public function testAnotherFirmsRowsAnswerLikeNone(): void
    {
        $call = $this->demoCall('4 Wicket');
        $house = self::textAt(self::at($this->call('GET', "/api/calls/$call"), 'call', 'houseId'));
        $person = $this->person(Demo::TRAINEE)->id->toRfc4122();
        $login = self::textAt(self::at($this->call('GET', '/api/me/logins'), 0, 'id'));
        $entities = self::service(EntityManagerInterface::class);
        $firm = new Firm(new UuidV7(), 'Other Firm');
        $stranger = new User(new UuidV7(), $firm, 'other@firm.example', 'Other', Role::Owner);
        $stranger->setPassword('x');
        array_map($entities->persist(...), [$firm, $stranger]);
        $entities->flush();
        foreach (self::ENDPOINTS as $endpoint => $roles) {
            [$method, $path] = explode(' ', $endpoint);
            if (null === $roles || !str_contains($path, '{id}')) {
                continue;
            }
            $this->as($stranger);
            $address = strtr($path, ['{observation}' => (new UuidV7())->toRfc4122(), '{what}' => 'ranking', '{id}' => match (true) {
                str_contains($path, 'houses') => $house,
                str_contains($path, 'people') => $person,
                str_contains($path, 'logins') => $login,
                default => $call,
            }]);
            self::assertSame(404, $this->answered($method, $address), $endpoint);
        }
        foreach (['/api/calls' => ['calls' => [], 'next' => null], '/api/houses' => []] as $path => $nothing) {
            self::assertSame($nothing, $this->call('GET', $path));
        }
        self::assertSame(['Other'], array_column($this->call('GET', '/api/colleagues'), 'name'));
        self::assertSame(['Other'], array_column($this->call('GET', '/api/people'), 'name'));
    }

    public function testEveryKindOfEntryIsForItsRoles(): void
    {
        self::assertEqualsCanonicalizing(Kinds::slugs(), array_keys(self::KINDS));
        $call = $this->demoCall('4 Wicket');
        foreach (self::KINDS as $kind => [$roles, $payload]) {
            foreach (Role::cases() as $role) {
                $this->as($this->inRole($role));
                $status = $this->answered('POST', "/api/calls/$call/observations", ['id' => (new UuidV7())->toRfc4122(), 'kind' => $kind, 'at' => '2026-11-20T09:00:00Z', 'payload' => $payload]);
                self::assertLessThan(500, $status, "$kind as $role->value");
                self::assertSame(\in_array($role->value, $roles, true), 403 !== $status, "$kind as $role->value: $status");
            }
        }
    }

    public function testWhatIsCorrectedNeedsWhatMakingItNeeded(): void
    {
        $call = $this->demoCall('4 Wicket');
        $this->as($this->person(Demo::OFFICE));
        $told = (new UuidV7())->toRfc4122();
        $this->observe($call, 'told', ['text' => 'It hums at nihgt.'], id: $told);
        $this->observe($call, 'corrected', ['observation' => $told, 'reason' => 'A slip.', 'text' => 'It hums at night.']);
        $reading = self::textAt(self::at($this->call('GET', "/api/calls/$call"), 'readings', 0, 'id'));
        $refused = $this->observe($call, 'withdrawn', ['observation' => $reading, 'reason' => 'x'], 403);
        self::assertStringContainsString('role', self::textAt($refused['detail']));
    }

    public function testTheTableNamesEveryActAndNothingElse(): void
    {
        foreach (Role::cases() as $role) {
            self::assertSame([], array_diff(Access::of($role), Act::ALL));
        }
        self::assertSame(Act::ALL, Access::of(Role::Owner));
    }

    private function leave(): void
    {
        $this->client->getCookieJar()->clear();
        $this->client->restart();
    }

    private function inRole(Role $role): User
    {
        return $this->person(match ($role) {
            Role::Owner => Demo::EMAIL,
            Role::Electrician => Demo::ELECTRICIAN,
            Role::Trainee => Demo::TRAINEE,
            Role::Office => Demo::OFFICE,
            Role::Reader => Demo::READER,
        });
    }

    /** @param array<string, mixed> $body */
    private function answered(string $method, string $path, array $body = []): int
    {
        $this->client->request($method, $path, server: ['CONTENT_TYPE' => 'application/json'], content: 'GET' === $method ? null : json_encode((object) $body, \JSON_THROW_ON_ERROR));

        return $this->client->getResponse()->getStatusCode();
    }
}
