<?php

declare(strict_types=1);

namespace YellowProbe\Safety;

use YellowProbe\Words\Message;

/** One pair of a dead test: two terminals, or everything else in the box. */
final readonly class Pair
{
    /** What has no terminals of its own on the survey: every other conductor in the box. */
    public const OTHERS = 'others';

    /** @param list<string> $terminals two, or none for {@see OTHERS} */
    private function __construct(public string $id, public array $terminals, public Message $words)
    {
    }

    public static function between(string $a, string $b, Message $words): self
    {
        return new self("$a|$b", [$a, $b], $words);
    }

    public static function others(): self
    {
        return new self(self::OTHERS, [], new Message('pair.others'));
    }
}
