<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

final readonly class Zs extends SocketPairs
{
    public function __construct()
    {
        parent::__construct('loop-2-wire', [['L', 'E'], ['L', 'N']], 'Loop', 2.0);
    }

    public function slug(): string
    {
        return 'zs';
    }

    public function words(): string
    {
        return 'Earth fault loop and its comparison with the neutral';
    }

    public function hazard(): string
    {
        return 'Live, and metalwork can rise while the test current flows: tell people, nobody touching appliances. The high-current test trips residual devices.';
    }

    public function cannotShow(): string
    {
        return 'A strand that would burn under fault current; a joint that recovers under the test.';
    }
}
