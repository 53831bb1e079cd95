<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

/**
 * The texts of the test catalogue: for each test what it is called, the state it needs, what is expected, what alarms,
 * what it cannot show, what can hurt, its minutes (the state and covers aside) and what makes it slower.
 */
final class Entries
{
    private const BEHIND_A_COVER = ' Behind a cover: isolate and prove it dead to open it and to put the leads on, then switch on; dead again before they come off.';

    /** @var array<string, array{string, string, string, string, string, string, float, string}> */
    private const ALL = [
        'prove-dead' => ['Prove dead', 'Isolated and locked; the three pairs read live at this point just before', 'No voltage on any pair, nor to earth and neutral on every other conductor in the box; the indicator proved before and after', 'Any step lit', 'Later switching; other places', 'Treat everything as live until the last step is done.', 2.0, 'Every conductor in a crowded box'],
        'bonding-continuity' => ['Continuity of a bonding conductor', 'Board dead, one end lifted', 'ρ·L and 0.05 Ω for its joints', 'More', 'A strand that burns under fault current', 'Never lift a bonding or earthing conductor with amps in it: clamp it first. Main locked off.', 5.0, 'A long lead through the house'],
        'r1-r2' => ['R1+R2', 'Dead; line and cpc linked at the board, loads off', 'ρ·L ± 5 % and 0.02 Ω', 'More than 1.2 times, or none', 'Which of the two conductors; the neutral.', 'Dead only, proved at the point. Take the link off again: it joins line and earth.', 1.5, 'Furniture before an accessory'],
        'r2-long-lead' => ['R2 by long lead', 'Dead', 'ρ2·L', 'Higher; lower means a parallel path', 'A strand that burns under fault current', 'Dead only, proved at the point.', 2.0, 'The lead has to reach the board'],
        'ring-ends' => ['Ends of a ring', 'Dead; both legs out of their terminals', 'r1 = rn ± 0.05 Ω; r2 = r1 times the ratio of the sizes', 'Open, or unequal', 'Spurs; a bridge only as "short"; a link to another ring', 'Dead only, proved at the point.', 3.0, 'Legs that cannot be told apart'],
        'ring-cross-ln' => ['Ring cross-joined, line to neutral', 'Dead; line of each leg joined to neutral of the other', '(r1+rn)/4 at every outlet, a spur higher', 'About twice, or open', 'A reversed outlet', 'Dead only, proved at the point. Two links are in the ledger until they are off.', 1.5, 'Every outlet of the ring'],
        'ring-cross-le' => ['Ring cross-joined, line to cpc', 'Dead; line of each leg joined to cpc of the other', '[(1−x)r1 + x·r2]·[x·r1 + (1−x)r2]/(r1+r2); the highest is R1+R2 of the circuit', 'About twice, or open; none at a reversed outlet', 'The neutral', 'Dead only, proved at the point. Two links are in the ledger until they are off.', 1.5, 'Every outlet of the ring'],
        'ring-order' => ['Order of a ring', 'Dead; line and cpc of one leg joined, the ends of the other free', 'x·(r1+r2), rising along the ring', 'None beyond a break', 'The neutral', 'Dead only, proved at the point.', 1.5, 'Every outlet of the ring'],
        'insulation' => ['Insulation of a circuit', 'Dead, nobody at the ends; loads, electronics and surge parts out; neutral off the bar; switches closed', 'More than 2 MΩ', 'Below the limit', 'Capacitive leakage, a borrowed neutral, anything beyond an open switch or a break.', 'Dead only. Nobody at the far end. Let the tester discharge the circuit before you touch it.', 1.3, 'Loads that cannot be unplugged'],
        'insulation-joined' => ['Insulation, line and neutral joined to earth', 'Dead, as insulation; loads may stay', 'More than 2 MΩ', 'Below the limit', 'Line to neutral', 'Dead only. Nobody at the far end. Let the tester discharge the circuit before you touch it.', 2.0, 'Surge parts and filters to earth'],
        'insulation-halves' => ['Insulation by halves', 'Dead; the circuit parted at a point, a ring at its last leg too', 'Over range on one side', 'The low half', 'A second fault', 'Dead only. Nobody at the far end. Let the tester discharge the circuit before you touch it.', 4.0, 'Opening and closing the point'],
        'neutral-to-neutral' => ['Neutral to neutral', 'Board dead; all neutrals lifted, breakers and loads off', 'More than 1 MΩ', 'Fractions of an ohm: joined; tens: a load', 'A borrowed neutral: it reads over range here.', 'Clamp before you part a neutral; amps forbid it and 0 A does not free it. Whole board dead, locked, proved.', 1.5, 'Joins made by a switch: both positions'],
        'line-to-other-neutral' => ['Line to another circuit’s neutral', 'Board dead; neutrals lifted, the suspect load in and on', 'Over range', 'The resistance of the load: borrowed', 'Electronic loads; lines joined by breakers left on.', 'Clamp before you part a neutral; amps forbid it and 0 A does not free it. Whole board dead, locked, proved.', 1.5, 'Each pair of circuits'],
        'neutral-to-earth' => ['Neutral to earth', 'Board dead; all neutrals lifted', 'More than 1 MΩ at 250 V', 'Contact', 'Which point of the circuit', 'Clamp before you part a neutral; amps forbid it and 0 A does not free it. Whole board dead, locked, proved.', 1.5, 'Loads left in'],
        'polarity-dead' => ['Polarity, dead', 'Dead; line and cpc linked at the board', 'Only at the line contact, and opens with the switch', 'A reading with the switch open', 'A neutral exchanged with a cpc', 'Dead only, proved at the point.', 1.0, 'Lamps to be taken out'],
        'electrode-3-spike' => ['Electrode by three spikes', 'Board dead, the electrode disconnected', 'Three readings within 5 %', 'More than 50 V over the residual rating; above 200 Ω it may be unstable', 'The dry season', 'Never remove the earthing conductor without the main off and locked, nor with amps in it. Ledger.', 30.0, 'Hard ground; no room for the spikes'],
        'capacitance-ends' => ['Capacitance from both ends', 'Dead, all else disconnected', 'In proportion to the length up to the break', 'Ends that add up to less than the cable', 'Resistive faults', 'Dead only, proved at the point.', 4.0, 'Everything joined to the cable'],
        'loop-ratio' => ['Place of a leak by a loop', 'Dead; the faulty and a sound core joined at the far end, 0.2 A DC through both', 'x = 2L·a, a the share of the voltage up to the fault', '–', 'A leak above a tenth of the voltmeter’s resistance', 'Dead only, proved at the point.', 10.0, 'A battery supply for the loop'],
        'plug-in-check' => ['Plug-in check', 'On', '110', 'Any other pattern', 'Screening only: neutral and earth exchanged, an earth of tens of kΩ, or a neutral linked to earth look right.', '', 0.5, 'Outlets behind furniture'],
        'supply-polarity' => ['Supply polarity and volts', 'Main off', 'L–N and L–E the nominal voltage, N–E below 2 V, main earthing terminal to true earth below 10 V', 'Other', 'Without the last: a lost or crossed PEN', 'Live terminals of the supply: Live: fused leads, finger guards, one hand where you can.', 2.0, 'A cover that overhangs'],
        'met-true-earth' => ['Main earthing terminal to true earth', 'Main on under load, then off; a spike some metres from any buried metal', 'Below 10 V', 'Above 25 V investigate; above 50 V danger present', 'A spike too near buried metal', 'On suspicion of a lost PEN touch no metalwork, part no earthing conductor, call the distributor.', 5.0, 'Paved ground'],
        'ze' => ['External loop', 'Main locked off, other sources off, earthing conductor clamped, then lifted', '0.35 Ω TN-C-S, 0.80 Ω TN-S', 'More', 'Bonding', 'Once lifted nothing in the house is earthed: main stays locked, ledger entry; never with more than 100 mA in it.', 5.0, 'Refit, torque, continuity check'],
        'electrode-loop' => ['Electrode by the loop', 'TT, as the external loop', 'The electrode and the source’s, 0.5–20 Ω more: on the safe side', 'More than 50 V over the residual rating', 'The electrode alone', 'Once lifted nothing in the house is earthed: main stays locked, ledger entry.', 5.0, 'Refit, torque, continuity check'],
        'electrode-clamps' => ['Electrode by two clamps', 'A meshed earth', 'The loop of the mesh', 'Over range: no mesh', 'A single rod', '', 3.0, 'Room for two jaws'],
        'ipf' => ['Prospective fault current', 'Main off, all earths connected', 'Below the breaking capacity of every device', 'More', 'Future changes of the network', 'Live terminals of the supply: Live: fused leads, finger guards, one hand where you can.', 3.0, 'A tester without a fine mode near the transformer'],
        'polarity-live' => ['Live polarity', 'On', 'L–N and L–E the nominal voltage, N–E below 2 V', 'Other', 'Neutral and earth exchanged, or an earth taken from the neutral. 0 V between L and N does not prove dead.', 'Live: fused leads, finger guards, one hand where you can. Where a circuit leaves the board its cover is off: keep clear of the other ways.'.self::BEHIND_A_COVER, 0.7, 'Outlets behind furniture'],
        'zs' => ['Earth fault loop and its comparison with the neutral', 'On, all earths connected', 'Z_e + R1+R2', 'More than 80 % of the limit', 'A strand that would burn under fault current; a joint that recovers under the test.', 'Live, and metalwork can rise while the test current flows: tell people, nobody touching appliances. The high-current test trips residual devices.'.self::BEHIND_A_COVER, 2.0, 'Devices to reset'],
        'zs-calculated' => ['Earth fault loop, calculated', 'External loop and R1+R2 done', 'Their sum', 'More than 80 % of the limit', 'Parallel paths, the device', '', 0.0, ''],
        'loop-compare' => ['Loop without tripping', 'On', 'Like the high-current loop, 0.01–0.5 Ω more', 'Only the neutral high, only the cpc high, or both: the line', 'A joint that recovers under test', 'Live: fused leads, finger guards, one hand where you can. It trips 5 and 10 mA devices.'.self::BEHIND_A_COVER, 2.0, 'Three repeats'],
        'rcd-times' => ['Residual device, times', 'Loads unplugged, people told', '½ × holds for 2 s; 1 × within 300 ms; 5 × within 40 ms', 'None, or slower', 'At the board: the path to the point', 'It opens the device: medical equipment, freezer, alarm, computers first. Metalwork can rise.', 5.0, 'Clocks to reset'],
        'rcd-ramp' => ['Residual device, ramp', 'Loads unplugged, people told', '50–100 % of its rating', 'Low: leakage or the device', 'Capacitive leakage', 'It opens the device: medical equipment, freezer, alarm, computers first.', 2.0, 'Clocks to reset'],
        'rcd-isolated' => ['Residual device by itself', 'Outgoing line and neutral parted dead, then on', 'Ramp 50–100 % of its rating', 'The device', 'The installation', 'Neutrals are parted and refitted only with the whole board dead, locked, proved.', 6.0, 'Lifting and refitting'],
        'rcd-test-button' => ['Test button', 'After the instrument tests', 'It opens', 'It does not', 'Threshold, time, the path to earth', 'It can free a sticky mechanism: only after the instrument tests. Ask before the power goes.', 1.0, 'Clocks to reset'],
        'residual-clamp' => ['Residual current', 'Loads as stated', 'The sum of the standing leaks as phasors', 'More than 30 % of the rating', 'Where on the circuit; direct current. Never believe milliamps next to amps.', 'Live, cover off: keep the jaw and your fingers clear of live parts; nothing is parted.', 0.7, 'Tight boards'],
        'residual-pair' => ['Residual current with one light on', 'The suspect load off, then on', 'Unchanged', 'Equal and opposite steps: its whole current is borrowed, a share of any load is joined', 'Anything at a device that holds both circuits: their sum is 0.', 'Live, cover off: keep the jaw and your fingers clear of live parts. The device may trip as the light is switched.', 1.0, 'Somebody at the switch'],
        'cpc-current' => ['Current in a cpc', 'Loads as stated', 'Milliamps', 'Amps', 'Its return path', 'Live, cover off: keep the jaw and your fingers clear of live parts. Never part a cpc with amps in it.', 0.7, 'Tight boards'],
        'neutral-of-off-circuit' => ['Neutral of a circuit that is off', 'That device off, neighbours loaded with 5 A or more', 'Below 50 mA', 'Amps', 'Borrowers that are off just now', 'Live, cover off. The neutral is parted only with the whole board dead.', 1.5, 'A load for the neighbours'],
        'earthing-current' => ['Current in the earthing conductor', 'Main on, then off', 'See the table of two clamps and two states', 'Amps that follow the load or the evening', 'Whose current it is, with one state only', 'Amps with the main off, or rising with your load: part nothing, call the distributor.', 2.0, 'A conductor behind the board'],
        'ne-under-load' => ['Neutral to earth under load', '2 kW or more on at the point', 'Below 2 V in TN-C-S, 5 V TN-S, 10 V TT', 'Above 10 V', 'Which conductor', 'Live: fused leads, finger guards, one hand where you can.'.self::BEHIND_A_COVER, 2.0, 'A heater to carry'],
        'volt-drop' => ['Voltage drop', 'A known load of 2 kW or more', '(r_L + r_N)·L·I ± 15 %', 'More', 'Which joint', 'Live: fused leads, finger guards, one hand where you can.'.self::BEHIND_A_COVER, 2.0, 'A heater to carry'],
        'joint-drop' => ['Voltage across a joint', 'A known load of 2 kW or more', 'Millivolts', 'Above 0.5 V at 10 A', 'Intermittents', 'Live, accessory open: fused leads, finger guards, one hand where you can.', 4.0, 'Opening and closing the point'],
        'holds-unplugged' => ['Closed with everything unplugged', 'What is plugged in behind the device pulled out; a reason to think that it was not closed on a short just now', 'Holds', 'Trips: the wiring; trips only with all in: what is plugged in, or the sum of it', 'What comes and goes; a device that holds clears nothing.', 'Closing on a short: cover on, face aside, once only. Whatever was running can start again.', 1.5, 'Every appliance'],
        'plug-by-plug' => ['Leakage plug by plug', 'A residual clamp on the device', 'The appliance’s own leak less', 'A step', 'Fixed wiring', 'Live, cover off: keep the jaw and your fingers clear of live parts.', 2.0, 'Every appliance'],
        'leakage-log' => ['Leakage over time', 'A clamp logger on a group', 'Steady', 'Peaks', 'What happens between samples', 'Live, cover off: keep the jaw and your fingers clear of live parts.', 20.0, 'A return visit'],
        'heat-look' => ['Heat under load', 'A quarter of an hour under load', 'Alike', 'One hotter', 'Joints without load', '', 15.0, 'Waiting for the heat'],
        'trace-circuit' => ['Trace a circuit', 'Dead, the tracer’s signal on one conductor', 'Signal at its own breaker only', 'Signal at another', 'Coupling to neighbours', 'Dead for a direct connection; bare ends capped.', 5.0, 'Unlabelled boards'],
        'surge-window' => ['Surge device window', 'On', 'Works', 'End of life', 'A part that failed short', '', 0.5, ''],
        'smoke-alarm' => ['Smoke alarms', 'On', 'Each sounds and the linked ones too; within its date', 'Silent or too old', 'Smoke itself', 'Tell people before the noise.', 2.0, 'High ceilings'],
        'function-check' => ['Function', 'On', 'Every switch, device and interlock works', 'One does not', 'What works by chance', '', 0.3, 'Lights on several switches'],
        'device-swap' => ['Swap the device', 'Last resort, dead', 'The fault goes with the device', 'It stays', 'Intermittents', 'Whole board dead, locked, proved.', 15.0, 'A part on the van'],
    ];

    /** @return list<string> slugs in the order of the catalogue: dead tests, then live ones */
    public static function slugs(): array
    {
        return array_keys(self::ALL);
    }

    /** @return array{string, string, string, string, string, string, float, string} */
    public static function of(string $slug): array
    {
        return self::ALL[$slug];
    }
}
