<?php

declare(strict_types=1);

namespace App\Tests;

use App\Database\Attempts;
use App\Demo\Demo;
use App\Entity\User;
use App\Security\Logins;
use App\Security\Passwords;
use App\Security\Setting;
use App\Security\Throttle;
use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** The login, how guessing is slowed, and how a login ends. */
final class SessionTest extends ApiTestCase
{
    public function testWithoutALoginEverythingAnswersAlike(): void
    {
        $this->outside();
        foreach (['/api/me', '/api/calls', '/api/houses', '/api/calls/0190a000-0000-7000-8000-000000000000/map'] as $path) {
            self::assertStringContainsString('Log in', self::textAt($this->call('GET', $path, null, 401)['detail']));
        }
    }

    public function testLoggingIn(): void
    {
        $this->outside();
        $wrong = $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => 'guess'], 401);
        $unknown = $this->call('POST', '/api/login', ['email' => 'nobody@brindle.example', 'password' => 'guess'], 401);
        self::assertSame($wrong, $unknown);
        self::assertSame('Ines Corran', $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => Demo::PASSWORD])['name']);
        $me = $this->call('GET', '/api/me');
        self::assertSame(['Brindle Electrical', 'owner', true], [$me['firm'], $me['role'], $me['demonstration']]);
    }

    public function testGuessingAtOneAccountIsSlowedAndHoldsUpNobodyElse(): void
    {
        $this->outside();
        foreach ([401, 401, 401, 401, 401, 429, 429] as $status) {
            $this->call('POST', '/api/login', ['email' => Demo::ELECTRICIAN, 'password' => 'guess'], $status);
        }
        self::assertStringContainsString('Try again in', self::textAt($this->call('POST', '/api/login', ['email' => Demo::ELECTRICIAN, 'password' => Demo::PASSWORD], 429)['detail']));
        $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => Demo::PASSWORD]);
    }

    public function testTheWaitDoublesUpToAQuarterOfAnHourAndIsForgottenAfterOne(): void
    {
        $clock = new MockClock('2026-12-01 10:00:00');
        $throttle = new Throttle(self::service(Connection::class), self::service(Attempts::class), $clock);
        $tried = static fn (string $account, string $address): int => $throttle->attempt($account, $address);
        for ($free = 0; $free < 5; ++$free) {
            self::assertSame(0, $tried('a@x.example', '10.0.0.1'));
        }
        self::assertEquals([15, 15], array_map(static fn (string $account): int => $throttle->attempt($account, '10.0.0.1'), ['a@x.example', 'A@x.example ']), 'a refused attempt does not count, and capitals are no other account');
        self::assertSame(0, $tried('a@x.example', '10.0.0.2'), 'somebody else’s guesses do not lock its owner out elsewhere');
        foreach ([15, 30, 60] as $wait) {
            $clock->sleep($wait);
            self::assertSame(0, $tried('a@x.example', '10.0.0.1'));
        }
        self::assertSame(120, $tried('a@x.example', '10.0.0.1'));
        for ($more = 0; $more < 6; ++$more) {
            $clock->sleep(900);
            $tried('a@x.example', '10.0.0.1');
        }
        self::assertSame(900, $tried('a@x.example', '10.0.0.1'));
        $clock->sleep(Throttle::FORGOTTEN_SECONDS + 1);
        self::assertSame(0, $tried('a@x.example', '10.0.0.1'));
    }

    public function testOneAddressThatTriesManyAccountsIsSlowedAndASuccessStartsAnAccountAnew(): void
    {
        $throttle = new Throttle(self::service(Connection::class), self::service(Attempts::class), new MockClock('2026-12-01 10:00:00'));
        for ($account = 0; $account < 20; ++$account) {
            self::assertSame(0, $throttle->attempt("a$account@x.example", '2001:db8:1:2::1'));
        }
        self::assertSame(15, $throttle->attempt('b@x.example', '2001:db8:1:2:ffff::9'), 'another address of the same network is the same one');
        self::assertSame(0, $throttle->attempt('b@x.example', '2001:db8:1:3::1'));
        for ($again = 0; $again < 30; ++$again) {
            self::assertSame(0, $throttle->attempt('c@x.example', '10.9.9.9'));
            $throttle->succeeded('c@x.example', '10.9.9.9');
        }
    }

    public function testAnUnknownAddressTakesTheSameWorkAsAWrongPassword(): void
    {
        // Both are one comparison with a hash of the same method and cost.
        $hash = (new \ReflectionClassConstant(Passwords::class, 'NOBODYS'))->getValue();
        $cost = password_get_info(self::textAt($hash));
        self::assertSame(['2y', 'bcrypt', ['cost' => 12]], array_values($cost));
        self::assertStringContainsString('algorithm: bcrypt, cost: 12', (string) file_get_contents(__DIR__.'/../../config/packages/security.yaml'));
        self::assertFalse(self::service(Passwords::class)->isPassword(null, 'guess'));
        self::assertTrue(self::service(UserPasswordHasherInterface::class)->isPasswordValid($this->user(), Demo::PASSWORD));
    }

    public function testThePasswordIsChangedWithTheOldOneAndOtherDevicesAreSignedOut(): void
    {
        $elsewhere = self::service(Logins::class)->begin($this->user(), null);
        self::assertSame('/current', $this->call('PUT', '/api/me/password', ['current' => 'guess', 'password' => 'kettle stair lamp nine'], 422)['pointer']);
        $this->call('PUT', '/api/me/password', ['current' => Demo::PASSWORD, 'password' => 'kettle stair lamp nine']);
        self::assertFalse(self::service(Logins::class)->isGood($this->user(), $elsewhere));
        $this->call('GET', '/api/me');
        $this->outside();
        $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => Demo::PASSWORD], 401);
        $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => 'kettle stair lamp nine']);
    }

    public function testLoginsAreListedAndEndedOneByOneOrAll(): void
    {
        $logins = self::service(Logins::class);
        $phone = $logins->begin($this->user(), Request::create('/', server: ['HTTP_USER_AGENT' => 'A phone', 'REMOTE_ADDR' => '10.1.2.3']));
        $tablet = $logins->begin($this->user(), null);
        $list = $this->call('GET', '/api/me/logins');
        self::assertCount(1, array_filter($list, static fn (mixed $each): bool => \is_array($each) && true === $each['isThis']));
        self::assertContains(['A phone', '10.1.2.3'], array_map(static fn (mixed $each): array => [self::at((array) $each, 'device'), self::at((array) $each, 'address')], $list));
        $this->client->request('DELETE', "/api/me/logins/$phone");
        self::assertSame([false, true], [$logins->isGood($this->user(), $phone), $logins->isGood($this->user(), $tablet)]);
        $this->call('DELETE', "/api/me/logins/$phone", null, 404);
        $this->client->request('DELETE', '/api/me/logins');
        self::assertFalse($logins->isGood($this->user(), $tablet));
        $this->call('GET', '/api/me');
        self::assertFalse($logins->isGood($this->person(Demo::ELECTRICIAN), $logins->begin($this->user(), null)), 'a login of somebody else');
    }

    public function testLoggingOutAnswersNothingEndsTheLoginAndEmptiesTheCache(): void
    {
        $this->client->request('POST', '/api/logout');
        $response = $this->client->getResponse();
        self::assertSame([204, '', '"cache", "cookies"'], [$response->getStatusCode(), $response->getContent(), $response->headers->get('Clear-Site-Data')]);
        $this->call('GET', '/api/me', null, 401);
    }

    public function testTheDemonstrationIsEnteredOnlyWhereNobodyElseCanReachIt(): void
    {
        $ines = $this->user();
        $real = new User($ines->id, new \App\Entity\Firm($ines->id, 'Real'), 'a@b.example', 'A');
        foreach ([['demonstration', '127.0.0.1', '', '', true], ['demonstration', '::1', '', '', true], ['demonstration', '0.0.0.0', '', '', false], ['demonstration', '127.0.0.1', 'probe.example', '', false], ['demonstration', '127.0.0.1', '', '127.0.0.1', false], ['production', '127.0.0.1', '', '', false]] as [$mode, $listen, $host, $proxies, $admitted]) {
            $setting = new Setting($mode, $listen, $host, $proxies);
            self::assertSame([$admitted, true], [$setting->admits($ines), $setting->admits($real)], "$mode $listen $host $proxies");
        }
    }

    public function testWhatIsNoRequestIsRefusedWithWhatToDo(): void
    {
        self::assertStringContainsString('not JSON', self::textAt($this->call('POST', '/api/calls', '{"id": ', 400)['detail']));
        $this->call('POST', '/api/calls', '[1, 2]', 400);
        $this->call('DELETE', '/api/calls', null, 405);
        $this->call('GET', '/api/nothing', null, 404);
        self::assertStringContainsString('1000 kB', self::textAt($this->call('POST', '/api/calls', '{"id": "'.str_repeat('x', 1_000_001).'"}', 413)['detail']));
        $this->client->request('POST', '/api/calls', server: ['CONTENT_TYPE' => 'text/plain'], content: '{}');
        self::assertSame(415, $this->client->getResponse()->getStatusCode());
    }

    private function outside(): void
    {
        $this->client->getCookieJar()->clear();
        $this->client->restart();
    }
}
