<?php

declare(strict_types=1);

namespace App\Command;

use App\House\HouseDocument;
use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;

/** Files named on a command line, with errors that name the file and the place in it. */
final readonly class HouseFile
{
    public function __construct(private HouseDocument $documents)
    {
    }

    public function house(string $file): House
    {
        try {
            return $this->documents->decode($this->read($file));
        } catch (HouseError $e) {
            throw new \RuntimeException("$file, at ".('' === $e->path ? 'the top' : $e->path).": {$e->getMessage()}", 0, $e);
        }
    }

    public function object(string $file): Attributes
    {
        try {
            $raw = json_decode($this->read($file), true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw new \RuntimeException("$file: not JSON: {$e->getMessage()}.", 0, $e);
        }

        return \is_array($raw) ? new Attributes($raw, '') : throw new \RuntimeException("$file: a JSON object is expected.");
    }

    private function read(string $file): string
    {
        $content = is_file($file) ? file_get_contents($file) : false;

        return false === $content ? throw new \RuntimeException("$file: there is no such file, or it cannot be read.") : $content;
    }
}
