<?php

declare(strict_types=1);

namespace YellowProbe\Network;

/** The arithmetic could not be trusted: a residual above the bound, or a source with nowhere to drive its current. */
final class NumericalError extends \RuntimeException
{
}
