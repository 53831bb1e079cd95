<?php

declare(strict_types=1);

namespace App\Mail;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use Symfony\Component\Mailer\Exception\UnsupportedSchemeException;
use Symfony\Component\Mailer\Transport\Dsn;
use Symfony\Component\Mailer\Transport\TransportFactoryInterface;
use Symfony\Component\Mailer\Transport\TransportInterface;

/** Makes the stand-in from the setting "kept://default". */
#[AutoconfigureTag('mailer.transport_factory')]
final readonly class KeptTransportFactory implements TransportFactoryInterface
{
    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    public function create(Dsn $dsn): TransportInterface
    {
        return $this->supports($dsn) ? new KeptTransport($this->connection, $this->clock) : throw new UnsupportedSchemeException($dsn);
    }

    public function supports(Dsn $dsn): bool
    {
        return 'kept' === $dsn->getScheme();
    }
}
