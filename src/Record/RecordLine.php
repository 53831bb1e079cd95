<?php

declare(strict_types=1);

namespace App\Record;

/** What the record says of one entry: a sentence, and everything else that was stored with it. */
final readonly class RecordLine
{
    /**
     * @param string                       $section told | seen | safe | done | readings | cause | decided | repair | unrepaired | advice | closed | beside
     * @param string                       $words   what it says first
     * @param list<array{string, string}>  $facts   label and value of all else, in the order a reader wants them
     */
    public function __construct(public string $section, public string $words, public array $facts = [])
    {
    }
}
