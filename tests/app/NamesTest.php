<?php

declare(strict_types=1);

namespace App\Tests;

use App\Observation\Kinds;
use App\Words\Say;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Yaml\Yaml;
use YellowProbe\Installation\House;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Procedure\Series;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Procedure\TestName;
use YellowProbe\Procedure\TwoStates;
use YellowProbe\Words\Message;

/** One true name for each test: two measurements that differ have two, and no name has a hole or an id in it. */
final class NamesTest extends KernelTestCase
{
    use Services;

    /** @return iterable<string, array{string}> */
    public static function houses(): iterable
    {
        foreach (['wicket-lane', 'panel-with-multiwire', 'rod-and-outbuilding', 'earth-leakage-unit', 'split-board-borrowed-neutral'] as $house) {
            yield $house => [$house];
        }
    }

    #[DataProvider('houses')]
    public function testEveryTestOfTheCatalogueHasANameOfItsOwn(string $name): void
    {
        $house = self::house($name);
        $say = self::service(Say::class);
        $ids = array_filter([...array_keys($house->parts), ...array_keys($house->places), ...array_keys($house->cables), ...array_keys($house->circuits)], static fn (string $id): bool => str_contains($id, '-'));
        $named = [];
        foreach (TestCatalogue::plans($house) as $id => $plan) {
            $words = $say->of(TestName::of($house, $plan->measurement), $house->ruleSet);
            self::assertSame($named[$words] ?? $plan->measurement->hash(), $plan->measurement->hash(), "$id shares \"$words\" with another measurement");
            $named[$words] = $plan->measurement->hash();
            self::assertDoesNotMatchRegularExpression('/\{|\}|, ,|,\s*;|\bat\s*[,;]|\bat$|,$|\b(of|to|from)\s*[,;]/', $words, $id);
            foreach ($ids as $own) {
                self::assertDoesNotMatchRegularExpression('~(?<![\w-])'.preg_quote($own, '~').'(?![\w-])~', $words, $id);
            }
        }
        self::assertGreaterThan(100, \count($named));
    }

    #[DataProvider('houses')]
    public function testEveryRunHasATitleOfItsOwn(string $name): void
    {
        $house = self::house($name);
        $say = self::service(Say::class);
        $titles = [];
        foreach (Series::all($house) + TwoStates::all($house) as $id => $series) {
            $words = $say->of($series->words, $house->ruleSet);
            self::assertArrayNotHasKey($words, $titles, "$id shares \"$words\" with another run");
            $titles[$words] = $id;
            self::assertDoesNotMatchRegularExpression('/\{|\}|, ,|,\s*;|,$|\b(of|at|to|from)\s*([,;]|$)/', $words, $id);
        }
        foreach ([...\array_slice(Series::all($house), 0, 5), ...\array_slice(TwoStates::all($house), 0, 5)] as $series) {
            foreach ($series->plans as $plan) {
                self::assertEquals($plan->measurement, TwoStates::plan($house, $plan->id)->measurement, 'what a member is stored as can be found again');
            }
        }
        self::assertGreaterThan(50, \count($titles));
    }

    /** @return iterable<string, array{string, list<string>, list<string>, list<array{string, string, string}>, string}> */
    public static function spoken(): iterable
    {
        yield 'a residual shot has its multiple, its angle, its rating and its place' => ['rcd-5-180', ['rl-hall.front-L', 'rl-hall.front-E'], ['+rcd-a/L', '+rcd-a/N'], [], 'Trip time, 5 × 30 mA, 180°, line–earth at Hall, at Device A'];
        yield 'a clamp on the neutral alone' => ['clamp', [], ['+lights-up-r1/N'], [], 'Clamp, neutral of Lights, upper floor, where Lights, upper floor leaves the board'];
        yield 'one leg of a ring' => ['clamp', [], ['+ring-low-r1/N'], [], 'Clamp, neutral of Ring, ground floor, only the run from Neutral bar, Device A to Sink'];
        yield 'the earthing conductor' => ['leakage-clamp', [], ['+earthing/E'], [], 'Leakage clamp, earth conductor from Supply head to Earth bar'];
        yield 'incoming volts where the leads are' => ['voltmeter-high-z', ['main.Lin', 'main.Nin'], [], [['set', 'main', 'off']], 'Voltage, line in–neutral in at Main switch; Main switch off'];
        yield 'links are part of it' => ['low-ohm', ['rl-hall.front-L', 'rl-hall.front-E'], [], [['set', 'main', 'off'], ['link', 'way2.out', 'met.t1']], 'Low ohms, line–earth at Hall; link from Earth bar, terminal 1 to line out of Way 2'];
        yield 'what was watched is no clamp' => ['device-watch', [], ['+rcd-a/L', '+rcd-a/N'], [], 'Watched while closed, Device A'];
    }

    /**
     * @param list<string>                        $terminals
     * @param list<string>                        $around
     * @param list<array{string, string, string}> $changes
     */
    #[DataProvider('spoken')]
    public function testNamesSayWhatWasMeasured(string $instrument, array $terminals, array $around, array $changes, string $said): void
    {
        $house = self::house('wicket-lane');
        $tester = Instruments::get($instrument);
        $state = State::resting($house)->after(...array_map(static fn (array $change): StateChange => new StateChange(...$change), $changes));
        self::assertSame($said, self::service(Say::class)->of(TestName::of($house, new Measurement($state, $tester, Connection::read(['terminals' => $terminals, 'around' => $around], $tester, $house)))));
    }

    public function testEveryTesterHasASettingAndTheWordsFollowTheRuleSet(): void
    {
        $say = self::service(Say::class);
        foreach (Instruments::all() as $instrument) {
            self::assertNotSame('', $say->of(TestName::setting($instrument)));
        }
        self::assertSame(['earth', 'ground'], [$say->inside(new Message('role.E'), 'A'), $say->inside(new Message('role.E'), 'B')]);
        $this->expectExceptionMessage('no sentence for "nothing.such"');
        $say->of(new Message('nothing.such'));
    }

    public function testEveryKindOfEntryHasAName(): void
    {
        foreach (Kinds::slugs() as $kind) {
            self::assertNotSame('', self::service(Say::class)->of(new Message("kind.$kind")));
        }
    }

    public function testTheCatalogueHoldsNoSentenceThatNobodySays(): void
    {
        /** @var array<string, string> $sentences */
        $sentences = Yaml::parseFile(__DIR__.'/../../translations/messages+intl-icu.en.yaml');
        $code = '';
        foreach (['core', 'src'] as $room) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__."/../../$room", \FilesystemIterator::SKIP_DOTS)) as $file) {
                \assert($file instanceof \SplFileInfo);
                $code .= file_get_contents($file->getPathname());
            }
        }
        $unused = [];
        foreach (array_keys($sentences) as $key) {
            $stem = explode('.', $key)[0];
            // Some keys are put together from a stem and a word of the data.
            $parts = explode('.', $key);
            $last = array_pop($parts);
            $isBuilt = str_contains($code, implode('.', $parts).'.$') || str_contains($code, implode('.', $parts).'.{$') || str_contains($code, implode('.', $parts).".'.");
            if (!str_contains($code, "'$key'") && !$isBuilt && !('fact' === $stem && str_contains($code, "'$last'"))) {
                $unused[] = $key;
            }
        }
        self::assertSame([], $unused);
    }

    private static function house(string $name): House
    {
        /** @var array<string, mixed> $document */
        $document = json_decode((string) file_get_contents(__DIR__."/../../demo/houses/$name.json"), true, 64, \JSON_THROW_ON_ERROR);

        return House::fromDocument($document);
    }
}
