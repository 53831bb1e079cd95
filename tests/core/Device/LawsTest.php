<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Device;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Device\BreakerLaw;
use YellowProbe\Device\ResidualLaw;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Part;

/** Residual devices and breakers alone, by the figures of the trade. */
final class LawsTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, float, float, float, float}> kind, attributes, slow trip mA, at mA, typical ms, longest ms */
    public static function residual(): iterable
    {
        yield '30 mA at 1 ×' => ['residual-device', ['ratedMilliamps' => 30], 22.0, 30.0, 25.0, 300.0];
        yield '30 mA at 2 ×' => ['residual-device', ['ratedMilliamps' => 30], 22.0, 60.0, 18.75, 150.0];
        yield '30 mA at 5 ×' => ['residual-device', ['ratedMilliamps' => 30], 22.0, 150.0, 15.0, 40.0];
        yield '10 mA' => ['rcbo', ['ratedMilliamps' => 10], 7.3, 10.0, 25.0, 300.0];
        yield '100 mA' => ['residual-device', ['ratedMilliamps' => 100], 72.0, 100.0, 25.0, 300.0];
        yield '100 mA delayed at 1 ×' => ['residual-device', ['ratedMilliamps' => 100, 'type' => 'S'], 75.0, 100.0, 220.0, 500.0];
        yield '300 mA delayed at 5 ×' => ['residual-device', ['ratedMilliamps' => 300, 'type' => 'S'], 225.0, 1500.0, 90.0, 150.0];
        // (20/6)^1.43 = 5.6 s, (20/10)^1.43 = 2.7, (20/30)^1.43 = 0.56, (20/264)^1.43 = 25 ms
        yield 'persons, 6 mA' => ['residual-outlet', [], 5.0, 6.0, 150.0, 5594.0];
        yield 'persons, 10 mA' => ['residual-outlet', [], 5.0, 10.0, 85.0, 2694.0];
        yield 'persons, 30 mA' => ['residual-outlet', [], 5.0, 30.0, 25.0, 560.0];
        yield 'persons, 264 mA' => ['residual-outlet', [], 5.0, 264.0, 2.2, 25.0];
    }

    /** @param array<string, mixed> $attributes */
    #[DataProvider('residual')]
    public function testAResidualDevice(string $kind, array $attributes, float $trips, float $milliamps, float $typical, float $longest): void
    {
        $law = ResidualLaw::of(self::part($kind, $attributes));
        self::assertEqualsWithDelta($trips / 1e3, $law->tripAmperes, 1e-9);
        self::assertEqualsWithDelta($typical / 1e3, $law->seconds($milliamps / 1e3), 0.02 * $typical / 1e3);
        self::assertEqualsWithDelta($longest / 1e3, $law->longest($milliamps / 1e3) ?? \NAN, 0.005 * $longest / 1e3);
        self::assertEqualsWithDelta(0.5, $law->probability($law->tripAmperes), 1e-9);
    }

    public function testASoundSpecimenStaysWithinWhatItsKindAllows(): void
    {
        // Five milliamps as a rule, holding below four and open before six; 22 mA of a 30 mA device, 15 to 29.1.
        $persons = ResidualLaw::of(self::part('residual-outlet', []));
        self::assertSame([1.1, 0.8], [$persons->specimen(1.1), $persons->specimen(0.5)]);
        self::assertEqualsWithDelta(0.97 * 6.0 / 5.0, $persons->specimen(1.3), 1e-12);
        $general = ResidualLaw::of(self::part('residual-device', ['ratedMilliamps' => 30]));
        self::assertEqualsWithDelta([1.3, 29.1 / 22.0, 15.0 / 22.0], array_map($general->specimen(...), [1.3, 1.4, 0.6]), 1e-12);
    }

    public function testTheSpreadOfAKindAndWhereItMustHold(): void
    {
        $law = ResidualLaw::of(self::part('residual-device', ['ratedMilliamps' => 30]));
        // σ 2 mA: one of six trips by 20 mA, two of a thousand by 16.
        self::assertEqualsWithDelta(0.159, $law->probability(0.020), 0.02);
        self::assertLessThan(0.01, $law->probability(0.016));
        self::assertGreaterThan(0.99, $law->probability(0.028));
        self::assertNull($law->longest(0.015), 'at half its rating it must hold');
        self::assertSame(0.015, $law->holdsAmperes);
        self::assertSame(0.0, $law->shortest(0.03));
        $delayed = ResidualLaw::of(self::part('residual-device', ['ratedMilliamps' => 300, 'type' => 'S']));
        self::assertSame([0.13, 0.06, 0.05], [$delayed->shortest(0.3), $delayed->shortest(0.6), $delayed->shortest(1.5)]);
        $persons = ResidualLaw::of(self::part('residual-outlet', []));
        self::assertNull($persons->longest(0.0059));
        self::assertSame(0.004, $persons->holdsAmperes);
        self::assertTrue($persons->feelsGroundedNeutral(2.0));
        self::assertFalse($persons->feelsGroundedNeutral(40.0));
        self::assertFalse($law->feelsGroundedNeutral(0.1), 'a general device feels nothing without current');
    }

    public function testABreakerHoldsAndOpens(): void
    {
        $breaker = BreakerLaw::of(self::part('breaker', ['ratedAmperes' => 16, 'curve' => 'B']));
        self::assertNull($breaker->seconds(1.13 * 16));
        self::assertLessThan(3600.0, $breaker->seconds(1.45 * 16) ?? \INF);
        self::assertGreaterThan(10.0, $breaker->seconds(1.45 * 16) ?? 0.0);
        // More current, less time; then the magnetic part: 3 to 5 times.
        self::assertLessThan($breaker->seconds(30.0), $breaker->seconds(40.0));
        self::assertSame(0.01, $breaker->seconds(100.0));
        self::assertTrue($breaker->mayOpenAtOnce(50.0) && !$breaker->mustOpenAtOnce(50.0) && $breaker->mustOpenAtOnce(80.0));
        self::assertFalse(BreakerLaw::of(self::part('breaker', ['ratedAmperes' => 16, 'curve' => 'D']))->mayOpenAtOnce(150.0));
    }

    /** @param array<string, mixed> $attributes */
    private static function part(string $kind, array $attributes): Part
    {
        return new Part('p', $kind, 'here', 'Device', new Attributes($attributes, ''));
    }
}
