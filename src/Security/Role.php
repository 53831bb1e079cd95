<?php

declare(strict_types=1);

namespace App\Security;

/** What somebody is in a firm; what each may do is in {@see Access}. */
#[\OpenApi\Attributes\Schema(type: 'string')]
enum Role: string
{
    case Owner = 'owner';
    case Electrician = 'electrician';
    /** Learns the trade: every live step needs an electrician of the firm beside them. */
    case Trainee = 'trainee';
    case Office = 'office';
    case Reader = 'reader';
}
