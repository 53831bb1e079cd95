<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\Suspect;
use YellowProbe\Fault\Fault;

/** What is said for and against a cause. */
final class SuspectTest extends Asked
{
    public function testAReadingThatSaysNothingOfTheCauseItselfSpeaksOfTheOthers(): void
    {
        $truth = Fault::at(self::$house, 'borrowed-neutral', 'stair~up')->change(self::$house);
        $ranking = self::ranked($truth, ['residual-pair:stair:low', 'residual-pair:u1:up', 'zs:a.front:L-E', 'insulation:ring:N–E'], ['residual-trip']);
        $nothing = $ranking->standing(Hypothesis::SOUND);
        self::assertNotNull($nothing);
        $said = [];
        foreach ($ranking->suspects() as $suspect) {
            foreach (null === $suspect->lead()->hypothesis->kind ? [] : $suspect->reasons() as $reason) {
                $apart = abs($suspect->lead()->each[(int) $reason['observation']] - $nothing->each[(int) $reason['observation']]);
                $about = $reason['nats'] > 0 ? 'worse' : 'better';
                $how = match (1) {
                    preg_match('/with this it would be .+, without .+\.$/', $reason['sentence']) => 'this',
                    preg_match('/with and without this, other causes fit it worse\.$/', $reason['sentence']) => 'worse',
                    preg_match('/with and without this, other causes fit it better\.$/', $reason['sentence']) => 'better',
                    default => $reason['sentence'],
                };
                self::assertContains($how, $apart < 0.1 ? [$about] : ['this', $about]);
                $said[$how] = true;
            }
        }
        self::assertEqualsCanonicalizing(['this', 'worse', 'better'], array_keys($said));
    }

    public function testThatNothingIsWrongIsAtNoPlaceThoughThereMayBeALoadThatNobodyListed(): void
    {
        $ranking = self::ranked(null, ['zs:a.front:L-E'], ['none']);
        $nothing = array_values(array_filter($ranking->suspects(), static fn (Suspect $suspect): bool => Hypothesis::SOUND === $suspect->lead()->hypothesis->id))[0];
        self::assertGreaterThan(1, \count($nothing->standings), 'an unlisted load asks for no repair either');
        self::assertSame([[], 0, []], [$nothing->where(), $nothing->alike(), $nothing->places(self::$house)]);

        $other = array_values(array_filter($ranking->suspects(), static fn (Suspect $suspect): bool => null !== $suspect->lead()->hypothesis->site && \count($suspect->standings) > 3))[0];
        self::assertNotSame([], $other->places(self::$house));
        self::assertGreaterThan(1, $other->alike());
    }
}
