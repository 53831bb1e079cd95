<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Asking;
use YellowProbe\Diagnosis\Story;
use YellowProbe\Tests\Houses;

/** What nobody has told yet is asked before anything is measured. */
final class AskingTest extends TestCase
{
    /**
     * @param list<string> $expected
     */
    #[TestWith([new Story(['residual-trip']), ['device', 'running', 'onset']])]
    #[TestWith([new Story(['residual-trip'], ['onset-after-minutes'], [], ['rcd-a'], [], ['fridge']), []])]
    #[TestWith([new Story(['residual-trip', 'tingle'], ['rain'], [], ['rcd-a']), ['running', 'onset', 'place']])]
    #[TestWith([new Story(['part-dead']), ['place']])]
    #[TestWith([new Story([Story::INSPECTION]), []])]
    #[TestWith([new Story([]), []])]
    public function testWhatIsAsked(Story $story, array $expected): void
    {
        self::assertSame($expected, Asking::of(Houses::demo('wicket-lane'), $story));
    }
}
