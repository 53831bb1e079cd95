<?php

declare(strict_types=1);

namespace App\Security;

use App\Entity\User;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** How this installation is reached: a demonstration on one machine, or a firm's own. */
final readonly class Setting
{
    private const LOOPBACK = ['127.0.0.1', '::1', 'localhost'];

    /**
     * @param string $mode    demonstration or production
     * @param string $listen  address that the web server listens on
     * @param string $host    the public host name, empty when there is none
     * @param string $proxies addresses of proxies that are believed, with commas between
     * @param string $ownAddress that the installation was started with
     */
    public function __construct(
        #[Autowire(env: 'YP_MODE')]
        private string $mode,
        #[Autowire(env: 'YP_LISTEN')]
        private string $listen,
        #[Autowire(env: 'YP_PUBLIC_HOST')]
        private string $host,
        #[Autowire(env: 'YP_TRUSTED_PROXIES')]
        private string $proxies,
        #[Autowire(env: 'YP_ADDRESS')]
        private string $ownAddress = '',
    ) {
    }

    public function isDemonstration(): bool
    {
        return 'demonstration' === $this->mode;
    }

    /** The demonstration's password is known to everybody: its people log in only where nobody else can reach it. */
    public function admits(User $user): bool
    {
        return !$user->firm->demonstration || ($this->isDemonstration() && \in_array($this->listen, self::LOOPBACK, true) && '' === $this->host && '' === $this->proxies);
    }

    /** The address that links in mails begin with: as configured, never as a request says. */
    public function address(string $usual): string
    {
        return match (true) {
            '' !== $this->host => "https://$this->host",
            '' !== $this->ownAddress => $this->ownAddress,
            default => $usual,
        };
    }
}
