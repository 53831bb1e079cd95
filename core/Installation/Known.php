<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** What has been worked out of a house is worked out once: a house does not change. */
final class Known
{
    /** @var \WeakMap<House, \ArrayObject<string, mixed>>|null */
    private static ?\WeakMap $known = null;

    /**
     * @template T
     *
     * @param string       $what  unique over all callers
     * @param \Closure(): T $work
     *
     * @return T
     */
    public static function once(House $house, string $what, \Closure $work): mixed
    {
        self::$known ??= new \WeakMap();
        $known = self::$known[$house] ??= new \ArrayObject();
        if (!$known->offsetExists($what)) {
            $known[$what] = $work();
        }
        /** @var T */
        $own = $known[$what];

        return $own;
    }
}
