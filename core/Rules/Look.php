<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;

/** A defect that a guided look asks for, with the class it usually has and the finding that the ranking knows it as. */
final readonly class Look
{
    public string $slug;
    public string $area;
    public string $words;

    /** D, P, I or F: a suggestion, the person decides. */
    public string $class;

    /** Empty where it makes no cause of a complaint likelier. */
    public string $finding;

    /** @var list<string> rule sets that ask for it; all where empty */
    public array $ruleSets;

    public function __construct(Attributes $data)
    {
        $this->slug = $data->string('slug');
        $this->area = $data->string('area');
        $this->words = $data->string('words');
        $this->class = $data->string('class');
        $this->finding = $data->string('finding', '');
        $this->ruleSets = $data->strings('ruleSets');
    }
}
