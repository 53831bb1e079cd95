<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

/** When an intermittent form of a fault is there. */
enum Condition: string
{
    case Rain = 'rain';
    case Heat = 'heat';
    case Load = 'load';
    case Vibration = 'vibration';
    case TimeOfDay = 'time-of-day';

    private const BY_FAULT = [
        'open-line' => [self::Vibration, self::Heat],
        'open-neutral' => [self::Vibration, self::Heat],
        'open-cpc' => [self::Vibration],
        'accessory-contact' => [self::Vibration, self::Load],
        'high-resistance-joint' => [self::Load, self::Heat, self::Vibration],
        'loose-busbar' => [self::Load, self::Heat],
        'loose-neutral-bar' => [self::Load, self::Heat],
        'line-earth-leak' => [self::Rain],
        'line-neutral-fault' => [self::Vibration],
        'neutral-earth-fault' => [self::Rain, self::Load],
        'low-insulation' => [self::Rain],
        'pinched-lead' => [self::Vibration, self::Heat],
        'buried-cable-damaged' => [self::Rain],
        'element-damp' => [self::TimeOfDay, self::Heat],
        'element-failed' => [self::Heat],
        'appliance-leak' => [self::TimeOfDay, self::Heat, self::Load],
        'overload' => [self::TimeOfDay, self::Load],
        'lamp-mismatch' => [self::Load],
        'standing-leakage' => [self::TimeOfDay],
        'electrode-dry' => [self::TimeOfDay],
        'borrowed-neutral' => [self::Load],
        'joined-neutrals' => [self::Load],
        'neutral-wrong-bar' => [self::Load],
        'network-current' => [self::TimeOfDay],
        'lost-pen' => [self::Load],
        'lost-supply-neutral' => [self::Load],
        'transient-trip' => [self::Rain, self::TimeOfDay],
        'arc-device-false-trip' => [self::Load],
    ];

    /** @return list<self> what brings a kind of fault out; empty for one that stays */
    public static function of(string $fault): array
    {
        return self::BY_FAULT[$fault] ?? [];
    }
}
