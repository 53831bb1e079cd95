<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

/** What was told and seen, as far as it is picked from a list: symptoms, what happened just before, findings. Order means nothing. */
final readonly class Story
{
    /** What stands for a symptom where nobody complains. */
    public const INSPECTION = 'none';

    /** @var list<string> */
    public array $symptoms;

    /** @var list<string> */
    public array $contexts;

    /** @var list<array{string, string}> finding, place or nothing */
    public array $findings;

    /** @var list<string> devices that opened by themselves, by their parts */
    public array $tripped;

    /** @var list<string> places where it shows, by their ids */
    public array $where;

    /** @var list<string> appliances that ran each time, by their parts */
    public array $running;

    /**
     * @param list<string>                $symptoms
     * @param list<string>                $contexts
     * @param list<array{string, string}> $findings what was seen or smelt, and at which place; an empty place is anywhere
     * @param list<string>                $tripped
     * @param list<string>                $where
     * @param list<string>                $running
     */
    public function __construct(array $symptoms = [], array $contexts = [], array $findings = [], array $tripped = [], array $where = [], array $running = [])
    {
        $running = array_values(array_unique($running));
        sort($running);
        $this->running = $running;
        $where = array_values(array_unique($where));
        sort($where);
        $this->where = $where;
        $tripped = array_values(array_unique($tripped));
        sort($tripped);
        $this->tripped = $tripped;
        $findings = array_values(array_unique($findings, \SORT_REGULAR));
        sort($findings);
        $this->findings = $findings;
        $symptoms = array_unique($symptoms);
        $contexts = array_unique($contexts);
        sort($symptoms);
        sort($contexts);
        $this->symptoms = $symptoms;
        $this->contexts = $contexts;
    }

    /** Nobody complains of anything: the house is gone over, and there is nothing to be tried again after a repair. */
    public function isInspection(): bool
    {
        return [self::INSPECTION] === $this->symptoms;
    }
}
