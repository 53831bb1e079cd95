<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

/** What was typed is no reading of this tester; the message says what would be one. */
final class ReadingError extends \InvalidArgumentException
{
}
