<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** The register of sums. A new one is one new class and its row here. */
final class Sums
{
    /** @return list<Sum> in the order of the page */
    public static function all(): array
    {
        return [
            new LoopLimit(), new RingExpected(), new LengthFromResistance(), new ParallelInsulation(), new BreakingCapacity(), new VoltDrop(), new LeakageBudget(), new PhasorSum(), new EarthDivision(),
            new InducedCurrent(), new GroupLoad(), new EarthSize(), new LeadNull(), new BoxFill(), new ConduitFill(), new LidClearance(), new NextDate(),
        ];
    }

    /** @throws \OutOfBoundsException */
    public static function get(string $slug): Sum
    {
        foreach (self::all() as $sum) {
            if ($sum->slug() === $slug) {
                return $sum;
            }
        }

        throw new \OutOfBoundsException(\sprintf('No sum is called "%s"; known are %s.', $slug, implode(', ', array_map(static fn (Sum $sum): string => $sum->slug(), self::all()))));
    }
}
