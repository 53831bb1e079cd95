<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Fault;

use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Two faults of one conductor, one at each of its ends. */
final class TogetherTest extends TestCase
{
    public function testWhatIsPartedAtOneEndIsNotJoinedAgainByAJointAtTheOther(): void
    {
        $house = Houses::demo('earth-leakage-unit');
        $open = Fault::at($house, 'open-line', 'plugs-r2/L@1')->change($house);
        $joint = Fault::at($house, 'high-resistance-joint', 'plugs-r2/L@2', 2.5)->change($house);
        $plans = TestCatalogue::plans($house);
        $seen = 0;
        foreach (['r1-r2:p-lounge', 'r1-r2:p-kitchen', 'polarity-live:p-lounge.front:L-N', 'zs:p-lounge.front:L-N', 'insulation:plugs:L–E'] as $test) {
            $measurement = $plans[$test]->measurement;
            $bench = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
            $shown = static fn (?Change $change): string => ReadingFormat::displayed($bench->read($change), $measurement->instrument);
            self::assertSame([$shown($open), $shown($open)], [$shown($open->and($joint)), $shown($joint->and($open))], $test);
            $seen += $shown($open) === $shown($joint) ? 0 : 1;
        }
        self::assertGreaterThanOrEqual(3, $seen, 'a joint that has become worse is another thing');
    }
}
