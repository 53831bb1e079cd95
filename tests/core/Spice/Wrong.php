<?php

declare(strict_types=1);

namespace YellowProbe\Tests\Spice;

/**
 * What is wrong in a house, as things to do while wiring it up: joints left open, landed elsewhere or bad, elements left
 * out or worse, contacts added. Made from the kind and place of a fault only, by other rules than the core's.
 *
 * @phpstan-type Doc array{parts: array<string, array<string, mixed>>, cables: array<string, array<string, mixed>>}
 */
final class Wrong
{
    /** @var array<string, true> joints that are open */
    public array $open = [];

    /** @var array<string, float> joint or element => ohms more */
    public array $more = [];

    /** @var array<string, string> joint => the terminal it lands on instead */
    public array $landed = [];

    /** @var array<string, string> contact element => the terminal that feeds it instead */
    public array $fed = [];

    /** @var array<string, true> elements that are not there */
    public array $without = [];

    /** @var array<string, float> core element => volts of a source in it, towards its second end */
    public array $driven = [];

    /** @var list<array{string, string, float}> */
    public array $resistors = [];

    /** @var list<array{string, string, float}> */
    public array $capacitors = [];

    /** @var list<array{string, string, float, float}> a, b, volts positive at b, ohms */
    public array $sources = [];

    /**
     * @param Doc          $house
     * @param list<string> $t     what the fault touches
     */
    public function __construct(private readonly array $house, string $kind, array $t, float $ohms)
    {
        $pole = static fn (string $part, string $pole): string => match ($house['parts'][$part]['kind'] ?? '') {
            'residual-outlet' => "$part.".('E' === $pole ? 'E' : "load-$pole"),
            'split-outlet' => "$part.".('E' === $pole ? 'E' : "lower-$pole"),
            default => "$part.$pole",
        };
        switch ($kind) {
            case 'line-neutral-reversed':
                isset($t[2]) ? $this->swapped($t[1], $t[2]) : $this->exchanged($t[0], 'L', 'N');
                break;
            case 'neutral-earth-swapped':
                $this->exchanged($t[0], 'N', 'E');
                break;
            case 'line-earth-swapped':
                $this->exchanged($t[0], 'L', 'E');
                break;
            case 'bootleg-earth':
                $this->resistors[] = [$pole($t[0], 'N'), $pole($t[0], 'E'), 0.002];
                break;
            case 'reversed-bootleg':
                $this->exchanged($t[0], 'L', 'N');
                $this->resistors[] = [$pole($t[0], 'L'), $pole($t[0], 'E'), 0.002];
                break;
            case 'supply-polarity-reversed':
                $this->swapped($t[0], $t[1]);
                break;
            case 'head-crossed':
                $this->fed = ["$t[0]/line" => "$t[0].N", "$t[0]/neutral" => "$t[0].L"];
                break;
            case 'tab-not-removed':
                $this->resistors[] = ["$t[0].upper-L", "$t[0].lower-L", 0.001];
                break;
            case 'tab-neutral-removed':
                $this->without["$t[0]/tab-N"] = true;
                break;
            case 'line-load-swapped':
                foreach (['L', 'N'] as $p) {
                    $this->allMoved("$t[0].line-$p", "$t[0].load-$p");
                    $this->allMoved("$t[0].load-$p", "$t[0].line-$p");
                    if (false !== ($house['parts'][$t[0]]['lockout'] ?? true)) {
                        $this->without += ["$t[0]/$p" => true, "$t[0]/front-$p" => true];
                    }
                }
                break;
            case 'switch-in-neutral':
                $this->landed[$t[1]] = "$t[0].N";
                $this->fed = ["$t[0]/lamp-L" => "$t[0].L", "$t[0]/lamp-N" => "$t[0].SL"];
                break;
            case 'open-line': case 'open-neutral': case 'open-cpc': case 'strapper-open':
                $this->open[$t[1]] = true;
                break;
            case 'earthing-conductor-open':
                $this->open[$t[1]] = true;
                break;
            case 'bonding-missing':
                $this->without[$t[0]] = true;
                break;
            case 'no-cpc':
                foreach ($house['cables'] as $id => $cable) {
                    if (($cable['circuit'] ?? '') === $t[0]) {
                        $this->without["$id/E"] = true;
                    }
                }
                break;
            case 'accessory-contact':
                $this->more[$t[0]] = $ohms;
                break;
            case 'overloaded-outlet': case 'undersized-flex':
                $this->more = [$t[0] => $ohms, $t[1] => $ohms];
                break;
            case 'supply-neutral-open':
                $this->without["$t[0]/neutral"] = true;
                break;
            case 'lost-pen': case 'lost-supply-neutral':
                $service = str_replace('/neutral', '', $t[0]);
                $this->more["$service/neutral"] = $ohms;
                if (isset($t[1])) {
                    $this->sources[] = ["$service*star", "$service.N", (float) (is_numeric($house['parts'][$service]['volts'] ?? null) ? $house['parts'][$service]['volts'] : 230), 15.0];
                }
                break;
            case 'ring-open':
                $this->open = array_fill_keys($t, true);
                break;
            case 'ring-cross-joined':
                if (2 === \count($t)) {
                    $this->bridged($pole, $t, 0.05);
                } else {
                    foreach ([0, 2, 4] as $at) {
                        $this->swapped($t[$at], $t[$at + 1]);
                    }
                }
                break;
            case 'ring-bridged':
                $this->bridged($pole, $t, $ohms);
                break;
            case 'spur-on-spur':
                foreach (\array_slice($t, 1) as $joint) {
                    $this->landed[$joint] = $pole($t[0], explode('@', explode('/', $joint)[1])[0]);
                }
                break;
            case 'borrowed-neutral':
                $this->resistors[] = ["$t[0].N", $t[1], 0.002];
                if (isset($t[2])) {
                    // Its own neutral is capped at the fitting, and goes on to the points beyond from the one before.
                    $this->open[$t[2]] = true;
                    [$joint, $end] = explode('@', $t[2]);
                    foreach (\array_slice($t, 3) as $onward) {
                        $this->landed[$onward] = $this->terminal($joint.'@'.('1' === $end ? '2' : '1'));
                    }
                }
                break;
            case 'neutral-wrong-bar': case 'rcbo-neutral-on-bar':
                foreach (\array_slice($t, 1) as $joint) {
                    $this->landed[$joint] = $t[0];
                }
                break;
            case 'rcbo-neutrals-swapped': case 'device-mixed-groups':
                $this->allMoved($t[0], $t[1]);
                $this->allMoved($t[1], $t[0]);
                break;
            case 'multiwire-through-device':
                $this->landed = [$t[1] => "$t[0].Lout", $t[2] => "$t[0].Nout"];
                break;
            case 'multiwire-same-leg':
                $this->landed[$t[0]] = $t[1];
                break;
            case 'neutral-earth-fault': case 'line-earth-leak': case 'line-neutral-fault':
                [$a, $b] = ['neutral-earth-fault' => ['N', 'E'], 'line-earth-leak' => ['L', 'E'], 'line-neutral-fault' => ['L', 'N']][$kind];
                $this->resistors[] = [$pole($t[0], $a), $pole($t[0], $b), $ohms];
                break;
            case 'joined-neutrals': case 'second-ne-bond': case 'low-insulation': case 'buried-cable-damaged': case 'pinched-lead':
            case 'element-failed': case 'appliance-short': case 'appliance-leak': case 'overload': case 'surge-device-failed': case 'parallel-earth':
                $this->resistors[] = [$t[0], $t[1], $ohms];
                break;
            case 'backup-link-stuck':
                $this->resistors[] = [$t[0], $t[1], 0.005];
                break;
            case 'backup-link-missing':
                $this->without[$t[0]] = true;
                break;
            case 'element-damp':
                $this->resistors[] = ["$t[0].middle", "$t[0].E", $ohms];
                break;
            case 'element-broken-leaking':
                $this->without[$t[1]] = true;
                $this->resistors[] = ["$t[0].middle", "$t[0].E", $ohms];
                break;
            case 'standing-leakage':
                $this->capacitors[] = [$t[0], $t[1], 1.0 / (2.0 * \M_PI * 50.0 * $ohms)];
                break;
            case 'capacitive-glow':
                $this->capacitors[] = [$t[0], $t[1], 2e-9];
                break;
            case 'electrode-dry':
                $this->more[$t[0]] = $ohms;
                break;
            case 'network-current':
                $this->sources[] = ['@ground', "$t[0].E", 10.0, $ohms];
                break;
            case 'induced-current':
                $cable = $house['cables'][$t[1]];
                $length = $cable['lengthMetres'] ?? 0;
                $metres = \is_array($length) ? $length['value'] ?? 0 : $length;
                $this->driven[$t[0]] = 63e-6 * 20.0 * (is_numeric($metres) ? (float) $metres : 0.0);
                break;
            case 'high-resistance-joint': case 'loose-busbar': case 'loose-neutral-bar':
                $this->more[$t[1]] = $ohms;
                break;
        }
    }

