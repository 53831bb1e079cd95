<?php

declare(strict_types=1);

namespace App\Api;

use App\Api\View\JobView;
use App\Job\NotYet;
use App\Job\Progress;
use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\ConnectionLost;
use Doctrine\DBAL\Exception\RetryableException;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
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
        if ($thrown instanceof NotYet) {
            $address = "/api/calls/$thrown->callId/jobs/$thrown->what";
            $event->setResponse(Answer::of(new JobView($address, Progress::of(false, 0, 0, 0)), Response::HTTP_ACCEPTED));
            $event->allowCustomResponseCode();

            return;
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
        if ($thrown instanceof ConnectionException || $thrown instanceof ConnectionLost || $thrown instanceof RetryableException) {
            $this->logger->warning('The database does not answer', ['exception' => $thrown]);

            return new Problem(503, 'Not there at the moment', 'The server is busy or is just coming back. Send the same request again in a moment; it is stored once.', '', $thrown);
        }
        if ($thrown instanceof UniqueConstraintViolationException) {
            return Problem::conflict('Somebody stored the same at the same moment. Load it again; what stands there now was kept.');
        }
        $this->logger->error('Unexpected failure', ['exception' => $thrown]);

        return new Problem(500, 'This failed here', 'Something went wrong on the server; nothing of this request was stored. Try again, and tell whoever runs it if it stays.');
    }
}
