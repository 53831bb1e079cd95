<?php

declare(strict_types=1);

namespace App\Api;

use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use YellowProbe\Installation\HouseError;
use YellowProbe\Instrument\ReadingError;

/** Every refusal and failure leaves as a problem document; a stack trace goes to the log and nowhere else. */
#[AsEventListener(event: KernelEvents::EXCEPTION, priority: 0)]
final readonly class ProblemListener
{
    public function __construct(private LoggerInterface $logger)
    {
    }

    public function __invoke(ExceptionEvent $event): void
    {
        $thrown = $event->getThrowable();
        if ($thrown instanceof AccessDeniedException || $thrown instanceof AuthenticationException) {
            return; // the firewall answers these
        }
        $event->setResponse($this->problem($thrown)->response());
    }

    private function problem(\Throwable $thrown): Problem
    {
        if ($thrown instanceof Problem) {
            return $thrown;
        }
        if ($thrown instanceof HouseError) {
            return Problem::invalid($thrown->path, $thrown->getMessage());
        }
        if ($thrown instanceof ReadingError) {
            return Problem::invalid('/raw', $thrown->getMessage());
        }
        if ($thrown instanceof HttpExceptionInterface) {
            $status = $thrown->getStatusCode();

            return match ($status) {
                404 => Problem::notFound(),
                405 => new Problem(405, 'Not this way', 'This address does not take that method; see /api/openapi.json.'),
                default => new Problem($status, 'Refused', 'The request was refused.'),
            };
        }
        $this->logger->error('Unexpected failure', ['exception' => $thrown]);

        return new Problem(500, 'This failed here', 'Something went wrong on the server; nothing of this request was stored. Try again, and tell whoever runs it if it stays.');
    }
}
