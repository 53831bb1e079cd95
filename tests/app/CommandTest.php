<?php

declare(strict_types=1);

namespace App\Tests;

use App\Api\OpenApi;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Console\Tester\CommandTester;

final class CommandTest extends KernelTestCase
{
    use Services;

    private const HOUSE = __DIR__.'/../../demo/houses/wicket-lane.json';

    public function testPredict(): void
    {
        $tester = $this->command('predict');
        $tester->execute(['house' => self::HOUSE, '--test' => 'residual-pair:stair:lights-low', '--fault' => ['borrowed-neutral|stair~lights-up'], '--json' => true]);
        /** @var array{sound: string, shows: string, value: float, kind: string} $result */
        $result = json_decode($tester->getDisplay(), true, 8, \JSON_THROW_ON_ERROR);
        // 60 W at 230 V is 261 mA, a little less at the end of the cable.
        self::assertEqualsWithDelta(0.259, $result['value'], 0.004);
        self::assertSame('value', $result['kind']);
        self::assertStringEndsWith('mA', $result['sound']);

        $tester->execute(['house' => self::HOUSE, '--tester' => 'loop-2-wire', '--at' => 'rl-hall.front-L,rl-hall.front-E', '--fault' => ['high-resistance-joint|ring-low-r8/L@1|2', 'high-resistance-joint|ring-low-r7/L@2|2']]);
        self::assertStringContainsString('With faults:', $tester->getDisplay());
    }

    public function testRank(): void
    {
        $job = tempnam(sys_get_temp_dir(), 'job');
        self::assertIsString($job);
        file_put_contents($job, json_encode(['house' => realpath(self::HOUSE), 'symptoms' => ['residual-trip'], 'readings' => [['test' => 'residual-pair:stair:lights-low', 'raw' => '258'], ['test' => 'residual-pair:stair:lights-up', 'raw' => '257 mA']]], \JSON_THROW_ON_ERROR));
        $tester = $this->command('rank');
        $tester->execute(['job' => $job, '--json' => true]);
        /** @var list<array{hypothesis: string, probability: float}> $ranking */
        $ranking = json_decode($tester->getDisplay(), true, 16, \JSON_THROW_ON_ERROR);
        self::assertSame('borrowed-neutral|stair~lights-up', $ranking[0]['hypothesis']);
        self::assertGreaterThan(0.9, $ranking[0]['probability']);

        file_put_contents($job, '{"house": "'.realpath(self::HOUSE).'", "readings": [{"test": "no-such-test", "raw": "1"}]}');
        try {
            $tester->execute(['job' => $job]);
            self::fail('It was taken.');
        } catch (\RuntimeException $error) {
            self::assertStringContainsString($job, $error->getMessage());
            self::assertStringContainsString('/readings/0/test', $error->getMessage());
        } finally {
            unlink($job);
        }
    }

    public function testAReadingCanHaveAnEpisodeAndWhatItWasForcedWith(): void
    {
        $job = tempnam(sys_get_temp_dir(), 'job');
        self::assertIsString($job);
        $chance = function (array $readings) use ($job): float {
            file_put_contents($job, json_encode(['house' => realpath(self::HOUSE), 'symptoms' => ['residual-trip'], 'readings' => $readings], \JSON_THROW_ON_ERROR));
            $tester = $this->command('rank');
            $tester->execute(['job' => $job, '--json' => true]);
            /** @var list<array{hypothesis: string, probability: float}> $ranking */
            $ranking = json_decode($tester->getDisplay(), true, 16, \JSON_THROW_ON_ERROR);
            foreach ($ranking as $suspect) {
                if ('sound' === $suspect['hypothesis']) {
                    return $suspect['probability'];
                }
            }

            return 0.0;
        };
        $dry = ['test' => 'insulation-joined:ring-low', 'raw' => '> 999'];
        self::assertGreaterThan($chance([$dry]), $chance([$dry + ['conditions' => ['rain', 'heat', 'vibration', 'load', 'time-of-day']]]), 'sound although everything was tried');
        $this->expectExceptionMessage('"shouting" is none of rain');
        $chance([$dry + ['conditions' => ['shouting']]]);
    }

    public function testThePlannerIsMeasuredAgainstTheBestTree(): void
    {
        $tester = $this->command('evaluate:trees');
        $tester->execute(['--puzzles' => '1', '--seed' => '3']);
        self::assertSame(1, preg_match('/the best tree ([0-9.]+); the planner ([0-9.]+) times that, ([0-9.]+) at worst/', $tester->getDisplay(), $found));
        self::assertGreaterThan(1.0, (float) $found[1]);
        self::assertGreaterThanOrEqual(1.0, (float) $found[2]);
        self::assertLessThan(1.3, (float) $found[3]);
    }

