<?php

declare(strict_types=1);

namespace App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125020000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Firms, users, houses with their versions, calls with their observations, sessions';
    }

    public function up(Schema $schema): void
    {
        $options = 'DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci ENGINE = InnoDB';
        $this->addSql("CREATE TABLE firm (id BINARY(16) NOT NULL, name VARCHAR(200) NOT NULL, PRIMARY KEY (id)) $options");
        $this->addSql("CREATE TABLE user (id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, email VARCHAR(180) NOT NULL, name VARCHAR(200) NOT NULL, password VARCHAR(255) NOT NULL, UNIQUE INDEX user_email (email), INDEX IDX_8D93D64989AF7860 (firm_id), PRIMARY KEY (id), CONSTRAINT FK_8D93D64989AF7860 FOREIGN KEY (firm_id) REFERENCES firm (id)) $options");
        $this->addSql("CREATE TABLE house (id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, version INT NOT NULL, address VARCHAR(200) NOT NULL, INDEX IDX_67D5399D89AF7860 (firm_id), PRIMARY KEY (id), CONSTRAINT FK_67D5399D89AF7860 FOREIGN KEY (firm_id) REFERENCES firm (id)) $options");
        $this->addSql("CREATE TABLE house_version (id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, house_id BINARY(16) NOT NULL, author_id BINARY(16) NOT NULL, number INT NOT NULL, operation JSON NOT NULL, document MEDIUMTEXT NOT NULL, at DATETIME NOT NULL, INDEX IDX_2BCB55DE89AF7860 (firm_id), INDEX IDX_2BCB55DE6BB74515 (house_id), INDEX IDX_2BCB55DEF675F31B (author_id), UNIQUE INDEX house_version_number (house_id, number), PRIMARY KEY (id), CONSTRAINT FK_ED3345E589AF7860 FOREIGN KEY (firm_id) REFERENCES firm (id), CONSTRAINT FK_ED3345E56BB74515 FOREIGN KEY (house_id) REFERENCES house (id), CONSTRAINT FK_ED3345E5F675F31B FOREIGN KEY (author_id) REFERENCES user (id)) $options");
        $this->addSql("CREATE TABLE callout (id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, house_id BINARY(16) DEFAULT NULL, address VARCHAR(200) NOT NULL, customer VARCHAR(200) NOT NULL, complaint LONGTEXT NOT NULL, visit VARCHAR(40) NOT NULL, opened_at DATETIME NOT NULL, INDEX IDX_8F03338589AF7860 (firm_id), INDEX IDX_8F0333856BB74515 (house_id), PRIMARY KEY (id), CONSTRAINT FK_48B1DCE089AF7860 FOREIGN KEY (firm_id) REFERENCES firm (id), CONSTRAINT FK_48B1DCE06BB74515 FOREIGN KEY (house_id) REFERENCES house (id)) $options");
        $this->addSql("CREATE TABLE observation (id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, call_id BINARY(16) NOT NULL, author_id BINARY(16) NOT NULL, position INT NOT NULL, kind VARCHAR(20) NOT NULL, payload JSON NOT NULL, state JSON NOT NULL, house_version INT DEFAULT NULL, verdict JSON NOT NULL, client_at DATETIME NOT NULL, stored_at DATETIME NOT NULL, INDEX IDX_C576DBE089AF7860 (firm_id), INDEX IDX_C576DBE050A89B2C (call_id), INDEX IDX_C576DBE0F675F31B (author_id), UNIQUE INDEX observation_order (call_id, position), PRIMARY KEY (id), CONSTRAINT FK_C576DBE089AF7860 FOREIGN KEY (firm_id) REFERENCES firm (id), CONSTRAINT FK_C576DBE050A89B2C FOREIGN KEY (call_id) REFERENCES callout (id), CONSTRAINT FK_C576DBE0F675F31B FOREIGN KEY (author_id) REFERENCES user (id)) $options");
        // Sessions hold no job data; they belong to a user and so to a firm, and the handler owns this layout.
        $this->addSql('CREATE TABLE session (sess_id VARBINARY(128) NOT NULL PRIMARY KEY, sess_data BLOB NOT NULL, sess_lifetime INTEGER UNSIGNED NOT NULL, sess_time INTEGER UNSIGNED NOT NULL, INDEX sess_lifetime_idx (sess_lifetime)) COLLATE utf8mb4_bin ENGINE = InnoDB');
        foreach (['observation' => 'An observation is evidence: add a correction beside it.', 'house_version' => 'A version of a house is history: add a new one.'] as $table => $message) {
            foreach (['UPDATE', 'DELETE'] as $act) {
                $this->addSql(\sprintf("CREATE TRIGGER %s_no_%s BEFORE %s ON %s FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = '%s'", $table, strtolower($act), $act, $table, $message));
            }
        }
    }

    public function down(Schema $schema): void
    {
        foreach (['session', 'observation', 'callout', 'house_version', 'house', 'user', 'firm'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
    }
}
