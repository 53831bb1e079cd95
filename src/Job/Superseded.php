<?php

declare(strict_types=1);

namespace App\Job;

/** The call has moved on: what was being worked out for it is not asked for any more. */
final class Superseded extends \RuntimeException
{
}
