<?php

declare(strict_types=1);

namespace YellowProbe\Survey;

use YellowProbe\Installation\Attributes;

/** What a way of a board may feed, with the device, cable and points that are typical of it. */
final readonly class Feeds
{
    /** How its cable runs: out and back, out only, lights with their switches, one fixed load, one between two legs. */
    public const SHAPES = ['ring', 'radial', 'lights', 'fixed', 'two-pole'];

    public string $slug;

    /** One letter to type for it. */
    public string $key;
    public string $words;
    public string $claim;
    public string $shape;
    public float $amperes;
    public string $curve;

    /** @var array<string, float> attributes of its runs */
    public array $cable;

    /** @var list<string> names of its points in the order of the wiring */
    public array $points;

    /** @var array<string, float> of a fixed load */
    public array $load;

    /** Smoke or other alarms hang on it: not to go off unseen. */
    public bool $isAlarm;

    /** The first run is a long one. */
    public bool $isFar;

    public function __construct(Attributes $data)
    {
        $this->slug = $data->string('slug');
        $this->key = $data->string('key');
        $this->words = $data->string('words');
        $this->claim = $data->string('claim');
        $this->shape = $data->string('shape');
        $this->amperes = $data->positive('amperes');
        $this->curve = $data->string('curve', '');
        $this->cable = $data->object('cable')->positives();
        $this->points = $data->strings('points');
        $load = [];
        foreach (['watts', 'filterNanofarads'] as $key) {
            if ($data->has($key)) {
                $load[$key] = $data->positive($key);
            }
        }
        $this->load = $load;
        $this->isAlarm = $data->flag('alarm', false);
        $this->isFar = $data->flag('far', false);
    }
}
