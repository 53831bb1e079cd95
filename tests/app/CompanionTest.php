<?php

declare(strict_types=1);

namespace App\Tests;

use App\Demo\Demo;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\UuidV7;

/** A trainee does no live step alone, and who stands beside them confirms it themselves. */
final class CompanionTest extends ApiTestCase
{
    private const VOLTS = ['instrument' => 'two-pole-indicator', 'raw' => '230', 'near' => 'at the door'];

    public function testALiveReadingNeedsASecondPersonWhoConfirmsWithTheirOwnSecret(): void
    {
        $call = $this->demoCall('4 Wicket');
        $this->as($this->person(Demo::TRAINEE));
        self::assertSame('/secondPerson', $this->observe($call, 'measured', self::VOLTS, 409)['pointer']);
        $this->observe($call, 'told', ['text' => 'It hums.']);

        $tam = $this->person(Demo::ELECTRICIAN);
        $confirm = ['id' => (new UuidV7())->toRfc4122(), 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'electrician' => $tam->id->toRfc4122(), 'secret' => Demo::PASSWORD];
        self::assertSame('/secret', $this->call('POST', "/api/calls/$call/second-person", ['secret' => 'guess'] + $confirm, 422)['pointer']);
        $rafe = $this->person(Demo::TRAINEE)->id->toRfc4122();
        self::assertSame('/secret', $this->call('POST', "/api/calls/$call/second-person", ['electrician' => $rafe] + $confirm, 422)['pointer'], 'not by themselves');
        $this->observe($call, 'accompanied', ['trainee' => $rafe], 403);
        $detail = $this->call('POST', "/api/calls/$call/second-person", $confirm, 201);
        self::assertSame([[$rafe, 'Tam Weller']], array_map(static fn (mixed $each): array => [self::at((array) $each, 'trainee'), self::at((array) $each, 'electrician')], (array) $detail['beside']));

        $detail = $this->observe($call, 'measured', self::VOLTS);
        $record = (array) $detail['record'];
        [$beside, $reading] = \array_slice($record, -2);
        self::assertSame(['Tam Weller', 'Tam Weller stands beside Rafe Tolland at live steps, for 30 minutes'], [self::at((array) $beside, 'by'), self::at((array) $beside, 'words')]);
        self::assertSame('Rafe Tolland', self::at((array) $reading, 'by'));
        self::assertContains(['label' => 'Second person', 'value' => 'Tam Weller'], (array) self::at((array) $reading, 'facts'));
    }

    public function testAPinStandsInForThePasswordThereAndNowhereElse(): void
    {
        $this->as($this->person(Demo::ELECTRICIAN));
        foreach (['123', '1111', '2345', '9876', 'abcd', '123456789'] as $weak) {
            self::assertSame('/pin', $this->call('PUT', '/api/me/pin', ['current' => Demo::PASSWORD, 'pin' => $weak], 422)['pointer'], $weak);
        }
        self::assertTrue($this->call('PUT', '/api/me/pin', ['current' => Demo::PASSWORD, 'pin' => '8042'])['hasPin']);
        $this->client->getCookieJar()->clear();
        $this->client->restart();
        $this->call('POST', '/api/login', ['email' => Demo::ELECTRICIAN, 'password' => '8042'], 401);
        $this->as($this->person(Demo::TRAINEE));
        $call = $this->demoCall('4 Wicket');
        $this->call('POST', "/api/calls/$call/second-person", ['id' => (new UuidV7())->toRfc4122(), 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'electrician' => $this->person(Demo::ELECTRICIAN)->id->toRfc4122(), 'secret' => '8042'], 201);
        $this->observe($call, 'measured', self::VOLTS);
    }

    public function testGuessingAPinIsSlowed(): void
    {
        $this->as($this->person(Demo::TRAINEE));
        $call = $this->demoCall('4 Wicket');
        foreach ([422, 422, 422, 422, 422, 429] as $status) {
            $this->call('POST', "/api/calls/$call/second-person", ['id' => (new UuidV7())->toRfc4122(), 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'electrician' => $this->person(Demo::ELECTRICIAN)->id->toRfc4122(), 'secret' => '8041'], $status);
        }
    }

    public function testOnTheirOwnDeviceItIsAnEntryLikeAnyOtherAndEndsWhenTheyWithdrawIt(): void
    {
        $call = $this->demoCall('4 Wicket');
        $rafe = $this->person(Demo::TRAINEE);
        $this->as($this->person(Demo::ELECTRICIAN));
        self::assertSame('/payload/trainee', $this->observe($call, 'accompanied', ['trainee' => $this->user()->id->toRfc4122()], 422)['pointer']);
        $id = (new UuidV7())->toRfc4122();
        $this->observe($call, 'accompanied', ['trainee' => $rafe->id->toRfc4122()], id: $id);
        $this->as($rafe);
        $this->observe($call, 'measured', self::VOLTS);
        $this->as($this->person(Demo::ELECTRICIAN));
        $this->observe($call, 'withdrawn', ['observation' => $id, 'reason' => 'Called away.']);
        $this->as($rafe);
        $this->observe($call, 'measured', self::VOLTS, 409);
    }

    public function testItLapsesLikeAProofDoes(): void
    {
        $call = $this->demoCall('4 Wicket');
        $rafe = $this->person(Demo::TRAINEE);
        $this->as($this->person(Demo::ELECTRICIAN));
        $this->observe($call, 'accompanied', ['trainee' => $rafe->id->toRfc4122()]);
        self::service(Connection::class)->executeStatement('UPDATE firm SET proof_minutes = -1');
        self::service(EntityManagerInterface::class)->clear();
        $this->as($rafe);
        self::assertSame([], $this->call('GET', "/api/calls/$call")['beside']);
        $this->observe($call, 'measured', self::VOLTS, 409);
    }

    public function testWhatIsLive(): void
    {
        $call = $this->demoCall('4 Wicket');
        $this->as($this->person(Demo::TRAINEE));
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'rcd-b', 'value' => 'off']]]);
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'rcd-b', 'value' => 'on']]], 409);
        $this->observe($call, 'lever', ['device' => 'rcd-a', 'dead' => ['lights-up'], 'live' => []], 409);
        $this->observe($call, 'isolation', ['step' => 'warn']);
        $this->observe($call, 'isolation', ['step' => 'sources']);
        $scope = $this->call('GET', "/api/calls/$call/isolation-scope?place=p-ru-landing&level=board");
        self::assertSame('/secondPerson', $this->observe($call, 'isolation', ['step' => 'reference', 'place' => 'p-ru-landing', 'tried' => $this->reference($scope)], 409)['pointer']);
    }
}
