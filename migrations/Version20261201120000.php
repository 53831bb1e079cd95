<?php

declare(strict_types=1);

namespace App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Roles, logins, links that choose a password, security log, kept mails; summaries of calls, jobs of the workers';
    }

    public function up(Schema $schema): void
    {
        $options = 'DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci ENGINE = InnoDB';
        $this->addSql('ALTER TABLE firm ADD demonstration TINYINT(1) DEFAULT 0 NOT NULL');
        // Whoever had a login before there were roles could do everything.
        $this->addSql("ALTER TABLE user ADD role VARCHAR(20) DEFAULT 'owner' NOT NULL, ADD pin VARCHAR(255) DEFAULT NULL, ADD deactivated_at DATETIME DEFAULT NULL");
        $this->addSql('ALTER TABLE user ALTER role DROP DEFAULT');
        $this->addSql("UPDATE firm SET demonstration = 1 WHERE id IN (SELECT firm_id FROM user WHERE email = 'ines@brindle.example')");
        $this->addSql('CREATE INDEX callout_opened ON callout (firm_id, opened_at, id)');
        $this->addSql('CREATE INDEX callout_address ON callout (firm_id, address, opened_at)');
        $this->addSql('CREATE INDEX house_address ON house (firm_id, address)');
        $this->addSql("CREATE TABLE login (id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, user_id BINARY(16) NOT NULL, device VARCHAR(200) NOT NULL, address VARCHAR(45) NOT NULL, at DATETIME NOT NULL, seen_at DATETIME NOT NULL, ended_at DATETIME DEFAULT NULL, INDEX IDX_AA08CB1089AF7860 (firm_id), INDEX IDX_AA08CB10A76ED395 (user_id), INDEX login_user (user_id, ended_at), PRIMARY KEY (id), CONSTRAINT FK_AA08CB1089AF7860 FOREIGN KEY (firm_id) REFERENCES firm (id), CONSTRAINT FK_AA08CB10A76ED395 FOREIGN KEY (user_id) REFERENCES user (id)) $options");
        $this->addSql("CREATE TABLE password_link (id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, user_id BINARY(16) NOT NULL, purpose VARCHAR(20) NOT NULL, made_at DATETIME NOT NULL, expires_at DATETIME NOT NULL, used_at DATETIME DEFAULT NULL, INDEX IDX_A4F99EBA89AF7860 (firm_id), INDEX IDX_A4F99EBAA76ED395 (user_id), PRIMARY KEY (id), CONSTRAINT FK_PL_FIRM FOREIGN KEY (firm_id) REFERENCES firm (id), CONSTRAINT FK_PL_USER FOREIGN KEY (user_id) REFERENCES user (id)) $options");
        $this->addSql("CREATE TABLE security_event (id BINARY(16) NOT NULL, firm_id BINARY(16) DEFAULT NULL, user_id BINARY(16) DEFAULT NULL, kind VARCHAR(40) NOT NULL, at DATETIME NOT NULL, address VARCHAR(45) NOT NULL, detail JSON NOT NULL, INDEX IDX_D712E90D89AF7860 (firm_id), INDEX IDX_D712E90DA76ED395 (user_id), INDEX security_event_firm (firm_id, id), PRIMARY KEY (id), CONSTRAINT FK_SE_FIRM FOREIGN KEY (firm_id) REFERENCES firm (id), CONSTRAINT FK_SE_USER FOREIGN KEY (user_id) REFERENCES user (id)) $options");
        $this->addSql("CREATE TABLE mail (id BINARY(16) NOT NULL, recipient VARCHAR(180) NOT NULL, subject VARCHAR(200) NOT NULL, text LONGTEXT NOT NULL, at DATETIME NOT NULL, INDEX mail_recipient (recipient), PRIMARY KEY (id)) $options");
        foreach (['UPDATE', 'DELETE'] as $act) {
            $this->addSql(\sprintf("CREATE TRIGGER security_event_no_%s BEFORE %s ON security_event FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The security log is never changed.'", strtolower($act), $act));
        }
        $this->addSql("CREATE TABLE call_summary (call_id BINARY(16) NOT NULL, firm_id BINARY(16) NOT NULL, opened_at DATETIME NOT NULL, position INT NOT NULL, house_version INT DEFAULT NULL, stage VARCHAR(20) NOT NULL, closed TINYINT(1) NOT NULL, unsafe JSON NOT NULL, unreadable INT NOT NULL, cause VARCHAR(500) NOT NULL, INDEX call_summary_list (firm_id, closed, opened_at, call_id), PRIMARY KEY (call_id), CONSTRAINT FK_CS_CALL FOREIGN KEY (call_id) REFERENCES callout (id)) $options");
        $this->addSql("CREATE TABLE job (call_id BINARY(16) NOT NULL, what VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, firm_id BINARY(16) NOT NULL, state VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, status VARCHAR(10) NOT NULL, reason VARCHAR(500) DEFAULT NULL, body TEXT NOT NULL, done INT NOT NULL, total INT NOT NULL, asked_at DATETIME(6) NOT NULL, beat_at DATETIME(6) NOT NULL, INDEX job_waiting (status, asked_at), PRIMARY KEY (call_id, what), CONSTRAINT FK_JOB_CALL FOREIGN KEY (call_id) REFERENCES callout (id)) $options");
        $this->addSql('CREATE TABLE worker (name VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, seen_at DATETIME(6) NOT NULL, PRIMARY KEY (name)) ENGINE = InnoDB');
        $this->addSql("CREATE TABLE messenger_messages (id BIGINT AUTO_INCREMENT NOT NULL, body LONGTEXT NOT NULL, headers LONGTEXT NOT NULL, queue_name VARCHAR(190) NOT NULL, created_at DATETIME NOT NULL, available_at DATETIME NOT NULL, delivered_at DATETIME DEFAULT NULL, INDEX messenger_messages_next (queue_name, available_at, delivered_at, id), PRIMARY KEY (id)) $options");
        $this->addSql('CREATE TABLE throttle (name VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, attempts INT NOT NULL, last_at BIGINT NOT NULL, INDEX throttle_last (last_at), PRIMARY KEY (name)) ENGINE = InnoDB');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Versions go forward only; go back with a backup.');
    }
}
