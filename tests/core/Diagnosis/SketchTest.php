<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Diagnosis\HypothesisSpace;
use YellowProbe\Diagnosis\PredictionTable;
use YellowProbe\Diagnosis\Predictor;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Installation\Excitation;
use YellowProbe\Installation\Factors;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\LatelyBuilt;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** A sketch takes the factors to first order, from one elimination; a table eliminates for each of them. */
final class SketchTest extends TestCase
{
    public function testTheSoundRowMovesAsThatOfTheTable(): void
    {
        $compared = 0;
        foreach (Houses::varied() as $at => $house) {
            foreach (TestCatalogue::plans($house) as $id => $plan) {
                if (0 !== ($at + crc32($id)) % 31) {
                    continue;
                }
                $whole = Predictor::table($house, $plan->measurement, [Hypothesis::sound(1.0)])->sound()->moves;
                foreach (Predictor::sketch($house, $plan->measurement, [Hypothesis::sound(1.0)])->sound()->moves as $factor => $move) {
                    self::assertEqualsWithDelta($whole[$factor] ?? 0.0, $move, 0.05 + 0.25 * abs($whole[$factor] ?? 0.0), "$id $factor");
                    $compared += abs($move) > 0.05 ? 1 : 0;
                }
            }
        }
        self::assertGreaterThan(100, $compared, 'there was something to compare');
    }

    public function testWhatAFactorTouchesIsWhatTheWholeNetworkHasThen(): void
    {
        $house = Houses::varied()[0];
        $state = State::resting($house);
        foreach (['supply', 'outside', 'volts', 'insulation', 'leakage', 'load', 'length:'.array_key_first($house->circuits)] as $factor) {
            $plain = HouseNetwork::build($house, $state, Excitation::mains());
            $whole = HouseNetwork::build($house, $state, Excitation::mains(), new Factors([$factor => 0.3]));
            $touched = LatelyBuilt::touched($house, $state, Excitation::mains(), $factor, 0.3);
            $changed = 0;
            foreach ($whole->elements as $element => $branch) {
                $own = $touched->branch((string) $element);
                $then = [$whole->yRe[$branch], $whole->yIm[$branch], $whole->jRe[$branch], $whole->jIm[$branch]];
                $was = (int) $plain->branch((string) $element);
                if ($then !== [$plain->yRe[$was], $plain->yIm[$was], $plain->jRe[$was], $plain->jIm[$was]]) {
                    ++$changed;
                    self::assertNotNull($own, "$factor changes $element");
                }
                if (null !== $own) {
                    self::assertSame($then, [$touched->yRe[$own], $touched->yIm[$own], $touched->jRe[$own], $touched->jIm[$own]], "$factor $element");
                }
            }
            self::assertGreaterThan(0, $changed, $factor);
        }
    }

    public function testANetworkThatIsKeptIsTheOneThatIsBuilt(): void
    {
        foreach (Houses::varied() as $house) {
            $state = State::resting($house);
            foreach ([Excitation::mains(), Excitation::direct(500.0)] as $excitation) {
                foreach ([[], ...array_map(static fn (string $factor): array => [$factor => 0.3], array_keys(Factors::spreads($house))), ['supply' => 0.2, 'load' => -0.1]] as $off) {
                    $kept = LatelyBuilt::network($house, $state, $excitation, new Factors($off));
                    self::assertEquals(HouseNetwork::build($house, $state, $excitation, new Factors($off)), $kept, $house->name.json_encode($off));
                    self::assertSame($kept, LatelyBuilt::network($house, $state, $excitation, new Factors($off)), 'built once');
                }
            }
        }
    }

    public function testATesterReadsWithFactorsOffAsOneThatBeginsThere(): void
    {
        $moved = 0;
        foreach (Houses::varied() as $at => $house) {
            $spreads = Factors::spreads($house);
            foreach (TestCatalogue::plans($house) as $id => $plan) {
                if (0 !== ($at + crc32($id)) % 97) {
                    continue;
                }
                $measurement = $plan->measurement;
                $base = new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection);
                $base->prepare();
                foreach ([...array_map(static fn (string $factor): array => [$factor => $spreads[$factor]], array_keys($spreads)), $spreads] as $off) {
                    $anew = (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection, new Factors($off)))->read();
                    $beside = $base->off(new Factors($off));
                    foreach ([false, true] as $isPrepared) {
                        if ($isPrepared) {
                            $beside->prepare();
                        }
                        self::assertSame($anew->kind, $beside->read()->kind, $id);
                        if (is_finite($anew->value)) {
                            self::assertEqualsWithDelta($anew->value, $beside->read()->value, 1e-9 + 1e-6 * abs($anew->value), $id.json_encode($off));
                        }
                    }
                    $moved += $anew->value !== $base->read()->value ? 1 : 0;
                }
            }
        }
        self::assertGreaterThan(60, $moved, 'factors moved something');
    }

    public function testATableThatWasKeptIsTheTable(): void
    {
        foreach (Houses::varied() as $at => $house) {
            $space = HypothesisSpace::of($house, Houses::rates(), new Story());
            foreach (TestCatalogue::plans($house) as $id => $plan) {
                if (0 !== ($at + crc32($id)) % 199) {
                    continue;
                }
                $table = Predictor::table($house, $plan->measurement, $space);
                $kept = unserialize(serialize($table));
                self::assertInstanceOf(PredictionTable::class, $kept);
                self::assertEquals($table->sound(), $kept->sound(), $id);
                foreach ($space as $hypothesis) {
                    if (Hypothesis::ELSE !== $hypothesis->id) {
                        self::assertTrue($kept->has($hypothesis));
                        self::assertSame($table->noticed($hypothesis), $kept->noticed($hypothesis));
                        self::assertEquals($table->rows($hypothesis), $kept->rows($hypothesis), "$id $hypothesis->id");
                        self::assertSame($table->there($hypothesis)[0] === $table->sound(), $kept->there($hypothesis)[0] === $kept->sound(), 'what is the sound row stays it');
                    }
                }
            }
        }
    }
}
