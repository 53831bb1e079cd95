import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Detail, Schemas } from '../api/client';
import { useContradictions, useInstruments, useMap, useNextTests, useObserve, usePending, usePrediction, usePrepared, useRanking, useSend, type Connection } from '../api/hooks';
import * as outbox from '../outbox/outbox';
import { AcceptCause } from '../right/AcceptCause';
import { Ledger } from '../safe/Ledger';
import { useKeys } from '../ui/keys';
import { useQuiet } from '../ui/quiet';
import { useMay } from '../session/may';
import { say } from '../words';
import { clock, Modal, Refused, useDraft, Waiting } from '../ui/parts';
import { Agreements } from './Agreements';
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
import { useJob, Working } from '../jobs/Working';
import { Readings } from './Readings';
import { ChooseRun, RunStrip } from './Run';
import { useReach } from './runs';
import { printOf, switching, withPending, withState } from './standing';
import { useRunning } from './running';
import { StatePanel } from './StatePanel';
import { Suspects } from './Suspects';
import { useSetUp } from './setup';

type Pane = 'map' | 'causes' | 'readings';

/** A test with the state it asks for. */
type Asked = Pick<Schemas['NextTestView'], 'id' | 'instrument' | 'terminals' | 'around' | 'changes'> & { forced?: string[] };

