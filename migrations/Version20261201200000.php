<?php

declare(strict_types=1);

namespace App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The test that somebody is preparing for, so that it goes on on another device';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE in_hand (call_id BINARY(16) NOT NULL, user_id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, test VARCHAR(300) NOT NULL, run VARCHAR(300) NOT NULL, since BINARY(16) DEFAULT NULL, left_out JSON NOT NULL, forced JSON NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY (call_id, user_id))');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE in_hand');
    }
}
