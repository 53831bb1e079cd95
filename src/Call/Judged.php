<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\JudgementView;
use YellowProbe\Diagnosis\Fit;
use YellowProbe\Installation\Attributes;
use YellowProbe\Rules\Verdict;

/**
 * What the server made of a reading as it stands: of the figure that it was last corrected to, at the point where it was last
 * placed. It is frozen with the entry that brought the figure or the place; what was made of an earlier figure says nothing of a
 * later one.
 */
final readonly class Judged
{
    /**
     * @param string|null         $where      the test in words, as it was called then
     * @param string|null         $expected   what the house should show
     * @param string|null         $range      where it should lie
     * @param Fit|null            $fit        null where nothing was expected
     * @param list<JudgementView> $judgements against the limits
     * @param list<string>        $cautions
     * @param bool                $proves     whether it repeats, after a repair, a test that failed before it, and passes
     * @param bool                $failed     off what the house should show, or beyond a limit; a figure that nobody judged fails
     *                                        where the one before it failed
     */
    private function __construct(public ?string $where, public ?string $expected, public ?string $range, public ?Fit $fit, public array $judgements, public array $cautions, public bool $proves, public bool $failed)
    {
    }

    /** @param array<string, mixed> ...$verdicts of the entries that brought its figures and places, in the order they were stored */
    public static function of(array ...$verdicts): self
    {
        $failed = false;
        foreach ($verdicts as $verdict) {
            $own = self::read(new Attributes($verdict, ''), $failed);
            $failed = $own->failed;
        }

        return $own ?? throw new \LogicException('A reading has an entry.');
    }

    private static function read(Attributes $verdict, bool $failedBefore): self
    {
        $judgements = array_map(static fn (Attributes $judgement): JudgementView => new JudgementView($judgement->string('limit'), $judgement->string('verdict'), $judgement->string('sentence'), $judgement->string('working'), $judgement->string('source')), array_values($verdict->map('judgements')));
        $fit = $verdict->has('fit') ? Fit::from($verdict->string('fit')) : null;
        $isBad = [] !== array_filter($judgements, static fn (JudgementView $judgement): bool => Verdict::Bad->value === $judgement->verdict);

        return new self(
            $verdict->has('where') ? $verdict->string('where') : null,
            $verdict->has('expected') ? $verdict->string('expected') : null,
            $verdict->has('range') ? $verdict->string('range') : null,
            $fit,
            $judgements,
            $verdict->strings('cautions'),
            $verdict->flag('proves', false),
            null === $fit ? $failedBefore : $isBad || Fit::Off === $fit,
        );
    }
}
