<?php

declare(strict_types=1);

namespace App\Demo;

use YellowProbe\Installation\HouseDraft;

/** Three invented houses. */
final class DemoHouses
{
    private const LIGHTING = ['mm2' => 1.5, 'cpcMm2' => 1.0];
    private const COOKER = ['mm2' => 6.0, 'cpcMm2' => 2.5];
    private const SUB = ['mm2' => 4.0, 'cpcMm2' => 1.5];

    /** A terraced house with two floors behind two residual devices; its board was changed in the autumn. */
    public static function wicketLane(): HouseDraft
    {
        return (new HouseDraft('4 Wicket Lane', ['system' => 'TN-C-S', 'lineOhms' => 0.08, 'neutralOhms' => 0.08, 'outsideVolts' => 1.5, 'bondingOhms' => 9.0], 8, 'Hall cupboard'))
            ->residualDevice('rcd-a', 'Device A')
            ->way('oven', 'Oven', 'dedicated', 32)
            ->way('ring-low', 'Ring, ground floor', 'ring', 32)
            ->way('lights-low', 'Lights, ground floor', 'lighting', 6)
            ->way('boiler', 'Boiler', 'dedicated', 16)
            ->residualDevice('rcd-b', 'Device B')
            ->way('ring-up', 'Ring, upper floor', 'ring', 32)
            ->way('lights-up', 'Lights, upper floor', 'lighting', 6)
            ->way('loft', 'Loft room sockets', 'radial', 16)
            ->fixed('oven', 'oven-unit', 'Oven', 'Kitchen', 9.0, ['watts' => 2800, 'filterNanofarads' => 3, 'leakMegohms' => 0.8], self::COOKER, 'off')
            ->fixed('boiler', 'boiler-unit', 'Boiler', 'Utility', 7.0, ['watts' => 130, 'filterNanofarads' => 8], ['mm2' => 2.5, 'cpcMm2' => 1.5])
            ->sockets('ring-low', [['rl-sink', 'Sink', 'Kitchen', 8.0], ['rl-fridge', 'Fridge', 'Kitchen', 4.0], ['rl-hob', 'Worktop', 'Kitchen', 3.0], ['rl-dining', 'Dining', 'Dining room', 6.0], ['rl-bay', 'Bay window', 'Lounge', 7.0], ['rl-hearth', 'Hearth', 'Lounge', 4.0], ['rl-hall', 'Hall', 'Hall', 6.0]], 5.0)
            ->spur('ring-low', 'rl-bay', 'rl-porch', 'Porch', 'Porch', 5.0)
            ->lights('lights-low', [['ll-hall', 'Hall light', 'Hall', 5.0, 4.0], ['ll-lounge', 'Lounge light', 'Lounge', 6.0, 5.0], ['ll-kitchen', 'Kitchen light', 'Kitchen', 6.0, 4.0], ['ll-utility', 'Utility light', 'Utility', 4.0, 3.0]], 40.0, 'filament', self::LIGHTING)
            ->twoWayLight('lights-low', 'll-hall', 'stair', 'Stair light', 'Landing', 6.0, ['stair-low', 'Stair switch, foot', 'Hall'], ['stair-top', 'Stair switch, head', 'Landing'], 60.0, self::LIGHTING)
            ->sockets('ring-up', [['ru-landing', 'Landing', 'Landing', 8.0], ['ru-front-l', 'Front room left', 'Front room', 6.0], ['ru-front-r', 'Front room right', 'Front room', 4.0], ['ru-back', 'Back room', 'Back room', 7.0], ['ru-box', 'Box room', 'Box room', 5.0]], 9.0)
            ->lights('lights-up', [['lu-landing', 'Landing light', 'Landing', 8.0, 4.0], ['lu-front', 'Front room light', 'Front room', 6.0, 4.0], ['lu-back', 'Back room light', 'Back room', 6.0, 4.0], ['lu-bath', 'Bathroom light', 'Bathroom', 4.0, 3.0]], 40.0, 'filament', self::LIGHTING)
            ->sockets('loft', [['lo-desk', 'Loft desk', 'Loft room', 12.0], ['lo-gable', 'Loft gable', 'Loft room', 5.0]])
            ->appliance('fridge', 'Fridge', 'rl-fridge.front', ['watts' => 90, 'filterNanofarads' => 4])
            ->appliance('washer', 'Washing machine', 'rl-sink.front', ['watts' => 2000, 'filterNanofarads' => 11], 'off')
            ->appliance('desktop', 'Desktop computer', 'lo-desk.front', ['watts' => 160, 'filterNanofarads' => 11]);
    }

