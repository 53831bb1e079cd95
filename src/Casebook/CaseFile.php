<?php

declare(strict_types=1);

namespace App\Casebook;

use App\Command\HouseFile;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;

/** A call-out as a file tells it: what was told, what was read and seen step by step, and what a good electrician holds and does then. */
final readonly class CaseFile
{
    /**
     * @param array<string, Attributes> $causes  by their names in the file
     * @param list<Attributes>          $steps
     */
    private function __construct(public string $name, public string $title, public House $house, public Attributes $complaint, public array $causes, public array $steps)
    {
    }

    /** @throws \RuntimeException that names the file and the place in it */
    public static function read(HouseFile $files, string $file): self
    {
        $case = $files->object($file);

        return new self(basename($file, '.json'), $case->string('title', ''), $files->house(\dirname($file).'/'.$case->string('house')), $case->object('complaint'), $case->map('causes'), array_values($case->map('steps')));
    }
}
