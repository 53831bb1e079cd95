<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Beliefs;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Standing;
use YellowProbe\Diagnosis\Stop;
use YellowProbe\Diagnosis\StopAdvice;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Fault\Remedy;
use YellowProbe\Tests\Houses;

/** What is done about a cause decides when enough is known of it. */
final class RemedyTest extends TestCase
{
    public function testWhatFailsInsideAnApplianceIsOneRepair(): void
    {
        $inside = [self::standing('appliance-leak|fridge', 0.5), self::standing('appliance-short|fridge', 0.45), self::standing(Hypothesis::SOUND, 0.05)];
        $stop = Stop::advised(new Ranking($inside, []), []);
        self::assertEqualsWithDelta(0.05 * 480.0, $stop->lossMinutes, 1e-9, 'only a sound house is repaired for nothing');
        self::assertSame(StopAdvice::Repair, $stop->advice);
        self::assertEqualsWithDelta(-0.95 * log(0.95, 2) - 0.05 * log(0.05, 2), Beliefs::of($inside)->openBits(), 1e-9);

        $two = [self::standing('appliance-leak|fridge', 0.5), self::standing('appliance-leak|washer', 0.45), self::standing(Hypothesis::SOUND, 0.05)];
        self::assertGreaterThan(200.0, Stop::advised(new Ranking($two, []), [])->lossMinutes, 'another appliance is another repair');
    }

    public function testWhatIsNoFaultOfTheHouseIsSaid(): void
    {
        $overload = self::first('overload|');
        self::assertSame(StopAdvice::Explain, Stop::advised(new Ranking([self::standing($overload, 0.9), self::standing(Hypothesis::SOUND, 0.1)], []), [])->advice);
        self::assertTrue(StopAdvice::Explain->isSure());
        self::assertNotSame(StopAdvice::Explain, Stop::advised(new Ranking([self::standing($overload, 0.45), self::standing(Hypothesis::SOUND, 0.55)], []), [])->advice, 'while it is likelier that it is not');
    }

    public function testEveryRemedyIsOfAFaultThatThereIs(): void
    {
        $all = FaultCatalogue::all();
        $named = (new \ReflectionClass(Remedy::class))->getConstant('BY_FAULT');
        self::assertIsArray($named);
        self::assertSame([], array_diff(array_keys($named), array_keys($all)));
        self::assertSame(Remedy::Mend, FaultCatalogue::get('open-cpc')->remedy());
        self::assertSame(Remedy::Distributor, FaultCatalogue::get('lost-pen')->remedy());
    }

    /** @return list<Hypothesis> */
    private static function space(): array
    {
        return HypothesisSpace::of(Houses::demo('wicket-lane'), Houses::rates(), new Story(['overcurrent-trip', 'residual-trip']));
    }

    private static function first(string $begin): string
    {
        foreach (self::space() as $hypothesis) {
            if (str_starts_with($hypothesis->id, $begin)) {
                return $hypothesis->id;
            }
        }
        self::fail($begin);
    }

    private static function standing(string $id, float $probability): Standing
    {
        foreach (self::space() as $hypothesis) {
            if ($hypothesis->id === $id) {
                $standing = new Standing($hypothesis, log($probability), [], [1.0]);
                $standing->probability = $probability;

                return $standing;
            }
        }
        self::fail($id);
    }
}
