<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use YellowProbe\Diagnosis\ToldPlaces;
use YellowProbe\Fault\FaultSite;

/** Where a complaint shows says where its cause can be. */
final class ToldPlacesTest extends Asked
{
    public function testWhatIsThereIsLikelierAndWhatDoesNotReachThereIsNextToOut(): void
    {
        $place = self::$house->parts['c']->place;
        $same = self::$house->parts['a']->place;
        $circuit = self::$house->circuitOfPart('c');
        $other = null;
        foreach (self::$house->parts as $part) {
            $own = self::$house->circuitOfPart($part->id);
            if (null !== $own && $own !== $circuit && 'point' === self::$house->places[$part->place]->kind) {
                $other = $part->place;
            }
        }
        self::assertNotNull($other);
        $told = new ToldPlaces(self::$house, [$place]);
        $site = static fn (string ...$places): FaultSite => new FaultSite('x', [], array_values($places), 'there');
        self::assertSame(4.0, $told->factor($site($place)));
        self::assertSame(4.0, $told->factor($site($same, $place)), 'between two of which one is it');
        self::assertSame(1.0, $told->factor($site($same)), 'on the same circuit');
        self::assertSame(0.05, $told->factor($site($other)));
        $board = array_values(array_filter(self::$house->places, static fn ($each): bool => 'board' === $each->kind))[0];
        self::assertSame(1.0, $told->factor($site($board->id)), 'a board reaches everywhere');
        self::assertSame(1.0, $told->factor($site()));
    }

    public function testAPlaceThatTheHouseDoesNotHaveSaysNothing(): void
    {
        $site = new FaultSite('x', [], [self::$house->parts['c']->place], 'there');
        self::assertSame(1.0, (new ToldPlaces(self::$house, []))->factor($site));
        self::assertSame(1.0, (new ToldPlaces(self::$house, ['no-such-place']))->factor($site));
    }
}
