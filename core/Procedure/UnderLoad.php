<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Instrument\Connection;

/** Volts between two contacts of a point where 2 kW or more are drawn. */
final readonly class UnderLoad extends EnteredTest
{
    private function __construct(string $slug, private string $a, private string $b)
    {
        parent::__construct($slug);
    }

    public static function neutralToEarth(): self
    {
        return new self('ne-under-load', 'N', 'E');
    }

    public static function drop(): self
    {
        return new self('volt-drop', 'L', 'N');
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach (TestPoint::all($house) as $point) {
            $state = $point->loaded();
            if (null !== $state && isset($point->contacts[$this->a], $point->contacts[$this->b])) {
                $plans[] = $this->plan("$point->id:$this->a-$this->b", "Volts {$this->a}–$this->b at {$point->words()} with ".(null === $point->outlet ? 'it on' : '2 kW on'), $state, 'voltmeter-high-z', Connection::leads($point->contacts[$this->a], $point->contacts[$this->b]));
            }
        }

        return $plans;
    }
}
