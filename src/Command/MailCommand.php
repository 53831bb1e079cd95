<?php

declare(strict_types=1);

namespace App\Command;

use App\Entity\Mail;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('mail:show', 'Show the last mails that were kept instead of sent')]
final class MailCommand extends Command
{
    private const LAST = 10;

    public function __construct(private readonly EntityManagerInterface $entities)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        foreach (array_reverse($this->entities->getRepository(Mail::class)->findBy([], ['id' => 'DESC'], self::LAST)) as $mail) {
            $output->writeln(\sprintf("%s  to %s\n%s\n\n%s", $mail->at->format('Y-m-d H:i'), $mail->recipient, $mail->subject, $mail->text));
        }

        return self::SUCCESS;
    }
}
