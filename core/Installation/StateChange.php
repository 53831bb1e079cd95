<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

/** One thing done to the state of a house: a switch set, a load turned or pulled out, a conductor lifted, a link fitted. */
final readonly class StateChange
{
    private const VALUES = ['set' => ['on', 'off', '1', '2'], 'load' => ['on', 'off', 'out', State::HEATER]];

    /**
     * @param string $operation set | load | lift | refit | link | unlink
     * @param string $subject   part, load, joint, or the first terminal of a link
     * @param string $value     the position, or the second terminal of a link
     */
    public function __construct(public string $operation, public string $subject, public string $value = '')
    {
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @throws HouseError when it names something the house does not hold
     */
    public static function read(array $raw, House $house, string $path = ''): self
    {
        $attributes = new Attributes($raw, $path);
        $change = new self($attributes->string('operation'), $attributes->string('subject'), $attributes->string('value', ''));
        $known = match ($change->operation) {
            'set' => isset($house->parts[$change->subject]),
            'load' => isset($house->parts[$change->subject]) || $house->hasTerminal("$change->subject-L"),
            'lift', 'refit' => null !== $house->joint($change->subject),
            'link', 'unlink' => self::isEnd($house, $change->subject) && self::isEnd($house, $change->value),
            default => throw new HouseError("$path/operation", 'Expected one of set, load, lift, refit, link, unlink.'),
        };
        if (!$known) {
            throw new HouseError("$path/subject", \sprintf('This house has nothing called "%s" to %s.', $change->subject, $change->operation));
        }
        $allowed = self::VALUES[$change->operation] ?? null;
        if (null !== $allowed && !\in_array($change->value, $allowed, true)) {
            throw new HouseError("$path/value", \sprintf('Expected one of %s.', implode(', ', $allowed)));
        }

        return $change;
    }

    /** The change that takes this one back, to the state it was made from. */
    public function undoneTo(State $before): self
    {
        return match ($this->operation) {
            'set' => new self('set', $this->subject, $before->position($this->subject, 'on')),
            'load' => new self('load', $this->subject, $before->load($this->subject)),
            'lift' => new self('refit', $this->subject),
            'refit' => new self('lift', $this->subject),
            'link' => new self('unlink', $this->subject, $this->value),
            default => new self('link', $this->subject, $this->value),
        };
    }

    /** @return array{operation: string, subject: string, value: string} */
    public function toArray(): array
    {
        return ['operation' => $this->operation, 'subject' => $this->subject, 'value' => $this->value];
    }

    /** In the second person, for a list of things to do. */
    public function words(House $house): string
    {
        return match ($this->operation) {
            'set' => $this->setWords($house),
            'load' => match ($this->value) {
                'out' => $this->isLight($house) ? \sprintf('Take the lamp out of %s', $this->partName($house)) : \sprintf('Unplug or disconnect %s', $this->partName($house)),
                'off' => \sprintf('Turn %s off', $this->partName($house)),
                State::HEATER => \sprintf('Plug a heater of 2 kW into %s', $this->partName($house)),
                default => str_contains($this->subject, '.') ? \sprintf('Take the heater out of %s', $this->partName($house)) : ($this->isLight($house) ? \sprintf('Have a lamp in %s', $this->partName($house)) : \sprintf('Turn %s on', $this->partName($house))),
            },
            'lift' => \sprintf('Lift %s', $this->jointName($house)),
            'refit' => \sprintf('Refit %s', $this->jointName($house)),
            'link' => \sprintf('Link %s to %s', Labels::end($house, $this->subject), Labels::end($house, $this->value)),
            default => \sprintf('Take the link off %s and %s', Labels::end($house, $this->subject), Labels::end($house, $this->value)),
        };
    }

    /** A terminal, or an end of a core that is out of its terminal. */
    private static function isEnd(House $house, string $id): bool
    {
        return $house->hasTerminal($id) || null !== $house->joint($id);
    }

    private function setWords(House $house): string
    {
        return \in_array($this->value, ['1', '2'], true)
            ? \sprintf('Put %s to position %s', $this->partName($house), $this->value)
            : \sprintf('Switch %s %s', $this->partName($house), $this->value);
    }

    private function isLight(House $house): bool
    {
        return 'light' === ($house->parts[$this->subject]->kind ?? '');
    }

    private function partName(House $house): string
    {
        return $house->parts[explode('.', $this->subject)[0]]->name ?? $this->subject;
    }

    private function jointName(House $house): string
    {
        return Labels::joint($house, $this->subject);
    }
}
