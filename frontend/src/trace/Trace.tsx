import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, got, type Detail, type Schemas } from '../api/client';
import { useContradictions, useInstruments, useMap, useNextTests, useObserve, usePending, usePrediction, usePrepared, useRanking, type Connection } from '../api/hooks';
import { AcceptCause } from '../right/AcceptCause';
import { Ledger } from '../safe/Ledger';
import { useKeys } from '../ui/keys';
import { useQuiet } from '../ui/quiet';
import { clock, Modal, Refused, useDraft, Waiting } from '../ui/parts';
import { Agreements } from './Agreements';
import { useColumns } from './columns';
import { Contradictions } from './Contradictions';
import { Findings } from './Findings';
import { LineMap, type Selection } from './LineMap';
import { MapBar, ZOOMS } from './MapBar';
import { Meter } from './Meter';
import { Kit, useNotToHand, without } from './Kit';
import { useWays } from './practice';
import { NextTest } from './NextTest';
import { Part } from './Part';
import { PointPanel } from './PointPanel';
import { Preparing } from './Preparing';
import { Readings } from './Readings';
import { ChooseRun, RunStrip } from './Run';
import { nextOpen, useReach, useRun } from './runs';
import { withPending, withState } from './standing';
import { StatePanel } from './StatePanel';
import { Suspects } from './Suspects';
import { useSetUp } from './setup';

type Pane = 'map' | 'causes' | 'readings';

/** A test with the state it asks for. */
type Asked = Pick<Schemas['NextTestView'], 'instrument' | 'terminals' | 'around' | 'changes'> & { forced?: string[] };

