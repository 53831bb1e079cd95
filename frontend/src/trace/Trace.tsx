import { useCallback, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Detail, Schemas } from '../api/client';
import { useContradictions, useGlance, useInstruments, useMap, useNextTests, usePending, usePrediction, usePrepared, useRanking, useSend } from '../api/hooks';
import { HouseStrip } from '../call/HouseStrip';
import { Key } from '../call/DangerNow';
import { useJob, Working } from '../jobs/Working';
import * as outbox from '../outbox/outbox';
import { AcceptCause } from '../right/AcceptCause';
import { useMay } from '../session/may';
import { useKeys } from '../ui/keys';
import { Refused, useDraft, Waiting } from '../ui/parts';
import { useQuiet } from '../ui/quiet';
import { say } from '../words';
import { Another } from './dock/Another';
import { Choose } from './dock/Choose';
import { Enter, type InHand } from './dock/Enter';
import { Frame, Yellow } from './dock/Frame';
import type { Desk } from './dock/ReadingForm';
import { InRun } from './dock/InRun';
import { Prepare } from './dock/Prepare';
import { Expected } from './Expected';
import { Findings } from './Findings';
import { Kit, useNotToHand, without } from './Kit';
import type { Selection } from './Circuit';
import { useInHand } from './inHand';
import { LineMap } from './LineMap';
import { MapBar, ZOOMS } from './MapBar';
import { useMapKeys } from './mapKeys';
import { clampWords, connect, plugged, stopOf, stopWith, terminalNames, whereIs } from './places';
import { PointPanel } from './PointPanel';
import { useWays } from './practice';
import { usePlanning } from './planning';
import { act, after, back, holds, type Asked, type Step } from './preparation';
import { useRunning } from './running';
import { fetchTest, useReach } from './runs';
import { useSetUp } from './setup';
import { printOf, switching, withPending, withState } from './standing';
import { StatePanel } from './StatePanel';
import { useTouch } from './touch';
import { useTyping } from './typing';
import { useKept } from './useKept';
import { Panes, type Pane } from './Panes';
import { Column } from './why/Column';
import { Dangers } from './why/Dangers';

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
    const main = detail.standing?.main ?? null;
    const standing = useMemo(() => withPending(detail.state, mine, main), [detail.state, mine, main]);
    const state = useMemo(() => printOf(standing), [standing]);
    const map = { ...fetched, data: useMemo(() => fetched.data && withState(fetched.data, standing), [fetched.data, standing]) };
    const known = switching(mine).at(-1)?.id ?? (detail.last === '' ? undefined : detail.last);
    const instruments = useInstruments();
    const [missing, toggleTester] = useNotToHand();
    const [ways, setWay] = useWays();
    // In a run the order of the tests is settled: weighing others waits, so that each reading is answered at once.
    const [series, setSeries] = useDraft(`${callId}.run`);
    const [isHand, setHand] = useKept(`yellow-probe.hand.${callId}`, false);
    const [large, setLarge] = useDraft('large');
    const send = useSend(callId);
    const [refusal, setRefusal] = useState<unknown>(null);
    const [setUpBy, change] = useSetUp(callId);
    const [typing, setTyping] = useTyping(callId);
    const [selected, setSelected] = useState<Selection | null>(null);
    const [pane, setPane] = useState<Pane>('map');
    const [stateOpen, setStateOpen] = useState(false);
    const [another, setAnother] = useState<string | null>(null);
    const [zoom, setZoom] = useState(1);
    const isTouch = useTouch();
    const running = useRunning({ callId, series, state, hash: detail.state.hash, isSettled: switching(mine).length === 0, refused: pending.filter((each) => each.refused) });
    const { run, member } = running;
    const { plan, setPlan, needsIsolation } = usePlanning(callId, series, running, setUpBy.forced);
    // In a run its member says where the leads are; out of it they are where they were put.
    const setUp = useMemo(() => (member ? { ...setUpBy, instrument: member.instrument, terminals: member.terminals, around: member.around } : setUpBy), [member, setUpBy]);
    const test = setUpBy.test?.state === state ? setUpBy.test : null;
    const [accepting, setAccepting] = useState<Schemas['SuspectView'] | null>(null);
    const [looked, setLooked] = useState<string[] | null>(null);

    const instrument = instruments.data?.find((each) => each.slug === setUp.instrument) ?? instruments.data?.[0];
    const leads = useMemo(() => instrument?.leads ?? [], [instrument]);
    const names = useMemo(() => terminalNames(map.data), [map.data]);
    const isPlaced = useCallback((terminal: string) => names.has(terminal), [names]);
    const connection = useMemo(() => (instrument ? connect(instrument, setUp.terminals, setUp.around, isPlaced) : null), [instrument, setUp, isPlaced]);
    const lift = () => change({ terminals: [], around: [] });
    /** The leads go on: from here on a field is open for just this test in just this state. */
    const ready = (asked: Asked, stands: string) => {
        setPlan(null);
        if (member && member.id === asked.id) {
            running.prepared(stands);
        } else {
            setHand(true);
            const at = stopWith(map.data, asked.terminals);
            if (at) {
                setSelected({ kind: 'stop', id: at.part });
            }
            change({ instrument: asked.instrument, terminals: asked.terminals, around: asked.around, test: asked.id === '' ? null : { id: asked.id, state: stands, words: asked.words, hazard: asked.hazard }, ...(asked.forced ? { forced: asked.forced } : {}) });
        }
        setPane('map');
    };
    const take = (asked: Asked, since = known ?? '', leftOut: string[] = []) => {
        setRefusal(null);
        setAnother(null);
        setSeries('');
        lift();
        // What is typed for another field stays with its place; the new field is made when the last step is done.
        if (asked.changes.length === 0 && !asked.needsIsolation) {
            ready(asked, state);
        } else {
            setPlan({ test: asked, run: '', leftOut, since });
        }
    };
    const held = plan !== null && plan.run === '' ? { test: plan.test.id, since: plan.since, leftOut: plan.leftOut, forced: plan.test.forced ?? [] } : { test: isHand ? (test?.id ?? '') : '', since: isHand ? (known ?? '') : '', leftOut: [], forced: setUp.forced };
    useInHand({
        callId,
        now: { ...held, run: series },
        mayTake: may('measure') && map.data !== undefined && instrument !== undefined,
        isBusy: another !== null || stateOpen || selected !== null,
        onFound: (found, asked) => (asked === null ? setSeries(found.run) : take({ ...asked, forced: found.forced }, found.since, found.leftOut)),
    });
    const wired = JSON.stringify(detail.state) + String(detail.houseVersion);
    const stateKey = wired + String(detail.readings.length);
    const inHand = run !== null || (plan === null && (isHand || connection !== null));
    const reads = plan === null || run !== null;
    const prediction = usePrediction(callId, instrument?.slug ?? '', instrument && isRanked && reads ? connection : null, stateKey, setUp.forced);
    const reach = useReach(callId, instrument?.slug ?? '', reads && leads.length === 2 && !instrument?.acts ? setUp.terminals.find(isPlaced) : undefined, wired);
    const raw = typing.now?.raw ?? '';
    const glance = useGlance(callId, instrument?.slug ?? '', reads ? connection : null, stateKey, setUp.forced, prediction.data ? raw : '');
    const stays = useQuiet(JSON.stringify([instrument?.slug, connection, stateKey]), 700);
    usePrepared(callId, instrument?.slug ?? '', reads ? connection : null, stateKey, stays);
    // Weighing every test keeps the server busy for a second or two: not while somebody is switching, nor while a test is in hand.
    const switched = useQuiet(stateKey, 1200);
    const practice = { without: without(instruments.data ?? [], missing), ...ways };
    const next = useNextTests(callId, practice, hasHouse && instruments.data !== undefined && series === '' && switched && !ranking.isFetching);
    // The slowest comes last: it must not hold up what the page is waiting for.
    const odd = useContradictions(callId, hasHouse && series === '' && switched && !inHand && !ranking.isFetching && !next.isFetching);
    const loop = useMemo(() => new Set(inHand ? (prediction.data?.loop ?? []) : []), [inHand, prediction.data]);
    const proved = useMemo(() => new Map(detail.proofs.filter((proof) => proof.stands).map((proof) => [proof.place, proof.at])), [detail.proofs]);

    const bigger = (by: number) => setZoom(ZOOMS[Math.min(Math.max(ZOOMS.indexOf(zoom) + by, 0), ZOOMS.length - 1)] ?? 1);
    useKeys({
        f: () => document.querySelector<HTMLElement>('[data-find]')?.focus(),
        r: () => document.querySelector<HTMLElement>('[data-reading]')?.focus(),
        s: () => setStateOpen(true),
        g: () => setLarge(large === '' ? 'large' : ''),
        v: () => document.querySelector<HTMLElement>('[data-ranking] button')?.focus(),
        '+': () => bigger(1),
        '-': () => bigger(-1),
    });

    useMapKeys({
        map: map.data,
        selected,
        onSelect: setSelected,
        leads: inHand && run === null ? leads : [],
        onLead: (lead, terminal) => change({ terminals: leads.map((_, at) => (at === lead ? terminal : (setUp.terminals[at] ?? ''))) }),
    });

    if (!instrument || (hasHouse && !map.data)) {
        return (
            <main className="mx-auto w-full max-w-3xl flex-1 space-y-3 p-4">
                <Refused error={map.error ?? instruments.error} />
                {ranked ? <Working what={say('work.ranking')} progress={ranked} /> : <Waiting what={say('trace.drawing')} />}
            </main>
        );
    }

    /** Back to choosing: nothing is in hand. */
    const over = () => {
        setPlan(null);
        setHand(false);
        setSeries('');
        lift();
    };
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
    const chosen = (id: string) => {
        fetchTest(callId, id).then((asked) => take(asked), setRefusal);
    };
    // Done at once, without waiting for the server. Refused, the leads come off and the step is open again.
    const prepared = (steps: Step[]) => {
        if (plan === null) {
            return;
        }
        if (steps.length > 0) {
            send({ kind: 'done', payload: { changes: steps.map(act) } }, (error, entry) => {
                outbox.remove(entry);
                setRefusal(error);
                running.undo();
                setPlan(plan);
                lift();
            });
        }
        const stands = after(standing, steps, main);
        if (plan.leftOut.length === 0 && plan.test.changes.every((step) => holds(step, stands))) {
            ready(plan.test, printOf(stands));
        }
    };
    /** Nothing is open any more. With a step left out the reading is of the house as it stands, and of no test or run. */
    const left = () => {
        if (plan !== null && plan.leftOut.length > 0) {
            setSeries('');
        }
        if (plan !== null) {
            ready({ ...plan.test, id: plan.leftOut.length === 0 ? plan.test.id : '' }, state);
        }
    };
    const takeBack = (step: Step) => send({ kind: 'done', payload: { changes: [back(step)] } }, setRefusal);
    const begin = (id: string) => {
        setPlan(null);
        setSeries(id);
        setAnother(null);
        setPane('map');
    };
    const find = (wanted: Selection) => {
        setSelected(wanted);
        setPane('map');
    };
    const select = (wanted: Selection) => {
        setSelected(wanted);
        const stop = wanted.kind === 'stop' ? stopOf(map.data, wanted.id) : undefined;
        // A plug-in tester has one way to go in: a tap on the point plugs it.
        if (stop && !member && instrument.slug === 'plug-in-tester' && isHand) {
            const outlet = plugged(stop, leads);
            change(outlet === null ? { terminals: [] } : { terminals: outlet });
        }
    };
    /** The leads of a reading on the map once more. */
    const again = ({ instrument: slug, terminals, around }: Schemas['ReadingView']) => {
        setSeries('');
        setPlan(null);
        setHand(true);
        change({ instrument: slug, terminals, around });
        setPane('map');
    };
    const here = whereIs(map.data, selected);
    const places = looked ?? ranking.data?.suspects.find((suspect) => suspect.class !== '')?.places ?? [];
    // A cause that could be nearly anywhere marks nothing: marks everywhere say no more than none.
    const suspected = new Set(places.length <= 8 ? places : []);
    const device = instrument.acts && setUp.around.length > 0 ? [clampWords(map.data, setUp.around)] : [];
    const words = leads.length === 0 ? (setUp.around.length === 0 ? [] : [clampWords(map.data, setUp.around)]) : leads.flatMap((lead, at) => (setUp.terminals[at] ? [`${lead} on ${names.get(setUp.terminals[at]) ?? setUp.terminals[at]}`] : [])).concat(device);
    const probes = leads.length === 0 || (plan !== null && run === null) ? [] : leads.flatMap((lead, at) => (setUp.terminals[at] ? [{ lead, terminal: setUp.terminals[at] }] : []));
    const shown = (which: Pane) => (pane === which ? '' : 'compact:hidden');
    const hand: InHand = { instrument, connection, words, title: test?.words ?? instrument.words, test: test?.id ?? null, hazard: test?.hazard ?? '' };
    const desk: Desk = { typing, onTyping: setTyping, forced: setUp.forced, onForced: (forced) => change({ forced }), isTouch, isLarge: large !== '', onLarge: () => setLarge(large === '' ? 'large' : '') };
    const panel = map.data && <PointPanel map={map.data} selection={selected} instrument={instrument} probes={probes} onPut={put} onClamp={(around) => change({ around })} onTwoStates={(name) => setAnother(say('trace.two-states', { name }))} callId={callId} isFixed={member !== null || !inHand} reach={reach.data?.shown as Record<string, string> | undefined} />;
    const progress = series !== '' ? null : !hasHouse ? <p className="py-2">{say('trace.no-house-dock')}</p> : next.data === undefined ? <Working what={say('work.next')} progress={planned} /> : next.isStale || next.isFetching ? <p className="text-sm text-soft" role="status">{planned && planned.ahead > 0 && !planned.isRunning ? `${say('work.ahead', { what: say('work.next'), count: planned.ahead })} …` : say('trace.weighing')}</p> : null;

    return (
        <>
            <HouseStrip detail={detail} className="low:hidden">
                {map.data && (
                    <button type="button" className="flex shrink-0 items-center border-l border-line px-3 font-bold underline underline-offset-4" onClick={() => setStateOpen(true)}>
                        {say('strip.switch')}
                        <Key of="S" />
                    </button>
                )}
            </HouseStrip>
            <main className="flex min-h-0 flex-1 flex-col wide:grid wide:grid-cols-[minmax(0,868fr)_minmax(0,412fr)] wide:grid-rows-[minmax(0,1fr)_auto]">
                <Dangers callId={callId} dangers={map.data?.dangers ?? []} mayAct={may('measure')} className="max-h-36 shrink-0 overflow-y-auto text-sm low:max-h-12 wide:hidden" />
                <Panes pane={pane} onPane={setPane} leading={ranking.data?.suspects[0]?.shown} onSwitch={map.data ? () => setStateOpen(true) : null} />
                <div className={`flex min-h-0 min-w-0 flex-1 flex-col compact:min-h-28 tiny:min-h-60 wide:border-r wide:border-ink ${shown('map')}`}>
                    {map.data ? (
                        <>
                            <div className={inHand || plan !== null ? 'compact:hidden' : ''}>
                                <MapBar map={map.data} zoom={zoom} onZoom={setZoom} onFind={find} />
                            </div>
                            <LineMap map={map.data} run={run} at={running.at} onGo={running.go} plan={plan} state={standing} probes={probes} loop={loop} suspected={suspected} proved={proved} selected={selected} readings={detail.readings} causes={ranking.data?.suspects.slice(0, 3).flatMap((suspect) => suspect.places) ?? []} onSelect={select} onSwitch={(part, position) => send({ kind: 'done', payload: { changes: [{ operation: 'set', subject: part, value: position }] } }, setRefusal)} zoom={zoom} onZoom={bigger} />
                            <div className={`shrink-0 wide:border-t wide:border-line wide:px-4 wide:py-1 ${selected === null ? 'hidden' : !inHand || plan !== null || run !== null ? '' : connection === null ? 'wide:hidden' : 'hidden'}`}>{panel}</div>
                        </>
                    ) : (
                        <p className="p-4">
                            {say('trace.no-house')}{' '}
                            <Link className="inline-flex min-h-11 items-center underline underline-offset-4" to={`/calls/${callId}/survey`}>
                                {say('trace.survey')}
                            </Link>
                        </p>
                    )}
                </div>
                <Column detail={detail} pane={pane} ranking={ranking} next={series === '' ? next.data : undefined} error={refusal ?? ranking.error ?? next.error} odd={odd.data ?? []} isRanked={isRanked} dangers={map.data?.dangers ?? []} mayAct={may('measure')} here={connection} onAccept={setAccepting} onLook={setLooked} onAgain={again}>
                    <Kit instruments={instruments.data ?? []} missing={missing} onToggle={toggleTester} ways={ways} onWay={setWay} />
                    {map.data && <Findings words={map.data.findings} />}
                </Column>
                {!may('measure') ? null : plan !== null ? (
                    <Prepare detail={detail} plan={plan} needsIsolation={needsIsolation} state={standing} onPlan={setPlan} onDone={prepared} onBack={takeBack} onOver={left} onOther={over} />
                ) : run && member ? (
                    <InRun
                        detail={detail}
                        running={running}
                        run={run}
                        member={member}
                        instrument={instrument}
                        state={state}
                        after={known}
                        desk={desk}
                        onEnd={over}
                        expected={(isTyped) => <Expected prediction={prediction} known={member.expected} glance={isTyped ? glance : undefined} trap={instrument.trap} />}
                    />
                ) : series !== '' ? (
                    <Frame detail={detail} yellow={<Yellow hotkey="N" onClick={over}>{say('run.end')}</Yellow>}>
                        <Waiting what={say('run.fetching')} />
                    </Frame>
                ) : inHand || !hasHouse ? (
                    <Enter
                        detail={detail}
                        hand={hand}
                        instruments={instruments.data ?? []}
                        onInstrument={(slug) => change({ instrument: slug })}
                        prediction={prediction}
                        glance={glance}
                        state={state}
                        after={known}
                        desk={desk}
                        leads={panel}
                        onOver={over}
                        onLift={lift}
                        known={connection && connection.around.length === 0 ? (reach.data?.shown as Record<string, string> | undefined)?.[connection.terminals[1] ?? ''] : undefined}
                    />
                ) : (
                    <Choose detail={detail} next={next.data} progress={progress} onSetUp={(asked, forced) => take(forced ? { ...asked, forced } : { ...asked, forced: [] })} onOther={() => setAnother('')} />
                )}
                {another !== null && hasHouse && (
                    <Another
                        callId={callId}
                        here={here}
                        wanted={another}
                        practice={practice}
                        onTest={chosen}
                        onRun={begin}
                        onHand={() => {
                            setAnother(null);
                            setHand(true);
                        }}
                        onClose={() => setAnother(null)}
                    />
                )}
                {stateOpen && map.data && <StatePanel map={map.data} callId={callId} onClose={() => setStateOpen(false)} />}
                {accepting && <AcceptCause suspect={accepting} callId={callId} onClose={() => setAccepting(null)} />}
            </main>
        </>
    );
}
