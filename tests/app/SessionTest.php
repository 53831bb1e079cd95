<?php

declare(strict_types=1);

namespace App\Tests;

use App\Demo\Demo;

final class SessionTest extends ApiTestCase
{
    public function testWithoutALoginEverythingAnswersAlike(): void
    {
        $this->client->getCookieJar()->clear();
        $this->client->restart();
        foreach (['/api/me', '/api/calls', '/api/houses', '/api/calls/0190a000-0000-7000-8000-000000000000/map'] as $path) {
            self::assertStringContainsString('Log in', self::textAt($this->call('GET', $path, null, 401)['detail']));
        }
    }

    public function testLoggingIn(): void
    {
        $this->client->restart();
        $wrong = $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => 'guess'], 401);
        $unknown = $this->call('POST', '/api/login', ['email' => 'nobody@brindle.example', 'password' => 'guess'], 401);
        self::assertSame($wrong, $unknown);
        self::assertSame('Ines Corran', $this->call('POST', '/api/login', ['email' => Demo::EMAIL, 'password' => Demo::PASSWORD])['name']);
        self::assertSame('Brindle Electrical', $this->call('GET', '/api/me')['firm']);
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
}
