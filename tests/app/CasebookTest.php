<?php

declare(strict_types=1);

namespace App\Tests;

use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Console\Tester\CommandTester;

/** Cases as good electricians tell them, walked step by step. */
final class CasebookTest extends KernelTestCase
{
    public function testEachExpectationIsHeldAgainstTheRankingAndWhatIsProposed(): void
    {
        $result = self::walked(__DIR__.'/cases');
        self::assertSame([2, 1, 0, 1], [$result['steps'], $result['met'], $result['forbidden'], $result['dangerDue']]);
        /** @var list<array{case: string, step: int, missed: list<string>, shares: array<string, float>, met: bool, isDangerSaid: bool}> $steps */
        $steps = $result['results'];
        self::assertSame([], $steps[0]['missed']);
        self::assertTrue($steps[0]['met']);
        self::assertGreaterThan(0.5, $steps[0]['shares']['reversed']);
        // The second expects what is not so, and names the danger that is said.
        self::assertTrue($steps[1]['isDangerSaid']);
        self::assertCount(1, $steps[1]['missed']);
        self::assertStringStartsWith('elsewhere', $steps[1]['missed'][0]);
        self::assertStringContainsString('expected at least 50.0 %', $steps[1]['missed'][0]);
    }

    public function testAnEmptyDirectoryIsSaid(): void
    {
        $this->expectExceptionMessage('no cases');
        self::walked(__DIR__.'/Fuzz');
    }

    /** @return array<string, mixed> */
    private static function walked(string $directory): array
    {
        $tester = new CommandTester((new Application(self::bootKernel()))->find('casebook'));
        $tester->execute(['directory' => $directory, '--json' => true]);
        /** @var array<string, mixed> $result */
        $result = json_decode($tester->getDisplay(), true, 16, \JSON_THROW_ON_ERROR);

        return $result;
    }
}