    private function exchanged(string $part, string $one, string $other): void
    {
        $kind = $this->house['parts'][$part]['kind'] ?? '';
        $named = $this->house['parts'][$part]['outlets'] ?? [];
        $outlets = match ($kind) {
            'split-outlet' => ['top' => 'upper-', 'bottom' => 'lower-'],
            'residual-outlet' => ['front' => 'load-'],
            default => array_fill_keys(\is_array($named) && [] !== $named ? array_filter($named, is_string(...)) : ['front'], ''),
        };
        foreach ($outlets as $outlet => $behind) {
            $screw = static fn (string $pole): string => "$part.".('E' === $pole ? '' : $behind).$pole;
            $this->fed["$part/$outlet-$one"] = $screw($other);
            $this->fed["$part/$outlet-$other"] = $screw($one);
        }
    }

    private function swapped(string $one, string $other): void
    {
        $this->landed[$one] = $this->terminal($other);
        $this->landed[$other] = $this->terminal($one);
    }

    private function allMoved(string $from, string $to): void
    {
        foreach ($this->house['cables'] as $id => $cable) {
            \assert(\is_array($cable['cores']));
            foreach ($cable['cores'] as $key => $core) {
                \assert(\is_array($core) && \is_array($core['ends']));
                foreach ([1, 2] as $end) {
                    if ($core['ends'][$end - 1] === $from) {
                        $this->landed["$id/$key@$end"] = $to;
                    }
                }
            }
        }
    }

    /**
     * @param callable(string, string): string $pole
     * @param list<string>                     $parts
     */
    private function bridged(callable $pole, array $parts, float $ohms): void
    {
        foreach (['L', 'N', 'E'] as $p) {
            $this->resistors[] = [$pole($parts[0], $p), $pole($parts[1], $p), $ohms];
        }
    }

    private function terminal(string $joint): string
    {
        [$cable, $rest] = explode('/', $joint);
        [$key, $end] = explode('@', $rest);
        $cores = $this->house['cables'][$cable]['cores'];
        \assert(\is_array($cores) && \is_array($cores[$key]) && \is_array($cores[$key]['ends']));
        $terminal = $cores[$key]['ends'][(int) $end - 1];
        \assert(\is_string($terminal));

        return $terminal;
    }
}
