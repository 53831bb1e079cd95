<?php

declare(strict_types=1);

namespace App\Words;

use Symfony\Contracts\Translation\TranslatorInterface;
use YellowProbe\Words\Message;

/** Says what the core tells, from the catalogue of the language, in the vocabulary of a rule set. */
final readonly class Say
{
    /** The rule set whose words are used while a call has no house. */
    public const USUAL_RULES = 'A';

    public function __construct(private TranslatorInterface $translator)
    {
    }

    /**
     * As a sentence or a heading of its own.
     *
     * @throws \OutOfBoundsException for a key without a sentence: a page never shows a key
     */
    public function of(Message $message, string $rules = self::USUAL_RULES): string
    {
        $said = $this->inside($message, $rules);

        return mb_strtoupper(mb_substr($said, 0, 1)).mb_substr($said, 1);
    }

    /**
     * To stand inside a sentence.
     *
     * @throws \OutOfBoundsException
     */
    public function inside(Message $message, string $rules = self::USUAL_RULES): string
    {
        $with = ['rules' => $rules];
        foreach ($message->with as $name => $value) {
            $with[$name] = match (true) {
                $value instanceof Message => $this->inside($value, $rules),
                \is_array($value) => $this->listed($value, 'poles' === $name ? '–' : ('ends' === $name ? ' to ' : (\in_array($name, ['roles', 'each'], true) ? null : ', ')), $rules),
                default => $value,
            };
        }
        $said = $this->translator->trans($message->key, $with);
        if ($said === $message->key) {
            throw new \OutOfBoundsException(\sprintf('The catalogue has no sentence for "%s".', $message->key));
        }

        return trim(preg_replace('/\s+/', ' ', $said) ?? $said);
    }

    /**
     * @param list<Message> $messages
     *
     * @return list<string>
     */
    public function each(array $messages, string $rules = self::USUAL_RULES): array
    {
        return array_map(fn (Message $message): string => $this->of($message, $rules), $messages);
    }

    /**
     * @param list<Message> $messages
     * @param string|null   $between null for a list that ends with "and"
     */
    private function listed(array $messages, ?string $between, string $rules): string
    {
        $said = array_map(fn (Message $message): string => $this->inside($message, $rules), $messages);
        if (null !== $between) {
            return implode($between, $said);
        }
        $last = array_pop($said);

        return [] === $said ? (string) $last : $this->translator->trans('list.and', ['most' => implode(', ', $said), 'last' => (string) $last]);
    }
}
