<?php

declare(strict_types=1);

namespace YellowProbe\Diagnosis;

use YellowProbe\Instrument\Instrument;
use YellowProbe\Instrument\PatternInstrument;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ReadingFormat;
use YellowProbe\Instrument\ShownKind;

/** What a tester is expected to show under one cause, with its spread, and whether a reading fits that. */
final readonly class Expectation
{
    private Display $display;
    private float $sigma;

    public function __construct(private Row $row, public Instrument $instrument)
    {
        $this->display = new Display($instrument);
        $this->sigma = $row->deviation();
    }

    public function text(): string
    {
        return ReadingFormat::shown($this->row->shown, $this->instrument);
    }

    /** The range that 95 readings of 100 would lie in; empty where there is no number. */
    public function range(): string
    {
        $span = $this->span();
        if (null === $span) {
            return '';
        }
        [$low, $high] = array_map(fn (float $place): float => $this->display->unit * sinh($place), $span);

        return $high > $this->instrument->scale()->top()
            ? ReadingFormat::value($low, $this->instrument).' to over range'
            : ReadingFormat::value($low, $this->instrument).' to '.ReadingFormat::value($high, $this->instrument);
    }

    /** @return array{float, float}|null the same range as places on the display; null where there is no number */
    public function span(): ?array
    {
        return ShownKind::Value === $this->row->shown->kind ? [$this->row->place(-2.0 * $this->sigma), $this->row->place(2.0 * $this->sigma)] : null;
    }

    /** @return float|null place of a reading on the display; null where it is no number */
    public function place(Reading $reading): ?float
    {
        return ShownKind::Value === $reading->kind ? $this->display->z($reading->value) : null;
    }

    /** Whether another cause's row could not be told from this one by one reading. */
    public function hides(Row $other): bool
    {
        if ($this->instrument instanceof PatternInstrument) {
            return $this->instrument->pattern($this->row->shown) === $this->instrument->pattern($other->shown);
        }
        if (ShownKind::Nothing === $this->row->shown->kind || ShownKind::Nothing === $other->shown->kind) {
            return $this->row->shown->kind === $other->shown->kind;
        }
        $over = ShownKind::Over === $this->row->shown->kind;

        return $over || ShownKind::Over === $other->shown->kind ? $over && ShownKind::Over === $other->shown->kind : abs($this->row->off($other->z)) <= 2.0 * $this->sigma;
    }

    public function fit(Reading $reading): Fit
    {
        if ($this->instrument instanceof PatternInstrument) {
            return $this->instrument->probability($this->row->shown, $reading->pattern) > 0.2 ? Fit::Fits : Fit::Off;
        }
        if (ShownKind::Nothing === $reading->kind || ShownKind::Nothing === $this->row->shown->kind) {
            return $reading->kind === $this->row->shown->kind ? Fit::Fits : Fit::Off;
        }
        [$low, $high] = $this->display->cell($reading);
        $distance = max($this->row->off($low), -$this->row->off($high), 0.0) / $this->sigma;

        return match (true) {
            $distance <= 2.0 => Fit::Fits,
            $distance <= 3.0 => Fit::Unsure,
            default => Fit::Off,
        };
    }
}
