<?php

declare(strict_types=1);

namespace App\Cache;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The bound of what is kept of computations: the oldest go when there is more. */
final readonly class Predictions
{
    /** Down to this share of the bound, so that not every round has something to do. */
    private const LEAVES = 0.9;

    public function __construct(#[Autowire(env: 'resolve:YP_PREDICTIONS')] private string $directory, #[Autowire(env: 'int:YP_PREDICTIONS_MB')] private int $mostMegabytes)
    {
    }

    /** @return array{int, int} bytes that were kept before, and now */
    public function bound(): array
    {
        $files = [];
        $bytes = 0;
        if (!is_dir($this->directory)) {
            return [0, 0];
        }
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($this->directory, \FilesystemIterator::SKIP_DOTS)) as $file) {
            // Another process may take one away meanwhile.
            if (!$file instanceof \SplFileInfo || !$file->isFile() || str_contains($file->getPath(), '/locks') || false === ($size = @filesize($file->getPathname()))) {
                continue;
            }
            // The adapter sets the time of a file to when it expires: all live equally long, so the first to expire is the oldest.
            $files[$file->getPathname()] = [(int) @filemtime($file->getPathname()), $size];
            $bytes += $size;
        }
        $before = $bytes;
        if ($bytes > $this->mostMegabytes * 1_000_000) {
            asort($files);
            foreach ($files as $path => [, $size]) {
                if ($bytes <= $this->mostMegabytes * 1_000_000 * self::LEAVES) {
                    break;
                }
                @unlink($path);
                $bytes -= $size;
            }
        }

        return [$before, $bytes];
    }
}
