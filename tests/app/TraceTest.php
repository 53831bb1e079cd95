<?php

declare(strict_types=1);

namespace App\Tests;

use PHPUnit\Framework\Attributes\TestWith;

/** What the dock of Trace asks the server for: any test by its name, what a figure would mean, how the house stands. */
final class TraceTest extends ApiTestCase
{
    private const AT = ['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []], 'forced' => []];

    #[TestWith(['zs hearth', 'Hearth'])]
    #[TestWith(['ze', 'Supply'])]
    #[TestWith(['button', 'Device'])]
    #[TestWith(['borrowed lights upper', 'Lights, upper floor'])]
    public function testATestIsFoundByWhatPeopleCallIt(string $search, string $expected): void
    {
        $call = $this->demoCall('4 Wicket');
        $found = $this->call('GET', "/api/calls/$call/tests?where=any&search=".rawurlencode($search));
        self::assertNotSame([], $found);
        self::assertStringContainsString($expected, implode("\n", array_column($found, 'words')));
        self::assertLessThanOrEqual(30, \count($found));
        $one = (array) array_values($found)[0];
        $first = $this->call('GET', "/api/calls/$call/test?test=".rawurlencode(self::textAt(self::at($one, 'id'))));
        self::assertSame(self::at($one, 'words'), $first['words']);
    }

    public function testTestsAreFoundByTheirPlace(): void
    {
        $call = $this->demoCall('4 Wicket');
        $at = $this->call('GET', "/api/calls/$call/tests?where=point&on=rl-hearth");
        self::assertGreaterThan(5, \count($at));
        foreach ($at as $test) {
            self::assertStringContainsString('Hearth', self::textAt(self::at((array) $test, 'words')));
            self::assertContains(self::at((array) $test, 'worth'), ['settles', 'well', 'little', 'nothing']);
        }
        // Without a tester its tests are not there.
        $without = $this->call('GET', "/api/calls/$call/tests?where=point&on=rl-hearth&without=plug-in-tester");
        self::assertStringContainsString('Plug-in', implode('', array_column($at, 'words')));
        self::assertStringNotContainsString('Plug-in', implode('', array_column($without, 'words')));
        self::assertSame([], $this->call('GET', "/api/calls/$call/tests?where=any&search=xylophone"));
        self::assertSame('/where', $this->call('GET', "/api/calls/$call/tests?where=roof", null, 422)['pointer']);
        $this->call('GET', "/api/calls/$call/test?test=tea", null, 404);
    }

    public function testWhatAFigureWouldMeanIsSaidBeforeItIsStored(): void
    {
        $call = $this->demoCall('4 Wicket');
        $expected = $this->call('POST', "/api/calls/$call/predictions", self::AT);
        $as = $this->call('POST', "/api/calls/$call/glance", self::AT + ['raw' => self::textAt($expected['expected'])]);
        self::assertSame('fits', $as['fit']);
        self::assertSame(0, $as['outcome']);
        // Inside the band of this house, on the same scale.
        self::assertGreaterThan(self::number($expected['from']), self::number($as['at']));
        self::assertLessThan(self::number($expected['to']), self::number($as['at']));
        $slip = $this->call('POST', "/api/calls/$call/glance", self::AT + ['raw' => '3.8']);
        self::assertSame('off', $slip['fit']);
        self::assertSame(1.0, self::number($slip['at']));
        self::assertSame('/raw', $this->call('POST', "/api/calls/$call/glance", self::AT + ['raw' => '1,200'], 422)['pointer']);
        // Nothing of it is stored.
        self::assertSame(4, \count((array) $this->call('GET', "/api/calls/$call")['readings']));
    }

    public function testSharesOfOutcomesAddUpToAHundred(): void
    {
        $call = $this->demoCall('4 Wicket');
        $outcomes = (array) $this->call('POST', "/api/calls/$call/predictions", self::AT)['outcomes'];
        self::assertSame(100, array_sum(array_map(static fn (mixed $outcome): int => (int) self::textAt(self::at((array) $outcome, 'shown')), $outcomes)));
    }

    public function testWhatIsInHandGoesOnWithTheStepsAsTheyWereListed(): void
    {
        $call = $this->demoCall('4 Wicket');
        self::assertSame(['test' => '', 'run' => '', 'since' => '', 'leftOut' => [], 'forced' => []], $this->call('GET', "/api/calls/$call/in-hand"));
        $found = $this->call('GET', "/api/calls/$call/tests?where=any&search=drop");
        $test = self::textAt(self::at($found, 0, 'id'));
        $since = self::textAt($this->call('GET', "/api/calls/$call")['last']);
        $listed = $this->call('GET', "/api/calls/$call/test?test=".rawurlencode($test));
        self::assertNotSame([], $listed['changes']);
        $this->put($call, ['test' => $test, 'run' => '', 'since' => $since, 'leftOut' => ['x'], 'forced' => []]);
        $hand = $this->call('GET', "/api/calls/$call/in-hand");
        self::assertSame([$test, $since, ['x']], [$hand['test'], $hand['since'], $hand['leftOut']]);

        // A step is done: asked anew it is none any more, since then it is listed as it was.
        $step = (array) self::at($listed, 'changes', 0);
        $this->observe($call, 'done', ['changes' => [['operation' => $step['operation'], 'subject' => $step['subject'], 'value' => $step['value']]]]);
        $now = $this->call('GET', "/api/calls/$call/test?test=".rawurlencode($test));
        self::assertSame(\count((array) $listed['changes']) - 1, \count((array) $now['changes']));
        self::assertEquals($listed['changes'], $this->call('GET', "/api/calls/$call/test?test=".rawurlencode($test)."&since=$since")['changes']);

        self::assertSame('/leftOut', $this->call('PUT', "/api/calls/$call/in-hand", ['test' => $test, 'run' => '', 'leftOut' => array_fill(0, 61, 'x'), 'forced' => []], 422)['pointer']);
        $this->put($call, ['test' => '', 'run' => '']);
        self::assertSame('', $this->call('GET', "/api/calls/$call/in-hand")['test']);
    }

    public function testWhatCannotWaitIsSaidWithTheDeviceThatTakesItAwayUntilThatIsOff(): void
    {
        $call = $this->demoCall('4 Wicket');
        $this->observe($call, 'seen', ['text' => 'Brown marks', 'finding' => 'scorched', 'place' => 'p-rl-hearth']);
        $dangers = (array) $this->call('GET', "/api/calls/$call/map")['dangers'];
        self::assertCount(1, $dangers, 'and nothing else of what is told');
        self::assertStringContainsString('Way 2 off now', self::textAt(self::at($dangers, 0, 'words')));
        self::assertSame([['id' => 'way2', 'name' => 'Way 2']], self::at($dangers, 0, 'devices'));
        $this->observe($call, 'done', ['changes' => [['operation' => 'set', 'subject' => 'way2', 'value' => 'off']]]);
        self::assertSame([], $this->call('GET', "/api/calls/$call/map")['dangers']);
    }

    public function testEveryConductorOfEveryLegHasAControl(): void
    {
        $call = $this->demoCall('4 Wicket');
        $map = $this->call('GET', "/api/calls/$call/map");
        $count = 0;
        foreach ((array) $map['ways'] as $way) {
            foreach ([$way, ...(array) self::at((array) $way, 'stops')] as $at) {
                $subjects = array_column((array) self::at((array) $at, 'controls'), 'subject');
                foreach ((array) self::at((array) $at, 'legs') as $leg) {
                    $own = array_column((array) self::at((array) $leg, 'conductors'), 'subject');
                    self::assertSame([], array_diff($own, $subjects));
                    $count += \count($own);
                }
            }
        }
        self::assertGreaterThan(100, $count);
        // A ring has two legs at its way, each with three conductors.
        $ring = array_values(array_filter((array) $map['ways'], static fn (mixed $way): bool => 'ring-low' === self::at((array) $way, 'circuit')))[0];
        self::assertSame([3, 3], array_map(static fn (mixed $leg): int => \count((array) self::at((array) $leg, 'conductors')), (array) self::at((array) $ring, 'legs')));
    }

    public function testHowTheHouseStandsNamesWhatIsPutBackFirst(): void
    {
        $call = $this->demoCall('4 Wicket');
        self::assertSame([], self::at($this->call('GET', "/api/calls/$call"), 'standing', 'temporary'));
        foreach ([['set', 'way5', 'off'], ['set', 'rcd-b', 'off'], ['load', 'desktop', 'out'], ['set', 'main', 'off']] as [$operation, $subject, $value]) {
            $this->observe($call, 'done', ['changes' => [['operation' => $operation, 'subject' => $subject, 'value' => $value]]]);
        }
        $standing = (array) $this->call('GET', "/api/calls/$call")['standing'];
        self::assertFalse($standing['mainOn']);
        self::assertSame('main', $standing['main']);
        $temporary = (array) $standing['temporary'];
        self::assertSame(['main', 'rcd-b', 'way5', 'desktop'], array_map(static fn (mixed $each): mixed => self::at((array) $each, 'change', 'subject'), $temporary));
        self::assertSame(['device', 'device', 'device', 'load'], array_column($temporary, 'kind'));
        // From the feeder on, one at a time; a load waits for nothing.
        self::assertSame([true, false, false, true], array_column($temporary, 'isOpen'));
    }

    public function testTheDrawnMapHasTheStopsRowsAndCablesOfTheOneOnThePage(): void
    {
        $call = $this->demoCall('4 Wicket');
        $map = $this->call('GET', "/api/calls/$call/map");
        $this->client->request('GET', "/api/calls/$call/map.svg");
        $answer = $this->client->getResponse();
        self::assertSame(200, $answer->getStatusCode());
        self::assertSame('image/svg+xml; charset=utf-8', $answer->headers->get('Content-Type'));
        $drawn = new \DOMDocument();
        self::assertTrue($drawn->loadXML((string) $answer->getContent()));
        $path = new \DOMXPath($drawn);
        /** @return list<\DOMElement> */
        $found = static function (string $attribute, string $value) use ($path): array {
            $nodes = $path->query("//*[@$attribute='$value']");
            self::assertNotFalse($nodes);

            return array_values(array_filter(iterator_to_array($nodes), static fn (object $node): bool => $node instanceof \DOMElement));
        };
        self::assertSame(['path', 'rect', 'svg', 'text'], self::kinds($drawn), 'plain shapes and text only');
        foreach ((array) $map['ways'] as $way) {
            $stops = (array) self::at((array) $way, 'stops');
            $place = static function (string $part) use ($found): array {
                [$box] = $found('data-part', $part);

                return [(int) $box->getAttribute('x'), (int) $box->getAttribute('y')];
            };
            foreach ($stops as $one) {
                [$x, $y] = $place(self::textAt(self::at((array) $one, 'part')));
                foreach ($stops as $other) {
                    [$otherX, $otherY] = $place(self::textAt(self::at((array) $other, 'part')));
                    self::assertSame(self::at((array) $one, 'column') <=> self::at((array) $other, 'column'), $x <=> $otherX);
                    self::assertSame(self::at((array) $one, 'row') <=> self::at((array) $other, 'row'), $y <=> $otherY);
                }
                $after = self::at((array) $one, 'after');
                $cable = (\is_string($after) ? $after : '').'>'.self::textAt(self::at((array) $one, 'part'));
                self::assertCount(3, $found('data-cable', $cable), $cable);
            }
            foreach ((array) self::at((array) $way, 'returns') as $return) {
                $to = self::at((array) $return, 'to');
                $cable = self::textAt(self::at((array) $return, 'from')).'>'.(\is_string($to) ? $to : '');
                self::assertCount(3, $found('data-cable', $cable), $cable);
            }
        }
    }

    /** @return list<string> names of all elements */
    private static function kinds(\DOMDocument $drawn): array
    {
        $names = [];
        foreach ($drawn->getElementsByTagName('*') as $element) {
            $names[$element->nodeName] = true;
        }
        ksort($names);

        return array_keys($names);
    }

    private static function number(mixed $value): float
    {
        self::assertIsNumeric($value);

        return (float) $value;
    }

    /** @param array<string, mixed> $hand */
    private function put(string $call, array $hand): void
    {
        $this->client->request('PUT', "/api/calls/$call/in-hand", server: ['CONTENT_TYPE' => 'application/json'], content: json_encode($hand, \JSON_THROW_ON_ERROR));
        self::assertSame(204, $this->client->getResponse()->getStatusCode());
    }
}
