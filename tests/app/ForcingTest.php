<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Component\Uid\UuidV7;

/** What brings out a fault that comes and goes, as the page is told of it. */
final class ForcingTest extends ApiTestCase
{
    public function testWhatWasAwayIsToBeTappedAndTheReadingSaysMoreThen(): void
    {
        $call = $this->goneQuiet();
        $forcings = array_column((array) $this->call('GET', "/api/calls/$call/next-tests")['forcings'], null, 'by');
        self::assertArrayHasKey('vibration', $forcings);
        $tapped = (array) $forcings['vibration'];
        self::assertStringContainsString('insulated tool', self::textAt(self::at($tapped, 'words')));
        self::assertStringContainsString('Covers stay on', self::textAt(self::at($tapped, 'caution')));
        self::assertEquals($forcings, array_column((array) $this->call('GET', "/api/calls/$call/next-tests")['forcings'], null, 'by'), 'asked again it is found by what was kept');
        // Set up at the same place it is worth that much, with nothing forced far less.
        $asked = ['instrument' => self::at($tapped, 'test', 'instrument'), 'connection' => ['terminals' => self::at($tapped, 'test', 'terminals'), 'around' => self::at($tapped, 'test', 'around')]];
        $worth = fn (array $forced): float => self::number($this->call('POST', "/api/calls/$call/predictions", $asked + ['forced' => $forced])['bits'] ?? null);
        self::assertEqualsWithDelta(self::number(self::at($tapped, 'bits')), $worth(['vibration']), 0.02);
        self::assertLessThan(0.6 * $worth(['vibration']), $worth([]));
        self::assertStringContainsString('vibration', self::textAt($this->call('POST', "/api/calls/$call/predictions", $asked + ['forced' => ['magic']], 422)['detail'] ?? ''));
        // Read sound while it was tapped it is not asked for at that price again.
        $this->observe($call, 'measured', $asked + ['raw' => self::textAt($this->call('POST', "/api/calls/$call/predictions", $asked)['expected'] ?? ''), 'forced' => ['vibration']]);
        self::assertLessThan(0.5 * self::number(self::at($tapped, 'bits')), $worth(['vibration']));
    }

    private static function number(mixed $value): float
    {
        self::assertIsNumeric($value);

        return (float) $value;
    }

    /** A call at a small house where part goes dead at times, and everything reads sound. */
    private function goneQuiet(): string
    {
        $house = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/houses', \sprintf('{"id": "%s", "address": "Paper", "document": %s}', $house, file_get_contents(__DIR__.'/../../demo/houses/rod-and-outbuilding.json')), 201);
        $call = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/calls', ['id' => $call, 'address' => '2 Sedge Bank', 'customer' => 'Ms Fell', 'complaint' => 'The shed goes dead at times.', 'visit' => 'fault', 'houseId' => $house, 'openedAt' => '2026-11-20T09:00:00Z'], 201);
        $this->observe($call, 'told', ['symptom' => 'part-dead', 'text' => 'At times.']);
        foreach (['left', 'right'] as $outlet) {
            $this->observe($call, 'measured', ['instrument' => 'plug-in-tester', 'connection' => ['terminals' => ["bench.$outlet-L", "bench.$outlet-N", "bench.$outlet-E"], 'around' => []], 'raw' => '110']);
            foreach (['N', 'E'] as $pole) {
                $asked = ['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ["bench.$outlet-L", "bench.$outlet-$pole"], 'around' => []]];
                $this->observe($call, 'measured', $asked + ['raw' => self::textAt($this->call('POST', "/api/calls/$call/predictions", $asked)['expected'] ?? '')]);
            }
        }

        return $call;
    }
}
