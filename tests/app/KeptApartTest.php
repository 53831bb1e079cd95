<?php

declare(strict_types=1);

namespace App\Tests;

use App\Entity\Firm;
use App\Entity\Observation;
use App\Entity\User;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\UuidV7;

/** Whose a call is, and that what was stored stays. */
final class KeptApartTest extends ApiTestCase
{
    public function testAnotherFirmsCallAnswersLikeAnUnknownOne(): void
    {
        $ours = $this->demoCall('4 Wicket');
        $entities = self::service(EntityManagerInterface::class);
        $firm = new Firm(new UuidV7(), 'Other Firm');
        $stranger = new User(new UuidV7(), $firm, 'other@firm.example', 'Other');
        $stranger->setPassword('x');
        $entities->persist($firm);
        $entities->persist($stranger);
        $entities->flush();
        $this->as($stranger);

        self::assertSame(['calls' => [], 'next' => null], $this->call('GET', '/api/calls'));
        $unknown = $this->call('GET', '/api/calls/'.(new UuidV7())->toRfc4122(), null, 404);
        foreach (['', '/map', '/ranking', '/next-tests', '/contradictions'] as $tail) {
            self::assertSame($unknown, $this->call('GET', "/api/calls/$ours$tail", null, 404));
        }
        self::assertSame($unknown, $this->observe($ours, 'told', ['text' => 'x'], 404));
        self::assertSame($unknown, $this->call('GET', '/api/calls/not-an-id', null, 404));
    }

    public function testTheDatabaseItselfRefusesToChangeEvidence(): void
    {
        $connection = self::service(Connection::class);
        foreach (['UPDATE observation SET kind = \'seen\'', 'DELETE FROM observation', 'UPDATE house_version SET number = number + 1000', 'DELETE FROM house_version'] as $sql) {
            try {
                $connection->executeStatement($sql);
                self::fail("The database took: $sql");
            } catch (DriverException $refusal) {
                self::assertStringContainsString('45000', (string) $refusal->getSQLState());
            }
        }
        self::assertGreaterThan(0, self::service(EntityManagerInterface::class)->getRepository(Observation::class)->count());
    }

    public function testEveryTableButTheSessionsCarriesTheFirm(): void
    {
        $tables = self::service(Connection::class)->fetchFirstColumn('SELECT table_name FROM information_schema.tables t WHERE table_schema = DATABASE() AND NOT EXISTS (SELECT 1 FROM information_schema.columns c WHERE c.table_schema = t.table_schema AND c.table_name = t.table_name AND c.column_name = \'firm_id\') ORDER BY 1');
        // A kept mail belongs to whom it was sent, an attempt to nobody, a lock, a worker and a message of a queue to the machine.
        self::assertSame(['doctrine_migration_versions', 'firm', 'lock_keys', 'mail', 'messenger_messages', 'session', 'throttle', 'worker'], $tables);
    }
}
