<?php

declare(strict_types=1);

namespace App\Job;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Transport\Serialization\SerializerInterface;
use Symfony\Component\Messenger\Transport\TransportFactoryInterface;
use Symfony\Component\Messenger\Transport\TransportInterface;

/**
 * Makes transports of the address bell+…: the one named after the plus, with a bell.
 *
 * @implements TransportFactoryInterface<BellTransport>
 */
final readonly class BellTransportFactory implements TransportFactoryInterface
{
    private const SCHEME = 'bell+';

    /** @param TransportFactoryInterface<TransportInterface> $inner */
    public function __construct(#[Autowire(service: 'messenger.transport.doctrine.factory')] private TransportFactoryInterface $inner, #[Autowire('%kernel.cache_dir%')] private string $directory)
    {
    }

    /** @param array<mixed> $options */
    public function createTransport(#[\SensitiveParameter] string $dsn, array $options, SerializerInterface $serializer): TransportInterface
    {
        $inner = substr($dsn, \strlen(self::SCHEME));

        return new BellTransport($this->inner->createTransport($inner, $options, $serializer), $this->directory.'/bell-'.hash('xxh64', $inner));
    }

    /** @param array<mixed> $options */
    public function supports(#[\SensitiveParameter] string $dsn, array $options): bool
    {
        return str_starts_with($dsn, self::SCHEME);
    }
}
