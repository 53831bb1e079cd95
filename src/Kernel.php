<?php

declare(strict_types=1);

namespace App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** Each instance (bin/start, bin/test) keeps a cache and logs of its own. */
    public function getCacheDir(): string
    {
        return $this->directory('APP_CACHE_DIR', 'cache').'/'.$this->environment;
    }

    public function getLogDir(): string
    {
        return $this->directory('APP_LOG_DIR', 'log');
    }

    private function directory(string $variable, string $default): string
    {
        $value = $_SERVER[$variable] ?? '';

        return \is_string($value) && '' !== $value ? $value : $this->getProjectDir().'/var/'.$default;
    }
}
