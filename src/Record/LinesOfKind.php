<?php

declare(strict_types=1);

namespace App\Record;

use App\Call\Journal;
use App\Observation\Entry;
use App\Observation\Payload;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Says some kinds of entries on the record. */
#[AutoconfigureTag]
interface LinesOfKind
{
    /** @return list<class-string<Payload>> */
    public function kinds(): array;

    public function line(Journal $journal, Entry $entry, Facts $facts): RecordLine;
}
