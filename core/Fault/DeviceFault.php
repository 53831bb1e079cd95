<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Part;

/** A residual device that does not behave as its kind: the circuit is sound. */
final readonly class DeviceFault extends NamedFault
{
    /** @param list<string> $kinds of parts it can be in */
    private function __construct(string $slug, string $words, string $class, private DeviceBehaviour $behaviour, private array $kinds = ['residual-device', 'rcbo', 'residual-outlet'])
    {
        parent::__construct($slug, $words, $class);
    }

    /** @return list<self> */
    public static function all(): array
    {
        return [
            new self('rcd-stuck', 'Residual device stuck', 'P', new DeviceBehaviour(threshold: \INF, button: false)),
            new self('rcd-too-sensitive', 'Residual device too sensitive', 'I', new DeviceBehaviour(threshold: 0.45)),
            new self('rcd-slow', 'Residual device slow', 'P', new DeviceBehaviour(time: 18.0)),
            new self('rcd-button-dead', 'Test button dead', 'I', new DeviceBehaviour(button: false)),
        ];
    }

    public function nature(): FaultNature
    {
        return FaultNature::Device;
    }

    public function sites(House $house): array
    {
        return array_map(static fn (Part $device): FaultSite => new FaultSite($device->id, [$device->id], [$device->place], "at $device->name"), $house->partsOfKind(...$this->kinds));
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return Change::device($site->things[0], $this->behaviour);
    }
}
