<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use YellowProbe\Fault\FaultCatalogue;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\CurrentPath;
use YellowProbe\Network\Elimination;
use YellowProbe\Procedure\TestCatalogue;

/** What must hold for any house: names and order mean nothing, power balances, a current comes back. */
final class InvarianceTest extends TestCase
{
    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(201, 212) as $seed) {
            yield "seed $seed" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testOtherIdsAndAnotherOrderGiveTheSameReadings(int $seed): void
    {
        $document = (new RandomHouse($seed))->document();
        $other = House::fromDocument(self::renamed($document));
        $house = House::fromDocument($document);
        $plans = TestCatalogue::plans($house);
        $renamed = TestCatalogue::plans($other);
        self::assertSameSize($plans, $renamed);
        foreach ($plans as $id => $plan) {
            if (0 !== crc32($id) % 9) {
                continue; // one in nine is enough
            }
            $twin = $renamed[self::rename($id)] ?? self::fail("The renamed house lacks $id.");
            $own = (new Bench($house, $plan->measurement->state, $plan->measurement->instrument, $plan->measurement->connection))->read();
            $theirs = (new Bench($other, $twin->measurement->state, $twin->measurement->instrument, $twin->measurement->connection))->read();
            self::assertSame($own->kind, $theirs->kind, $id);
            self::assertEqualsWithDelta($own->value, $theirs->value, max(1e-10, 1e-9 * abs($own->value)), $id);
        }
    }

    #[DataProvider('seeds')]
    public function testWhatTheSourcesGiveTheHouseTakes(int $seed): void
    {
        $house = House::fromDocument((new RandomHouse($seed))->document());
        $network = HouseNetwork::build($house, State::resting($house), Excitation::mains());
        $solution = Elimination::of($network, $network->node(HouseNetwork::GROUND))->solve();
        self::assertLessThan(1e-12, $solution->residual);
        $names = array_flip($network->nodes);
        $re = $im = $size = 0.0;
        foreach ($network->elements as $element => $branch) {
            $drop = $solution->volts((string) $names[$network->from[$branch]])?->minus($solution->volts((string) $names[$network->to[$branch]]) ?? self::fail('no volts'));
            $amperes = $solution->amperes($element);
            if (null === $drop || null === $amperes) {
                continue;
            }
            // S = U·I*: over all branches, sources among them, it sums to nothing (Tellegen).
            $re += $drop->re * $amperes->re + $drop->im * $amperes->im;
            $im += $drop->im * $amperes->re - $drop->re * $amperes->im;
            $size += $drop->modulus() * $amperes->modulus();
        }
        self::assertLessThan(1e-9 * $size, hypot($re, $im));
    }

    #[DataProvider('seeds')]
    public function testATestCurrentComesBackToItsTester(int $seed): void
    {
        $house = House::fromDocument((new RandomHouse($seed))->document());
        foreach (TestCatalogue::plans($house) as $id => $plan) {
            if (!str_starts_with($id, 'zs:')) {
                continue;
            }
            $shares = CurrentPath::of($house, $plan->measurement)->shares();
            $sources = array_filter($shares, static fn (string $element): bool => str_ends_with($element, '/line'), \ARRAY_FILTER_USE_KEY);
            // All of it passes the line of the supply that is on, whatever it does on its way back; loads on beside it take some.
            self::assertEqualsWithDelta(1.0, array_sum($sources), 0.12, $id);
            self::assertLessThanOrEqual(1.0 + 1e-9, max([0.0, ...array_values($shares)]), $id);

            return;
        }
    }

    #[DataProvider('seeds')]
    public function testAFaultOfNoOhmsInSeriesIsNoFault(int $seed): void
    {
        $house = House::fromDocument((new RandomHouse($seed))->document());
        $kind = FaultCatalogue::get('high-resistance-joint');
        $contact = FaultCatalogue::get('neutral-earth-fault');
        foreach (TestCatalogue::plans($house) as $id => $plan) {
            if (0 !== crc32($id) % 13) {
                continue;
            }
            $bench = new Bench($house, $plan->measurement->state, $plan->measurement->instrument, $plan->measurement->connection);
            $sound = $bench->read();
            foreach ([$kind->change($house, $kind->sites($house)[$seed % 7], 0.0), $contact->change($house, $contact->sites($house)[0], 1e18)] as $change) {
                $read = $bench->read($change);
                self::assertSame($sound->kind, $read->kind, $id);
                self::assertEqualsWithDelta($sound->value, $read->value, 1e-6 * max(10.0, abs($sound->value)), $id);
            }
        }
    }

    /**
     * The same house with every id turned round and every collection in the opposite order.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function renamed(array $document): array
    {
        $text = json_encode($document, \JSON_THROW_ON_ERROR);
        /** @var array<string, mixed> $copy */
        $copy = json_decode($text, true, 64, \JSON_THROW_ON_ERROR);
        foreach (['places', 'parts', 'cables', 'circuits'] as $collection) {
            \assert(\is_array($copy[$collection]));
            $copy[$collection] = array_reverse($copy[$collection], true);
        }
        $renamed = preg_replace_callback('/"(c\d(?:-[a-z0-9-]+)?|stair[a-z-]*|foot|head)((?:[.\/][A-Za-z0-9-]+)?)"/', static fn (array $match): string => '"'.self::rename($match[1]).$match[2].'"', json_encode($copy, \JSON_THROW_ON_ERROR));
        /** @var array<string, mixed> $result */
        $result = json_decode((string) $renamed, true, 64, \JSON_THROW_ON_ERROR);

        return $result;
    }

    /** Ids of circuits and points (not of the board) get another beginning, in the id of a test as well. */
    private static function rename(string $id): string
    {
        return preg_replace('/(?<![a-z0-9-])(c\d(?:-[a-z0-9-]+)?|stair[a-z-]*|foot|head)(?![a-z0-9-])/', 'z$1', $id) ?? $id;
    }
}
