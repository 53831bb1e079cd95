<?php

declare(strict_types=1);

namespace App\Tests;

use App\Demo\Demo;
use App\Entity\Mail;
use App\Entity\User;
use App\Security\Logins;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\UuidV7;

/** How people come into a firm, change in it, and leave it. */
final class PeopleTest extends ApiTestCase
{
    private const PASSWORD = 'lamp kettle stair nine';

    public function testSomebodyInvitedChoosesAPasswordOnceAndLogsIn(): void
    {
        $person = $this->invited('bo@brindle.example', 'electrician');
        self::assertSame(['invited', null], [$person['standing'], $person['seenAt']]);
        $token = $this->token('bo@brindle.example');
        $this->outside();
        $this->call('POST', '/api/login', ['email' => 'bo@brindle.example', 'password' => ''], 401);
        self::assertSame(['name' => 'Bo Hallam', 'email' => 'bo@brindle.example', 'firm' => 'Brindle Electrical', 'purpose' => 'invitation'], $this->call('POST', '/api/password-links/look', ['token' => $token]));
        foreach (['short', 'aaaaaaaaaaaa', 'bo is the best of all'] as $weak) {
            self::assertSame('/password', $this->call('POST', '/api/password-links/use', ['token' => $token, 'password' => $weak], 422)['pointer'], $weak);
        }
        $this->answersNothing('POST', '/api/password-links/use', ['token' => $token, 'password' => self::PASSWORD]);
        foreach (['look', 'use'] as $act) {
            $this->call('POST', "/api/password-links/$act", ['token' => $token, 'password' => 'another one of mine'], 410);
        }
        $me = $this->call('POST', '/api/login', ['email' => 'bo@brindle.example', 'password' => self::PASSWORD]);
        self::assertSame(['Bo Hallam', 'electrician'], [$me['name'], $me['role']]);
    }

    public function testATokenThatIsNotWholeTooOldOrOutdatedOpensNothing(): void
    {
        $this->invited('bo@brindle.example', 'office');
        $token = $this->token('bo@brindle.example');
        [$id, $signature] = explode('.', $token);
        $other = explode('.', $this->askedFor(Demo::ELECTRICIAN))[0];
        foreach (['', 'x', $id, "$id.", "$id.".strrev($signature), "$other.$signature", (new UuidV7())->toRfc4122().".$signature"] as $broken) {
            $this->call('POST', '/api/password-links/look', ['token' => $broken], '' === $broken ? 422 : 410);
        }
        $this->as($this->user());
        $people = $this->call('GET', '/api/people');
        $bo = array_values(array_filter($people, static fn (mixed $each): bool => \is_array($each) && 'bo@brindle.example' === $each['email']))[0] ?? [];
        $this->answersNothing('POST', '/api/people/'.self::textAt(self::at((array) $bo, 'id')).'/invitations');
        $this->call('POST', '/api/password-links/look', ['token' => $token], 410);
        $newer = $this->token('bo@brindle.example');
        $this->call('POST', '/api/password-links/look', ['token' => $newer]);
        self::service(Connection::class)->executeStatement("UPDATE password_link SET expires_at = '2026-01-01 00:00:00'");
        self::service(EntityManagerInterface::class)->clear();
        $this->call('POST', '/api/password-links/look', ['token' => $newer], 410);
    }

    public function testAResetIsAskedForWithoutTellingWhoIsKnown(): void
    {
        $this->outside();
        $this->answersNothing('POST', '/api/password-links', ['email' => 'nobody@brindle.example'], 202);
        self::assertSame(0, self::service(EntityManagerInterface::class)->getRepository(Mail::class)->count(['recipient' => 'nobody@brindle.example']));
        $token = $this->askedFor(Demo::ELECTRICIAN);
        $this->answersNothing('POST', '/api/password-links/use', ['token' => $token, 'password' => self::PASSWORD]);
        $this->call('POST', '/api/login', ['email' => Demo::ELECTRICIAN, 'password' => Demo::PASSWORD], 401);
        $this->call('POST', '/api/login', ['email' => Demo::ELECTRICIAN, 'password' => self::PASSWORD]);
    }

    public function testNoMailboxIsFilled(): void
    {
        $this->outside();
        for ($asked = 0; $asked < 5; ++$asked) {
            $this->answersNothing('POST', '/api/password-links', ['email' => Demo::ELECTRICIAN], 202);
        }
        $this->call('POST', '/api/password-links', ['email' => Demo::ELECTRICIAN], 429);
        self::assertSame(5, self::service(EntityManagerInterface::class)->getRepository(Mail::class)->count(['recipient' => Demo::ELECTRICIAN]));
    }

