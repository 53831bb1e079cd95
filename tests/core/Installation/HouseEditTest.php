<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Installation;

use PHPUnit\Framework\TestCase;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseEdit;
use YellowProbe\Installation\Knowing;
use YellowProbe\Installation\State;
use YellowProbe\Instrument\Bench;
use YellowProbe\Instrument\Connection;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\Shown;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Procedure\TestCatalogue;
use YellowProbe\Tests\Houses;

/** Each operation, and what a tester makes of the house afterwards. */
final class HouseEditTest extends TestCase
{
    public function testLandingANeutralElsewhereIsABorrowedNeutralInTheWiring(): void
    {
        $house = Houses::ringAndLights();
        self::assertSame(ShownKind::Over, $this->test($house, 'line-to-other-neutral:stair:up')->kind);
        $edited = $this->edit($house, ['op' => 'land', 'cable' => 'stair-feed', 'core' => 'N', 'end' => 1, 'terminal' => 'u1.N']);
        self::assertEqualsWithDelta(94.5, $this->test($edited, 'line-to-other-neutral:stair:up')->value, 0.6);
        // Landed on nothing the lamp has no return at all.
        $loose = $this->edit($house, ['op' => 'land', 'cable' => 'stair-feed', 'core' => 'N', 'end' => 1, 'terminal' => null]);
        self::assertSame(ShownKind::Over, $this->test($loose, 'line-to-other-neutral:stair:up')->kind);
        self::assertSame([null, 'stair.N'], $loose->cables['stair-feed']->cores['N']->ends);
    }

    public function testANewSpurIsReadAtOnce(): void
    {
        $house = Houses::ringAndLights();
        foreach ([
            ['op' => 'put', 'collection' => 'places', 'id' => 'p-new', 'value' => ['kind' => 'point', 'name' => 'New', 'room' => 'Hall']],
            ['op' => 'put', 'collection' => 'parts', 'id' => 'new', 'value' => ['kind' => 'socket', 'place' => 'p-new', 'name' => 'New']],
            ['op' => 'put', 'collection' => 'cables', 'id' => 'ring-new', 'value' => ['circuit' => 'ring', 'mm2' => 2.5, 'cpcMm2' => 1.5, 'lengthMetres' => ['value' => 4, 'knowing' => 'measured'], 'cores' => ['L' => ['ends' => ['c.L', 'new.L']], 'N' => ['ends' => ['c.N', 'new.N']], 'E' => ['ends' => ['c.E', 'new.E']]]]],
        ] as $operation) {
            $house = $this->edit($house, $operation);
        }
        // 4 m of 2.5/1.5 and four joints more than at the point it hangs on: 4 × 19.51 mΩ + 8 mΩ.
        self::assertEqualsWithDelta(0.0860, $this->test($house, 'r1-r2:new')->value - $this->test($house, 'r1-r2:c')->value, 1e-4);
        self::assertSame(Knowing::Measured, $house->cables['ring-new']->lengthMetres->knowing);
        $gone = $this->edit($this->edit($house, ['op' => 'remove', 'collection' => 'cables', 'id' => 'ring-new']), ['op' => 'remove', 'collection' => 'parts', 'id' => 'new']);
        self::assertArrayNotHasKey('new', $gone->parts);
        self::assertSame($this->test(Houses::ringAndLights(), 'r1-r2:c')->value, $this->test($gone, 'r1-r2:c')->value);
    }

    public function testTheSupplyIsSurveyedAndEveryLoopFollows(): void
    {
        $house = Houses::ringAndLights();
        $edited = $this->edit($house, ['op' => 'set-supply', 'part' => 'service', 'values' => ['lineOhms' => ['value' => 0.28, 'knowing' => 'measured'], 'volts' => 236]]);
        $more = $this->test($edited, 'zs:a.front:L-N')->value - $this->test($house, 'zs:a.front:L-N')->value;
        self::assertEqualsWithDelta(0.20, $more, 2e-3, '0.28 Ω where 0.08 Ω was assumed');
        $volts = (new Bench($edited, State::resting($edited), Instruments::get('voltmeter-high-z'), Connection::leads('a.front-L', 'a.front-E')))->read()->value;
        self::assertEqualsWithDelta(236.0, $volts, 2.5);
        self::assertSame('TN-C-S', $edited->parts['service']->attributes->string('system'), 'what was not named stays');
    }

    /** @param array<string, mixed> $operation */
    private function edit(House $house, array $operation): House
    {
        return House::fromDocument(HouseEdit::apply($house->document, $operation));
    }

    private function test(House $house, string $id): Shown
    {
        $measurement = TestCatalogue::plans($house)[$id]->measurement;

        return (new Bench($house, $measurement->state, $measurement->instrument, $measurement->connection))->read();
    }
}
