<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Running;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Tests\Houses;

/** What runs each time is where to look first. */
final class RunningTest extends TestCase
{
    public function testWhatStandsInAnApplianceThatRanIsLikelier(): void
    {
        $house = Houses::demo('wicket-lane');
        $ran = new Running($house, ['boiler-unit', 'no-such-thing']);
        $circuit = $house->circuitOfPart('boiler-unit');
        self::assertNotNull($circuit);
        $site = static fn (string $id, string ...$things): FaultSite => new FaultSite($id, array_values($things), [], 'there');
        $leak = FaultCatalogue::get('line-earth-leak');
        self::assertSame(8.0, $ran->factor($leak, $site('x', 'boiler-unit.L', 'boiler-unit.E')), 'a leak inside it');
        self::assertSame(8.0, $ran->factor($leak, $site($circuit, 's.L')), 'more than its circuit carries');
        self::assertSame(1.0, $ran->factor($leak, $site('x', "$circuit-r1")), 'its cable carries the same day and night');
        $there = new FaultSite('y', ['s.L'], [$house->parts['boiler-unit']->place], 'there');
        self::assertSame(1.0, $ran->factor($leak, $there), 'a leak beside it shows whether it runs or not');
        self::assertSame(8.0, $ran->factor(FaultCatalogue::get('high-resistance-joint'), $there), 'a joint shows by the current through it');
        self::assertSame(1.0, (new Running($house, []))->factor($leak, $site('x', 'boiler-unit.L')));
    }

    public function testEightTimesItsShareBesideTheRestOfItsKind(): void
    {
        $house = Houses::demo('wicket-lane');
        $prior = static function (Story $story) use ($house): float {
            $sum = 0.0;
            foreach (HypothesisSpace::of($house, Houses::rates(), $story) as $hypothesis) {
                $sum += 'appliance-leak' === $hypothesis->kind?->slug() && 'fridge' === ($hypothesis->site->id ?? '') ? $hypothesis->prior : 0.0;
            }

            return $sum;
        };
        $before = $prior(new Story(['residual-trip']));
        self::assertGreaterThan(0.0, $before);
        self::assertEqualsWithDelta(8.0 * $before, $prior(new Story(['residual-trip'], running: ['fridge'])), 1e-12);
    }
}