    public function testNext(): void
    {
        $job = tempnam(sys_get_temp_dir(), 'job');
        self::assertIsString($job);
        $pair = static fn (string $raw): array => ['test' => 'residual-pair:stair:lights-low', 'raw' => $raw];
        $write = static fn (array $readings): int|false => file_put_contents($job, json_encode(['house' => realpath(self::HOUSE), 'symptoms' => ['residual-trip'], 'readings' => $readings], \JSON_THROW_ON_ERROR));
        $tester = $this->command('next');
        $next = static function (array $options = []) use ($tester, $job): array {
            $tester->execute(['job' => $job, '--json' => true] + $options);
            /** @var array{advice: string, contradictions: list<array{reading: int}>, tests: list<array{id: string, minutes: float, steps: list<string>}>} $result */
            $result = json_decode($tester->getDisplay(), true, 16, \JSON_THROW_ON_ERROR);

            return $result;
        };
        try {
            $write([]);
            $first = $next();
            self::assertSame(['test', []], [$first['advice'], $first['contradictions']]);
            self::assertCount(4, $first['tests']);
            $write([$pair('258'), $pair('258'), $pair('12')]);
            $odd = $next();
            self::assertSame([2], array_column($odd['contradictions'], 'reading'), 'twice 258, then 12 at the same place');
            $tester->execute(['job' => $job]);
            self::assertStringContainsString('Reading 2: The other readings speak against this one', $tester->getDisplay());
            $this->expectExceptionMessage('No tester is called "none-such"');
            $next(['--without' => ['none-such']]);
        } finally {
            unlink($job);
        }
    }

    public function testTheExportedNetlistSolvesElsewhereToTheSameReading(): void
    {
        $tester = $this->command('netlist');
        foreach (['polarity-live:rl-hall.front:N-E' => ['neutral-earth-fault|rl-bay|0.5'], 'polarity-live:lo-gable.front:L-N' => ['high-resistance-joint|loft-r1/L@1|20']] as $test => $faults) {
            $tester->execute(['house' => self::HOUSE, '--test' => $test, '--fault' => $faults, '--ground' => 'service.E']);
            $netlist = $tester->getDisplay();
            [$a, $b] = array_map(static function (string $terminal) use ($netlist): string {
                self::assertSame(1, preg_match('/^\* (\w+) is '.preg_quote($terminal, '/').'$/m', $netlist, $match));

                return $match[1];
            }, 'polarity-live:lo-gable.front:L-N' === $test ? ['lo-gable.front-L', 'lo-gable.front-N'] : ['rl-hall.front-N', 'rl-hall.front-E']);
            $file = tempnam(sys_get_temp_dir(), 'netlist');
            self::assertIsString($file);
            file_put_contents($file, str_replace('.end', ".print ac vr($a,$b) vi($a,$b)\n.end", $netlist));
            $output = (string) shell_exec('/usr/bin/ngspice -b '.escapeshellarg($file).' 2>/dev/null');
            unlink($file);
            self::assertSame(1, preg_match('/^0\s+5\.0+e\+01\s+(\S+)\s+(\S+)/m', $output, $match), $output);

            $predict = $this->command('predict');
            $predict->execute(['house' => self::HOUSE, '--test' => $test, '--fault' => $faults, '--json' => true]);
            /** @var array{value: float} $own */
            $own = json_decode($predict->getDisplay(), true, 8, \JSON_THROW_ON_ERROR);
            // The exported network is without the voltmeter of 10 MΩ: a little more than it reads.
            self::assertEqualsWithDelta($own['value'], hypot((float) $match[1], (float) $match[2]), 0.001 * $own['value'] + 0.001);
        }
    }

    public function testErrorsNameTheFileAndThePlace(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'house');
        self::assertIsString($file);
        file_put_contents($file, str_replace('"rl-hall.L"', '"ghost.L"', (string) file_get_contents(self::HOUSE)));
        try {
            $this->command('predict')->execute(['house' => $file, '--test' => 'x']);
            self::fail('It was taken.');
        } catch (\RuntimeException $error) {
            self::assertStringContainsString("$file, at /cables/ring-low-r", $error->getMessage());
            self::assertStringContainsString('ghost.L', $error->getMessage());
        } finally {
            unlink($file);
        }
        $this->expectExceptionMessage('no such file');
        $this->command('predict')->execute(['house' => '/nowhere.json']);
    }

    public function testTheDescriptionOfTheApiIsUpToDate(): void
    {
        self::assertSame((string) file_get_contents(__DIR__.'/../../docs/openapi.json'), self::service(OpenApi::class)->json(), 'Run bin/types.');
    }

    private function command(string $name): CommandTester
    {
        return new CommandTester((new Application(self::bootKernel()))->find($name));
    }
}
