<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

enum ShownKind: string
{
    case Value = 'value';
    case Over = 'over';
    case Nothing = 'nothing';
    case Pattern = 'pattern';
}
