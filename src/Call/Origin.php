<?php

declare(strict_types=1);

namespace App\Call;

use Symfony\Component\Uid\Uuid;

/** Where an entry comes from: the device it was made on, and the last position of the journal that this device had seen then. */
final readonly class Origin
{
    public function __construct(public ?Uuid $device = null, public ?int $seen = null)
    {
    }
}
