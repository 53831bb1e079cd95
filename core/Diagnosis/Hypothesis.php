<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Fault\Change;
use YellowProbe\Fault\Fault;
use YellowProbe\Fault\FaultKind;
use YellowProbe\Fault\FaultSite;
use YellowProbe\Installation\House;

/** One cause that may fit: a kind of fault at a site, its severities summed inside; or the house as surveyed. */
final readonly class Hypothesis
{
    /** Nothing wrong now. */
    public const SOUND = 'sound';

    /** A cause that is not in the catalogue or not in the survey. */
    public const ELSE = 'something-else';

    private function __construct(public string $id, public ?FaultKind $kind, public ?FaultSite $site, public float $prior)
    {
    }

    public static function sound(float $prior): self
    {
        return new self(self::SOUND, null, null, $prior);
    }

    public static function somethingElse(float $prior): self
    {
        return new self(self::ELSE, null, null, $prior);
    }

    public static function fault(FaultKind $kind, FaultSite $site, float $prior): self
    {
        return new self($kind->slug().'|'.$site->id, $kind, $site, $prior);
    }

    public function words(): string
    {
        return match ($this->id) {
            self::SOUND => 'Nothing wrong now',
            self::ELSE => 'Something not in the list',
            default => $this->kind?->words().' '.$this->site?->words,
        };
    }

    /** @return list<Change|null> one for each severity; null changes nothing */
    public function changes(House $house): array
    {
        if (null === $this->kind || null === $this->site) {
            return [null];
        }
        $changes = [];
        foreach ($this->kind->severities() as $ohms) {
            $changes[] = (new Fault($this->kind, $this->site, $ohms))->change($house);
        }

        return $changes;
    }
}
