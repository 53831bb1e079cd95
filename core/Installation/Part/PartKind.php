<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** What a kind of part has for terminals and what it puts between them. A new kind is one new class and its row in PartKinds. */
interface PartKind
{
    /** The stable name in house documents. */
    public function slug(): string;

    /** @return array<string, array{Role, Access}> by key */
    public function terminals(Part $part): array;

    /** Adds the part's elements for the state, excitation and factors of the context. */
    public function build(Part $part, PartContext $context): void;
}
