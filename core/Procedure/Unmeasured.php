<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;

/** A test that no tester reads: a sequence, a look, a button, a sum, a swap. It is done and recorded, not predicted. */
final readonly class Unmeasured extends EnteredTest
{
    /** @return list<self> */
    public static function all(): array
    {
        return array_map(static fn (string $slug): self => new self($slug), ['prove-dead', 'zs-calculated', 'rcd-test-button', 'surge-window', 'smoke-alarm', 'device-swap']);
    }

    public function plans(House $house): array
    {
        return [];
    }
}
