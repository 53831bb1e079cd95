<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Component\Uid\UuidV7;

final class RunTest extends ApiTestCase
{
    public function testARunCountsWhatWasTakenAndNamesWhatStandsOut(): void
    {
        $call = $this->demoCall('4 Wicket');
        $runs = $this->call('GET', "/api/calls/$call/runs");
        $plug = array_values(array_filter($runs, static fn (mixed $run): bool => 'plug-in-check:ring-up:' === self::at((array) $run, 'id')))[0];
        self::assertSame([5, 1], [self::at((array) $plug, 'count'), self::at((array) $plug, 'done')]);
        $run = $this->call('GET', "/api/calls/$call/run?series=plug-in-check:ring-up:");
        $members = (array) $run['members'];
        self::assertSame('Landing', self::at($run, 'members', 0, 'place'));
        foreach (\array_slice($members, 1) as $at => $member) {
            $this->observe($call, 'measured', ['instrument' => self::at((array) $member, 'instrument'), 'connection' => ['terminals' => self::at((array) $member, 'terminals'), 'around' => []], 'raw' => 2 === $at ? '100' : '110']);
        }
        $after = (array) $this->call('GET', "/api/calls/$call/run?series=plug-in-check:ring-up:")['members'];
        self::assertSame([false, false, false, true, false], array_column($after, 'outlier'));
        $this->call('GET', "/api/calls/$call/run?series=tea", null, 404);
    }

