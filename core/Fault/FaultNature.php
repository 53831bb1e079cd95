<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** What a fault is to the model. */
enum FaultNature: string
{
    /** A change of the circuit: readings can find it. */
    case Network = 'network';

    /** How a protective device behaves: a tester that makes it act can find it. */
    case Device = 'device';

    /** No fault: the house is not as it was surveyed. */
    case Survey = 'survey';

    /** Found by looking, asking or judging the survey; readings never prove it. */
    case LookOnly = 'look-only';
}
