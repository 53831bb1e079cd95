<?php

declare(strict_types=1);

namespace App\Tests\Load;

/** Houses of eight circuits for people at work: no two have a cable of the same length, so nothing that is kept is of use to two. */
final readonly class Houses
{
    /** @param array<string, mixed> $model a house whose board has a residual device B with room for one way more */
    private function __construct(private array $model)
    {
    }

    /** @param string $file of a house of seven circuits, which gets the eighth here */
    public static function from(string $file): self
    {
        /** @var array{places: array<string, mixed>, parts: array<string, mixed>, cables: array<string, mixed>, circuits: array<string, mixed>} $model */
        $model = json_decode((string) file_get_contents($file), true, 64, \JSON_THROW_ON_ERROR);
        $cable = static fn (float $metres, string $from, string $neutral, string $earth, string $to): array => ['kind' => 'flat', 'circuit' => 'shed', 'lengthMetres' => $metres, 'mm2' => 2.5, 'cpcMm2' => 1.5, 'cores' => ['L' => ['ends' => [$from, "$to.L"]], 'N' => ['ends' => [$neutral, "$to.N"]], 'E' => ['ends' => [$earth, "$to.E"]]]];
        $model['places'] += ['p-shed-bench' => ['kind' => 'point', 'name' => 'Shed bench', 'room' => 'Shed'], 'p-shed-door' => ['kind' => 'point', 'name' => 'Shed door', 'room' => 'Shed']];
        $model['parts'] += [
            'way8' => ['place' => 'board', 'kind' => 'breaker', 'name' => 'Way 8', 'ratedAmperes' => 16, 'curve' => 'B', 'position' => 8],
            'shed-bench' => ['place' => 'p-shed-bench', 'name' => 'Shed bench', 'kind' => 'socket', 'position' => 0],
            'shed-door' => ['place' => 'p-shed-door', 'name' => 'Shed door', 'kind' => 'socket', 'position' => 1],
        ];
        $model['cables'] += [
            'way8-feed' => ['kind' => 'board-wire', 'ohms' => 0.0003, 'cores' => ['L' => ['ends' => ['rcd-b.Lout', 'way8.in']]]],
            'shed-r1' => $cable(14.0, 'way8.out', 'rcd-b-nbar.t8', 'met.t9', 'shed-bench'),
            'shed-r2' => $cable(4.0, 'shed-bench.L', 'shed-bench.N', 'shed-bench.E', 'shed-door'),
        ];
        $model['circuits'] += ['shed' => ['name' => 'Shed', 'way' => 'way8', 'claim' => 'radial', 'position' => 8]];

        return new self($model);
    }

    /** @return array<string, mixed> the document of a house that no other seed has */
    public function of(int $seed): array
    {
        mt_srand($seed);
        $document = $this->model;
        \assert(\is_array($document['cables']));
        foreach ($document['cables'] as &$cable) {
            if (\is_array($cable) && isset($cable['lengthMetres'])) {
                $metres = \is_array($cable['lengthMetres']) ? $cable['lengthMetres']['value'] : $cable['lengthMetres'];
                \assert(is_numeric($metres));
                $cable['lengthMetres'] = round($metres * (0.8 + mt_rand() / mt_getrandmax() * 0.5), 2);
            }
        }

        return $document;
    }
}
