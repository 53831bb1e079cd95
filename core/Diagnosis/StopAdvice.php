<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** Whether to test on, and if not, what to do instead. */
enum StopAdvice: string
{
    /** Another test costs less than what a wrong repair would. */
    case Test = 'test';
    /** The expected loss of repairing the leading cause now is below the cheapest further test. */
    case Repair = 'repair';
    /** One place or two hold most of what is believed, and opening them costs less than another test. */
    case Open = 'open';
    /** One appliance holds most of what is believed: it is unplugged or isolated, marked, and what was complained of stays away or not. */
    case OutOfUse = 'out-of-use';
    /** What leads is no fault of the house: it is said, with what to do otherwise. */
    case Explain = 'explain';
    /** No test tells the leading causes apart: a swap or repair is cheaper than finding out. */
    case Swap = 'swap';
    /** Nothing is wrong now, and no test would say otherwise: restore, leave a monitor, come back. */
    case Leave = 'leave';
    /** What was found is repaired, and nothing speaks for more. */
    case Done = 'done';
    /** What leads is upstream of the house: nobody here may mend it. */
    case Distributor = 'distributor';
    /** No cause of the list fits well: look again, ask again, doubt the survey. */
    case LookAgain = 'look-again';

    /** Whether it is taken to be known what it is. */
    public function isSure(): bool
    {
        return self::Repair === $this || self::Explain === $this;
    }
}
