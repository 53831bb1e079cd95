<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Instrument;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Device\ResidualLaw;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Supply;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\ResidualTester;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Network\Complex;
use YellowProbe\Tests\Houses;

/** A device of 30 mA that opens at 22 mA, behind 230 V and 1 Ω, by hand: what stands there already and what the tester's current adds are phasors. */
final class ResidualTesterTest extends TestCase
{
    /** @return iterable<string, array{Complex, Complex, float|string}> residual that stands, share of the test current seen, milliamps shown */
    public static function ramps(): iterable
    {
        // Drawn out of the line into the earth the test current is −1 A for an ampere into the lead.
        yield 'nothing else there' => [new Complex(0.0), new Complex(-1.0), 22.0];
        yield 'a resistive leak of 5 mA in phase' => [new Complex(0.005), new Complex(-1.0), 17.0];
        yield 'the same by the other half-wave' => [new Complex(-0.005), new Complex(-1.0), 27.0];
        // √(22² − 9²)
        yield 'a capacitive leak of 9 mA stands at a right angle' => [new Complex(0.0, 0.009), new Complex(-1.0), 20.0749];
        // 22 / 0.8
        yield 'a fifth comes back through a neutral that touches earth' => [new Complex(0.0), new Complex(-0.8), 27.5];
        yield 'half does: 44 mA are beyond the ramp' => [new Complex(0.0), new Complex(-0.5), 'over'];
        yield 'none is seen, an earth made out of the neutral' => [new Complex(0.0), new Complex(0.0), 'over'];
        yield 'what stands there holds it open' => [new Complex(0.0, 0.022), new Complex(-1.0), 'nothing'];
    }

    #[DataProvider('ramps')]
    public function testARampByHand(Complex $standing, Complex $share, float|string $expected): void
    {
        $shown = self::shown('rcd-ramp', $standing, $share);
        self::assertSame(\is_string($expected) ? $expected : 'value', $shown->kind->value);
        if (!\is_string($expected)) {
            self::assertEqualsWithDelta($expected, 1000.0 * $shown->value, 1e-3);
        }
    }

    public function testTimesByHand(): void
    {
        // 12.5 + 12.5 ms at the rating; with 20 mA there already 50 mA are seen, 12.5 + 7.5 ms; half the rating alone is 15 mA and holds.
        self::assertEqualsWithDelta(0.025, self::shown('rcd-1', new Complex(0.0), new Complex(-1.0))->value, 1e-9);
        self::assertEqualsWithDelta(0.020, self::shown('rcd-1', new Complex(0.020), new Complex(-1.0))->value, 1e-9);
        self::assertSame(ShownKind::Over, self::shown('rcd-half', new Complex(0.0), new Complex(-1.0))->kind);
        self::assertEqualsWithDelta(0.0125 + 0.0125 * 30.0 / 23.0, self::shown('rcd-half', new Complex(0.008), new Complex(-1.0))->value, 1e-9, '15 and 8 mA open it');
    }

    public function testATestThatIsNotPossible(): void
    {
        $tester = self::tester('rcd-5');
        $law = ResidualLaw::of(self::device());
        $supply = Supply::of(Houses::worked());
        $act = static fn (Complex $siemens, Complex $amperes): ShownKind => $tester->act($siemens, $amperes, new Complex(0.0), new Complex(-1.0), $law, 1.0, 1.0, $supply)->kind;
        self::assertSame(ShownKind::Value, $act(new Complex(1.0), new Complex(230.0)));
        self::assertSame(ShownKind::Nothing, $act(new Complex(0.0), new Complex(0.0)), 'no earth');
        self::assertSame(ShownKind::Nothing, $act(new Complex(1.0), new Complex(90.0)), '90 V');
        // 150 mA through 400 Ω are 60 V on the metalwork, through 300 Ω 45 V.
        self::assertSame(ShownKind::Nothing, $act(new Complex(1.0 / 400.0), new Complex(230.0 / 400.0)));
        self::assertSame(ShownKind::Value, $act(new Complex(1.0 / 300.0), new Complex(230.0 / 300.0)));
    }

    private static function shown(string $slug, Complex $standing, Complex $share): Shown
    {
        return self::tester($slug)->act(new Complex(1.0), new Complex(230.0), $standing, $share, ResidualLaw::of(self::device()), 1.0, 1.0, Supply::of(Houses::worked()));
    }

    private static function tester(string $slug): ResidualTester
    {
        $tester = Instruments::get($slug);
        self::assertInstanceOf(ResidualTester::class, $tester);

        return $tester;
    }

    private static function device(): Part
    {
        return Houses::worked()->parts['rcd'] ?? new Part('rcd', 'residual-device', 'Device', 'p', new Attributes([], ''));
    }
}
