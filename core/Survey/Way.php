<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\HouseError;

/** One way of a board as it is read off: its device, its rating and what it feeds. */
final readonly class Way
{
    public const DEVICES = ['breaker', 'rcbo', 'blank'];
    public const NEUTRAL = ['yes', 'no', 'unknown'];
    private const MOST_POINTS = 24;
    private const MOST_AMPERES = 125;

    /**
     * @param string|null $feeds   slug of what is typical; null for a spare
     * @param string      $neutral whether the device switches the neutral: yes, no, unknown
     * @param int|null    $points  how many are counted; null for the typical number
     */
    private function __construct(public string $device, public ?string $feeds, public string $name, public float $amperes, public string $curve, public int $group, public string $neutral, public ?int $points)
    {
    }

    /** @throws HouseError saying what would make it right */
    public static function read(Attributes $data): self
    {
        $device = $data->string('device', 'breaker');
        if (!\in_array($device, self::DEVICES, true)) {
            throw new HouseError("$data->path/device", 'Expected one of '.implode(', ', self::DEVICES).'.');
        }
        $neutral = $data->string('neutral', 'unknown');
        if (!\in_array($neutral, self::NEUTRAL, true)) {
            throw new HouseError("$data->path/neutral", 'Expected yes, no or unknown.');
        }
        $points = $data->has('points') ? $data->number('points') : null;
        if (null !== $points && ($points < 1 || $points > self::MOST_POINTS || $points !== floor($points))) {
            throw new HouseError("$data->path/points", \sprintf('Count 1 to %d points, or leave it out.', self::MOST_POINTS));
        }
        $amperes = 'blank' === $device ? 0.0 : $data->number('amperes');
        if ('blank' !== $device && ($amperes <= 0.0 || $amperes > self::MOST_AMPERES)) {
            throw new HouseError("$data->path/amperes", \sprintf('Give the rating on the device, up to %d A.', self::MOST_AMPERES));
        }
        $feeds = $data->string('feeds', '');

        return new self($device, '' === $feeds ? null : $feeds, trim($data->string('name', '')), $amperes, $data->string('curve', ''), (int) $data->number('group', 0.0), $neutral, null === $points ? null : (int) $points);
    }
}
