<?php

declare(strict_types=1);

namespace App\Casebook;

use YellowProbe\Diagnosis\Hypothesis;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;

/** Whether a cause is of a kind and at a place: what the share of a cause is summed over. */
final readonly class Touching
{
    public function __construct(private House $house)
    {
    }

    /**
     * @param list<string> $kinds  slugs of faults
     * @param list<string> $where  ids of the house; anywhere when empty
     */
    public function is(Hypothesis $hypothesis, array $kinds, array $where): bool
    {
        foreach ([] === $hypothesis->both ? [$hypothesis] : $hypothesis->both as $one) {
            if (null !== $one->kind && null !== $one->site && \in_array($one->kind->slug(), $kinds, true) && $this->isAt($one->site, $where)) {
                return true;
            }
        }

        return false;
    }

    /** @param list<string> $where */
    public function isAt(FaultSite $site, array $where): bool
    {
        if ([] === $where) {
            return true;
        }
        $words = preg_split('/[|~:\/.@&]/', $site->id) ?: [];
        foreach ($where as $id) {
            if (str_contains($id, '/') ? str_contains($site->id, $id) : [] !== array_intersect($this->idsOf($id), $words)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> a circuit's cables and all that is on it, or the id itself */
    private function idsOf(string $id): array
    {
        if (!isset($this->house->circuits[$id])) {
            return [$id];
        }
        $ids = [$id];
        foreach ($this->house->cables as $cable) {
            if ($cable->circuit === $id) {
                $ids[] = $cable->id;
            }
        }
        foreach ($this->house->parts as $part) {
            if ($this->house->circuitOfPart($part->id) === $id) {
                $ids[] = $part->id;
            }
        }

        return $ids;
    }
}
