<?php

declare(strict_types=1);

namespace App\Tests\Fuzz;

use App\Tests\PayloadSamples;
use Symfony\Component\Uid\UuidV7;

/** Good requests to every endpoint that writes, about one house and its calls; what is made of them is {@see Mutation}'s affair. */
final class Requests
{
    private const SHEET = ['ruleSet' => 'A', 'room' => 'Hall', 'mainAmperes' => 100, 'evidence' => ['rod'], 'system' => '', 'groups' => [['name' => 'Device A', 'milliamps' => 30, 'type' => 'A']], 'ways' => [['device' => 'breaker', 'feeds' => 'ring-low', 'amperes' => 32, 'curve' => 'B', 'group' => 0, 'neutral' => 'unknown'], ['device' => 'breaker', 'feeds' => 'lights-low', 'amperes' => 6, 'curve' => 'B', 'group' => 0, 'neutral' => 'unknown']]];

    private readonly PayloadSamples $samples;

    /** @var array<string, string> schema of each kind of entry */
    private array $kinds = [];

    /** @var list<string> ids of entries, to refer to */
    public array $entries = [];

    public int $houseVersion = 1;

    /**
     * @param array<string, mixed> $document of the house
     * @param list<string>         $calls
     */
    public function __construct(string $openApi, int $seed, private readonly array $document, private readonly string $house, private readonly array $calls, private readonly string $person)
    {
        /** @var array{components: array{schemas: array<string, array{properties?: array{kind?: array{enum?: list<string>}}}>}} $api */
        $api = json_decode($openApi, true, 64, \JSON_THROW_ON_ERROR);
        foreach ($api['components']['schemas'] as $name => $schema) {
            $kind = $schema['properties']['kind']['enum'][0] ?? null;
            if (str_starts_with($name, 'New') && null !== $kind) {
                $this->kinds[$kind] = substr($name, 3);
            }
        }
        $names = static fn (mixed $of): array => \is_array($of) ? array_map(strval(...), array_keys($of)) : [];
        $parts = $names($document['parts'] ?? []);
        $this->samples = new PayloadSamples($openApi, $seed, [
            'place' => $names($document['places'] ?? []), 'device' => $parts, 'subject' => $parts, 'switched' => $parts, 'dead' => $names($document['circuits'] ?? []), 'live' => $names($document['circuits'] ?? []),
            'instrument' => ['two-pole-indicator', 'voltmeter-high-z', 'insulation-500', 'low-ohm', 'plug-in-tester', 'loop-2-wire', 'no-such'], 'value' => ['on', 'off', 'tripped'], 'raw' => ['230', '0.31', '> 999', '110', 'lit', '-5', '1e9', ''],
        ]);
    }

