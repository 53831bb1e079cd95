<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;
use YellowProbe\Fault\Condition;

/**
 * A reading as it was typed, with the test that was on the screen: its tester and setting, where its leads are, and the
 * entry of the journal after which it was set up. Parts that do not belong together are refused.
 */
#[OA\Schema(required: ['instrument', 'raw'], additionalProperties: false)]
final readonly class Measured implements Payload
{
    /**
     * @param string       $instrument slug of the tester and its setting
     * @param string|null  $near       where, in words, while the house does not hold that point
     * @param list<string> $forced     what was done meanwhile to bring out what comes and goes
     * @param string|null  $test       the test of the catalogue that was set up; null for one that somebody made up
     * @param string|null  $setUpAt    the last entry that its device knew when its last preparation was confirmed
     */
    public function __construct(
        #[OA\Property(minLength: 1, maxLength: 60)]
        public string $instrument,
        #[OA\Property(minLength: 1, maxLength: 40)]
        public string $raw,
        #[OA\Property]
        public ?Leads $connection = null,
        #[OA\Property(minLength: 1, maxLength: 200)]
        public ?string $near = null,
        #[OA\Property(type: 'array', maxItems: 8, items: new OA\Items(type: 'string', enum: Condition::class))]
        public array $forced = [],
        #[OA\Property(minLength: 1, maxLength: 300)]
        public ?string $test = null,
        #[OA\Property(format: 'uuid')]
        public ?string $setUpAt = null,
    ) {
    }

    public static function kind(): string
    {
        return 'measured';
    }

    public static function read(Fields $fields): self
    {
        $connection = $fields->optionalObject('connection');
        $own = new self(
            $fields->text('instrument', 60),
            $fields->text('raw', 40),
            null === $connection ? null : Leads::read($connection),
            $fields->optionalText('near', 200),
            self::forced($fields),
            $fields->optionalText('test', 300),
            $fields->optionalId('setUpAt'),
        );
        if (null === $own->connection && null === $own->near) {
            throw $fields->error('near', 'Say where it was read: on terminals of the house, or in words when the house does not hold that point yet.');
        }
        if (null !== $own->test && null === $own->connection) {
            throw $fields->error('test', 'A test of the catalogue has its leads on the house; say where they are.');
        }

        return $own;
    }

    /** @return list<Condition> what was done meanwhile */
    public function conditions(): array
    {
        return array_map(Condition::from(...), $this->forced);
    }

    /** @return list<string> */
    private static function forced(Fields $fields): array
    {
        $forced = $fields->texts('forced', 20);
        foreach ($forced as $at => $slug) {
            if (null === Condition::tryFrom($slug)) {
                throw $fields->error("forced/$at", 'Expected one of '.implode(', ', array_column(Condition::cases(), 'value')).'.');
            }
        }

        return $forced;
    }
}
