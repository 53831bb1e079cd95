<?php

declare(strict_types=1);

namespace YellowProbe\Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Which way the arrows point. Run by PHPStan. */
final class ArchitectureTest
{
    public function testCoreDependsOnNothingOutsideIt(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::AllOf(Selector::inNamespace('YellowProbe'), Selector::Not(Selector::inNamespace('YellowProbe\Tests'))))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('YellowProbe'))
            ->because('the computation of the job is free of framework, database and interface');
    }

    public function testNetworkKnowsNothingOfHouses(): Rule
    {
        return $this->mayNotKnow('Network', 'Installation', 'Device', 'Fault', 'Instrument', 'Procedure', 'Diagnosis', 'Rules');
    }

    public function testInstallationKnowsOnlyNetworks(): Rule
    {
        return $this->mayNotKnow('Installation', 'Device', 'Fault', 'Instrument', 'Procedure', 'Diagnosis', 'Rules');
    }

    public function testDevicesKnowOnlyTheirParts(): Rule
    {
        return $this->mayNotKnow('Device', 'Fault', 'Instrument', 'Procedure', 'Diagnosis', 'Rules', 'Network');
    }

    public function testFaultsKnowNoTesters(): Rule
    {
        return $this->mayNotKnow('Fault', 'Instrument', 'Procedure', 'Diagnosis', 'Rules');
    }

    public function testTestersKnowNoProcedures(): Rule
    {
        return $this->mayNotKnow('Instrument', 'Procedure', 'Diagnosis', 'Rules');
    }

    public function testProceduresKnowNoDiagnosis(): Rule
    {
        return $this->mayNotKnow('Procedure', 'Diagnosis');
    }

    /** Or it could read what the evaluated world hides. */
    public function testDiagnosisKnowsNoEvaluation(): Rule
    {
        return $this->mayNotKnow('Diagnosis', 'Evaluation');
    }

    private function mayNotKnow(string $room, string ...$rooms): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace("YellowProbe\\$room"))
            ->shouldNotDependOn()
            ->classes(...array_map(static fn (string $other) => Selector::inNamespace("YellowProbe\\$other"), $rooms))
            ->because('arrows point from diagnosis down to the network');
    }
}