    /** @return array{string, string, array<string, mixed>} method, address, body */
    public function next(): array
    {
        $call = $this->calls[array_rand($this->calls)];
        $id = (new UuidV7())->toRfc4122();
        $at = gmdate('Y-m-d\TH:i:s\Z');

        return match (mt_rand(0, 31)) {
            0 => ['POST', '/api/calls', ['id' => $id, 'address' => '1 Fuzz Row', 'customer' => 'Mr Odd', 'complaint' => 'It is odd.', 'visit' => 'fault', 'openedAt' => $at, 'houseId' => $this->house]],
            1, 2 => ['POST', '/api/houses', ['id' => $id, 'address' => '1 Fuzz Row', 'document' => $this->document]],
            3, 4, 5 => ['POST', "/api/houses/$this->house/operations", ['id' => $id, 'baseVersion' => $this->houseVersion, 'operation' => $this->operation()]],
            6 => ['POST', '/api/surveys', ['address' => '1 Fuzz Row', 'sheet' => self::SHEET]],
            7 => ['POST', "/api/calls/$call/survey", ['id' => $id, 'sheet' => self::SHEET]],
            8 => ['POST', '/api/decisions', ['isDangerous' => false, 'affected' => 3, 'tested' => 12, 'minutesEach' => 10, 'minutesLeft' => 60, 'hasParts' => true, 'isRepairVisit' => true, 'materials' => 10, 'ratePerHour' => 60]],
            9 => ['POST', '/api/sums/fault-current', ['given' => ['volts' => '230', 'ohms' => '0.4']]],
            10 => ['POST', "/api/calls/$call/predictions", ['instrument' => 'two-pole-indicator', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []], 'forced' => []]],
            11 => ['POST', "/api/calls/$call/preparations", ['instrument' => 'low-ohm', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]]],
            12 => ['PUT', '/api/firm', ['proofMinutes' => 30]],
            13 => ['POST', '/api/people', ['id' => $id, 'email' => "fuzz$id@odd.example", 'name' => 'Mr Odd', 'role' => 'reader']],
            14 => ['PATCH', "/api/people/$this->person", ['role' => 'trainee', 'active' => false]],
            15 => ['POST', '/api/password-links', ['email' => 'nobody@odd.example']],
            16 => ['POST', '/api/password-links/use', ['token' => "$id.abc", 'password' => 'ten odd characters']],
            17 => ['POST', '/api/password-links/look', ['token' => "$id.abc"]],
            18 => ['POST', "/api/calls/$call/second-person", ['id' => $id, 'at' => $at, 'electrician' => $this->person, 'secret' => '']],
            19 => ['POST', "/api/calls/$call/glance", ['instrument' => 'low-ohm', 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []], 'forced' => [], 'raw' => '0.31']],
            20 => ['PUT', "/api/calls/$call/in-hand", ['test' => 'zs:ring-down', 'run' => '', 'since' => '', 'leftOut' => ['rl-hall'], 'forced' => []]],
            default => ['POST', "/api/calls/$call/observations", $this->entry($id, $at)],
        };
    }

    /** @return array<string, mixed> */
    private function entry(string $id, string $at): array
    {
        $kind = array_rand($this->kinds);
        // A call that is closed takes next to nothing: most of them stay open.
        $kind = 'closed' === $kind && 0 !== mt_rand(0, 50) ? 'measured' : $kind;
        $payload = $this->samples->object($this->kinds[$kind], 0.4);
        if (isset($payload['photo'])) {
            $payload['photo'] = 'data:image/png;base64,'.base64_encode(random_bytes(60));
        }
        if (isset($payload['observation']) && [] !== $this->entries) {
            $payload['observation'] = $this->entries[array_rand($this->entries)];
        }
        if ('measured' === $kind && 0 === mt_rand(0, 1)) {
            $payload = ['instrument' => 'two-pole-indicator', 'raw' => (string) mt_rand(0, 240), 'connection' => ['terminals' => ['rl-hall.front-L', 'rl-hall.front-E'], 'around' => []]];
        }

        return ['id' => $id, 'kind' => $kind, 'at' => $at, 'payload' => $payload, 'seen' => 0];
    }

    /** @return array<string, mixed> */
    private function operation(): array
    {
        $parts = (array) ($this->document['parts'] ?? []);
        $cables = (array) ($this->document['cables'] ?? []);
        $part = (string) array_rand($parts);
        $cable = (string) array_rand($cables);

        return match (mt_rand(0, 5)) {
            0 => ['op' => 'rename', 'collection' => 'parts', 'id' => $part, 'name' => 'Another name '.mt_rand(0, 99)],
            1 => ['op' => 'set-length', 'cable' => $cable, 'metres' => mt_rand(1, 40), 'knowing' => 'measured'],
            2 => ['op' => 'land', 'cable' => $cable, 'core' => ['L', 'N', 'E'][mt_rand(0, 2)], 'end' => mt_rand(1, 2), 'terminal' => null],
            3 => ['op' => 'remove', 'collection' => ['parts', 'cables', 'places'][mt_rand(0, 2)], 'id' => $part],
            4 => ['op' => 'set-supply', 'part' => 'supply', 'values' => ['lineOhms' => 0.2]],
            default => ['op' => 'put', 'collection' => 'parts', 'id' => (string) mt_rand(0, 20), 'value' => $parts[$part]],
        };
    }
}
