<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Installation\House;

/**
 * What is to be asked before anything is opened or measured: a minute of asking parts more than an hour of testing, while nobody
 * has said which device is down, what runs then, how soon it comes or where it shows.
 */
final readonly class Asking
{
    public const DEVICE = 'device';
    public const RUNNING = 'running';
    public const ONSET = 'onset';
    public const PLACE = 'place';

    /** What each symptom asks for. */
    private const ASKS = [
        'residual-trip' => [self::DEVICE, self::RUNNING, self::ONSET],
        'overcurrent-trip' => [self::DEVICE, self::RUNNING, self::ONSET],
        'part-dead' => [self::PLACE],
        'flicker' => [self::PLACE, self::RUNNING],
        'tingle' => [self::PLACE],
    ];

    /** How contexts that say how soon begin. */
    private const ONSETS = 'onset-';

    /** @return list<string> of the constants, what nobody has told */
    public static function of(House $house, Story $story): array
    {
        $asked = array_merge(...array_values(array_intersect_key(self::ASKS, array_flip($story->symptoms))));
        $known = [
            self::DEVICE => [] !== $story->tripped || \count($house->circuits) < 2,
            self::RUNNING => [] !== $story->running || [] === $house->partsOfKind('appliance', 'light'),
            self::ONSET => [] !== array_filter($story->contexts, static fn (string $context): bool => str_starts_with($context, self::ONSETS)),
            self::PLACE => [] !== $story->where,
        ];

        return array_values(array_unique(array_filter($asked, static fn (string $one): bool => !$known[$one])));
    }
}