export function Trace({ detail }: { detail: Detail }) {
    const callId = detail.call.id;
    const hasHouse = detail.call.houseId !== null;
    const ranking = useRanking(callId, hasHouse);
    const columns = useColumns(callId, `${detail.call.houseId} ${detail.houseVersion}`, hasHouse && detail.readings.length > 0);
    // What a reading is waited for comes first: the map and the next prediction follow the ranking.
    const isRanked = ranking.data === undefined || !ranking.isFetching;
    const fetched = useMap(callId, hasHouse && isRanked);
    // What was switched shows at once: the call brings its state, the map follows with what may be live.
    const pending = usePending();
    const map = { ...fetched, data: useMemo(() => fetched.data && withState(fetched.data, withPending(detail.state, pending.filter((each) => each.callId === callId))), [fetched.data, detail.state, pending, callId]) };
    const instruments = useInstruments();
    const [missing, toggleTester] = useNotToHand();
    const [ways, setWay] = useWays();
    // In a run the order of the tests is settled: weighing others waits, so that each reading is answered at once.
    const [series, setSeries] = useDraft(`${callId}.run`);
    const observe = useObserve(callId);
    const [setUp, change] = useSetUp(callId);
    const [selected, setSelected] = useState<Selection | null>(null);
    const [pane, setPane] = useState<Pane>('map');
    const [stateOpen, setStateOpen] = useState(false);
    const [choosing, setChoosing] = useState<string | null>(null);
    const [parting, setParting] = useState<Asked | null>(null);
    const [at, setAt] = useState(0);
    const [zoom, setZoom] = useState(1);
    const scroller = useRef<HTMLDivElement>(null);
    const run = useRun(callId, series);
    const client = useQueryClient();
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
    const wired = JSON.stringify(detail.state) + String(detail.houseVersion);
    const stateKey = wired + String(detail.readings.length);
    const prediction = usePrediction(callId, instrument?.slug ?? '', instrument && isRanked ? connection : null, stateKey, setUp.forced);
    const reach = useReach(callId, instrument?.slug ?? '', leads.length === 2 && !instrument?.acts ? setUp.terminals.find((terminal) => names.has(terminal)) : undefined, wired);
    const stays = useQuiet(JSON.stringify([instrument?.slug, connection, stateKey]), 700);
    usePrepared(callId, instrument?.slug ?? '', connection, stateKey, stays);
    // Weighing every test keeps the server busy for a second or two: not while somebody is switching, nor while leads lie where
    // nothing was read yet.
    const switched = useQuiet(stateKey, 1200);
    const last = detail.readings.at(-1);
    const isAboutToRead = connection !== null && JSON.stringify([instrument?.slug, connection.terminals, connection.around]) !== JSON.stringify([last?.instrument, last?.terminals, last?.around]);
    const practice = { without: without(instruments.data ?? [], missing), ...ways };
    const waits = isAboutToRead && client.getQueryData(['call', callId, 'next', practice]) !== undefined;
    const next = useNextTests(callId, practice, hasHouse && instruments.data !== undefined && series === '' && switched && !waits && !ranking.isFetching);
    // The slowest comes last: it must not hold up what the page is waiting for.
    const odd = useContradictions(callId, hasHouse && series === '' && switched && !isAboutToRead && !ranking.isFetching && !next.isFetching);
    const loop = useMemo(() => new Set(prediction.data?.loop ?? []), [prediction.data]);
    const proved = useMemo(() => new Map(detail.proofs.filter((proof) => proof.complete && !proof.lapsed).map((proof) => [stopPlace(map.data, proof.place), clock(proof.at)])), [detail.proofs, map.data]);

    const bigger = (by: number) => setZoom(ZOOMS[Math.min(Math.max(ZOOMS.indexOf(zoom) + by, 0), ZOOMS.length - 1)] ?? 1);
    useKeys({
        f: () => document.querySelector<HTMLElement>('[aria-label="Find a point or a way"]')?.focus(),
        r: () => document.querySelector<HTMLElement>('[data-reading]')?.focus(),
        n: () => document.querySelector<HTMLElement>('[aria-label="Next test"] button, [aria-label="Next test"] a')?.click(),
        b: () => setChoosing(''),
        s: () => setStateOpen(true),
        '+': () => bigger(1),
        '-': () => bigger(-1),
    });

    if (!hasHouse || !map.data || !instrument) {
        return (
            <main>
                <div className="mx-auto max-w-3xl space-y-3 p-4">
                    <Refused error={map.error ?? instruments.error} />
                    {hasHouse && map.isPending && (columns && ranking.isFetching ? <Preparing columns={columns} /> : <Waiting what="Drawing the house" />)}
                    {!hasHouse && (
                        <p>
                            This call has no house yet. Readings can be taken all the same: say in words where, and place them later. <Link className="inline-flex min-h-11 items-center underline underline-offset-4" to={`/calls/${callId}/survey`}>Survey the board, a few minutes</Link>
                        </p>
                    )}
                </div>
                {instrument && !hasHouse && (
                    <Meter callId={callId} instruments={instruments.data ?? []} instrument={instrument} onInstrument={(slug) => change({ instrument: slug })} connection={null} words={[]} prediction={prediction} last={detail.readings.at(-1)} forced={setUp.forced} onForced={(forced) => change({ forced })} />
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
    const setUpTest = (test: Asked) => {
        const then = () => {
            change({ instrument: test.instrument, terminals: test.terminals, around: test.around, ...(test.forced ? { forced: test.forced } : {}) });
            setPane('map');
        };
        if (test.changes.length === 0) {
            then();
        } else if (test.changes.some((change) => change.clampFirst !== null)) {
            setParting(test);
        } else {
            observe.mutate({ kind: 'done', payload: { changes: test.changes.map(({ operation, subject, value }) => ({ operation, subject, value })) } }, { onSuccess: then });
        }
    };
    const go = (to: number, members = run.data?.members ?? []) => {
        const member = members[to];
        if (member) {
            setAt(to);
            // What has to be switched or lifted first is asked, never taken as done.
            if (member.changes.length === 0) {
                setUpTest(member);
            }
        }
    };
    const fetchRun = (id: string) => client.fetchQuery({ queryKey: ['call', callId, 'run', id], queryFn: () => got(api.GET('/api/calls/{id}/run', { params: { path: { id: callId }, query: { series: id } } })), staleTime: 0 });
    const begin = (id: string) => {
        setSeries(id);
        setChoosing(null);
        void fetchRun(id).then((begun) => go(Math.max(0, nextOpen(begun.members, -1)), begun.members));
    };
    // A reading stored moves a run on to the next point that is still open.
    const advance = () => {
        if (series !== '') {
            void fetchRun(series).then((now) => {
                const to = nextOpen(now.members, at);
                if (to !== -1) {
                    go(to, now.members);
                }
            });
        }
    };
    const find = (wanted: Selection) => {
        setSelected(wanted);
        requestAnimationFrame(() => scroller.current?.querySelector('[aria-pressed="true"]')?.scrollIntoView({ block: 'center', inline: 'center' }));
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
            <div className={`min-w-0 lg:flex lg:min-h-0 lg:flex-col lg:overflow-y-auto ${shown('map')}`}>
                <MapBar map={map.data} zoom={zoom} onZoom={setZoom} onFind={find} onRun={() => setChoosing('')} onState={() => setStateOpen(true)} />
                <div ref={scroller} className="overflow-auto max-lg:max-h-[34dvh] lg:min-h-48 lg:min-h-0 lg:flex-1" tabIndex={0} aria-label="Line map, scrollable" role="region">
                    <LineMap map={map.data} probes={probes} loop={loop} suspected={suspectedPlaces} proved={proved} selected={selected} onSelect={setSelected} onSwitch={(part, position) => observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'set', subject: part, value: position }] } })} zoom={zoom} />
                </div>
                <PointPanel map={map.data} selection={selected} instrument={instrument} probes={probes} onPut={put} onClamp={(around) => change({ around })} onTwoStates={(name) => setChoosing(`two states ${name}`)} callId={callId} reach={reach.data?.shown as Record<string, string> | undefined} />
                {series !== '' && run.data && <RunStrip run={run.data} at={at} busy={observe.isPending} callId={callId} mainOn={map.data.mainOn} onGo={go} onSetUp={setUpTest} onEnd={() => setSeries('')} />}
                <Meter callId={callId} instruments={instruments.data ?? []} instrument={instrument} onInstrument={(slug) => change({ instrument: slug })} connection={connection} words={words} prediction={prediction} last={detail.readings.at(-1)} onStored={advance} onLift={() => change({ terminals: [], around: [] })} known={connection && connection.around.length === 0 ? (reach.data?.shown as Record<string, string> | undefined)?.[connection.terminals[1] ?? ''] : undefined} inRun={series !== ''} forced={setUp.forced} onForced={(forced) => change({ forced })} />
            </div>
            <div className="space-y-5 border-ink p-4 lg:overflow-y-auto lg:border-l">
                <div className={`space-y-5 ${shown('causes')}`}>
                    <Refused error={observe.error ?? ranking.error ?? next.error} />
                    <Contradictions odd={odd.data ?? []} />
                    {series !== '' ? <p className="border-l-4 border-line pl-3 text-soft">In a run. The next test is weighed when it ends.</p> : next.data ? <NextTest next={next.data} callId={callId} mainOn={map.data.mainOn} busy={observe.isPending} onSetUp={(test, forced = []) => setUpTest({ ...test, forced })} /> : <Waiting what="Weighing every test of the catalogue" />}
                    {series === '' && next.data && next.isStale && <p className="text-sm text-soft" role="status">{isAboutToRead ? 'Weighed again once this is read.' : 'Weighing again …'}</p>}
                    <Kit instruments={instruments.data ?? []} missing={missing} onToggle={toggleTester} ways={ways} onWay={setWay} />
                    {columns && ranking.isFetching && <Preparing columns={columns} />}
                    {ranking.data ? <Suspects ranking={ranking.data} onAccept={setAccepting} onLook={setLooked} /> : !columns && <Waiting what="Ranking the causes" />}
                    <Findings words={map.data.findings} />
                </div>
                <div className={shown('readings')}>
                    <Readings
                        callId={callId}
                        readings={detail.readings}
                        here={connection}
                        onAgain={({ instrument: slug, terminals, around }) => {
                            change({ instrument: slug, terminals, around });
                            setPane('map');
                        }}
                    />
                    <Agreements callId={callId} readings={detail.readings.length} isRanked={isRanked} />
                    <div className="mt-5">
                        <Ledger detail={detail} />
                    </div>
                </div>
            </div>
            {choosing !== null && <ChooseRun callId={callId} wanted={choosing} onChoose={begin} onClose={() => setChoosing(null)} />}
            {stateOpen && <StatePanel map={map.data} callId={callId} onClose={() => setStateOpen(false)} />}
            {parting && (
                <Modal open onClose={() => setParting(null)} title="Before you lift">
                    <Part
                        callId={callId}
                        changes={parting.changes}
                        onParted={() => {
                            setUpTest({ ...parting, changes: [] });
                            setParting(null);
                        }}
                        onClose={() => setParting(null)}
                    />
                </Modal>
            )}
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
