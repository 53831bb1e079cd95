<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

/**
 * What a tester shows of a house, by the simulator and by arithmetic of its own: volts across an input, a current
 * driven through, ammeters in the conductors a jaw embraces, a residual device made to act.
 *
 * @phpstan-import-type Doc from Translator
 * @phpstan-import-type State from Translator
 * @phpstan-import-type Hidden from Translator
 */
final class Tester
{
    private const INPUT_OHMS = ['voltmeter-high-z' => 10e6, 'voltmeter-low-z' => 200e3, 'two-pole-indicator' => 200e3, 'two-pole-indicator-load' => 7e3];
    private const DIRECT = ['low-ohm' => [4.0, 0.2], 'insulation-tester' => [500.0, 1e-3], 'insulation-tester-250' => [250.0, 1e-3], 'insulation-tester-1000' => [1000.0, 1e-3], 'two-pole-continuity' => [4.0, 0.2], 'buzzer' => [4.0, 0.2]];
    private const OWN_HERTZ = ['capacitance-meter' => 1000.0, 'electrode-tester' => 128.0, 'tracer' => 8000.0];

    /**
     * @param Doc          $house
     * @param State        $state
     * @param Hidden|null  $fault
     * @param list<string> $terminals
     * @param list<string> $around
     * @param bool         $conjugated whether one of the currents in a jaw is taken with the wrong sign of its imaginary part
     */
    public function __construct(private readonly array $house, private readonly array $state, private readonly ?array $fault, private readonly string $slug, private readonly array $terminals, private readonly array $around, private readonly bool $conjugated = false)
    {
    }

    /** What it reads: the value, the levels of its lamps, and the volts it finds before it drives anything. */
    public function read(): Seen
    {
        if (str_starts_with($this->slug, 'rcd-')) {
            return $this->acted();
        }
        if ('earth-clamps' === $this->slug) {
            return $this->looped();
        }
        if ('leak-locator' === $this->slug) {
            return $this->located();
        }
        if ([] === $this->terminals) {
            return new Seen(hypot(...$this->clamped($this->wired(true, array_keys($this->sections())))));
        }
        if (isset(self::DIRECT[$this->slug])) {
            return $this->direct(...self::DIRECT[$this->slug]);
        }
        $translator = $this->wired(!isset(self::OWN_HERTZ[$this->slug]));
        $netlist = $translator->netlist;
        $leads = array_map($translator->touch(...), $this->terminals);
        $volts = array_map($netlist->volts(...), $leads);
        $hertz = self::OWN_HERTZ[$this->slug] ?? Translator::mainsHertz($this->house);
        $across = static fn (int $a, int $b): float => self::apart(Simulator::run($netlist, $hertz, $volts), $volts[$a], $volts[$b]);
        if (isset(self::INPUT_OHMS[$this->slug])) {
            $netlist->resistor($leads[0], $leads[1], self::INPUT_OHMS[$this->slug]);

            return new Seen($across(0, 1));
        }
        switch ($this->slug) {
            case 'lamp':
                return new Seen($across(0, 1) / ($hertz > 55.0 ? 120.0 : 230.0));
            case 'non-contact':
                $netlist->capacitor($leads[0], $leads[1], 2e-12);

                return new Seen($across(0, 1));
            case 'plug-in-tester':
                foreach ([[0, 1], [0, 2], [1, 2]] as [$a, $b]) {
                    $netlist->resistor($leads[$a], $leads[$b], 150e3);
                }
                $read = Simulator::run($netlist, $hertz, $volts);
                $share = $hertz > 55.0 ? 150.0 / 80.0 : 1.0;

                return new Seen(0.0, [$share * self::apart($read, $volts[0], $volts[1]), $share * self::apart($read, $volts[0], $volts[2]), $share * self::apart($read, $volts[1], $volts[2])]);
            case 'tracer':
                $netlist->resistor($leads[1], $leads[2], 1000.0);
                $netlist->drive($leads[1], $leads[2], 1e-3);
                $read = Simulator::run($netlist, $hertz, $volts);

                return new Seen(self::apart($read, $volts[0], $volts[2]) / self::apart($read, $volts[1], $volts[2]));
            case 'capacitance-meter':
                $netlist->drive($leads[0], $leads[1], 1e-6);
                $read = Simulator::run($netlist, $hertz, $volts);
                [$re, $im] = self::minus($read[$volts[0]] ?? [0.0, 0.0], $read[$volts[1]] ?? [0.0, 0.0]);

                // Y = I/V; its imaginary part over ω
                return new Seen(1e-6 * -$im / ($re * $re + $im * $im) / (2.0 * \M_PI * $hertz), [$re]);
            default:
                $last = \count($leads) - 1;
                $open = isset(self::OWN_HERTZ[$this->slug]) ? 0.0 : $across(0, $last);
                $netlist->quiet();
                $netlist->drive($leads[0], $leads[$last], 1e-3);

                return new Seen($across(0, $last) / 1e-3, [], $open);
        }
    }

