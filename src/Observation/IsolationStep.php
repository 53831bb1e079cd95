<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;
use YellowProbe\Procedure\Isolation;
use YellowProbe\Safety\IsolationScope;

/**
 * One step of safe isolation as it was done, or left out with its reason. Which other fields a step holds is its own affair:
 * {@see FIELDS}; any other is refused.
 */
#[OA\Schema(required: ['step'], additionalProperties: false)]
final readonly class IsolationStep implements Payload
{
    /** Nothing comes before it. */
    public const DANGER_NOW = 'danger-now';
    /** The lock comes off: who took it off, and what it was on. */
    public const RELEASE = 'release';
    /** Whoever isolates goes away from it. */
    public const LEFT = 'left';

    public const LEVELS = [IsolationScope::CIRCUIT, IsolationScope::BOARD];
    public const SOURCES = ['proving-unit', 'known-live'];

    /** What each step may hold beside "step", "skipped" and "text". */
    private const FIELDS = [
        self::DANGER_NOW => ['switched'],
        'warn' => ['people'],
        'sources' => [],
        'reference' => ['place', 'tried'],
        'loads' => ['off'],
        'off' => ['place', 'level', 'switched'],
        'lock' => ['locks', 'key'],
        'tester-before' => ['on'],
        'dead' => ['place', 'tried', 'pairs', 'opened'],
        'tester-after' => ['on'],
        self::RELEASE => ['locks'],
        self::LEFT => [],
    ];

    /**
     * @param string          $step     of {@see steps()}
     * @param string|null     $skipped  why it was left out
     * @param list<string>    $people   who was warned
     * @param string|null     $level    circuit or board, at the step that switches off
     * @param list<string>    $switched devices in fact opened, by id, in order
     * @param list<string>    $off      loads in fact turned off, by id
     * @param list<Lock>      $locks    locks put on, or taken off
     * @param string|null     $key      who keeps the key, of entries before locks were recorded one by one
     * @param string|null     $on       what the indicator was proved on
     * @param list<PairTried> $tried    in the order they were tried
     * @param list<string>    $pairs    of entries before each pair had an outcome of its own
     */
    public function __construct(
        #[OA\Property(enum: [self::DANGER_NOW, 'warn', 'sources', 'reference', 'loads', 'off', 'lock', 'tester-before', 'dead', 'tester-after', self::RELEASE, self::LEFT])]
        public string $step,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public ?string $skipped = null,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public ?string $text = null,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 200))]
        public array $people = [],
        #[OA\Property(minLength: 1, maxLength: 100)]
        public ?string $place = null,
        #[OA\Property(enum: self::LEVELS)]
        public ?string $level = null,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 100))]
        public array $switched = [],
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 100))]
        public array $off = [],
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(ref: Lock::class))]
        public array $locks = [],
        #[OA\Property(minLength: 1, maxLength: 80)]
        public ?string $key = null,
        #[OA\Property(enum: self::SOURCES)]
        public ?string $on = null,
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(ref: PairTried::class))]
        public array $tried = [],
        #[OA\Property(type: 'array', maxItems: 400, items: new OA\Items(type: 'string', maxLength: 200))]
        public array $pairs = [],
        #[OA\Property]
        public bool $opened = false,
    ) {
    }

    public static function kind(): string
    {
        return 'isolation';
    }

    /** @return list<string> */
    public static function steps(): array
    {
        return array_map(strval(...), array_keys(self::FIELDS));
    }

    public static function read(Fields $fields): self
    {
        $step = $fields->oneOf('step', self::steps());
        foreach (['people', 'place', 'level', 'switched', 'off', 'locks', 'key', 'on', 'tried', 'pairs', 'opened'] as $field) {
            if ($fields->has($field) && !\in_array($field, self::FIELDS[$step], true)) {
                throw $fields->error($field, \sprintf('The step "%s" does not hold this.', $step));
            }
        }
        $own = new self(
            $step,
            $fields->optionalText('skipped', 500),
            $fields->optionalText('text', 500),
            $fields->texts('people'),
            $fields->optionalText('place', 100),
            $fields->optionalOneOf('level', self::LEVELS),
            $fields->texts('switched', 100),
            $fields->texts('off', 100),
            array_map(Lock::read(...), $fields->objects('locks')),
            $fields->optionalText('key', 80),
            $fields->optionalOneOf('on', self::SOURCES),
            array_map(PairTried::read(...), $fields->objects('tried')),
            $fields->texts('pairs'),
            $fields->flag('opened'),
        );
        if (null !== $own->skipped && ([] !== $own->switched || [] !== $own->off || [] !== $own->locks || [] !== $own->tried)) {
            throw $fields->error('skipped', 'A step was either done or left out, not both.');
        }

        return $own;
    }

    /** Whether it is one of the steps that are taken in order, and which. */
    public function inOrder(): ?Isolation
    {
        return Isolation::tryFrom($this->step);
    }

    public function isTaken(): bool
    {
        return null === $this->skipped;
    }

    public function hasFoundVoltage(): bool
    {
        return [] !== array_filter($this->tried, static fn (PairTried $tried): bool => $tried->voltage);
    }
}