    public function testOneRequestBringsEveryTerminalForTheOtherLead(): void
    {
        $call = $this->demoCall('4 Wicket');
        $shown = (array) $this->call('GET', "/api/calls/$call/reach?instrument=loop-2-wire&held=rl-hall.front-L")['shown'];
        $predicted = $this->call('POST', "/api/calls/$call/predictions", ['instrument' => 'loop-2-wire', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]]);
        self::assertSame($predicted['expected'], $shown['rl-hall.front-E']);
        self::assertGreaterThan(100, \count($shown));
        self::assertSame('/held', $this->call('GET', "/api/calls/$call/reach?instrument=loop-2-wire&held=moon.L", null, 422)['pointer']);
        // From a conductor's side of its joint volts are read; a dead tester is not put there.
        $across = (array) $this->call('GET', "/api/calls/$call/reach?instrument=voltmeter-high-z&held=".rawurlencode('ring-up-r1/L@2'))['shown'];
        self::assertSame('0.00 V', $across['ru-landing.L'] ?? 'nothing at '.implode(' ', array_keys($across)));
        self::assertSame('/held', $this->call('GET', "/api/calls/$call/reach?instrument=insulation-tester&held=".rawurlencode('ring-up-r1/L@2'), null, 422)['pointer']);
        self::assertSame('/instrument', $this->call('GET', "/api/calls/$call/reach?instrument=plug-in-tester&held=rl-hall.front-L", null, 422)['pointer']);
    }

    public function testTheSameTestInTwoStatesStandsAsAPair(): void
    {
        $call = $this->demoCall('4 Wicket');
        $clamp = ['terminals' => [], 'around' => ['+rcd-b/L', '+rcd-b/N']];
        $this->observe($call, 'measured', ['instrument' => 'leakage-clamp', 'connection' => $clamp, 'raw' => '1.2 mA']);
        $this->observe($call, 'done', ['changes' => [['operation' => 'load', 'subject' => 'desktop', 'value' => 'out']]]);
        $readings = (array) $this->observe($call, 'measured', ['instrument' => 'leakage-clamp', 'connection' => $clamp, 'raw' => '0.4 mA'])['readings'];
        $last = (array) end($readings);
        self::assertSame('1.2 mA', self::at($last, 'paired', 'raw'));
        self::assertStringContainsString('Desktop computer', self::textAt(self::at($last, 'paired', 'changed', 0)));
        self::assertNull(self::at((array) $readings[0], 'paired'));
    }

    public function testAReadingThatFitsNothingIsAskedForAgainAndTheRightOneSettlesIt(): void
    {
        $call = $this->demoCall('4 Wicket');
        $volts = ['instrument' => 'voltmeter-high-z', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-N'], 'around' => []]];
        self::assertSame([], array_filter(array_column((array) $this->call('GET', "/api/calls/$call/next-tests")['tests'], 'again')), 'nothing is odd yet');
        $this->observe($call, 'measured', $volts + ['raw' => '10.5']);
        $else = fn (): mixed => array_column((array) $this->call('GET', "/api/calls/$call/ranking")['suspects'], 'probability', 'title')['Something not in the list'] ?? 0.0;
        $before = $else();
        $first = self::at($this->call('GET', "/api/calls/$call/next-tests"), 'tests', 0);
        self::assertIsArray($first);
        self::assertSame(['10.5', $volts['connection']['terminals']], [$first['again'], $first['terminals']]);

        $this->observe($call, 'measured', $volts + ['raw' => '229']);
        self::assertSame([], array_filter(array_column((array) $this->call('GET', "/api/calls/$call/next-tests")['tests'], 'again')), 'twice is enough');
        self::assertLessThan($before, $else());
    }

    public function testDecisionsArePricedCheckedAndKept(): void
    {
        $inputs = ['isDangerous' => true, 'affected' => 2, 'tested' => 20, 'minutesEach' => 20, 'minutesLeft' => 60, 'hasParts' => true, 'isRepairVisit' => true, 'materials' => 12, 'ratePerHour' => 60];
        $decision = $this->call('POST', '/api/decisions', $inputs);
        self::assertEquals([40, 52, true], [$decision['mendMinutes'], $decision['mendMoney'], $decision['leansToMend']]);
        self::assertSame('/tested', $this->call('POST', '/api/decisions', ['tested' => 1] + $inputs, 422)['pointer']);
        $call = $this->demoCall('Salter');
        self::assertSame('/payload/consent/who', $this->observe($call, 'decided', ['choice' => 'mend', 'reason' => 'Quick.'], 422)['pointer']);
        self::assertSame('/payload/choice', $this->observe($call, 'decided', ['choice' => 'pray', 'reason' => 'x'], 422)['pointer']);
        $this->observe($call, 'decided', ['choice' => 'mend', 'reason' => 'Quick, and it is dangerous.', 'consent' => ['who' => 'Mr Teague', 'how' => 'at the door']]);
        self::assertSame([], array_filter($this->call('GET', "/api/calls/$call/consistency"), static fn (mixed $one): bool => !\in_array(self::at((array) $one, 'verdict'), ['good', 'doubt', 'bad'], true)));
    }

    public function testARepairThatIsProvedAndOneThatIsNotAreRankedApart(): void
    {
        $call = $this->demoCall('Salter');
        $this->observe($call, 'repaired', ['text' => 'Conductor put back into its terminal, 2 N m.']);
        // No reading tells the two ends of that cable apart, and nothing proves the repair yet: one is as likely as the other.
        $repaired = $this->repaired($call);
        self::assertGreaterThan(0.4, $repaired['probability']);
        self::assertSame('', $repaired['class'], 'nothing of it is left to accept');
    }

    public function testTheComplaintIsTriedAgainAndWhatIsStillThereIsNotCured(): void
    {
        $call = $this->demoCall('Salter');
        self::assertSame(409, $this->observe($call, 'tried', ['outcome' => 'gone'], 409)['status']);
        $symptom = $this->observe($call, 'told', ['symptom' => 'tingle', 'text' => 'The bench tingles.'])['observations'];
        self::assertIsArray($symptom);
        $told = self::textAt(self::at((array) end($symptom), 'id'));
        $this->observe($call, 'repaired', ['text' => 'Conductor put back into its terminal, 2 N m.']);
        $before = $this->repaired($call)['probability'];
        self::assertSame('/payload/outcome', $this->observe($call, 'tried', ['outcome' => 'perhaps'], 422)['pointer']);

        $this->observe($call, 'tried', ['outcome' => 'there']);
        self::assertLessThan(0.5 * $before, $this->repaired($call)['probability']);
        self::assertSame('/payload/verdict', $this->observe($call, 'settled', ['observation' => $told, 'verdict' => 'cured', 'text' => 'Gone.'], 409)['pointer']);
        $this->observe($call, 'tried', ['outcome' => 'gone']);
        $this->observe($call, 'settled', ['observation' => $told, 'verdict' => 'cured', 'text' => 'Gone at the second try.']);
    }

    public function testWhereNobodyComplainedThereIsNothingToTryAgain(): void
    {
        $call = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/calls', ['id' => $call, 'address' => '3 Tern Row', 'customer' => 'Ms Fell', 'complaint' => 'Before the sale.', 'visit' => 'inspection', 'houseId' => self::at($this->call('GET', '/api/calls/'.$this->demoCall('Salter')), 'call', 'houseId'), 'openedAt' => '2026-11-20T09:00:00Z'], 201);
        $this->observe($call, 'accepted', ['hypothesis' => 'open-cpc|workshop-r3/E@1', 'knowing' => 'seen']);
        $this->observe($call, 'repaired', ['text' => 'Conductor put back into its terminal, 2 N m.']);
        self::assertStringContainsString('nothing to try again', self::textAt($this->observe($call, 'tried', ['outcome' => 'gone'], 409)['detail']));
        $this->observe($call, 'told', ['symptom' => 'none', 'text' => 'All works.']);
        $this->observe($call, 'tried', ['outcome' => 'gone'], 409);
        $this->observe($call, 'told', ['symptom' => 'tingle', 'text' => 'But for the lathe, that tingles.']);
        $this->observe($call, 'tried', ['outcome' => 'gone']);
    }

    /** @return array{probability: float, class: string} the suspect that was repaired */
    private function repaired(string $call): array
    {
        /** @var list<array{title: string, probability: float, class: string}> $suspects */
        $suspects = $this->call('GET', "/api/calls/$call/ranking")['suspects'];

        return array_values(array_filter($suspects, static fn (array $suspect): bool => str_ends_with($suspect['title'], ', repaired')))[0] ?? ['probability' => 0.0, 'class' => ''];
    }
}