export function Trace({ detail }: { detail: Detail }) {
    const callId = detail.call.id;
    const hasHouse = detail.call.houseId !== null;
    const ranking = useRanking(callId, hasHouse);
    const may = useMay();
    const ranked = useJob(callId, 'ranking');
    const planned = useJob(callId, 'next');
    // What a reading is waited for comes first: the map and the next prediction follow the ranking.
    const isRanked = ranking.data === undefined || !ranking.isFetching;
    const fetched = useMap(callId, hasHouse && isRanked);
    // What was switched shows at once: the call brings its state, the map follows with what may be live.
    const pending = usePending();
    const mine = useMemo(() => pending.filter((each) => each.callId === callId && !each.refused), [pending, callId]);
    const main = fetched.data?.main ?? null;
    const standing = useMemo(() => withPending(detail.state, mine, main), [detail.state, mine, main]);
    const state = useMemo(() => printOf(standing), [standing]);
    const map = { ...fetched, data: useMemo(() => fetched.data && withState(fetched.data, standing), [fetched.data, standing]) };
    const after = switching(mine).at(-1)?.id ?? (detail.last === '' ? undefined : detail.last);
    const instruments = useInstruments();
    const [missing, toggleTester] = useNotToHand();
    const [ways, setWay] = useWays();
    // In a run the order of the tests is settled: weighing others waits, so that each reading is answered at once.
    const [series, setSeries] = useDraft(`${callId}.run`);
    const observe = useObserve(callId);
    const send = useSend(callId);
    const [refusal, setRefusal] = useState<unknown>(null);
    const [byHand, change] = useSetUp(callId);
    const [selected, setSelected] = useState<Selection | null>(null);
    const [pane, setPane] = useState<Pane>('map');
    const [stateOpen, setStateOpen] = useState(false);
    const [choosing, setChoosing] = useState<string | null>(null);
    const [parting, setParting] = useState<Asked | null>(null);
    const [zoom, setZoom] = useState(1);
    const scroller = useRef<HTMLDivElement>(null);
    const client = useQueryClient();
    const running = useRunning({ callId, series, state, hash: detail.state.hash, isSettled: switching(mine).length === 0, refused: pending.filter((each) => each.refused) });
    const { run, member } = running;
    // In a run its member says where the leads are; out of it they are where they were put.
    const setUp = useMemo(() => (member ? { ...byHand, instrument: member.instrument, terminals: member.terminals, around: member.around } : byHand), [member, byHand]);
    const test = member ? member.id : byHand.test?.state === state ? byHand.test.id : null;
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
    const proved = useMemo(() => new Map(detail.proofs.filter((proof) => proof.stands).map((proof) => [proof.place, clock(proof.at)])), [detail.proofs]);

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
                    {hasHouse && map.isPending && (ranked ? <Working what={say('work.ranking')} progress={ranked} /> : <Waiting what="Drawing the house" />)}
                    {!hasHouse && (
                        <p>
                            This call has no house yet. Readings can be taken all the same: say in words where, and place them later. <Link className="inline-flex min-h-11 items-center underline underline-offset-4" to={`/calls/${callId}/survey`}>Survey the board, a few minutes</Link>
                        </p>
                    )}
                </div>
                {instrument && !hasHouse && may('measure') && (
                    <Meter callId={callId} instruments={instruments.data ?? []} instrument={instrument} onInstrument={(slug) => change({ instrument: slug })} connection={null} words={[]} prediction={prediction} readings={detail.readings} state={state} test={null} after={after} forced={setUp.forced} onForced={(forced) => change({ forced })} />
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
    // Set up at once, without waiting for the server: nothing typed meanwhile belongs to what was in hand before. Refused, the leads come off.
    const setUpTest = (asked: Asked) => {
        if (asked.changes.some((each) => each.clampFirst !== null)) {
            setParting(asked);
            return;
        }
        setRefusal(null);
        const changes = asked.changes.map(({ operation, subject, value }) => ({ operation, subject, value }));
        const stands = printOf(withPending(standing, changes.length === 0 ? [] : [{ kind: 'done', payload: { changes } }], main));
        if (changes.length > 0) {
            send({ kind: 'done', payload: { changes } }, (error, entry) => {
                outbox.remove(entry);
                setRefusal(error);
                running.undo();
                change({ terminals: [], around: [] });
            });
        }
        if (member && member.id === asked.id) {
            running.prepared(stands);
        } else {
            change({ instrument: asked.instrument, terminals: asked.terminals, around: asked.around, test: { id: asked.id, state: stands }, ...(asked.forced ? { forced: asked.forced } : {}) });
        }
        setPane('map');
    };
    const begin = (id: string) => {
        setSeries(id);
        setChoosing(null);
        setPane('map');
    };
    const end = () => {
        if (member) {
            change({ instrument: member.instrument, terminals: member.terminals, around: member.around });
        }
        setSeries('');
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
                <PointPanel map={map.data} selection={selected} instrument={instrument} probes={probes} onPut={put} onClamp={(around) => change({ around })} onTwoStates={(name) => setChoosing(`two states ${name}`)} callId={callId} isFixed={member !== null} reach={reach.data?.shown as Record<string, string> | undefined} />
                {run && <RunStrip run={run} at={running.at} taken={running.taken} need={running.need} callId={callId} onGo={running.go} onSetUp={setUpTest} onEnd={end} />}
                {may('measure') && <Meter
                    callId={callId}
                    instruments={instruments.data ?? []}
                    instrument={instrument}
                    onInstrument={(slug) => change({ instrument: slug })}
                    connection={connection}
                    words={words}
                    prediction={prediction}
                    readings={detail.readings}
                    state={state}
                    test={test}
                    after={after}
                    onStored={running.stored}
                    onLift={() => change({ terminals: [], around: [] })}
                    known={connection && connection.around.length === 0 ? (reach.data?.shown as Record<string, string> | undefined)?.[connection.terminals[1] ?? ''] : undefined}
                    run={member ? { where: member.words, isReady: running.isReady } : null}
                    forced={setUp.forced}
                    onForced={(forced) => change({ forced })}
                />}
            </div>
            <div className="space-y-5 border-ink p-4 lg:overflow-y-auto lg:border-l">
                <div className={`space-y-5 ${shown('causes')}`}>
                    <Refused error={refusal ?? observe.error ?? ranking.error ?? next.error} />
                    <Contradictions odd={odd.data ?? []} />
                    {series !== '' ? <p className="border-l-4 border-line pl-3 text-soft">In a run. The next test is weighed when it ends.</p> : next.data ? <NextTest next={next.data} callId={callId} busy={observe.isPending} onSetUp={(asked, forced = []) => setUpTest({ ...asked, forced })} /> : <Working what={say('work.next')} progress={planned} />}
                    {series === '' && next.data && next.isStale && <p className="text-sm text-soft" role="status">{isAboutToRead ? 'Weighed again once this is read.' : planned && planned.ahead > 0 && !planned.isRunning ? `${say('work.ahead', { what: say('work.next'), count: planned.ahead })} …` : 'Weighing again …'}</p>}
                    <Kit instruments={instruments.data ?? []} missing={missing} onToggle={toggleTester} ways={ways} onWay={setWay} />
                    {ranked && <Working what={say('work.ranking')} progress={ranked} />}
                    {ranking.data ? <Suspects ranking={ranking.data} onAccept={setAccepting} onLook={setLooked} /> : !ranked && <Waiting what="Ranking the causes" />}
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
