<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Network;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Elimination;
use YellowProbe\Network\Islands;
use YellowProbe\Network\Network;
use YellowProbe\Network\NetworkBuilder;
use YellowProbe\Network\Screen;

/** A main part of six nodes and an island of four: what changes there is noticed only when two ties carry a current through it. */
final class IslandsTest extends TestCase
{
    use TestTrait;

    private const MAIN = ['zero', 'm1', 'm2', 'm3', 'm4', 'm5'];
    private const ISLAND = ['i1', 'i2', 'i3', 'i4'];

    public function testWhatIsLeftOutIsNotNoticed(): void
    {
        $all = [...self::MAIN, ...self::ISLAND];
        $seen = ['dropped' => 0, 'doubtful' => 0, 'all' => 0];
        $this->limitTo(150)->forAll(Generators::vector(6, Generators::choose(0, 9)), Generators::choose(1, 3))->then(static function (array $picks, int $count) use ($all, &$seen): void {
            $network = self::network();
            $changes = [];
            for ($at = 0; $at < $count; ++$at) {
                [$a, $b] = [$picks[2 * $at], $picks[2 * $at + 1]];
                if ($a !== $b && \is_int($a) && \is_int($b)) {
                    $changes[] = [$network->node($all[$a]), $network->node($all[$b])];
                }
            }
            [, , $floating] = Elimination::of($network, $network->node('zero'))->voltages();
            $within = Islands::withinReach($changes, static fn (int $node): bool => !$floating[$node]);
            if (null === $within) {
                ++$seen['doubtful'];
                self::assertGreaterThan(1, \count(array_filter($changes, static fn (array $change): bool => $floating[$change[0]] !== $floating[$change[1]])));

                return;
            }
            ++$seen[\count($within) < \count($changes) ? 'dropped' : 'all'];
            [$with, $without] = [self::volts($network, $changes), self::volts($network, $within)];
            foreach (self::MAIN as $name) {
                self::assertEqualsWithDelta($without[$network->node($name)], $with[$network->node($name)], 1e-9, $name);
            }
        });
        self::assertGreaterThan(10, min($seen), 'every way out was taken');
    }

    public function testAScreenLeavesAnIslandAloneUntilItIsTiedTwice(): void
    {
        $network = self::network();
        [$zero, $m1, $m3, $i1, $i2] = array_map($network->node(...), ['zero', 'm1', 'm3', 'i1', 'i2']);
        $screen = Screen::on(Elimination::of($network, $zero), [$m1]);
        self::assertNotNull($screen);
        self::assertTrue($screen->leavesAlone([[$i1, $i2, 0.5, 5.0]]));
        self::assertTrue($screen->leavesAlone([[$m3, $i1, 0.0, 5.0], [$i1, $i2, 0.5, 0.0]]), 'one tie, whatever else changes there');
        self::assertFalse($screen->leavesAlone([[$m3, $i1, 0.0, 5.0], [$zero, $i2, 0.0, 5.0]]));
        self::assertFalse($screen->leavesAlone([[$m3, $i1, 0.0, 5.0], [$m1, $zero, 0.0, 5.0]]), 'a change of its own beside the tie');
    }

    /**
     * @param list<array{int, int}> $contacts of 2 Ω
     *
     * @return array<int, float>
     */
    private static function volts(Network $network, array $contacts): array
    {
        $branches = [];
        foreach ($contacts as [$a, $b]) {
            $branches[] = [$a, $b, new Complex(0.5), Complex::zero()];
        }

        return Elimination::of($network->changed([], $branches), $network->node('zero'))->voltages()[0];
    }

    private static function network(): Network
    {
        $builder = (new NetworkBuilder())->source('s', 'zero', 'm1', new Complex(230.0), 1.0);
        foreach ([['m1', 'm2', 2.0], ['m2', 'm3', 3.0], ['m3', 'm4', 5.0], ['m4', 'm5', 7.0], ['m5', 'zero', 11.0], ['m2', 'zero', 40.0], ['i1', 'i2', 2.0], ['i2', 'i3', 3.0], ['i3', 'i4', 4.0]] as [$a, $b, $ohms]) {
            $builder->resistor("$a-$b", $a, $b, $ohms);
        }

        return $builder->build();
    }
}