    public function testAPersonOfAnotherFirmCannotBeTakenOverByInvitingThem(): void
    {
        self::assertSame('/email', $this->call('POST', '/api/people', ['id' => (new UuidV7())->toRfc4122(), 'email' => Demo::ELECTRICIAN, 'name' => 'Again', 'role' => 'owner'], 409)['pointer']);
        self::assertSame('/email', $this->call('POST', '/api/people', ['id' => (new UuidV7())->toRfc4122(), 'email' => 'no address', 'name' => 'X', 'role' => 'owner'], 422)['pointer']);
        self::assertSame('/role', $this->call('POST', '/api/people', ['id' => (new UuidV7())->toRfc4122(), 'email' => 'x@brindle.example', 'name' => 'X', 'role' => 'boss'], 422)['pointer']);
    }

    public function testWhoIsDeactivatedIsOutAtOnceAndStaysTheAuthorOfWhatTheyStored(): void
    {
        $tam = $this->person(Demo::ELECTRICIAN);
        $call = $this->demoCall('4 Wicket');
        $this->as($tam);
        $this->observe($call, 'told', ['text' => 'It hums.']);
        $inside = self::service(Logins::class)->begin($tam, null);
        $this->as($this->user());
        $this->call('PATCH', '/api/people/'.$tam->id->toRfc4122(), ['active' => false]);
        $this->client->loginUser($this->person(Demo::ELECTRICIAN), 'api', [Logins::ATTRIBUTE => $inside]);
        $this->call('GET', '/api/calls', null, 401);
        $this->call('POST', '/api/login', ['email' => Demo::ELECTRICIAN, 'password' => Demo::PASSWORD], 401);
        $this->as($this->user());
        $record = (array) $this->call('GET', "/api/calls/$call")['record'];
        self::assertContains('Tam Weller', array_column($record, 'by'));
        $this->call('PATCH', '/api/people/'.$tam->id->toRfc4122(), ['active' => true]);
        $this->outside();
        $this->call('POST', '/api/login', ['email' => Demo::ELECTRICIAN, 'password' => Demo::PASSWORD]);
    }

    public function testARoleHoldsFromTheNextRequestOn(): void
    {
        $tam = $this->person(Demo::ELECTRICIAN);
        $this->call('PATCH', '/api/people/'.$tam->id->toRfc4122(), ['role' => 'reader']);
        $this->as($tam);
        $this->observe($this->demoCall('4 Wicket'), 'told', ['text' => 'x'], 403);
        self::assertSame('reader', $this->call('GET', '/api/me')['role']);
    }

    public function testAFirmKeepsAnOwnerWhoCanLogIn(): void
    {
        $own = $this->user()->id->toRfc4122();
        $this->invited('bo@brindle.example', 'owner');
        foreach ([['role' => 'reader'], ['active' => false]] as $change) {
            self::assertStringContainsString('at least one owner', self::textAt($this->call('PATCH', "/api/people/$own", $change, 409)['detail']), 'one who was only invited is none yet');
        }
        $this->call('PATCH', '/api/people/'.$this->person(Demo::ELECTRICIAN)->id->toRfc4122(), ['role' => 'owner']);
        self::assertSame('reader', $this->call('PATCH', "/api/people/$own", ['role' => 'reader'])['role']);
        $this->call('GET', '/api/people', null, 403);
    }

