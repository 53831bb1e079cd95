import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Detail, Schemas } from '../api/client';
import { useContradictions, useInstruments, useMap, useNextTests, useObserve, usePrediction, useRanking, type Connection } from '../api/hooks';
import { AcceptCause } from '../right/AcceptCause';
import { Ledger } from '../safe/Ledger';
import { Button, clock, Refused, Waiting } from '../ui/parts';
import { Contradictions } from './Contradictions';
import { Findings } from './Findings';
import { LineMap, type Selection } from './LineMap';
import { Meter } from './Meter';
import { Kit, useNotToHand, without } from './Kit';
import { useWays } from './practice';
import { NextTest } from './NextTest';
import { PointPanel } from './PointPanel';
import { Readings } from './Readings';
import { StatePanel } from './StatePanel';
import { Suspects } from './Suspects';
import { useSetUp } from './setup';

type Pane = 'map' | 'causes' | 'readings';

export function Trace({ detail }: { detail: Detail }) {
    const callId = detail.call.id;
    const hasHouse = detail.call.houseId !== null;
    const map = useMap(callId, hasHouse);
    const ranking = useRanking(callId, hasHouse);
    const instruments = useInstruments();
    const [missing, toggleTester] = useNotToHand();
    const [ways, setWay] = useWays();
    const next = useNextTests(callId, { without: without(instruments.data ?? [], missing), ...ways }, hasHouse && instruments.data !== undefined);
    // The slowest comes last: it must not hold up what the page is waiting for.
    const odd = useContradictions(callId, hasHouse && !ranking.isFetching && !next.isFetching);
    const observe = useObserve(callId);
    const [setUp, change] = useSetUp(callId);
    const [selected, setSelected] = useState<Selection | null>(null);
    const [pane, setPane] = useState<Pane>('map');
    const [stateOpen, setStateOpen] = useState(false);
    const [accepting, setAccepting] = useState<Schemas['SuspectView'] | null>(null);
    const [looked, setLooked] = useState<string[] | null>(null);

    const instrument = instruments.data?.find((each) => each.slug === setUp.instrument) ?? instruments.data?.[0];
    const leads = useMemo(() => instrument?.leads ?? [], [instrument]);
    const names = useMemo(() => terminalNames(map.data), [map.data]);
    const connection: Connection | null = useMemo(() => {
        if (!instrument) {
            return null;
        }
        if (leads.length === 0) {
            return setUp.around.length === 0 ? null : { terminals: [], around: setUp.around };
        }
        const terminals = setUp.terminals.slice(0, leads.length).filter((terminal) => names.has(terminal));
        if (instrument.acts) {
            return terminals.length === leads.length && setUp.around.length > 0 ? { terminals, around: setUp.around } : null;
        }
        return terminals.length === leads.length ? { terminals, around: [] } : null;
    }, [instrument, leads, setUp, names]);
    const stateKey = JSON.stringify(detail.state) + String(detail.houseVersion) + String(detail.readings.length);
    const prediction = usePrediction(callId, instrument?.slug ?? '', instrument ? connection : null, stateKey);
    const loop = useMemo(() => new Set(prediction.data?.loop ?? []), [prediction.data]);
    const proved = useMemo(() => new Map(detail.proofs.filter((proof) => proof.complete && !proof.lapsed).map((proof) => [stopPlace(map.data, proof.place), clock(proof.at)])), [detail.proofs, map.data]);

    if (!hasHouse || !map.data || !instrument) {
        return (
            <main>
                <div className="mx-auto max-w-3xl space-y-3 p-4">
                    <Refused error={map.error ?? instruments.error} />
                    {hasHouse && map.isPending && <Waiting what="Drawing the house" />}
                    {!hasHouse && (
                        <p>
                            This call has no house yet. Readings can be taken all the same: say in words where, and place them later. <Link className="inline-flex min-h-11 items-center underline underline-offset-4" to={`/calls/${callId}/survey`}>Survey the board, a few minutes</Link>
                        </p>
                    )}
                </div>
                {instrument && !hasHouse && (
                    <Meter callId={callId} instruments={instruments.data ?? []} instrument={instrument} onInstrument={(slug) => change({ instrument: slug })} connection={null} words={[]} stateKey={stateKey} last={detail.readings.at(-1)} />
                )}
                <div className="mx-auto max-w-3xl p-4">
                    <Readings callId={callId} readings={detail.readings} here={null} />
                </div>
            </main>
        );
    }

    const put = (terminal: string) => {
        const terminals = [...setUp.terminals];
        // A new point begins with the first lead again once all are placed.
        const free = leads.findIndex((_, at) => terminals[at] === undefined || terminals[at] === '');
        if (free === -1) {
            change({ terminals: [terminal] });
        } else {
            terminals[free] = terminal;
            change({ terminals });
        }
    };
    const setUpTest = (test: Schemas['NextTestView']) => {
        const then = () => {
            change({ instrument: test.instrument, terminals: test.terminals, around: test.around });
            setPane('map');
        };
        if (test.changes.length === 0) {
            then();
        } else {
            observe.mutate({ kind: 'done', payload: { changes: test.changes.map(({ operation, subject, value }) => ({ operation, subject, value })) } }, { onSuccess: then });
        }
    };
    const places = looked ?? ranking.data?.suspects.find((suspect) => suspect.class !== '')?.places ?? [];
    // A cause that could be nearly anywhere marks nothing: marks everywhere say no more than none.
    const suspectedPlaces = new Set(places.length <= 8 ? places : []);
    const device = instrument.acts && setUp.around.length > 0 ? [clampWords(map.data, setUp.around)] : [];
    const words = leads.length === 0 ? (setUp.around.length === 0 ? [] : [clampWords(map.data, setUp.around)]) : leads.flatMap((lead, at) => (setUp.terminals[at] ? [`${lead} on ${names.get(setUp.terminals[at]) ?? setUp.terminals[at]}`] : [])).concat(device);
    const probes = leads.length === 0 ? [] : leads.flatMap((lead, at) => (setUp.terminals[at] ? [{ lead, terminal: setUp.terminals[at] }] : []));
    const shown = (which: Pane) => (pane === which ? '' : 'max-lg:hidden');

    return (
        <main className="lg:grid lg:h-[calc(100dvh-6.6rem)] lg:grid-cols-[minmax(0,1fr)_23rem] lg:grid-rows-[minmax(0,1fr)]">
            <div role="tablist" aria-label="What to look at" className="grid grid-cols-3 border-b border-line lg:hidden">
                {(['map', 'causes', 'readings'] as const).map((each) => (
                    <button key={each} type="button" role="tab" aria-selected={pane === each} className={`min-h-11 ${pane === each ? 'border-b-4 border-ink font-bold' : ''}`} onClick={() => setPane(each)}>
                        {each === 'map' ? 'Map' : each === 'causes' ? 'Causes' : 'Readings'}
                    </button>
                ))}
            </div>
            <div className={`min-w-0 lg:flex lg:min-h-0 lg:flex-col ${shown('map')}`}>
                <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-1 text-sm">
                    <span className="font-bold">Main switch {map.data.mainOn ? 'on' : 'off'}</span>
                    <span className="text-soft">{map.data.supply}</span>
                    <span className="text-soft max-xl:hidden">━ expected live &nbsp;╍ may be live &nbsp;─ expected dead, not proved &nbsp;~ length assumed</span>
                    <span className="grow" />
                    <Button look="quiet" onClick={() => setStateOpen(true)}>
                        Switch, lift
                    </Button>
                </div>
                <div className="overflow-auto max-lg:max-h-[34dvh] lg:min-h-0 lg:flex-1" tabIndex={0} aria-label="Line map, scrollable" role="region">
                    <LineMap map={map.data} probes={probes} loop={loop} suspected={suspectedPlaces} proved={proved} selected={selected} onSelect={setSelected} />
                </div>
                <PointPanel map={map.data} selection={selected} instrument={instrument} probes={probes} onPut={put} onClamp={(around) => change({ around })} onLift={() => change({ terminals: [], around: [] })} callId={callId} />
                <Meter callId={callId} instruments={instruments.data ?? []} instrument={instrument} onInstrument={(slug) => change({ instrument: slug })} connection={connection} words={words} stateKey={stateKey} last={detail.readings.at(-1)} />
            </div>
            <div className="space-y-5 border-ink p-4 lg:overflow-y-auto lg:border-l">
                <div className={`space-y-5 ${shown('causes')}`}>
                    <Refused error={observe.error ?? ranking.error ?? next.error} />
                    <Contradictions odd={odd.data ?? []} />
                    {next.data ? <NextTest next={next.data} callId={callId} mainOn={map.data.mainOn} busy={observe.isPending} onSetUp={setUpTest} /> : <Waiting what="Weighing every test of the catalogue" />}
                    {next.data && next.isFetching && <p className="text-sm text-soft" role="status">Weighing again …</p>}
                    <Kit instruments={instruments.data ?? []} missing={missing} onToggle={toggleTester} ways={ways} onWay={setWay} />
                    {ranking.data ? <Suspects ranking={ranking.data} onAccept={setAccepting} onLook={setLooked} /> : <Waiting what="Ranking the causes" />}
                    <Findings words={map.data.findings} />
                </div>
                <div className={shown('readings')}>
                    <Readings callId={callId} readings={detail.readings} here={connection} />
                    <div className="mt-5">
                        <Ledger detail={detail} />
                    </div>
                </div>
            </div>
            {stateOpen && <StatePanel map={map.data} callId={callId} onClose={() => setStateOpen(false)} />}
            {accepting && <AcceptCause suspect={accepting} callId={callId} onClose={() => setAccepting(null)} />}
        </main>
    );
}

function terminalNames(map: Schemas['MapView'] | undefined): Map<string, string> {
    const all = map ? [...map.origin, ...map.ways.flatMap((way) => [...way.terminals, ...way.stops.flatMap((stop) => stop.terminals)])] : [];
    return new Map(all.map((terminal) => [terminal.id, terminal.name]));
}

function clampWords(map: Schemas['MapView'], around: string[]): string {
    const key = around.join(' ');
    return [...map.deviceClamps, ...map.watches, ...map.ways.flatMap((way) => way.clamps)].find((clamp) => clamp.around.join(' ') === key)?.words ?? 'these conductors';
}

/** The place id of the stop with this name; the board for anything else. */
function stopPlace(map: Schemas['MapView'] | undefined, name: string): string {
    return map?.ways.flatMap((way) => way.stops).find((stop) => stop.name === name)?.place ?? 'board';
}
