<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;
use YellowProbe\Instrument\Instruments;
use YellowProbe\Instrument\ReadingError;
use YellowProbe\Instrument\ReadingParser;
use YellowProbe\Instrument\ShownKind;
use YellowProbe\Instrument\TwoPoleIndicator;

/** One pair of the dead test, or of the live reference before it: no voltage, voltage found, or the figure. */
#[OA\Schema(required: ['pair'], additionalProperties: false)]
final readonly class PairTried
{
    /**
     * @param string      $pair as the server names it: two terminals, or "others"
     * @param bool        $voltage whether any was found; left out, the figure says it
     * @param string|null $raw  what the indicator showed, as typed
     */
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 400)]
        public string $pair,
        #[OA\Property]
        public bool $voltage,
        #[OA\Property(minLength: 1, maxLength: 40)]
        public ?string $raw = null,
    ) {
    }

    public static function read(Fields $fields): self
    {
        $raw = $fields->optionalText('raw', 40);
        if (null === $raw && !$fields->has('voltage')) {
            throw $fields->error('voltage', 'Say whether a voltage was found on this pair, or what the indicator showed.');
        }
        $own = new self($fields->text('pair', 400), $fields->has('voltage') ? $fields->flag('voltage') : self::isVoltage($raw ?? ''), $raw);
        $fields->done();

        return $own;
    }

    /** Whether a figure lights a step of an indicator; what is no figure does not, and is refused where it is judged. */
    public static function isVoltage(string $raw): bool
    {
        try {
            $reading = ReadingParser::parse($raw, Instruments::get('voltmeter-high-z'));
        } catch (ReadingError) {
            return false;
        }

        return ShownKind::Over === $reading->kind || $reading->value >= TwoPoleIndicator::LOWEST_STEP_VOLTS;
    }
}
