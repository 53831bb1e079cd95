<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Diagnosis;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Diagnosis\Worth;

final class WorthTest extends TestCase
{
    /** Of two bits of uncertainty: what is left decides the word. */
    #[TestWith([2.0, Worth::Settles])]
    #[TestWith([1.8, Worth::Settles])]
    #[TestWith([1.79, Worth::Well])]
    #[TestWith([0.8, Worth::Well])]
    #[TestWith([0.79, Worth::Little])]
    #[TestWith([0.11, Worth::Little])]
    #[TestWith([0.09, Worth::Nothing])]
    #[TestWith([0.0, Worth::Nothing])]
    public function testTheWordGoesByWhatIsLeft(float $bits, Worth $expected): void
    {
        self::assertSame($expected, Worth::among($bits, 2.0));
    }

    public function testWhereNothingIsOpenNoTestTellsAnything(): void
    {
        self::assertSame(Worth::Nothing, Worth::among(0.0, 0.0));
        self::assertSame(Worth::Nothing, Worth::of(1.0, new Ranking([], [])));
    }
}
