<?php

declare(strict_types=1);

namespace App\Job;

/** Felt between the pieces of a long computation: by it a worker tells that it lives, and stops when nobody waits any more. */
final class Pulse
{
    /** @var (\Closure(): void)|null */
    private ?\Closure $feel = null;

    /** @throws Superseded when the work is not asked for any more */
    public function beat(): void
    {
        null === $this->feel || ($this->feel)();
    }

    /**
     * @template T
     *
     * @param \Closure(): void $feel
     * @param \Closure(): T    $work
     *
     * @return T
     */
    public function during(\Closure $feel, \Closure $work): mixed
    {
        $this->feel = $feel;
        try {
            return $work();
        } finally {
            $this->feel = null;
        }
    }
}
