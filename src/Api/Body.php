<?php

declare(strict_types=1);

namespace App\Api;

use App\Words\Printable;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Uid\UuidV7;
use YellowProbe\Installation\Attributes;

/** The JSON object of a request, read with types; what is wrong is refused with the field's name. */
final readonly class Body
{
    public const MOST_BYTES = 1_000_000;

    /** No place on earth is further from UTC. */
    private const MOST_OFFSET_MINUTES = 14 * 60;

    /** Entries are of this century's first half. */
    private const MIDDLE_YEAR = 2040;
    private const MOST_YEARS = 40;

    private function __construct(public Attributes $fields)
    {
    }

    public static function of(Request $request): self
    {
        $content = $request->getContent();
        if (\strlen($content) > self::MOST_BYTES) {
            throw new Problem(413, 'Too large', \sprintf('A request may have %d kB; send it in parts.', self::MOST_BYTES / 1000));
        }
        if ('json' !== $request->getContentTypeFormat()) {
            throw new Problem(415, 'Not JSON', 'Send the request with the content type application/json.');
        }
        try {
            $raw = json_decode($content, true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw new Problem(400, 'Malformed JSON', 'The request is not JSON: '.$e->getMessage().'.');
        }
        if (!\is_array($raw) || (array_is_list($raw) && [] !== $raw)) {
            throw new Problem(400, 'Not an object', 'The request has to be a JSON object.');
        }

        return new self(new Attributes($raw, ''));
    }

    /** An id that the client made: a UUID of version 7. */
    public function id(string $key = 'id'): UuidV7
    {
        $value = $this->fields->string($key);

        return UuidV7::isValid($value) ? UuidV7::fromString($value) : throw Problem::invalid("/$key", 'Expected a UUID of version 7, made by the client.');
    }

    public function optionalUuid(string $key): ?Uuid
    {
        $value = $this->fields->string($key, '');

        return '' === $value ? null : (Uuid::isValid($value) ? Uuid::fromString($value) : throw Problem::invalid("/$key", 'Expected a UUID.'));
    }

    /** Text that says something, at most $most characters. */
    public function text(string $key, int $most = 200): string
    {
        $value = trim($this->fields->string($key));
        if ('' === $value) {
            throw Problem::invalid("/$key", 'Write something here.');
        }
        if (!Printable::is($value)) {
            throw Problem::invalid("/$key", 'This text holds characters that cannot be printed. Type it again.');
        }
        if (mb_strlen($value) > $most) {
            throw Problem::invalid("/$key", \sprintf('At most %d characters; this has %d.', $most, mb_strlen($value)));
        }

        return $value;
    }

    public function instant(string $key): \DateTimeImmutable
    {
        $value = $this->fields->string($key);
        if (1 !== preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,6})?(Z|[+-]\d\d:\d\d)$/D', $value)) {
            throw Problem::invalid("/$key", 'Expected a time such as 2026-03-09T14:06:00Z.');
        }
        $instant = \DateTimeImmutable::createFromFormat(\DATE_RFC3339_EXTENDED, $value) ?: \DateTimeImmutable::createFromFormat(\DATE_RFC3339, $value);
        if (false === $instant) {
            throw Problem::invalid("/$key", 'Expected a time such as 2026-03-09T14:06:00Z.');
        }

        // What is no day rolls over to another one: 2026-13-45 would become a day in 2027.
        $warnings = \DateTimeImmutable::getLastErrors();
        $offset = preg_match('/[+-](\d\d):(\d\d)$/', $value, $match) ? (int) $match[1] * 60 + (int) $match[2] : 0;
        if ((false !== $warnings && $warnings['warning_count'] + $warnings['error_count'] > 0) || $offset > self::MOST_OFFSET_MINUTES || abs((int) $instant->format('Y') - self::MIDDLE_YEAR) > self::MOST_YEARS) {
            throw Problem::invalid("/$key", 'There is no such time. Expected one such as 2026-03-09T14:06:00Z, not far from today.');
        }

        return $instant->setTimezone(new \DateTimeZone('UTC'));
    }
}