    /** The loop of a conductor: what a small current finds between its end taken off, where no fault is, and its terminal. */
    private function looped(): Seen
    {
        $element = substr($this->around[0], 1);
        $end = \in_array("$element@1", $this->fault['things'] ?? [], true) ? 2 : 1;
        [$cable, $core] = explode('/', $element);
        $cores = $this->house['cables'][$cable]['cores'];
        \assert(\is_array($cores) && \is_array($cores[$core]) && \is_array($cores[$core]['ends']));
        $terminal = $cores[$core]['ends'][$end - 1];
        \assert(\is_string($terminal));
        $state = $this->state;
        $state['lifted'][] = "$element@$end";
        $translator = new Translator($this->house, $state, $this->fault, ['hertz' => 1000.0, 'on' => false, 'small' => false]);
        $netlist = $translator->netlist;
        [$a, $b] = [$translator->touch("$element@$end"), $translator->touch($terminal)];
        $netlist->drive($a, $b, 1e-3);

        return new Seen(self::apart(Simulator::run($netlist, 1000.0, [$netlist->volts($a), $netlist->volts($b)]), $netlist->volts($a), $netlist->volts($b)) / 1e-3 + 0.002);
    }

    /** Volts to the conductor that the first core leaks to, for an ampere through both; and the ohms of the leak. */
    private function located(): Seen
    {
        $leak = $this->wired(false);
        [$a, , $c] = array_map($leak->touch(...), $this->terminals);
        $leak->netlist->drive($a, $c, 1e-6);
        $volts = [$leak->netlist->volts($a), $leak->netlist->volts($c)];
        $ohms = self::apart(Simulator::run($leak->netlist, 0.0, $volts), ...$volts) / 1e-6;
        $loop = $this->wired(false);
        [$a, $b, $c] = array_map($loop->touch(...), $this->terminals);
        $loop->netlist->resistor($a, $c, 10e6);
        $loop->netlist->drive($a, $b, 1e-3);
        $volts = [$loop->netlist->volts($a), $loop->netlist->volts($c)];

        return new Seen(self::apart(Simulator::run($loop->netlist, 0.0, $volts), ...$volts) / 1e-3, [], $ohms);
    }

    /** An ohmmeter of so many volts and at most so many amperes, with what conducts by voltage settled run by run. */
    private function direct(float $applied, float $most): Seen
    {
        // Linear as long as nothing conducts by voltage: one run at a small current, scaled to what the tester gives.
        [$amperes, $volts, $across] = $this->driven([], null, 1e-6);
        $scale = min($applied / max(1e-12, abs($volts)), $most / $amperes);
        if ([] === array_filter($across, fn (float $v, int $at): bool => $this->wired(false)->thresholds[$at][2] < $applied && abs($v * $scale) > $this->wired(false)->thresholds[$at][2], \ARRAY_FILTER_USE_BOTH)) {
            return new Seen($volts / $amperes);
        }
        $on = [];
        for ($pass = 0; $pass < 9; ++$pass) {
            // What it draws at its voltage; when that is more than it can give, the volts at its largest current.
            [$amperes] = $this->driven($on, $applied, null);
            $state = $amperes > $most ? $this->driven($on, null, $most) : [$amperes, $applied, $this->driven($on, $applied, null)[2]];
            $next = [];
            foreach ($state[2] as $at => $volts) {
                $edge = $this->wired(false)->thresholds[$at][2];
                if ($edge < $applied && abs($volts) > $edge) {
                    $next[$at] = $volts > 0.0 ? 1.0 : -1.0;
                }
            }
            if ($next === $on) {
                return new Seen($state[0] > 0.0 ? $state[1] / $state[0] : 1e15);
            }
            $on = $next;
        }
        throw new \RuntimeException('What conducts by voltage comes to no rest.');
    }

