<?php

declare(strict_types=1);

namespace App\Observation;

use OpenApi\Attributes as OA;
use YellowProbe\Installation\StateChange;

/** What was done to the house: switches, loads, conductors, links, in the order it was done. */
#[OA\Schema(required: ['changes'], additionalProperties: false)]
final readonly class Done implements Payload
{
    /**
     * @param list<Act>   $changes
     * @param string|null $notClamped why a neutral or an earth was parted without a clamp
     * @param string|null $explained  why it was energised with conductors lifted or links fitted
     */
    public function __construct(
        #[OA\Property(type: 'array', minItems: 1, maxItems: 400, items: new OA\Items(ref: Act::class))]
        public array $changes,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public ?string $notClamped = null,
        #[OA\Property(minLength: 1, maxLength: 500)]
        public ?string $explained = null,
        #[OA\Property]
        public ?Watched $watched = null,
    ) {
    }

    public static function kind(): string
    {
        return 'done';
    }

    public static function read(Fields $fields): self
    {
        $changes = array_map(Act::read(...), $fields->objects('changes'));
        if ([] === $changes) {
            throw $fields->error('changes', 'Name at least one thing that was done.');
        }
        $watched = $fields->optionalObject('watched');

        return new self($changes, $fields->optionalText('notClamped', 500), $fields->optionalText('explained', 500), null === $watched ? null : Watched::read($watched));
    }

    /** @return list<StateChange> */
    public function stateChanges(): array
    {
        $changes = array_map(static fn (Act $act): StateChange => $act->change(), $this->changes);
        // What opened again by itself stands open.
        foreach (true === $this->watched?->trips ? $this->changes : [] as $act) {
            if ('set' === $act->operation && 'on' === $act->value) {
                $changes[] = new StateChange('set', $act->subject, 'off');
            }
        }

        return $changes;
    }
}
