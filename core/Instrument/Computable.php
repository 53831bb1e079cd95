<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;

/**
 * Whether anything can be computed from a house: one alternating and one direct reading is worked out, at its first point. What
 * fails here would fail at every reading of a call.
 */
final class Computable
{
    /** @throws HouseError saying why not */
    public static function check(House $house): void
    {
        $terminal = array_key_first($house->terminals);
        if (null === $terminal) {
            return; // A house that is only begun has nothing to put a lead on.
        }
        foreach (['voltmeter-high-z', 'low-ohm'] as $tester) {
            $instrument = Instruments::get($tester);
            try {
                $shown = (new Bench($house, State::resting($house), $instrument, Connection::leads($terminal, HouseNetwork::GROUND)))->read();
            } catch (HouseError $e) {
                throw $e;
            } catch (\ArithmeticError|\LogicException|\RangeException) {
                throw new HouseError('', 'This house cannot be computed: some of its values or connections leave no circuit. Look through what was changed last.');
            }
            // Beyond the range of a tester is an answer, and no number is none.
            if (is_nan($shown->value)) {
                throw new HouseError('', 'This house cannot be computed: some of its values are too large or too small to be true.');
            }
        }
    }
}
