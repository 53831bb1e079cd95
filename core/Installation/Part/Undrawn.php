<?php

declare(strict_types=1);

namespace YellowProbe\Installation\Part;

use YellowProbe\Installation\Access;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Role;

/** A kind the house format knows already and the solver does not yet: it can be described, stored and exchanged. */
final readonly class Undrawn implements PartKind
{
    /** @param list<string> $keys */
    public function __construct(private string $slug, private array $keys)
    {
    }

    public function slug(): string
    {
        return $this->slug;
    }

    public function terminals(Part $part): array
    {
        $terminals = [];
        foreach ($this->keys as $key) {
            $role = match (true) {
                str_ends_with($key, 'N') => Role::Neutral,
                str_ends_with($key, 'E') => Role::Earth,
                default => Role::Line,
            };
            $terminals[$key] = [$role, str_starts_with($key, 'front-') ? Access::Front : Access::CoverOff];
        }

        return $terminals;
    }

    public function build(Part $part, PartContext $context): void
    {
        throw new HouseError("/parts/$part->id/kind", \sprintf('"%s" can be surveyed and stored, but its readings cannot be computed yet. Leave it out to compute the rest of the house.', $this->slug));
    }
}
