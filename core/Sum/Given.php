<?php

declare(strict_types=1);

namespace YellowProbe\Sum;

/** What was typed for a sum, read by what it wants; what is left out is the usual. */
final readonly class Given
{
    /** One comma before three digits can be a decimal comma or thousands. */
    private const AMBIGUOUS = '/^[0-9]{1,3},[0-9]{3}$/';

    /** @param array<string, string> $typed by key */
    private function __construct(private array $typed, private Sum $sum)
    {
    }

    /**
     * @param array<string, string> $typed
     *
     * @throws SumError for a key that the sum does not want
     */
    public static function of(Sum $sum, array $typed): self
    {
        $known = array_map(static fn (Input $input): string => $input->key, $sum->inputs());
        foreach (array_keys($typed) as $key) {
            if (!\in_array($key, $known, true)) {
                throw new SumError($key, \sprintf('This sum wants %s.', implode(', ', $known)));
            }
        }

        return new self($typed, $sum);
    }

    /** @throws SumError */
    public function number(string $key): float
    {
        return $this->parsed($this->input($key), $this->text($key));
    }

    /**
     * @return non-empty-list<float>
     *
     * @throws SumError
     */
    public function numbers(string $key): array
    {
        $numbers = [];
        foreach (preg_split('/[\\s;]+/', trim($this->text($key)), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $one) {
            $numbers[] = $this->parsed($this->input($key), $one);
        }

        return [] === $numbers ? throw new SumError($key, 'Give at least one number, with spaces between.') : $numbers;
    }

    /** @throws SumError */
    public function choice(string $key): string
    {
        $choices = $this->input($key)->choices;
        $choice = $this->text($key);

        return isset($choices[$choice]) ? $choice : throw new SumError($key, \sprintf('Expected one of %s.', implode(', ', array_keys($choices))));
    }

    /** @throws SumError */
    public function date(string $key): \DateTimeImmutable
    {
        $date = \DateTimeImmutable::createFromFormat('!Y-m-d', $this->text($key));

        return false !== $date && $date->format('Y-m-d') === $this->text($key) ? $date : throw new SumError($key, 'Write the date as 2026-11-26.');
    }

    private function parsed(Input $input, string $text): float
    {
        $text = trim($text);
        if (1 === preg_match(self::AMBIGUOUS, $text)) {
            throw new SumError($input->key, \sprintf('"%s" can be read in two ways: write %s or %s.', $text, str_replace(',', '.', $text), str_replace(',', '', $text)));
        }
        $number = filter_var(str_replace(',', '.', $text), \FILTER_VALIDATE_FLOAT);
        if (false === $number) {
            throw new SumError($input->key, \sprintf('"%s" is no number.', $text));
        }
        if ($number < $input->least || $number > $input->most) {
            throw new SumError($input->key, \sprintf('%s has to be from %s to %s %s.', $input->words, $input->least, $input->most, $input->unit));
        }

        return $number;
    }

    private function text(string $key): string
    {
        return $this->typed[$key] ?? $this->input($key)->usual;
    }

    private function input(string $key): Input
    {
        foreach ($this->sum->inputs() as $input) {
            if ($input->key === $key) {
                return $input;
            }
        }

        throw new \LogicException("{$this->sum->slug()} has no input $key.");
    }
}