    /**
     * @param array<int, float> $on thresholds that conduct, with their sign
     *
     * @return array{float, float, array<int, float>} amperes, volts, volts across each threshold
     */
    private function driven(array $on, ?float $volts, ?float $amperes): array
    {
        $translator = $this->wired(false);
        $netlist = $translator->netlist;
        foreach ($on as $at => $sign) {
            [$a, $b, $edge, $ohms] = $translator->thresholds[$at];
            $netlist->battery("*t$at", $a, $sign * $edge);
            $netlist->resistor("*t$at", $b, $ohms);
        }
        [$a, $b] = array_map($translator->touch(...), $this->terminals);
        $print = [$netlist->volts($a), $netlist->volts($b)];
        foreach ($translator->thresholds as [$from, $to]) {
            array_push($print, $netlist->volts($from), $netlist->volts($to));
        }
        $ammeter = '';
        if (null !== $amperes) {
            $netlist->drive($a, $b, $amperes);
        } else {
            $netlist->battery($b, '*applied', (float) $volts);
            $print[] = $ammeter = $netlist->ammeter('*applied', $a);
        }
        $read = Simulator::run($netlist, 0.0, array_values(array_unique($print)));
        $across = [];
        foreach ($translator->thresholds as $at => [$from, $to]) {
            $across[$at] = ($read[$netlist->volts($from)][0] ?? 0.0) - ($read[$netlist->volts($to)][0] ?? 0.0);
        }

        return [null !== $amperes ? $amperes : $read[$ammeter][0] ?? 0.0, ($read[$print[0]][0] ?? 0.0) - ($read[$print[1]][0] ?? 0.0), $across];
    }

    /** Standing residual, share of a test current that the device sees, and from them what it does. */
    private function acted(): Seen
    {
        $sections = array_keys($this->sections());
        $live = $this->wired(true, $sections);
        [$a, $b] = array_map($live->touch(...), $this->terminals);
        $standing = $this->clamped($live, [$a, $b], $open);
        $quiet = $this->wired(true, $sections);
        $quiet->netlist->quiet();
        $quiet->netlist->drive($a, $b, -1.0); // a load draws out of the line
        $share = $this->clamped($quiet, [$a, $b], $drop);

        return new Seen(0.0, [...$standing, ...$share, hypot(...$drop)], hypot(...$open), atan2($open[1], $open[0]));
    }

    /**
     * The sum of the currents in the embraced conductors, outward.
     *
     * @param list<string>        $leads
     * @param array{float, float} $between volts between two leads of the same run
     *
     * @param-out array{float, float} $between
     *
     * @return array{float, float}
     */
    private function clamped(Translator $translator, array $leads = [], ?array &$between = null): array
    {
        $print = [];
        foreach ($this->sections() as $end => $sign) {
            $vector = $translator->ammeter($end);
            if (null !== $vector) {
                $print[$vector] = $sign;
            }
        }
        $volts = array_map($translator->netlist->volts(...), $leads);
        $read = Simulator::run($translator->netlist, Translator::mainsHertz($this->house), array_values(array_unique([...array_keys($print), ...$volts])));
        $between = [] === $volts ? [0.0, 0.0] : self::minus($read[$volts[0]], $read[$volts[1]]);
        $re = $im = 0.0;
        foreach ($print as $vector => $sign) {
            $re += $sign * $read[$vector][0];
            $im += $sign * $read[$vector][1];
        }
        if ($this->conjugated && [] !== $print) {
            $im -= 2.0 * $read[array_keys($print)[0]][1];
        }

        return [$re, $im];
    }

    /** @return array<string, float> where ammeters go: "cable/core@end" or "device/pole" => sign */
    private function sections(): array
    {
        $sections = [];
        foreach ($this->around as $signed) {
            $element = substr($signed, 1);
            if (str_contains($element, '@')) {
                continue; // the leak of the cable's own end: an ammeter before the end has it already
            }
            $cable = isset($this->house['cables'][explode('/', $element)[0]]);
            $sections[$cable ? "$element@".('+' === $signed[0] ? 1 : 2) : $element] = 1.0;
        }

        return $sections;
    }

    /** @param list<string> $clamped */
    private function wired(bool $on, array $clamped = []): Translator
    {
        $hertz = isset(self::DIRECT[$this->slug]) || 'leak-locator' === $this->slug ? 0.0 : self::OWN_HERTZ[$this->slug] ?? Translator::mainsHertz($this->house);

        return new Translator($this->house, $this->state, $this->fault, ['hertz' => $hertz, 'on' => $on, 'small' => 'loop-3-wire' === $this->slug], $clamped);
    }

    /** @param array<string, array{float, float}> $read */
    private static function apart(array $read, string $a, string $b): float
    {
        return hypot(...self::minus($read[$a] ?? [0.0, 0.0], $read[$b] ?? [0.0, 0.0]));
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     *
     * @return array{float, float}
     */
    private static function minus(array $a, array $b): array
    {
        return [$a[0] - $b[0], $a[1] - $b[1]];
    }
}
