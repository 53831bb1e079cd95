<?php

declare(strict_types=1);

namespace App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201080000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What the device of an entry had seen; after how many minutes without an entry a proof of dead lapses';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE observation ADD seen INT DEFAULT NULL, ADD device BINARY(16) DEFAULT NULL');
        $this->addSql('ALTER TABLE firm ADD proof_minutes INT NOT NULL DEFAULT 30');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE observation DROP seen, DROP device');
        $this->addSql('ALTER TABLE firm DROP proof_minutes');
    }
}
