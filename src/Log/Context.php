<?php

declare(strict_types=1);

namespace App\Log;

use Monolog\Attribute\AsMonologProcessor;
use Monolog\LogRecord;
use Symfony\Component\HttpFoundation\RequestStack;

/**
 * Every line of the log says which request and which call it belongs to, and none says what a customer or a person told: of an
 * exception that others throw its class and place are kept, for its message may hold the row that it was about.
 */
final readonly class Context
{
    public function __construct(private RequestStack $requests)
    {
    }

    #[AsMonologProcessor]
    public function __invoke(LogRecord $record): LogRecord
    {
        $request = $this->requests->getMainRequest();
        $extra = $record->extra;
        if (null !== $request) {
            $extra['request'] = self::id((string) $request->headers->get('X-Request-Id'));
            $route = $request->attributes->get('_route_params');
            if (\is_array($route) && str_starts_with($request->getPathInfo(), '/api/calls/')) {
                $extra['call'] = self::id(\is_string($route['id'] ?? null) ? $route['id'] : '');
            }
        }
        $context = [];
        foreach ($record->context as $key => $value) {
            if ($value instanceof \Throwable) {
                $context[$key] = self::thrown($value);
            } elseif (\in_array($key, ['call', 'what', 'file', 'route', 'route_parameters', 'status'], true) && \is_scalar($value)) {
                $context[$key] = $value;
            }
        }
        $thrown = $record->context['exception'] ?? null;
        // The framework puts what an exception says into its own sentence.
        $message = $thrown instanceof \Throwable && '' !== $thrown->getMessage() ? str_replace([$thrown->getMessage(), '{message}'], '…', $record->message) : $record->message;

        return $record->with(message: $message, context: $context, extra: $extra);
    }

    private static function id(string $id): string
    {
        return preg_replace('/[^0-9a-f-]/', '', mb_substr($id, 0, 40)) ?? '';
    }

    /** @return list<string> it and what it was caused by, each with its place */
    private static function thrown(\Throwable $thrown): array
    {
        $said = [];
        for ($each = $thrown; null !== $each; $each = $each->getPrevious()) {
            $code = $each instanceof \PDOException ? ' '.(string) $each->getCode() : '';
            $trace = array_map(static fn (array $frame): string => basename($frame['file'] ?? '').':'.($frame['line'] ?? 0), \array_slice($each->getTrace(), 0, 12));
            $said[] = $each::class."$code at ".basename($each->getFile()).":{$each->getLine()} < ".implode(' < ', $trace);
        }

        return $said;
    }
}
