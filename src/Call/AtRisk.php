<?php

declare(strict_types=1);

namespace App\Call;

/** Who or what in a house suffers when the power goes, or is in more danger than others. */
enum AtRisk: string
{
    case Children = 'children';
    case Medical = 'medical';
    case StairLift = 'stair-lift';
    case Frail = 'frail';
    case Freezer = 'freezer';
    case Aquarium = 'aquarium';
    case Alarm = 'alarm';
    case Work = 'work';

    public function words(): string
    {
        return match ($this) {
            self::Children => 'Small children',
            self::Medical => 'Medical equipment that needs power',
            self::StairLift => 'Stair lift',
            self::Frail => 'Somebody frail, or hard of hearing or sight',
            self::Freezer => 'Freezer or medicine that must stay cold',
            self::Aquarium => 'Aquarium or animals',
            self::Alarm => 'Alarm that calls out when the power goes',
            self::Work => 'Work on computers that must not be cut',
        };
    }
}
