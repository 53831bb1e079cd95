<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\StateChange;
use YellowProbe\Instrument\Connection;

/** The loop at the incoming terminals with the earthing conductor lifted: of the supply, or of the electrode in TT. */
final readonly class ExternalLoop extends EnteredTest
{
    /** @param list<string> $systems */
    private function __construct(string $slug, private array $systems)
    {
        parent::__construct($slug);
    }

    public static function ze(): self
    {
        return new self('ze', ['TN-C-S', 'TN-S', 'split']);
    }

    public static function electrode(): self
    {
        return new self('electrode-loop', ['TT']);
    }

    public function plans(House $house): array
    {
        $plans = [];
        foreach ($house->partsOfKind('service') as $service) {
            if (!\in_array($service->attributes->string('system'), $this->systems, true)) {
                continue;
            }
            $line = $service->terminal('split' === $service->attributes->string('system') ? 'L1' : 'L');
            foreach (EarthWires::to($house, 'service', 'electrode') as [$core, $joint, $terminal]) {
                $plans[] = $this->plan($core->cable, "Loop from the incoming line to {$house->partOf($terminal)->name}, earthing conductor lifted at the bar", States::boardOff($house, new StateChange('lift', $joint)), 'loop-2-wire', Connection::leads($line, $joint));
            }
        }

        return $plans;
    }
}
