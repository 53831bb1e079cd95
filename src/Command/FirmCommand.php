<?php

declare(strict_types=1);

namespace App\Command;

use App\Api\Problem;
use App\Entity\Firm;
use App\Entity\PasswordLink;
use App\Entity\User;
use App\Security\PasswordLinks;
use App\Security\Passwords;
use App\Security\Role;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\Uid\UuidV7;

/** A firm with its first owner. The password is asked for or chosen by link: a command line is kept by shells and seen by others. */
#[AsCommand('firm:create', 'Make a firm and its first owner')]
final class FirmCommand extends Command
{
    public function __construct(private readonly EntityManagerInterface $entities, private readonly Passwords $passwords, private readonly PasswordLinks $links)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('firm', null, InputOption::VALUE_REQUIRED, 'Name of the firm')
            ->addOption('email', null, InputOption::VALUE_REQUIRED, 'E-mail address that the owner logs in with')
            ->addOption('name', null, InputOption::VALUE_REQUIRED, 'Name of the owner, as it stands on records')
            ->addOption('link', null, InputOption::VALUE_REQUIRED, 'Print a link, beginning with this address, with which the owner chooses the password, instead of asking for it');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $io = new SymfonyStyle($input, $output);
        $text = static function (string $option) use ($input, $io): string {
            $given = $input->getOption($option);
            $given = \is_string($given) ? $given : $io->ask(['firm' => 'Name of the firm', 'email' => 'E-mail address of the owner', 'name' => 'Name of the owner'][$option]);

            return \is_string($given) ? trim($given) : '';
        };
        [$firmName, $email, $name] = [$text('firm'), $text('email'), $text('name')];
        if ('' === $firmName || '' === $name || false === filter_var($email, \FILTER_VALIDATE_EMAIL)) {
            $io->error('Give the name of the firm, the name of its owner, and a whole e-mail address.');

            return self::INVALID;
        }
        if (null !== $this->entities->getRepository(User::class)->findOneBy(['email' => $email])) {
            $io->error('This e-mail address has a login already. Choose another one.');

            return self::FAILURE;
        }
        $firm = new Firm(new UuidV7(), $firmName);
        \assert('' !== $email);
        $owner = new User(new UuidV7(), $firm, $email, $name, Role::Owner);
        $address = $input->getOption('link');
        if (!\is_string($address)) {
            try {
                $password = $io->askHidden('Password of the owner (not shown)');
                $this->passwords->set($owner, \is_string($password) ? $password : '');
                if ($io->askHidden('The same once more') !== $password) {
                    $io->error('The two are not the same. Nothing was stored.');

                    return self::FAILURE;
                }
            } catch (Problem $e) {
                $io->error($e->getMessage().' Nothing was stored.');

                return self::FAILURE;
            }
        }
        $this->entities->persist($firm);
        $this->entities->persist($owner);
        $this->entities->flush();
        $output->writeln("$firmName: $name logs in as $email.");
        if (\is_string($address)) {
            $output->writeln('Choose the password here, once, within seven days: '.$this->links->make($owner, PasswordLink::INVITATION, rtrim($address, '/')));
        }

        return self::SUCCESS;
    }
}
