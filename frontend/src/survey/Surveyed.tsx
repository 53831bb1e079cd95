import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Detail } from '../api/client';
import { Button, Pick, Refused, Waiting } from '../ui/parts';
import { download } from './download';
import { useBoard, useChangeHouse, useHouse } from './hooks';
import { Outcome } from './Outcome';

interface Cable {
    circuit?: string;
    lengthMetres?: number | { value: number; knowing: string };
    cores: Record<string, { ends: (string | null)[] }>;
}

/** The house of the call: its board judged, and every run open to be refined where the fault is. */
export function Surveyed({ detail, houseId }: { detail: Detail; houseId: string }) {
    const board = useBoard(detail.call.id, detail.houseVersion);
    const house = useHouse(houseId);
    const document = house.data?.document as { circuits?: Record<string, { name: string }>; cables?: Record<string, Cable>; parts?: Record<string, { name: string }> } | undefined;
    const circuits = Object.entries(document?.circuits ?? {});
    const [circuit, setCircuit] = useState('');
    const runs = Object.entries(document?.cables ?? {}).filter(([, cable]) => cable.circuit === circuit);
    return (
        <main className="mx-auto grid max-w-5xl gap-8 px-4 py-6 md:grid-cols-[1fr_24rem]">
            <section className="min-w-0">
                <h2 className="mb-1 text-2xl font-bold">The house, version {detail.houseVersion}</h2>
                <p className="mb-4 text-soft">Refine where the fault is; every change makes a version, and readings keep the one they were taken in.</p>
                <Refused error={house.error} />
                {house.isPending && <Waiting what="Fetching the house" />}
                <Pick label="Circuit" value={circuit} onChange={setCircuit} options={circuits.map(([slug, each]) => ({ slug, words: each.name }))} />
                {circuit !== '' && (
                    <ul className="mt-3 divide-y divide-line border-y border-line">
                        {runs.map(([id, cable]) => (
                            <Run key={`${id}.${detail.houseVersion}`} id={id} cable={cable} words={ends(cable, document?.parts ?? {})} callId={detail.call.id} houseId={houseId} version={house.data?.version ?? 0} />
                        ))}
                    </ul>
                )}
                {house.data && (
                    <p className="mt-4">
                        <Button onClick={() => download(house.data.document, detail.call.address)}>Export the house as JSON</Button>
                    </p>
                )}
            </section>
            <aside className="space-y-5">
                <Refused error={board.error} />
                {board.data && <Outcome open={[]} board={board.data} />}
            </aside>
        </main>
    );
}

function Run({ id, cable, words, callId, houseId, version }: { id: string; cable: Cable; words: string; callId: string; houseId: string; version: number }) {
    const change = useChangeHouse(callId, houseId);
    const length = cable.lengthMetres;
    const [metres, setMetres] = useState(String(typeof length === 'object' ? length.value : (length ?? '')));
    const knowing = typeof length === 'object' ? length.knowing : 'assumed';
    return (
        <li>
            <form
                className="flex flex-wrap items-center gap-3 py-1.5"
                onSubmit={(event) => {
                    event.preventDefault();
                    change.mutate({ id: uuidv7(), baseVersion: version, operation: { op: 'set-length', cable: id, metres: Number(metres.replace(',', '.')), knowing: 'measured' } });
                }}
            >
                <span className="min-w-40 flex-1 break-words">
                    {words}
                    <span className="block text-sm text-soft">{knowing === 'assumed' ? '~ length assumed' : `length ${knowing}`}</span>
                </span>
                <label className="flex items-center gap-2 text-sm">
                    <input aria-label={`Length of ${words}, metres`} inputMode="decimal" className="min-h-11 w-24 border border-ink bg-sheet px-2 text-right font-mono text-base" value={metres} onChange={(event) => setMetres(event.target.value)} />m
                </label>
                <Button type="submit" disabled={change.isPending}>
                    Measured
                </Button>
                <Refused error={change.error} />
            </form>
        </li>
    );
}

/** What a run joins, by the names of the parts at its ends. */
function ends(cable: Cable, parts: Record<string, { name: string }>): string {
    const core = Object.values(cable.cores)[0];
    return (core?.ends ?? []).map((end) => (end === null ? 'not landed' : (parts[end.split('.')[0] ?? '']?.name ?? end))).join(' to ');
}