    /** A cottage on its own earth rod with a workshop across the yard. */
    public static function saltersHill(): HouseDraft
    {
        return (new HouseDraft('Salter’s Hill Cottage', ['system' => 'TT', 'lineOhms' => 0.16, 'neutralOhms' => 0.16, 'outsideVolts' => 2.5, 'electrodeOhms' => 62.0, 'starElectrodeOhms' => 8.0], 8, 'Scullery'))
            ->direct()
            ->rcboWay('ring', 'Ring, whole house', 'ring', 32)
            ->rcboWay('lights', 'Lights', 'lighting', 6)
            ->rcboWay('heater', 'Immersion heater', 'dedicated', 16)
            ->rcboWay('workshop', 'Workshop', 'outbuilding', 20)
            ->sockets('ring', [['r-sink', 'Scullery', 'Scullery', 6.0], ['r-range', 'Range', 'Kitchen', 5.0], ['r-table', 'Kitchen table', 'Kitchen', 4.0], ['r-parlour', 'Parlour', 'Parlour', 8.0], ['r-stairs', 'Under stairs', 'Hall', 5.0], ['r-bed', 'Bedroom', 'Bedroom', 9.0]], 11.0)
            ->lights('lights', [['l-scullery', 'Scullery light', 'Scullery', 4.0, 3.0], ['l-kitchen', 'Kitchen light', 'Kitchen', 5.0, 4.0], ['l-parlour', 'Parlour light', 'Parlour', 6.0, 4.0], ['l-bed', 'Bedroom light', 'Bedroom', 7.0, 4.0]], 40.0, 'filament', self::LIGHTING)
            ->fixed('heater', 'immersion', 'Immersion heater', 'Bedroom', 13.0, ['watts' => 2700, 'leakMegohms' => 3], ['mm2' => 2.5, 'cpcMm2' => 1.5], 'off')
            ->sockets('workshop', [['w-door', 'Workshop door', 'Workshop', 24.0], ['w-bench', 'Workbench', 'Workshop', 4.0], ['w-lathe', 'Lathe', 'Workshop', 6.0]], null, self::SUB)
            ->appliance('freezer', 'Chest freezer', 'r-stairs.front', ['watts' => 110, 'filterNanofarads' => 4])
            ->appliance('charger', 'Battery charger', 'w-lathe.front', ['watts' => 60, 'filterNanofarads' => 5]);
    }

    /** A flat with separate earth in the supply, looked at before it is sold. */
    public static function sallowCourt(): HouseDraft
    {
        return (new HouseDraft('19 Sallow Court', ['system' => 'TN-S', 'lineOhms' => 0.12, 'neutralOhms' => 0.12, 'protectiveOhms' => 0.32, 'outsideVolts' => 2.0, 'bondingOhms' => 15.0], 6, 'Lobby'))
            ->residualDevice('rcd', 'Main residual device')
            ->way('ring', 'Ring', 'ring', 32)
            ->way('lights', 'Lights', 'lighting', 6)
            ->way('cooker', 'Cooker', 'dedicated', 32)
            ->sockets('ring', [['k-left', 'Kitchen left', 'Kitchen', 7.0], ['k-right', 'Kitchen right', 'Kitchen', 4.0], ['lr-window', 'Living room window', 'Living room', 6.0], ['lr-corner', 'Living room corner', 'Living room', 5.0], ['br-bed', 'Bedroom', 'Bedroom', 7.0], ['lobby', 'Lobby', 'Lobby', 6.0]], 4.0)
            ->lights('lights', [['lobby-light', 'Lobby light', 'Lobby', 3.0, 3.0], ['kitchen-light', 'Kitchen light', 'Kitchen', 5.0, 4.0], ['living-light', 'Living room light', 'Living room', 6.0, 4.0], ['bedroom-light', 'Bedroom light', 'Bedroom', 5.0, 4.0]], 9.0, 'led', self::LIGHTING)
            ->fixed('cooker', 'cooker-unit', 'Cooker', 'Kitchen', 8.0, ['watts' => 2400, 'leakMegohms' => 1.2], self::COOKER, 'off');
    }
}
