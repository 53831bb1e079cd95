<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Fault\ResolvedChange;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Shunts;
use YellowProbe\Network\Complex;
use YellowProbe\Network\Network;

/** What a clamp is around, or what passes through a device, as it stands with a fault. */
final readonly class Jaw
{
    /** @param list<string> $around elements, signed by the direction in which they count */
    public function __construct(private House $house, private Network $network, private array $around)
    {
    }

    /**
     * The current of each embraced branch that the state has, without its source, as a sum of voltages to the datum.
     *
     * @param list<string> $around elements, signed by the direction in which they count
     *
     * @return list<array{int, array<int, Complex>}> branch, and node => siemens; one between two embraced cores stands twice
     */
    public static function weights(Network $network, int $datum, array $around): array
    {
        $weights = [];
        foreach ($around as $signed) {
            $branch = $network->branch(substr($signed, 1));
            if (null !== $branch) {
                $y = $network->admittance($branch);
                $weights[] = [$branch, array_diff_key([$network->from[$branch] => $y, $network->to[$branch] => Complex::zero()->minus($y)], [$datum => true])];
            }
        }

        return $weights;
    }

    /** @return list<array{int, int, Complex, Complex, bool}> embraced branches as they stand with the fault: nodes, admittance, source, counted backward */
    public function embraced(ResolvedChange $resolved): array
    {
        $around = [];
        foreach ($this->around as $signed) {
            $branch = $this->network->branch(substr($signed, 1));
            $standing = null === $branch ? null : $resolved->standing[$branch] ?? null;
            if (null === $branch) {
                continue; // nothing flows in a conductor that is lifted or switched off
            }
            if (null !== $standing && $this->hangsBeyond($signed, $resolved)) {
                continue;
            }
            if (null === $standing && \in_array($branch, $resolved->without, true)) {
                // Nor in a broken one, but what its cable couples at the far end now comes through this jaw.
                array_push($around, ...$this->stump($signed, $resolved));
                continue;
            }
            $around[] = [...($standing ?? [$this->network->from[$branch], $this->network->to[$branch], $this->network->admittance($branch), $this->network->driven($branch)]), '-' === $signed[0]];
        }

        return $around;
    }

    /**
     * Whether a leak that was counted at the near end of a core ("+cable/A-B@1" for A, "-" for B) hangs on that core beyond
     * the jaw now, because the core is open between its terminal and the jaw.
     */
    private function hangsBeyond(string $signed, ResolvedChange $resolved): bool
    {
        if (1 !== preg_match('#^([+-])(.+)/([^/-]+)-([^/@]+)@[12]$#', $signed, $match)) {
            return false;
        }
        $core = $this->network->branch("$match[2]/".('+' === $match[1] ? $match[3] : $match[4]));

        return null !== $core && !isset($resolved->standing[$core]) && \in_array($core, $resolved->without, true);
    }

    /** @return list<array{int, int, Complex, Complex, bool}> */
    private function stump(string $signed, ResolvedChange $resolved): array
    {
        [$owner, $key] = explode('/', substr($signed, 1), 2);
        $cable = $this->house->cables[$owner] ?? null;
        $core = $cable?->cores[$key] ?? null;
        $found = [];
        foreach (null === $cable || null === $core ? [] : Shunts::of($cable, $core, '+' === $signed[0] ? 2 : 1) as [$shunt, $isFirst]) {
            $moved = $resolved->standing[$this->network->branch($shunt) ?? -1] ?? null;
            if (null !== $moved) {
                $found[] = [...$moved, !$isFirst];
            }
        }

        return $found;
    }
}
