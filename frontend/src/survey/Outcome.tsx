import type { Schemas } from '../api/client';

/** What is still to be seen or measured, and the board judged as it is built. */
export function Outcome({ open, board }: { open: string[]; board: Schemas['BoardView'] }) {
    return (
        <>
            {open.length > 0 && (
                <section aria-label="Still open">
                    <h2 className="border-b border-ink pb-1 font-bold">Still open</h2>
                    <ul className="space-y-1 pt-1 text-sm">
                        {open.map((words) => (
                            <li key={words} className="text-doubt">
                                ▲ {words}
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            <section aria-label="The board judged">
                <h2 className="border-b border-ink pb-1 font-bold">What goes off together</h2>
                {board.devices.length === 0 && <p className="pt-1 text-sm text-soft">No device has more than one circuit behind it yet.</p>}
                <ul className="space-y-2 pt-1 text-sm">
                    {board.devices.map((device) => (
                        <li key={device.device + device.circuits.join()}>
                            <strong>{device.device}</strong>: {device.circuits.length} circuits, <span className="font-mono">{Math.round(device.sum)} A</span> of ratings behind it, <span className="font-mono">{Math.round(device.diverse)} A</span> with diversity{device.amperes === null ? '' : `; rated ${device.amperes} A`}.
                            {device.remarks.map((remark) => (
                                <span key={remark} className="block text-doubt">
                                    ▲ {remark}
                                </span>
                            ))}
                        </li>
                    ))}
                    {board.jumpers.map((jumper) => (
                        <li key={jumper.words} className={jumper.isTooSmall ? 'text-doubt' : ''}>
                            {jumper.isTooSmall ? '▲ ' : ''}
                            {jumper.words}
                        </li>
                    ))}
                    {[...board.unprotected, ...board.findings].map((words) => (
                        <li key={words} className="text-doubt">
                            ▲ {words}
                        </li>
                    ))}
                </ul>
                <p className="mt-1 text-xs text-soft">With diversity: the largest circuit whole, the others by four tenths; a rule of thumb for dwellings.</p>
            </section>
        </>
    );
}