    public function testTheSecurityLogTellsWhatWasDoneAndNoPassword(): void
    {
        $this->invited('bo@brindle.example', 'trainee');
        $this->call('PATCH', '/api/people/'.$this->person(Demo::ELECTRICIAN)->id->toRfc4122(), ['role' => 'office']);
        $this->as($this->person(Demo::READER));
        $this->call('POST', '/api/calls', ['id' => (new UuidV7())->toRfc4122()], 403);
        $this->outside();
        $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => 'a very secret guess'], 401);
        $this->as($this->user());
        $events = $this->call('GET', '/api/security-events');
        self::assertSame(['login-refused', 'forbidden', 'role-changed', 'invited'], \array_slice(array_column($events, 'kind'), 0, 4));
        self::assertSame('Tam Weller: electrician → office', self::at($events, 2, 'about'));
        self::assertStringNotContainsString('secret guess', json_encode(self::service(Connection::class)->fetchAllAssociative('SELECT kind, address, detail FROM security_event'), \JSON_THROW_ON_ERROR));
        $this->expectExceptionMessage('never changed');
        self::service(Connection::class)->executeStatement('DELETE FROM security_event');
    }

    public function testAFirmIsMadeByCommandAndItsOwnerChoosesThePasswordByLink(): void
    {
        $tester = $this->command(['--firm' => 'Hallam and Daughter', '--email' => 'ada@hallam.example', '--name' => 'Ada Hallam', '--link' => 'https://probe.hallam.example/']);
        self::assertSame(0, $tester->getStatusCode());
        self::assertSame(1, preg_match('~https://probe\.hallam\.example/password#(\S+)~', $tester->getDisplay(), $match));
        $this->outside();
        $this->answersNothing('POST', '/api/password-links/use', ['token' => $match[1], 'password' => self::PASSWORD]);
        $me = $this->call('POST', '/api/login', ['email' => 'ada@hallam.example', 'password' => self::PASSWORD]);
        self::assertSame(['Hallam and Daughter', 'owner', false], [$me['firm'], $me['role'], $me['demonstration']]);
        self::assertSame([], $this->call('GET', '/api/calls')['calls']);
        $this->call('GET', '/api/mails', null, 404);
    }

    public function testThePasswordOfAFirstOwnerIsAskedForTwice(): void
    {
        $given = ['--firm' => 'Hallam', '--email' => 'ada@hallam.example', '--name' => 'Ada'];
        self::assertSame(1, $this->command($given, [self::PASSWORD, 'something else entirely'])->getStatusCode());
        self::assertSame(1, $this->command($given, ['short', 'short'])->getStatusCode());
        self::assertNull(self::service(EntityManagerInterface::class)->getRepository(User::class)->findOneBy(['email' => 'ada@hallam.example']));
        $tester = $this->command($given, [self::PASSWORD, self::PASSWORD]);
        self::assertSame(0, $tester->getStatusCode(), $tester->getDisplay());
        self::assertStringNotContainsString(self::PASSWORD, $tester->getDisplay());
        self::assertSame(1, $this->command($given, [self::PASSWORD, self::PASSWORD])->getStatusCode(), 'the address is taken');
        self::assertSame(2, $this->command(['--email' => 'no address'] + $given)->getStatusCode());
    }

    /** @return array<string, mixed> the person */
    private function invited(string $email, string $role): array
    {
        $id = (new UuidV7())->toRfc4122();
        $person = ['id' => $id, 'email' => $email, 'name' => 'Bo Hallam', 'role' => $role];
        $first = $this->call('POST', '/api/people', $person, 201);
        self::assertSame($first, $this->call('POST', '/api/people', $person, 201), 'the same request again invites once');
        self::assertSame(1, self::service(EntityManagerInterface::class)->getRepository(Mail::class)->count(['recipient' => $email]));

        return $first;
    }

    private function askedFor(string $email): string
    {
        $this->outside();
        $this->answersNothing('POST', '/api/password-links', ['email' => $email], 202);

        return $this->token($email);
    }

    /** The token of the link in the last mail to somebody. */
    private function token(string $email): string
    {
        $mail = self::service(EntityManagerInterface::class)->getRepository(Mail::class)->findOneBy(['recipient' => $email], ['id' => 'DESC']);
        self::assertSame(1, preg_match('~^http://localhost/password#(\S+)$~m', (string) $mail?->text, $match), (string) $mail?->text);

        return $match[1];
    }

    /** @param array<string, mixed> $body */
    private function answersNothing(string $method, string $path, array $body = [], int $status = 204): void
    {
        $this->client->request($method, $path, server: ['CONTENT_TYPE' => 'application/json'], content: json_encode((object) $body, \JSON_THROW_ON_ERROR));
        self::assertSame([$status, ''], [$this->client->getResponse()->getStatusCode(), $this->client->getResponse()->getContent()]);
    }

    private function outside(): void
    {
        $this->client->getCookieJar()->clear();
        $this->client->restart();
    }

    /**
     * @param array<string, string> $options
     * @param list<string>          $typed
     */
    private function command(array $options, array $typed = []): CommandTester
    {
        self::assertNotNull(self::$kernel);
        $tester = new CommandTester((new Application(self::$kernel))->find('firm:create'));
        $tester->setInputs($typed);
        $tester->execute($options);

        return $tester;
    }
}
