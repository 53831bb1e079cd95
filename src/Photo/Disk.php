<?php

declare(strict_types=1);

namespace App\Photo;

use App\Api\Problem;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** How much room there is: pictures stop first, so that readings can go on. */
final readonly class Disk
{
    /** Bytes that stay free for readings; pictures are not taken when less is left. */
    private int $reserve;

    public function __construct(#[Autowire(env: 'resolve:YP_FILES')] private string $directory, #[Autowire(env: 'int:YP_DISK_RESERVE_MB')] int $reserveMegabytes)
    {
        $this->reserve = $reserveMegabytes * 1_000_000;
    }

    public function isNearlyFull(): bool
    {
        $free = @disk_free_space(is_dir($this->directory) ? $this->directory : '.');

        return false !== $free && $free < $this->reserve;
    }

    /** @throws Problem when there is no room for a picture */
    public function admitPhoto(): void
    {
        if ($this->isNearlyFull()) {
            throw new Problem(507, 'No room for pictures', 'The disk of the server is nearly full: pictures are not taken, readings are. Store the entry without the picture, and tell whoever runs this.', '/payload/photo');
        }
    }
}
